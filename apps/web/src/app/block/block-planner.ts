import { inject, Injectable } from '@angular/core';
import {
  allowedOf,
  applyTemplate,
  changesForOther,
  templateOf,
  type OtherClientFact,
  contextOfFacts,
  chooseExercises,
  isPlainDate,
  newLane,
  firstDayPlanOf,
  placed,
  placesKept,
  PLAINEST,
  basisOf,
  keptBasis,
  planClientOf,
  setStyle,
  type AppliedTemplate,
  type BlockDraft,
  type ClientPlace,
  type DayPlan,
  type BlockTemplate,
  type Exercise,
  type LaneDraft,
  type MuscleGroupId,
  type PlanFacts,
  type Technique,
  type TechniqueExercise,
} from '@yandle/core';
import { AccountService } from '../data/account.service';
import { newId } from '../data/ids';
import { exerciseOfOwn, LibraryService } from '../library/library.service';
import { styleOfOwn, StylesService } from '../styles/styles.service';
import { BlockData } from './block-data';

/** Plans drafts for the client: hands the core what it needs to know of them, and says what it refuses. */
@Injectable()
export class BlockPlanner {
  private readonly data = inject(BlockData);
  private readonly library = inject(LibraryService);
  private readonly styles = inject(StylesService);
  private readonly account = inject(AccountService);

  /** Exercises of a group that can be done with a technique and that no caution rules out; those made for it first. */
  allowedFor(group: MuscleGroupId, technique: Technique = PLAINEST): readonly Exercise[] {
    return allowedOf({ cautions: this.data.cautions(), turns: this.data.planning().turns }, this.library.exercises())(
      group,
      technique,
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
    const facts = this.factsFor(draft.startDate);
    const context = facts && contextOfFacts(facts);
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

  /**
   * A block as a start for this client, with what is different: of the client's own days, places, level and cautions.
   * @param own true for a block of this client, whose day plans and exercises it keeps
   */
  fromBlock(
    before: BlockDraft,
    draft: BlockDraft,
    own: boolean,
  ): (AppliedTemplate & { readonly changes: readonly OtherClientFact[] }) | null {
    const template = { ...templateOf(before, '', '', () => null), id: '' };
    const made = this.fromTemplate(template, own ? { ...draft, dayPlans: before.dayPlans } : draft);
    const client = this.data.client();
    if (!made || !client) return null;
    const kept = (l: LaneDraft): LaneDraft => {
      const old = before.lanes.find((x) => x.group === l.group && x.styleId === l.styleId);
      const may = (old?.exercises ?? []).filter((e) =>
        this.allowedFor(l.group, e.technique).some((x) => x.id === e.exerciseId),
      );
      const styles = [l.styleId, ...l.laterStyles.map((s) => s.styleId)];
      return { ...l, exercises: this.exercisesFor(l.group, styles, may, made.draft.dayPlans) };
    };
    const now = own ? { ...made.draft, lanes: made.draft.lanes.map(kept) } : made.draft;
    const other = {
      level: client.experience,
      places: this.placesOf(),
      allowed: (g: MuscleGroupId, t: Technique) => this.allowedFor(g, t),
      findExercise: (id: string) => this.library.find(id),
    };
    return { draft: now, notes: made.notes, changes: changesForOther(before, now, other) };
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
      placed(dayPlans, this.placesOf(), (id) => this.library.find(id)),
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

  /**
   * What the plan of a draft depends on: the client on its first day, styles, exercises, sides, and weeks that have begun; null before the client is
   * known.
   * @param renewed true to plan from what is known now, else from what the block was published from
   */
  factsFor(startDate: string, renewed = false): PlanFacts | null {
    const client = this.data.client();
    if (!client) return null;
    const { planning, running, fromWeek, cautions } = this.data;
    const now = basisOf(client, planning(), planning().places);
    const basis = renewed ? now : keptBasis(running()?.basis ?? null, now);
    // A date that is being typed is none yet: the client of today stands in.
    const firstDay = isPlainDate(startDate) ? startDate : this.account.me()!.today;
    return {
      client: planClientOf(client.birthDate, basis, firstDay, cautions()),
      cautions: cautions(),
      places: basis.places ?? [],
      tighter: basis.tighter,
      turns: planning().turns,
      partWeeks: planning().partWeeks,
      undoneWeeks: planning().undoneWeeks,
      eased: planning().eased,
      past: Object.fromEntries((running()?.lanes ?? []).map((l) => [l.id, l.weeks.filter((w) => w.week < fromWeek())])),
      startingDoses: planning().startingDoses,
      ownStyles: this.styles.own().map(styleOfOwn),
      ownExercises: this.library.own().map(exerciseOfOwn),
      archived: this.library.own().flatMap((o) => (o.archived ? [exerciseOfOwn(o).id] : [])),
    };
  }
}
