import { Component, computed, inject, input, output, signal } from '@angular/core';
import { formatError, parseNumber, resultSem, sourceWords, type RomTest, METRIC } from '@yandle/core';
import { AccountService } from '../data/account.service';
import { TestCatalogueService } from '../data/test-catalogue.service';

/** An error from elsewhere, in the unit of the test. */
export interface StatedError {
  readonly sem: number;
  readonly source: string;
}

/** The errors that coaches of the studio use instead of the catalogue's, and one stated from elsewhere. */
@Component({
  selector: 'y-errors-in-use',
  templateUrl: './errors-in-use.html',
})
export class ErrorsInUse {
  private readonly testCatalogue = inject(TestCatalogueService);
  private readonly account = inject(AccountService);
  readonly test = input.required<RomTest>();
  readonly withdrawn = output<string>();
  readonly stated = output<StatedError>();

  protected readonly stating = signal(false);
  protected readonly wrong = signal('');
  protected readonly unit = computed(() => (this.test().unit === 'deg' ? '°' : 'cm'));
  protected readonly errors = computed(() => {
    const me = this.account.me()?.coach.id;
    return this.testCatalogue.view().errors.flatMap((e) => {
      const test = this.testCatalogue.catalogue().tests.find((t) => t.id === e.testId);
      if (!test) return [];
      const words = (v: number) => formatError(v, test.unit, METRIC);
      return [
        {
          id: e.id,
          mine: e.coachId === me,
          coach: e.coachName,
          test: test.name,
          sem: words(e.sem),
          interval: e.low !== null && e.high !== null ? `${words(e.low)} to ${words(e.high)}` : 'stated',
          catalogue: words(resultSem(test)),
          source: sourceWords(e.source),
        },
      ];
    });
  });

  protected state(event: Event, sem: string, from: string): void {
    event.preventDefault();
    const value = parseNumber(sem) ?? 0;
    const source = from.trim();
    if (!(value > 0 && value <= 100) || source === '')
      return this.wrong.set('Enter the error as a number above 0, and where it comes from.');
    this.wrong.set('');
    this.stating.set(false);
    this.stated.emit({ sem: value, source });
  }
}
