import { inject, Injectable, signal } from '@angular/core';
import type { Assessment, AssessmentConditionsBody, Reading, RemovedAssessment } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { Outbox } from '../data/outbox/outbox';
import { Requests } from '../data/requests';
import { ToastService } from '../data/toast.service';
import { MeasureStore } from './measure.store';

/** What can be done to an assessment after it was taken: dated anew, readings or all of it taken back, erased for good. */
@Injectable()
export class AssessmentRecordStore {
  private readonly store = inject(MeasureStore);
  private readonly outbox = inject(Outbox);
  private readonly toasts = inject(ToastService);
  private readonly api = inject(Api);
  readonly requests = new Requests();
  /** Assessments that were taken back; null before they were asked for. */
  readonly removed = signal<readonly RemovedAssessment[] | null>(null);

  /** Takes a reading back with what it had replaced. Undo brings them back in their place. */
  takeBack(reading: Reading): void {
    const { id: assessmentId, readings } = this.store.assessment()!;
    const send = (withdrawn: boolean) =>
      this.outbox.post({ kind: 'reading-withdrawn', assessmentId, id: reading.id, body: { withdrawn } });
    const chain = new Set([reading.id]);
    for (const r of [...readings].reverse()) if (chain.has(r.id) && r.replaces !== null) chain.add(r.replaces);
    this.store.change((a) => ({ ...a, readings: a.readings.filter((r) => !chain.has(r.id)) }));
    send(true);
    this.toasts.show('Reading taken back.', {
      label: 'Undo',
      run: () => {
        const place = (r: Reading): number => readings.findIndex((x) => x.id === r.id);
        this.store.change((a) => {
          const back = readings.filter((r) => chain.has(r.id));
          const known = [...a.readings.filter((r) => place(r) >= 0), ...back].sort((x, y) => place(x) - place(y));
          return { ...a, readings: [...known, ...a.readings.filter((r) => place(r) < 0)] };
        }, assessmentId);
        send(false);
      },
    });
  }

  /** Takes the open assessment back. */
  remove(): void {
    const assessment = this.store.assessment()!;
    this.send(assessment.id, true);
    this.store.close();
    this.store.list(assessment, false);
    this.removed.set(null);
    this.toasts.show('Assessment taken back.', {
      label: 'Undo',
      run: () => {
        this.send(assessment.id, false);
        this.store.list(assessment, true);
        this.store.open(assessment.id);
      },
    });
  }

  private send(assessmentId: string, removed: boolean): void {
    this.outbox.post({ kind: 'assessment-removed', assessmentId, body: { removed } });
  }

  /** Date, time, body or note of the open assessment, entered anew. */
  keepConditions(body: AssessmentConditionsBody): void {
    const assessmentId = this.store.assessment()!.id;
    const changed: Assessment = { ...this.store.assessment()!, ...body };
    this.store.list(changed, true);
    this.outbox.post({ kind: 'assessment-conditions', assessmentId, id: newId(), body });
    this.toasts.show('Changed. The earlier entry is kept.');
  }

  async loadRemoved(clientId: string): Promise<void> {
    await this.requests.run(async () => {
      this.removed.set(await firstValueFrom(this.api.removedAssessments(clientId)));
    });
  }

  /** Brings an assessment back that was taken back before. */
  async restore(clientId: string, id: string): Promise<void> {
    await this.requests.run(async () => {
      this.store.list(await firstValueFrom(this.api.setAssessmentRemoved(id, false)), true);
      this.removed.set(await firstValueFrom(this.api.removedAssessments(clientId)));
    });
  }

  /** Erases an assessment for good. @returns whether it is gone */
  async erase(id: string): Promise<boolean> {
    return (
      (await this.requests.run(async () => {
        await firstValueFrom(this.api.eraseAssessment(id));
        const open = this.store.assessment();
        if (open?.id === id) {
          this.store.close();
          this.store.list(open, false);
        }
        this.removed.update((all) => all?.filter((a) => a.id !== id) ?? null);
        this.toasts.show('Assessment erased.');
        return true;
      })) ?? false
    );
  }
}
