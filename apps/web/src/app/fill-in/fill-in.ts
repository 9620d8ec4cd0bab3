import { Requests } from '../data/requests';
import { Component, computed, effect, inject, input, signal } from '@angular/core';
import type { ConsentBody, FillIn, IntakeBody } from '@yandle/contract';
import {
  cautionsFor,
  unfinishedAnswers,
  NOTHING_KNOWN,
  openQuestions,
  QUESTION_GROUPS,
  type About,
  type Answers,
  aboutFrom,
  showUnits,
  NO_ANSWERS,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { AboutForm } from '../intake/about-form';
import { ConsentForm } from '../intake/consent-form';
import { IntakeDraft } from '../intake/intake-draft';
import { QuestionList } from '../intake/question-list';
import { ProblemNote } from '../ui/problem-note';

/** The intake as a client fills it in alone, by link, on the phone. */
@Component({
  selector: 'y-fill-in',
  imports: [AboutForm, ConsentForm, ProblemNote, QuestionList],
  templateUrl: './fill-in.html',
})
export class FillInScreen {
  private readonly api = inject(Api);
  readonly token = input.required<string>();
  protected readonly who = signal<FillIn | null>(null);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly answers = signal<Answers>(NO_ANSWERS);
  protected readonly about = signal<About>(NOTHING_KNOWN);
  protected readonly step = signal(0);
  protected readonly busy = this.requests.busy;
  protected readonly sent = signal(false);
  protected readonly consent = signal<ConsentBody | null>(null);
  private readonly id = newId();
  private draft: IntakeDraft | null = null;

  protected readonly groups = QUESTION_GROUPS;
  protected readonly steps = QUESTION_GROUPS.length + 1;
  protected readonly group = computed(() => QUESTION_GROUPS[this.step()] ?? null);
  protected readonly missing = computed(
    () => openQuestions(this.answers()).length + unfinishedAnswers(this.answers()).length,
  );
  protected readonly emergency = computed(() =>
    cautionsFor(this.answers(), this.who()?.age ?? 40).some((c) => c.urgency === 'emergency'),
  );

  constructor() {
    effect(() => void this.open(this.token()));
  }

  private async open(token: string): Promise<void> {
    this.draft = new IntakeDraft(token);
    const kept = this.draft.read();
    if (kept) {
      this.answers.set(kept.answers);
      this.about.set(aboutFrom(kept.about));
    }
    await this.requests.run(async () => {
      const who = await firstValueFrom(this.api.fillIn(token));
      showUnits(who.units);
      this.who.set(who);
    });
  }

  protected setAnswers(answers: Answers): void {
    this.answers.set(answers);
    this.draft?.write({ answers, about: this.about() });
  }

  protected setAbout(about: About): void {
    this.about.set(about);
    this.draft?.write({ answers: this.answers(), about });
  }

  protected go(step: number): void {
    this.step.set(step);
    scrollTo(0, 0);
  }

  private agreed(): Pick<IntakeBody, 'consent'> {
    const consent = this.consent();
    return consent ? { consent } : {};
  }

  protected async send(): Promise<void> {
    await this.requests.run(async () => {
      const body = { askedOn: this.who()!.askedOn, answers: this.answers(), about: this.about(), ...this.agreed() };
      await firstValueFrom(this.api.sendFillIn(this.token(), this.id, body));
      this.draft?.clear();
      this.sent.set(true);
    });
  }
}
