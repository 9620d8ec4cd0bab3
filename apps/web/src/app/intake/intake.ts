import { Component, computed, inject, signal } from '@angular/core';
import type { Client, ClientBody, Problem } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { problemOf } from '../data/problem';
import { ToastService } from '../data/toast.service';
import { ClientForm } from './client-form';

/** What is known of a client, and the questions that come before planning. */
@Component({
  selector: 'y-intake',
  imports: [ClientForm],
  template: `
    <div class="mx-auto max-w-6xl px-4 py-6 sm:px-6">
      @if (client(); as c) {
        <div class="mb-5 flex flex-wrap items-baseline gap-x-3">
          <h1>{{ c.name }}</h1>
          <p class="text-soft">{{ c.age }} years{{ c.archivedAt ? ' · archived' : '' }}</p>
        </div>
        @if (stale(); as s) {
          <div class="note mb-4" role="alert">
            <p class="font-semibold text-attention">Somebody saved this client meanwhile</p>
            <p>Your entries are still in the form. Take over the saved state, or save yours over it.</p>
            <div class="mt-2 flex gap-2">
              <button type="button" class="btn" (click)="takeOver()">Take over the saved state</button>
              <button type="button" class="btn" (click)="saveOver(s)">Save mine over it</button>
            </div>
          </div>
        }
        <y-client-form [value]="body()" [problem]="stale() ? null : problem()" [busy]="busy()" (saved)="save($event)" />
      }
    </div>
  `,
})
export class Intake {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly toasts = inject(ToastService);
  protected readonly client = this.context.client;
  protected readonly problem = signal<Problem | null>(null);
  protected readonly busy = signal(false);
  private tried: ClientBody | null = null;

  protected readonly stale = computed(() =>
    this.problem()?.code === 'stale-version' ? (this.problem()!.current as Client) : null,
  );
  protected readonly body = computed((): ClientBody | null => {
    const c = this.client();
    if (!c) return null;
    const { name, birthDate, sex, aim, level, trainingDays, minutesPerSession } = c;
    const { easyOn, screening, screeningNote, notes, leadCoachId } = c;
    return {
      name,
      birthDate,
      sex,
      aim,
      level,
      trainingDays,
      minutesPerSession,
      easyOn,
      screening,
      screeningNote,
      notes,
      leadCoachId,
    };
  });

  protected save(body: ClientBody): Promise<void> {
    return this.put(body, this.client()!.version);
  }

  protected takeOver(): void {
    this.problem.set(null);
    this.context.refresh();
  }

  protected async saveOver(current: Client): Promise<void> {
    if (this.tried) await this.put(this.tried, current.version);
  }

  private async put(body: ClientBody, version: number): Promise<void> {
    this.tried = body;
    this.busy.set(true);
    this.problem.set(null);
    try {
      await firstValueFrom(this.api.updateClient(this.client()!.id, { ...body, version }));
      this.context.refresh();
      this.toasts.show('Saved.');
    } catch (err) {
      this.problem.set(problemOf(err));
    } finally {
      this.busy.set(false);
    }
  }
}
