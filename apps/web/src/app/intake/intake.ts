import { RouterLink } from '@angular/router';
import { Requests } from '../data/requests';
import { Component, computed, effect, inject, signal, viewChild } from '@angular/core';
import type { Client, ClientBody } from '@yandle/contract';
import { formatDate, openQuestions, questionById, QUESTION_GROUPS, type QuestionGroup } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { AboutForm } from './about-form';
import { CautionsPanel } from './cautions-panel';
import { ClientForm } from './client-form';
import { ConsentPanel } from './consent-panel';
import { groupStates } from './question-groups';
import { QuestionList } from './question-list';
import { ScreeningStore } from './screening.store';

type Part = 'person' | 'about' | QuestionGroup;

/** A part of the intake in the list beside it. */
interface PartLine {
  readonly id: Part;
  readonly name: string;
  readonly state: string;
  readonly attention: boolean;
}

/** What is known of a client, and the questions that come before planning, one group at a time. */
@Component({
  selector: 'y-intake',
  imports: [RouterLink, AboutForm, CautionsPanel, ClientForm, ConsentPanel, ProblemNote, QuestionList],
  providers: [ScreeningStore],
  templateUrl: './intake.html',
})
export class Intake {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly toasts = inject(ToastService);
  protected readonly store = inject(ScreeningStore);
  protected readonly client = this.context.client;
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly busy = this.requests.busy;
  protected readonly part = signal<Part>(QUESTION_GROUPS[0]);
  private readonly form = viewChild(ClientForm);
  private tried: ClientBody | null = null;
  private loaded = '';

  constructor() {
    effect(() => {
      const id = this.client()?.id;
      if (!id || id === this.loaded) return;
      this.loaded = id;
      void this.store.load(id);
    });
  }

  protected readonly parts = computed((): PartLine[] => {
    const about = this.store.about();
    const known =
      about.aims.length > 0 ? `${about.aims.length} ${about.aims.length === 1 ? 'aim' : 'aims'}` : 'aims, equipment';
    return [
      ...groupStates(this.store.answers()).map((g) => ({
        id: g.group,
        name: g.group,
        state:
          g.answered < g.of
            ? `${g.answered} of ${g.of} answered`
            : g.unfinished > 0
              ? `${g.unfinished} yes to complete`
              : g.yes > 0
                ? `✓ ${g.yes} yes`
                : `✓ ${g.of} of ${g.of}, all no`,
        attention: g.answered < g.of || g.unfinished > 0,
      })),
      { id: 'about', name: 'Aims and equipment', state: known, attention: false },
      { id: 'person', name: 'Person and days', state: 'name, days, minutes', attention: false },
    ];
  });
  protected readonly title = computed(() => this.parts().find((p) => p.id === this.part())!.name);
  protected readonly group = computed(() => QUESTION_GROUPS.find((g) => g === this.part()) ?? null);
  protected readonly next = computed(
    () => this.parts()[this.parts().findIndex((p) => p.id === this.part()) + 1] ?? null,
  );
  protected readonly asked = computed(() => {
    const latest = this.store.latest();
    const due = this.store.view()?.dueOn;
    if (!latest || !due) return 'questions not answered yet';
    return `answered ${this.day(latest.askedOn)}, due again ${this.day(due)}`;
  });
  protected readonly history = computed(() =>
    (this.store.view()?.intakes ?? []).map((i) => {
      const yes = i.answers.yes.map((id) => questionById(id).text.replace(/\?$/, ''));
      const open = openQuestions(i.answers).length;
      const by = i.by ?? 'the client';
      const said = yes.length > 0 ? `yes to: ${yes.join('; ')}` : 'no to everything';
      return {
        id: i.id,
        words: `${this.day(i.askedOn)}, by ${by}: ${said}${open > 0 ? `; ${open} not answered` : ''}.`,
      };
    }),
  );

  protected readonly stale = computed(() =>
    this.problem()?.code === 'stale-version' ? (this.problem()!.current as Client) : null,
  );
  protected readonly body = computed((): ClientBody | null => {
    const c = this.client();
    if (!c) return null;
    const { name, birthDate, sex, aim, experience: level, trainingDays, minutesPerSession } = c;
    const { gentleGroups, screening, screeningNote, notes, leadCoachId } = c;
    return {
      ...{ name, birthDate, sex, aim, experience: level, trainingDays, minutesPerSession },
      ...{ gentleGroups, screening, screeningNote, notes, leadCoachId },
    };
  });

  private day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected async saveAnswers(): Promise<void> {
    if (await this.store.save()) this.toasts.show('The answers are kept.');
  }

  protected async copy(url: string): Promise<void> {
    await navigator.clipboard.writeText(url).catch(() => undefined);
    this.toasts.show('Copied.');
  }

  protected save(body: ClientBody): Promise<void> {
    return this.put(body, this.client()!.version);
  }

  protected takeOver(): void {
    this.form()?.forget();
    this.problem.set(null);
    this.context.refresh();
  }

  protected async saveOver(current: Client): Promise<void> {
    if (this.tried) await this.put(this.tried, current.version);
  }

  private async put(body: ClientBody, version: number): Promise<void> {
    this.tried = body;
    await this.requests.run(async () => {
      await firstValueFrom(this.api.updateClient(this.client()!.id, { ...body, version }));
      this.form()?.forget();
      this.context.refresh();
      this.toasts.show('Saved.');
    });
  }
}
