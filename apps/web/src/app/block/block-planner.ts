import { inject, Injectable } from '@angular/core';
import {
  applyTemplate,
  blockInputOf,
  buildBlock,
  checkBlock,
  chooseExercises,
  CoreError,
  errorWords,
  exercisesDoing,
  isPlainDate,
  newLane,
  firstDayPlanOf,
  placed,
  placesKept,
  PLAINEST,
  basisOf,
  byNeededTurn,
  keptBasis,
  planClientOf,
  tighterSideIn,
  sessionsOfBlock,
  setStyle,
  splitAllowed,
  type AppliedTemplate,
  type BlockDraft,
  type BlockInput,
  type ClientPlace,
  type DayPlan,
  type BlockPlan,
  type BlockTemplate,
  type DatedSession,
  type Exercise,
  type LaneDraft,
  type MuscleGroupId,
  type PlanContext,
  type Technique,
  type TechniqueExercise,
  type Violation,
} from '@yandle/core';
import { AccountService } from '../data/account.service';
import { newId } from '../data/ids';
import { LibraryService } from '../library/library.service';
import { StylesService } from '../styles/styles.service';
import { BlockData } from './block-data';

/** A plan that can be drawn, or the reason why there is none. */
export type Preview =
  { readonly plan: BlockPlan; readonly refusal: null } | { readonly plan: null; readonly refusal: string };

/** Plans drafts for the client: hands the core what it needs to know of them, and says what it refuses. */
@Injectable()
export class BlockPlanner {
  private readonly data = inject(BlockData);
  private readonly library = inject(LibraryService);
  private readonly styles = inject(StylesService);
  private readonly account = inject(AccountService);

  /** @param renewed true to plan from what is known now, else from what the block was published from */
  previewOf(draft: BlockDraft | null, renewed = false): Preview | null {
    const context = draft && this.contextFor(draft, renewed);
    if (!draft || !context) return null;
    if (draft.lanes.length === 0) return { plan: null, refusal: 'Choose the muscle groups to work on.' };
    try {
      if (!isPlainDate(draft.startDate)) throw new CoreError('invalid-date', { code: 'no-start-date', args: {} });
      return { plan: buildBlock(blockInputOf(draft, context)), refusal: null };
    } catch (err) {
      if (err instanceof CoreError) return { plan: null, refusal: errorWords(err) };
      throw err;
    }
  }

  violationsOf(draft: BlockDraft | null, plan: BlockPlan | null, renewed = false): readonly Violation[] {
    const context = draft && this.contextFor(draft, renewed);
    return draft && plan && context ? checkBlock(blockInputOf(draft, context), plan) : [];
  }

  sessionsOf(draft: BlockDraft | null, plan: BlockPlan | null): readonly DatedSession[] {
    if (!draft || !plan) return [];
    try {
      const lanes = draft.lanes.map((l) => ({ group: l.group, exercises: l.exercises, firstSide: 'left' as const }));
      const { timings } = this.data.planning();
      const plans = placed(draft.dayPlans, this.placesOf());
      return sessionsOfBlock(plan, draft.startDate, lanes, plans, (id) => this.library.find(id), 1, timings);
    } catch (err) {
      // A technique without its exercise yet: there is nothing to time.
      if (err instanceof CoreError) return [];
      throw err;
    }
  }

  /** Exercises of a group that can be done with a technique and that no caution rules out; those made for it first. */
  allowedFor(group: MuscleGroupId, technique: Technique = PLAINEST): readonly Exercise[] {
    const able = exercisesDoing(group, technique, this.library.exercises());
    const done = able.map((e) => ({ ...e, technique }));
    const allowed = new Set(splitAllowed(done, this.data.cautions()).allowed.map((e) => e.id));
    const needed = this.data.planning().turns.find((t) => t.group === group)?.turns ?? null;
    return byNeededTurn(
      able.filter((e) => allowed.has(e.id)),
      needed,
    );
  }

  /** A lane that begins in the first week that may be changed, from what the client is used to. */
  newLane(group: MuscleGroupId, styleId: string, dayPlans: readonly DayPlan[]): LaneDraft {
    const lane = newLane(newId(), group, styleId, this.exercisesFor(group, [styleId], [], dayPlans));
    return { ...lane, startingDose: this.data.startingDose(group), fromWeek: this.data.fromWeek() };
  }

  /** A lane in another style from a week on, with the exercises it then needs. */
  withStyle(draft: BlockDraft, lane: number, styleId: string, week: number): BlockDraft {
    const d = setStyle(draft, lane, styleId, Math.max(week, this.data.fromWeek()));
    const fitted = (l: LaneDraft): LaneDraft => ({
      ...l,
      exercises: this.exercisesFor(
        l.group,
        [l.styleId, ...l.laterStyles.map((s) => s.styleId)],
        l.exercises,
        draft.dayPlans,
      ),
    });
    return { ...d, lanes: d.lanes.map((l, i) => (i === lane ? fitted(l) : l)) };
  }

  /** A template made for this client. @throws CoreError for what the core refuses */
  fromTemplate(template: BlockTemplate, draft: BlockDraft): AppliedTemplate | null {
    const context = this.contextFor(draft);
    return (
      context &&
      applyTemplate(template, {
        startDate: draft.startDate,
        client: context.client,
        dayPlans: draft.dayPlans,
        places: context.places ?? [],
        findStyle: context.findStyle,
        allowed: (g, t) => this.allowedFor(g, t),
        startingDose: (g) => this.data.startingDose(g),
        newId,
      })
    );
  }

  /** Exercises for the techniques that some styles ask of a group. */
  private exercisesFor(
    group: MuscleGroupId,
    styleIds: readonly string[],
    chosen: readonly TechniqueExercise[],
    dayPlans: readonly DayPlan[],
  ): readonly TechniqueExercise[] {
    return chooseExercises(
      group,
      styleIds.map((id) => this.styles.find(id)),
      (g, t) => this.allowedFor(g, t),
      this.data.client()?.experience ?? 'beginner',
      chosen,
      placed(dayPlans, this.placesOf()),
    );
  }

  /** The kind of session that a block begins with: the client's own days and minutes, at their usual place and time. */
  firstDayPlan(): DayPlan {
    return firstDayPlanOf(this.data.client() ?? { trainingDays: [] }, this.placesOf(), this.data.planning().times);
  }

  /** All lanes with exercises for the places of their day plans: those chosen before stay. */
  fitted(draft: BlockDraft): BlockDraft {
    return {
      ...draft,
      lanes: draft.lanes.map((l) => ({
        ...l,
        exercises: this.exercisesFor(
          l.group,
          [l.styleId, ...l.laterStyles.map((s) => s.styleId)],
          l.exercises,
          draft.dayPlans,
        ),
      })),
    };
  }

  /** Where the client stretches, as the plan knows it. */
  placesOf(renewed = false): readonly ClientPlace[] {
    const running = this.data.running();
    const now = this.data.planning().places;
    return renewed || running === null ? now : placesKept(running.basis?.places, now);
  }

  /** What the builder is asked for a draft; null before the client is known. */
  inputOf(draft: BlockDraft | null, renewed = false): BlockInput | null {
    const context = draft && this.contextFor(draft, renewed);
    return draft && context ? blockInputOf(draft, context) : null;
  }

  /** What the plan of a draft depends on: the client on its first day, styles, exercises, sides, and weeks that have begun. */
  private contextFor(draft: BlockDraft, renewed = false): PlanContext | null {
    const client = this.data.client();
    if (!client) return null;
    const { planning, running, fromWeek, cautions } = this.data;
    const now = basisOf(client, planning(), planning().places);
    const basis = renewed ? now : keptBasis(running()?.basis ?? null, now);
    // A date that is being typed is none yet: the client of today stands in.
    const firstDay = isPlainDate(draft.startDate) ? draft.startDate : this.account.me()!.today;
    return {
      client: planClientOf(client.birthDate, basis, firstDay, cautions()),
      findStyle: (id) => this.styles.find(id),
      findExercise: (id) => this.library.find(id),
      places: basis.places ?? [],
      tighterSide: (group) => tighterSideIn(basis, group),
      past: (id) => (running()?.lanes.find((l) => l.id === id)?.weeks ?? []).filter((w) => w.week < fromWeek()),
    };
  }
}
