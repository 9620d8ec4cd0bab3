import { HttpClient, HttpEventType, HttpXhrBackend } from '@angular/common/http';
import { inject, Injectable, InjectionToken } from '@angular/core';
import type { ImportReport } from '@yandle/contract';
import { filter, map, type Observable } from 'rxjs';
import { V1 } from '../data/api';

/** How far an import is. `sent` and `of` in bytes. */
export type ImportStep =
  | { readonly kind: 'sending'; readonly sent: number; readonly of: number }
  | { readonly kind: 'done'; readonly report: ImportReport };

/** A client that says how far an upload is; the one of the application goes by fetch, which does not. */
export const UPLOADS = new InjectionToken<HttpClient>('uploads', {
  providedIn: 'root',
  factory: () => new HttpClient(inject(HttpXhrBackend)),
});

/** Sends a file of results. Unsubscribing cancels it: the server then writes nothing. */
@Injectable({ providedIn: 'root' })
export class ImportService {
  private readonly http = inject(UPLOADS);

  send(file: File, options: { dryRun: boolean; columns: string }): Observable<ImportStep> {
    const json = file.name.toLowerCase().endsWith('.json');
    return this.http
      .post<ImportReport>(`${V1}/imports/results`, file, {
        params: { dryRun: options.dryRun, columns: json ? '' : options.columns },
        headers: { 'content-type': json ? 'application/x-yandle-results+json' : 'text/csv' },
        reportProgress: true,
        observe: 'events',
      })
      .pipe(
        map((event): ImportStep | null => {
          if (event.type === HttpEventType.UploadProgress)
            return { kind: 'sending', sent: event.loaded, of: event.total ?? file.size };
          if (event.type === HttpEventType.Response && event.body) return { kind: 'done', report: event.body };
          return null;
        }),
        filter((step) => step !== null),
      );
  }
}
