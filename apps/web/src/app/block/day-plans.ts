import { Component, computed, inject, input, signal } from '@angular/core';
import {
  changeDayPlan,
  DAY_ORDER_WORDS,
  DAY_ORDERS,
  DAY_PLAN_BOUNDS,
  dayPlanLine,
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
import { newId } from '../data/ids';
import { BlockPlanner } from './block-planner';
import { BlockStore } from './block.store';

/** The kinds of session of a block: on which weekdays, for how long, what for, where, and for which lanes. */
@Component({ selector: 'y-day-plans', host: { class: 'mt-3 block' }, templateUrl: './day-plans.html' })
export class DayPlans {
  protected readonly store = inject(BlockStore);
  private readonly planner = inject(BlockPlanner);
  private readonly account = inject(AccountService);
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
