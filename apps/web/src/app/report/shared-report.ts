import { HttpClient } from '@angular/common/http';
import { Component, inject, signal } from '@angular/core';
import type { Report } from '@yandle/contract';
import { Requests } from '../data/requests';
import { ReportPage } from './report-page';

/** The report as its client opens it, by link. The token stands behind the `#` and leaves the address at once. */
@Component({
  selector: 'y-shared-report',
  imports: [ReportPage],
  template: `
    <main class="mx-auto max-w-5xl px-4 py-5 print:p-0">
      @if (report(); as r) {
        <y-report-page [report]="r" />
        <button type="button" class="btn mt-4 print:hidden" (click)="print()">Print</button>
      } @else if (requests.problem(); as p) {
        <h1>This link does not work</h1>
        <p class="mt-2">{{ p.detail }}</p>
      } @else {
        <p role="status">Opening your report…</p>
      }
    </main>
  `,
})
export class SharedReport {
  private readonly http = inject(HttpClient);
  protected readonly requests = new Requests();
  protected readonly report = signal<Report | null>(null);

  constructor() {
    void this.open(location.hash.slice(1));
  }

  private async open(token: string): Promise<void> {
    history.replaceState(null, '', location.pathname);
    const report = await this.requests.run(this.http.post<Report>('/api/v1/shared-report', { token }));
    if (report) this.report.set(report);
  }

  protected print(): void {
    window.print();
  }
}
