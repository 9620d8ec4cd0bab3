import { Component, computed, inject, input, signal } from '@angular/core';
import {
  changeDayPlan,
  DAY_ORDER_WORDS,
  DAY_ORDERS,
  DAY_PLAN_BOUNDS,
  dayPlanLine,
  formatClock,
  routineOutWords,
  routineSeconds,
  stepsOf,
  type DayRoutine,
  muscleGroupName,
  PURPOSE_IDS,
  purposeName,
  purposeRules,
  purposeWords,
  weekdaysFrom,
  withDayPlan,
  withoutDayPlan,
  type BlockDraft,
  type DayOrder,
  type DayPlan,
  type MuscleGroupId,
  type PurposeId,
  type Weekday,
} from '@yandle/core';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { Requests } from '../data/requests';
import { LibraryService } from '../library/library.service';
import { RoutinesService } from '../routines/routines.service';
import { ProblemNote } from '../ui/problem-note';
import { BlockData } from './block-data';
import { BlockPlanner } from './block-planner';
import { BlockStore } from './block.store';

/** The kinds of session of a block: on which weekdays, for how long, what for, where, and for which lanes. */
@Component({
  selector: 'y-day-plans',
  imports: [ProblemNote],
  host: { class: 'mt-3 block' },
  templateUrl: './day-plans.html',
})
export class DayPlans {
  protected readonly store = inject(BlockStore);
  private readonly planner = inject(BlockPlanner);
  private readonly account = inject(AccountService);
  private readonly api = inject(Api);
  private readonly data = inject(BlockData);
  private readonly exercises = inject(LibraryService);
  private readonly library = inject(RoutinesService);
  readonly draft = input.required<BlockDraft>();

  protected readonly open = signal<string | null>(null);
  protected readonly bounds = DAY_PLAN_BOUNDS;
  protected readonly purposes = PURPOSE_IDS.map((id) => ({ id, name: purposeName(id) }));
  protected readonly orders = DAY_ORDERS.map((id) => ({ id, name: DAY_ORDER_WORDS[id] }));
  protected readonly weekdays = computed(() => weekdaysFrom(this.account.settings().firstWeekday));
  protected readonly places = computed(() => this.planner.placesOf());
  protected readonly groupName = muscleGroupName;
  /** Groups of the block's lanes, once each. */
  protected readonly groups = computed(() => [...new Set(this.draft().lanes.map((l) => l.group))]);
  protected readonly line = dayPlanLine;
  protected readonly clock = formatClock;
  protected readonly requests = new Requests();
  /** What falls out of a day plan's routine for this client, and what takes its place. */
  protected readonly left = signal<Readonly<Record<string, readonly string[]>>>({});
  protected readonly routines = computed(() => this.library.forClient(this.data.client()?.id ?? null));

  protected purposeText(purpose: PurposeId): string {
    return purposeWords(purpose) ?? '';
  }

  protected change(id: string, part: Partial<DayPlan>): void {
    this.store.editDayPlans((d) => changeDayPlan(d, id, part));
  }

  protected flipDay(plan: DayPlan, day: Weekday): void {
    const has = plan.weekdays.includes(day);
    const weekdays = has ? plan.weekdays.filter((d) => d !== day) : [...plan.weekdays, day].sort((a, b) => a - b);
    this.change(plan.id, { weekdays });
  }

  protected setMinutes(plan: DayPlan, text: string): void {
    const { min, max } = DAY_PLAN_BOUNDS.minutes;
    const minutes = text.trim() === '' ? null : Math.min(max, Math.max(min, Math.round(Number(text) || min)));
    this.change(plan.id, { minutes });
  }

  /** A purpose brings its own minutes, and whether the body is warm. */
  protected setPurpose(plan: DayPlan, id: string): void {
    const purpose = id as PurposeId;
    const rules = purposeRules(purpose);
    this.change(plan.id, { purpose, warm: rules.warm, minutes: rules.minutes ?? plan.minutes });
  }

  protected setPlace(plan: DayPlan, placeId: string | null): void {
    this.change(plan.id, { placeId });
    // What a routine needs may not be there.
    if (plan.routineId) void this.setRoutine(plan, plan.routineId, placeId);
  }

  /** The routine that the sessions begin with, as this client can do it where they take place. */
  protected async setRoutine(plan: DayPlan, routineId: string | null, placeId: string | null): Promise<void> {
    const say = (lines: readonly string[]): void => this.left.update((all) => ({ ...all, [plan.id]: lines }));
    say([]);
    const routine = this.routines().find((r) => r.id === routineId);
    const client = this.data.client();
    if (!routine || !client) {
      if (routineId === null) this.change(plan.id, { routineId: null, routine: null });
      return;
    }
    const items = Array.from({ length: routine.rounds }, () => routine.items).flat();
    const asked = { items, alreadyWarm: plan.warm, rounds: 1, placeId, clientIds: [client.id] };
    const [fit] = (await this.requests.run(this.api.fitRoutine(asked))) ?? [];
    if (!fit) return;
    const named = (id: string): string => this.exercises.find(id).name;
    say(fit.out.map((o) => routineOutWords(o.why, named(o.exerciseId), o.insteadId && named(o.insteadId))));
    const has = fit.items.length > 0;
    this.change(plan.id, {
      routineId: has ? routine.id : null,
      routine: has ? { name: routine.name, items: fit.items } : null,
    });
  }

  protected isListed(id: string): boolean {
    return this.routines().some((r) => r.id === id);
  }

  /** Seconds of a routine with the client's timings. */
  protected routineTime(routine: DayRoutine): number {
    const steps = stepsOf(routine, (id) => this.exercises.find(id));
    return routineSeconds(steps, this.data.planning().timings);
  }

  protected setOrder(plan: DayPlan, order: string): void {
    this.change(plan.id, { order: order as DayOrder });
  }

  /** Which lanes it is for: all of them, or some. */
  protected flipGroup(plan: DayPlan, group: MuscleGroupId): void {
    const now = plan.theme ?? this.groups();
    const next = now.includes(group) ? now.filter((g) => g !== group) : [...now, group];
    const all = this.groups().every((g) => next.includes(g));
    this.change(plan.id, { theme: all || next.length === 0 ? null : next });
  }

  protected add(): void {
    const first = this.planner.firstDayPlan();
    const id = newId();
    const name = `Session ${this.draft().dayPlans.length + 1}`;
    this.store.editDayPlans((d) => withDayPlan(d, { ...first, id, name, weekdays: [] }));
    this.open.set(id);
  }

  protected remove(id: string): void {
    this.store.editDayPlans((d) => withoutDayPlan(d, id));
    this.open.set(null);
  }
}
