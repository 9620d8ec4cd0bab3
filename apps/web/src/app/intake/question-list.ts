import { Component, computed, input, linkedSignal, output } from '@angular/core';
import type { Answers, BodyRegionId, QuestionGroup, QuestionId, Side } from '@yandle/core';
import { CautionWords } from './caution-words';
import {
  askedQuestions,
  withAnswer,
  withDate,
  withDetail,
  withNoToTheRest,
  withRegion,
  withSide,
} from './question-groups';

/** The questions of one group, each with yes and no, and what a yes changes right beside it. */
@Component({
  selector: 'y-question-list',
  imports: [CautionWords],
  template: `
    <ul class="flex flex-col divide-y divide-line">
      @for (q of questions(); track q.id) {
        <li class="py-2.5">
          <div class="flex items-start gap-4" role="radiogroup" [attr.aria-label]="q.text">
            <p class="grow pt-1">{{ q.text }}</p>
            <div class="flex shrink-0 gap-1.5">
              @for (a of both; track a) {
                <label class="choice !min-h-8 !px-2.5 !py-0.5">
                  <input type="radio" [name]="q.id" [checked]="q.answer === a" (change)="set(q.id, a)" />
                  {{ a === 'yes' ? 'Yes' : 'No' }}
                </label>
              }
            </div>
          </div>
          @if (q.regions; as regions) {
            <fieldset class="mt-2">
              <legend class="label">Where?</legend>
              <div class="mt-1 flex flex-wrap gap-1">
                @for (r of regions; track r.id) {
                  <label class="choice !min-h-8 !px-2 !py-0.5 text-sm">
                    <input type="checkbox" [checked]="r.chosen" (change)="region(q.id, r.id)" /> {{ r.name }}
                  </label>
                }
              </div>
              @for (r of regions; track r.id) {
                @if (r.chosen && r.sided) {
                  <div
                    class="mt-1.5 flex flex-wrap items-center gap-1 text-sm"
                    role="radiogroup"
                    [attr.aria-label]="r.name + ': which side'"
                  >
                    <span class="min-w-36">{{ r.name }}:</span>
                    @for (s of sides; track s.side) {
                      <label class="choice !min-h-8 !px-2 !py-0.5">
                        <input
                          type="radio"
                          [name]="q.id + '-' + r.id"
                          [checked]="r.side === s.side"
                          (change)="onSide(q.id, r.id, s.side)"
                        />
                        {{ s.words }}
                      </label>
                    }
                  </div>
                }
              }
            </fieldset>
          }
          @if (q.detail; as detail) {
            <fieldset class="mt-2">
              <legend class="label">{{ detail.ask }}</legend>
              <div class="mt-1 flex flex-wrap gap-1">
                @for (o of detail.options; track o.id) {
                  <label class="choice !min-h-8 !px-2 !py-0.5 text-sm">
                    <input
                      [type]="detail.many ? 'checkbox' : 'radio'"
                      [name]="q.id + '-detail'"
                      [checked]="o.chosen"
                      (change)="tell(q.id, o.id)"
                    />
                    {{ o.text }}
                  </label>
                }
              </div>
            </fieldset>
          }
          @if (q.date; as date) {
            <label class="field mt-2 max-w-56">
              <span class="label">{{ date.ask }}</span>
              <input class="input" type="date" #day [value]="date.value" (change)="dated(q.id, day.value)" />
            </label>
          }
          @if (q.denied && !toClient()) {
            <p class="mt-2 text-sm text-attention">
              The client answered this otherwise by link. What was on record stands until you answer it here.
            </p>
          }
          @if (q.caution; as c) {
            <y-caution-words class="mt-2 block" [caution]="c" [toClient]="toClient()" />
          }
        </li>
      }
    </ul>
    <!-- A client answers each question; one press for all of them is the coach's. -->
    @if (open() > 0 && !toClient()) {
      <button type="button" class="btn mt-2" (click)="noToTheRest()">Answer no to the remaining {{ open() }}</button>
    }
  `,
})
export class QuestionList {
  readonly group = input.required<QuestionGroup>();
  readonly answers = input.required<Answers>();
  readonly age = input.required<number>();
  /** The day on which the answers are read. */
  readonly today = input<string | null>(null);
  /** True on the client's own screen. */
  readonly toClient = input(false);
  readonly changed = output<Answers>();
  protected readonly both = ['yes', 'no'] as const;
  protected readonly sides = [
    { side: 'left', words: 'left' },
    { side: 'right', words: 'right' },
    { side: null, words: 'both, or not known' },
  ] as const;
  protected readonly questions = computed(() => askedQuestions(this.group(), this.answers(), this.age(), this.today()));
  protected readonly open = computed(() => this.questions().filter((q) => q.answer === null).length);

  /** As they stand after the last press: two in a row are both counted before the parent hands them back. */
  private readonly now = linkedSignal(() => this.answers());

  private change(to: Answers): void {
    this.now.set(to);
    this.changed.emit(to);
  }

  protected set(id: QuestionId, answer: 'yes' | 'no'): void {
    this.change(withAnswer(this.now(), id, answer));
  }
  protected region(id: QuestionId, region: BodyRegionId): void {
    this.change(withRegion(this.now(), id, region));
  }
  protected onSide(id: QuestionId, region: BodyRegionId, side: Side | null): void {
    this.change(withSide(this.now(), id, region, side));
  }
  protected tell(id: QuestionId, detail: string): void {
    this.change(withDetail(this.now(), id, detail));
  }
  protected dated(id: QuestionId, day: string): void {
    this.change(withDate(this.now(), id, day));
  }
  protected noToTheRest(): void {
    this.change(withNoToTheRest(this.now(), this.group()));
  }
}
