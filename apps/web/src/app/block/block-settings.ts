import { Component, computed, inject, input, output, signal } from '@angular/core';
import {
  BLOCK_BOUNDS,
  muscleGroupName,
  percentOf,
  setWeeks,
  trainableGroups,
  type BlockDraft,
  type MuscleGroupId,
} from '@yandle/core';
import { StylesService } from '../styles/styles.service';
import { BlockStore } from './block.store';

const { weeks, easierEvery, lanesPerSession } = BLOCK_BOUNDS;
const range = (from: number, to: number): number[] => Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** What a coach chooses of a whole block, and the muscle groups it is given. */
@Component({ selector: 'y-block-settings', host: { class: 'mt-3 block' }, templateUrl: './block-settings.html' })
export class BlockSettings {
  protected readonly store = inject(BlockStore);
  readonly draft = input.required<BlockDraft>();
  /** Place of a lane that was added. */
  readonly added = output<number>();

  protected readonly styles = inject(StylesService).styles;
  protected readonly groupName = muscleGroupName;
  protected readonly ramps = [0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5];
  protected readonly weekChoices = range(weeks.min, weeks.max);
  protected readonly laneChoices = range(lanesPerSession.min, lanesPerSession.max);
  protected readonly easierChoices = range(easierEvery.min, easierEvery.max);
  protected readonly styleToAdd = signal('steady-hold');
  /** Groups that may have one more lane: two at most. */
  protected readonly addable = computed(() =>
    trainableGroups().filter((g) => this.draft().lanes.filter((l) => l.group === g).length < 2),
  );

  protected percent(ramp: number): string {
    return `${percentOf(ramp, 1)}%`;
  }

  protected stretch(to: number): void {
    if (to >= this.store.fromWeek() - 1) this.store.edit((d) => setWeeks(d, to));
  }

  protected addLane(field: HTMLSelectElement): void {
    if (!field.value) return;
    const place = this.store.addLane(field.value as MuscleGroupId, this.styleToAdd());
    field.value = '';
    this.added.emit(place);
  }
}
