import { Requests } from '../data/requests';
import { computed, inject, Injectable, signal } from '@angular/core';
import type { ClearanceBody, ConsentBody, IntakeBody, ScreeningView } from '@yandle/contract';
import {
  consentCounts,
  NOTHING_KNOWN,
  screeningOn,
  type About,
  type Answers,
  aboutFrom,
  NO_ANSWERS,
  answersFrom,
  type QuestionId,
} from '@yandle/core';
import { firstValueFrom, type Observable } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { newId } from '../data/ids';
import { IntakeDraft } from './intake-draft';

/** Answers on record as they are asked again: what has no finer answer yet is open. */
const openedFor = (stored: Answers | null): Answers =>
  stored ? { ...NO_ANSWERS, ...answersFrom(stored) } : NO_ANSWERS;

/** The questions before planning of the open client: what is on record, and the asking under way. */
@Injectable()
export class ScreeningStore {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  private readonly context = inject(ClientContext);
  readonly view = signal<ScreeningView | null>(null);
  readonly requests = new Requests();
  readonly problem = this.requests.problem;
  readonly busy = this.requests.busy;
  /** Address of a link just made; it cannot be shown again. */
  readonly link = signal<string | null>(null);
  readonly answers = signal<Answers>(NO_ANSWERS);
  readonly about = signal<About>(NOTHING_KNOWN);
  readonly dirty = signal(false);
  private clientId = '';
  private intakeId = newId();
  private draft: IntakeDraft | null = null;

  readonly today = computed(() => this.account.me()?.today ?? '');
  readonly latest = computed(() => this.view()?.intakes[0] ?? null);
  readonly due = computed(() => {
    const day = this.view()?.dueOn;
    return day !== null && day !== undefined && day <= this.today();
  });
  /** Whether the consent on record goes for new answers. */
  readonly consented = computed(() => {
    const c = this.view()?.consent;
    return c !== null && c !== undefined && consentCounts(c, this.context.client()?.age ?? 0);
  });
  /** What follows from the answers as they stand on the screen, saved or not. */
  readonly live = computed(() => {
    const given = (this.view()?.clearances ?? []).filter((c) => c.withdrawnAt === null);
    const qualified = !(this.view()?.current ?? []).some((c) => c.id === 'nerve-glides');
    return screeningOn(this.answers(), this.context.client()?.age ?? 0, given, this.today(), qualified);
  });

  async load(clientId: string): Promise<void> {
    this.clientId = clientId;
    this.draft = new IntakeDraft(clientId);
    if (!(await this.attempt(this.api.screening(clientId)))) return;
    const kept = this.draft.read();
    if (kept) {
      this.answers.set(kept.answers);
      this.about.set(aboutFrom(kept.about));
      this.dirty.set(true);
    } else this.reset();
  }

  /** Back to what is on record. */
  reset(): void {
    this.answers.set(openedFor(this.latest()?.answers ?? null));
    this.about.set(this.latest()?.about ?? NOTHING_KNOWN);
    this.dirty.set(false);
    this.draft?.clear();
  }

  /** Empties the answers to ask them anew; what is known besides stays. */
  askAnew(): void {
    this.setAnswers(NO_ANSWERS);
  }

  setAnswers(answers: Answers): void {
    this.answers.set(answers);
    this.keepDraft();
  }

  setAbout(about: About): void {
    this.about.set(about);
    this.keepDraft();
  }

  async save(): Promise<boolean> {
    const body: IntakeBody = { askedOn: this.today(), answers: this.answers(), about: this.about() };
    if (!(await this.attempt(this.api.putIntake(this.clientId, this.intakeId, body)))) return false;
    this.intakeId = newId();
    this.reset();
    this.context.refresh();
    return true;
  }

  async consent(body: ConsentBody): Promise<boolean> {
    return this.attempt(this.api.putConsent(this.clientId, newId(), body));
  }

  /** Takes the consent back: the answers are erased on the server, and the draft here. */
  async withdrawConsent(): Promise<boolean> {
    return this.erased(this.api.withdrawConsent(this.clientId));
  }

  async eraseAnswer(question: QuestionId): Promise<boolean> {
    return this.erased(this.api.eraseAnswer(this.clientId, question));
  }

  private async erased(work: Observable<ScreeningView>): Promise<boolean> {
    if (!(await this.attempt(work))) return false;
    this.reset();
    this.context.refresh();
    return true;
  }

  async clear(body: ClearanceBody): Promise<boolean> {
    const done = await this.attempt(this.api.putClearance(this.clientId, newId(), body));
    if (done) this.context.refresh();
    return done;
  }

  async withdraw(id: string): Promise<void> {
    if (await this.attempt(this.api.withdrawClearance(id))) this.context.refresh();
  }

  async makeLink(): Promise<void> {
    await this.requests.run(async () => {
      const { token } = await firstValueFrom(this.api.makeIntakeLink(this.clientId));
      this.link.set(`${location.origin}/fill-in/${token}`);
    });
  }

  async endLink(): Promise<void> {
    if (await this.attempt(this.api.revokeIntakeLink(this.clientId))) this.link.set(null);
  }

  private keepDraft(): void {
    this.dirty.set(true);
    this.draft?.write({ answers: this.answers(), about: this.about() });
  }

  private async attempt(work: Observable<ScreeningView>): Promise<boolean> {
    return (
      (await this.requests.run(
        async () => {
          this.view.set(await firstValueFrom(work));
          return true;
        },
        (problem) => {
          if (problem.code === 'id-in-use') this.intakeId = newId();
        },
      )) ?? false
    );
  }
}
