import { computed, inject, Injectable } from '@angular/core';
import type { Assessment, TestEvent } from '@yandle/contract';
import {
  type AppliedReference,
  type RomTest,
  type Side,
  ageOn,
  asMeasuredIn,
  bandOf,
  beighton,
  conditionWords,
  differentConditions,
  formatDate,
  formatReading,
  inPositionOrder,
  mdc95,
  readingsWanted,
  referenceFor,
  referenceGapWords,
  referenceValue,
  resultSem,
  runningList,
  sourceWords,
  symptomName,
  testNotForWords,
  usualError,
  cautionsAgainstTest,
  cautionTitle,
} from '@yandle/core';
import { ClientContext } from '../data/client-context';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { changeOf, changeWords } from '../ui/change-words';
import { testRow, type SidedResults } from '../ui/mirror/mirror-row.model';
import { MeasureStore } from './measure.store';
import {
  assessmentBefore,
  conditionsOf,
  eventOf,
  isMeasured,
  readingsOf,
  resultOf,
  resultsBefore,
  sidedResults,
  sidesOf,
} from './results';

/** What the measure screen says of tests and results: references, errors, changes, what is done. */
@Injectable()
export class MeasureView {
  private readonly store = inject(MeasureStore);
  private readonly context = inject(ClientContext);
  private readonly testCatalogue = inject(TestCatalogueService);

  readonly age = computed(() => {
    const c = this.context.client();
    return c ? ageOn(c.birthDate, this.store.assessment()!.date) : 40;
  });

  readonly rows = computed(() => {
    const assessment = this.store.assessment() ?? this.store.latest();
    const all = this.store.assessments() ?? [];
    if (!assessment) return [];
    const catalogue = this.testCatalogue.catalogue();
    const tests = this.store.assessment()
      ? this.store.tests()
      : inPositionOrder(
          catalogue.tests.filter((t) => isMeasured(assessment, t)).map((t) => asMeasuredIn(catalogue, assessment, t)),
        );
    // The open test first: its row is the one that is looked at.
    const open = this.store.assessment() ? this.store.test() : null;
    return [...tests]
      .sort((a, b) => Number(b === open) - Number(a === open))
      .map((t) => ({
        id: t.id,
        model: testRow(
          t,
          sidedResults(assessment, t),
          this.store.assessment() ? this.seenBefore(all, assessment, t) : resultsBefore(all, assessment, t),
          this.store.assessment() && this.isBlind(t) ? null : referenceValue(this.reference(t, assessment.date)),
          this.asMeasuredBefore(all, assessment, t),
        ),
      }));
  });

  /**
   * True while a side of a test has no reading: readings are taken blind (domain 2.2). A tester who knows what it was last time, or should be,
   * leans towards it: halved, that hides a third of a true gain.
   */
  isBlind(test: RomTest): boolean {
    const assessment = this.store.assessment()!;
    return sidesOf(test).some(
      (side) => readingsOf(assessment, test, side).length === 0 && !this.store.isShown(test, side),
    );
  }

  /** True while last time's value of a side is there and not shown. */
  isHidden(side: Side | null): boolean {
    const test = this.store.test();
    const assessment = this.store.assessment()!;
    if (readingsOf(assessment, test, side).length > 0 || this.store.isShown(test, side)) return false;
    return assessmentBefore(this.store.assessments() ?? [], assessment, test, side) !== null;
  }

  /** What was measured before, of the sides that have a reading now. */
  private seenBefore(all: readonly Assessment[], assessment: Assessment, test: RomTest): SidedResults | null {
    const before = resultsBefore(all, assessment, test);
    const now = sidedResults(assessment, test);
    return (
      before && {
        left: now.left || this.store.isShown(test, 'left') ? before.left : null,
        right: now.right || this.store.isShown(test, 'right') ? before.right : null,
        both: now.both || this.store.isShown(test, null) ? (before.both ?? null) : null,
      }
    );
  }

  /** The test with the error of who measured it the time before. */
  private asMeasuredBefore(all: readonly Assessment[], assessment: Assessment, test: RomTest): RomTest {
    const before = sidesOf(test)
      .map((side) => assessmentBefore(all, assessment, test, side))
      .find((v) => v !== null);
    const plain = this.testCatalogue.catalogue().tests.find((t) => t.id === test.id) ?? test;
    return before ? asMeasuredIn(this.testCatalogue.catalogue(), before, plain) : test;
  }

  /** The reference that applies to the client on a day. */
  private reference(test: RomTest, date: string): AppliedReference {
    const c = this.context.client();
    return c
      ? referenceFor(test, { age: ageOn(c.birthDate, date), sex: c.sex })
      : { kind: 'none', because: { code: 'test-has-none', args: { why: '' } } };
  }

  readonly errorWords = computed(() => {
    const t = this.store.test();
    return `A change counts as real above ${formatReading(mdc95(usualError(t)), t.unit)} (measurement error ${formatReading(resultSem(t), t.unit)}; ${sourceWords(t.error.source)}).`;
  });

  readonly referenceWords = computed(() => {
    const t = this.store.test();
    if (this.isBlind(t)) return 'shown once each side has a reading.';
    const r = this.reference(t, this.store.assessment()!.date);
    if (r.kind === 'none') return referenceGapWords(r.because);
    const value =
      r.kind === 'band'
        ? `${formatReading(r.low, t.unit)} to ${formatReading(r.high, t.unit)} is typical`
        : `around ${formatReading(r.value, t.unit)}; no range known`;
    return `${value} (${sourceWords(r.source)}). A comparison, not a diagnosis.`;
  });

  /** What the newest results of the open test are called against the reference. */
  readonly bandWords = computed(() => {
    const t = this.store.test();
    if (this.isBlind(t)) return '';
    const assessment = this.store.assessment()!;
    const r = this.reference(t, assessment.date);
    return sidesOf(t)
      .flatMap((side) => {
        const result = resultOf(assessment, t, side);
        const band = result ? bandOf(result.value, t, r) : 'no band';
        return band === 'no band' ? [] : [`${side === null ? '' : `${side} `}${band}`];
      })
      .join(', ');
  });

  progress(test: RomTest): string {
    const assessment = this.store.assessment()!;
    const flag = eventOf(assessment, test);
    if (flag) return flag.kind === 'stopped' ? '■ ended' : 'skipped';
    const sides = sidesOf(test);
    const counts = sides.map((s) => readingsOf(assessment, test, s).length);
    if (counts.every((n) => n === 0)) return '';
    const done = sides.every(
      (s) => readingsOf(assessment, test, s).length >= readingsWanted(resultOf(assessment, test, s)),
    );
    if (done) return '✓';
    return sides.length === 1 ? `${counts[0]}` : `L ${counts[0]} · R ${counts[1]}`;
  }

  before(side: Side | null): string {
    const test = this.store.test();
    const assessment = assessmentBefore(this.store.assessments() ?? [], this.store.assessment()!, test, side);
    const result = assessment ? resultOf(assessment, test, side) : null;
    if (this.isHidden(side)) return 'last time: shown after a reading';
    return assessment && result
      ? `last ${formatReading(result.value, test.unit)}, ${formatDate(assessment.date, 'd MMM')}`
      : 'first time';
  }

  /** What the error allows to say about a side since last time. */
  change(side: Side | null): string {
    const test = this.store.test();
    const assessment = this.store.assessment()!;
    const now = resultOf(assessment, test, side);
    const before = assessmentBefore(this.store.assessments() ?? [], assessment, test, side);
    const then = before ? resultOf(before, test, side) : null;
    if (!now || !then) return '';
    const earlier = this.asMeasuredBefore(this.store.assessments() ?? [], assessment, test);
    return `Since last time ${changeWords(changeOf(earlier, test, then, now), test)}`;
  }

  /** In what a side of a test differs from last time, in words; nothing before its first reading. */
  private differences(test: RomTest, side: Side | null): string[] {
    const assessment = this.store.assessment()!;
    if (readingsOf(assessment, test, side).length === 0) return [];
    const before = assessmentBefore(this.store.assessments() ?? [], assessment, test, side);
    if (!before) return [];
    return differentConditions(conditionsOf(before, test, side), conditionsOf(assessment, test, side)).map(
      conditionWords,
    );
  }

  /** What speaks against comparing the open test with last time, said once for its sides. */
  readonly different = computed(() => {
    const test = this.store.test();
    const words = new Set(sidesOf(test).flatMap((side) => this.differences(test, side)));
    return words.size > 0 ? `Different from last time: ${[...words].join('; ')}. Compare with care.` : '';
  });

  /** What is to be said of the readings of a side. */
  warnings(side: Side | null): string[] {
    const test = this.store.test();
    if (this.store.isShown(test, side)) return ['Last time was shown before the first reading: marked as not blind.'];
    return [];
  }

  flagOf(test: RomTest): TestEvent | null {
    return eventOf(this.store.assessment()!, test);
  }

  flagWords(flag: TestEvent): string {
    const reason = flag.reason ? ` ${flag.reason}.` : '';
    if (flag.kind === 'skipped') return `Skipped:${reason || ' no reason given.'}`;
    const side = flag.side ? `, ${flag.side}` : '';
    return `Ended: ${symptomName(flag.symptom ?? 'other').toLowerCase()}${side}.${reason}`;
  }

  flagsOf(assessment: Assessment): { test: string; words: string }[] {
    return this.testCatalogue.catalogue().tests.flatMap((t) => {
      const flag = eventOf(assessment, t);
      return flag ? [{ test: t.name, words: this.flagWords(flag) }] : [];
    });
  }

  /** Cautions of this client that speak against a test, by name; empty for none. */
  ruledOut(test: RomTest): string {
    const cautions = this.context.path().value?.cautions ?? [];
    return cautionsAgainstTest(test, cautions).map(cautionTitle).join(', ');
  }

  notFor(test: RomTest): string {
    const words = testNotForWords(test);
    return words.length > 0 ? `Not for: ${runningList(words)}.` : '';
  }

  beightonWords(): string {
    const items = this.store.assessment()!.beighton;
    return items ? `${beighton(items, this.age()).score} of 9` : '';
  }
}
