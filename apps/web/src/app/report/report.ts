import { Component, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { NewReportLink, Report } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { map } from 'rxjs';
import { Api } from '../data/api';
import { Requests } from '../data/requests';
import { ToastService } from '../data/toast.service';
import { LinkOnce } from '../ui/link-once';
import { ProblemNote } from '../ui/problem-note';
import { ReportPage } from './report-page';

/** The client's report, to print, to hand over as a link that ends, or as a file for another professional. */
@Component({
  selector: 'y-report',
  imports: [LinkOnce, ProblemNote, ReportPage, RouterLink],
  template: `
    <div class="mx-auto max-w-5xl px-4 py-5 sm:px-6 print:p-0">
      @if (requests.problem(); as p) {
        <y-problem-note class="mb-3 block" [problem]="p" />
      }
      <div class="mb-4 flex flex-wrap items-end gap-3 print:hidden">
        <a class="link mr-auto" [routerLink]="['/clients', clientId(), 'progress']">Back to Progress</a>
        <button type="button" class="btn" (click)="print()">Print</button>
        <label class="field !w-36">
          <span class="label">Link works for</span>
          <select class="input" #days>
            @for (d of choices; track d) {
              <option [value]="d" [selected]="d === 30">{{ d }} days</option>
            }
          </select>
        </label>
        <button type="button" class="btn btn-go" [disabled]="requests.busy()" (click)="share(+days.value)">
          Make a link
        </button>
      </div>
      @if (link(); as l) {
        <div class="mb-4 print:hidden">
          <y-link-once
            label="Link to this report"
            [path]="'/report#' + l.token"
            [hint]="
              'Shown this once. It shows the report as it is now, until ' +
              day(l.expiresAt) +
              '. An earlier link works no more.'
            "
          />
          <button type="button" class="btn mt-2" [disabled]="requests.busy()" (click)="end()">End the link now</button>
        </div>
      }
      @if (report(); as r) {
        <y-report-page [report]="r" />
        <section class="mt-5 print:hidden" aria-labelledby="others">
          <h2 id="others" class="!text-[1.05rem]">For a physiotherapist or doctor</h2>
          <p class="mt-1 text-sm text-soft">
            Every result with test, side, value, instrument, conditions and error, as a FHIR R4 file. It says no more of
            the client than the first name, sex and year of birth, or a pseudonym alone. Ask the client first.
          </p>
          <p class="mt-2 flex flex-wrap gap-3">
            <a class="btn" [href]="file('first')" download>With the first name</a>
            <a class="btn" [href]="file('pseudonym')" download>With a pseudonym</a>
          </p>
        </section>
      }
    </div>
  `,
})
export class ReportScreen {
  private readonly api = inject(Api);
  private readonly toasts = inject(ToastService);
  readonly clientId = input.required<string>();
  protected readonly requests = new Requests();
  protected readonly report = signal<Report | null>(null);
  protected readonly link = signal<NewReportLink | null>(null);
  protected readonly choices = [7, 30, 90];

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.load(id));
    });
  }

  private async load(id: string): Promise<void> {
    const report = await this.requests.run(this.api.report(id));
    if (report) this.report.set(report);
  }

  protected day(at: string): string {
    return formatDate(at.slice(0, 10), 'd MMMM yyyy');
  }

  protected file(name: 'first' | 'pseudonym'): string {
    return `/api/v1/clients/${this.clientId()}/results.fhir.json?name=${name}`;
  }

  protected print(): void {
    window.print();
  }

  protected async share(days: number): Promise<void> {
    const link = await this.requests.run(this.api.makeReportLink(this.clientId(), days));
    if (link) this.link.set(link);
  }

  protected async end(): Promise<void> {
    const done = await this.requests.run(this.api.endReportLink(this.clientId()).pipe(map(() => true)));
    if (!done) return;
    this.link.set(null);
    this.toasts.show('The link works no more.');
  }
}
