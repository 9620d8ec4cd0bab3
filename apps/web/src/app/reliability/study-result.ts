import { Component, computed, input, output } from '@angular/core';
import {
  fewClientsWords,
  formatError,
  formatFixed,
  iccIntervalWords,
  iccValueWords,
  resultSem,
  type RomTest,
  METRIC,
} from '@yandle/core';
import { AgreementPlot } from './agreement-plot';
import type { ReadyStudy } from './study.model';

/** What a study says: the coach's error, its reliability and the agreement of the two measurements, each with its interval. */
@Component({
  selector: 'y-study-result',
  imports: [AgreementPlot],
  templateUrl: './study-result.html',
})
export class StudyResultPanel {
  readonly study = input.required<ReadyStudy>();
  readonly test = input.required<RomTest>();
  readonly columns = input.required<readonly [string, string]>();
  /** Both measurements were made on one day. */
  readonly sameDay = input.required<boolean>();
  /** The error of the coach's own in use for the test; null for the catalogue's. */
  readonly own = input.required<{ readonly id: string; readonly sem: number } | null>();
  readonly adopted = output();
  readonly withdrawn = output<string>();

  protected readonly fixed = (value: number): string => formatFixed(value, 2);
  protected readonly iccValue = iccValueWords;
  protected readonly iccInterval = iccIntervalWords;
  protected readonly unit = computed(() => (this.test().unit === 'deg' ? '°' : 'cm'));
  protected readonly catalogue = computed(() => this.reading(resultSem(this.test())));
  protected readonly warning = computed(() => fewClientsWords(this.study().error));
  protected readonly mdc = computed(() => {
    const { error } = this.study();
    return { mdc95: this.reading(error.mdc95), mdc90: this.reading(error.mdc90) };
  });
  /** Bias and limits of agreement, by row. */
  protected readonly agreement = computed(() => {
    const { bias, upper, lower } = this.study().agreement;
    return [
      { name: 'Bias', of: bias },
      { name: 'Upper limit', of: upper },
      { name: 'Lower limit', of: lower },
    ];
  });

  protected reading(value: number): string {
    return formatError(value, this.test().unit, METRIC);
  }
}
