import type { BlockBody } from '@yandle/contract';
import {
  type BlockDraft,
  blockInputOf,
  type BlockPlan,
  buildBlock,
  type Caution,
  cautionsAgainst,
  checkBlock,
  CoreError,
  errorWords,
  type Exercise,
  type PlanContext,
  type Screening,
  strainsIn,
  techniquesOf,
  techniquesUsed,
  type PlanBasis,
  tighterSideIn,
  violationWords,
  cautionTitle,
  cautionChanges,
} from '@yandle/core';
import { assertItems } from '../sessions/edit.js';
import { ClientEntity } from '../clients/entities.js';
import { type StudioData } from '../database/studio-data.js';
import { loadExercises, type ExerciseLibrary } from '../exercises/library.js';
import { HttpProblem } from '../http/problem.js';
import { screeningOf } from '../screening/service.js';
import { loadStyles } from '../styles/service.js';
import { type Planner, basisNow } from './planning.js';
import { type MayBeDone } from './publish.js';

export const refuse = (errors: { path: string; message: string }[]): void => {
  if (errors.length > 0) throw new HttpProblem('validation', 'Fix the fields below and save again.', { errors });
};

/** Nobody is planned for who has not been asked, or whom a licensed professional should see first. */
function assertScreened({ state }: Screening): void {
  if (state === 'refer')
    throw new HttpProblem(
      'screening-blocks-planning',
      'The client sees a doctor or physiotherapist first. Record the clearance in the intake, then plan.',
    );
  if (state === 'open')
    throw new HttpProblem(
      'screening-blocks-planning',
      'The questions before planning have not been asked. Answer them in the intake, then plan.',
    );
}

function known({ find, archived }: ExerciseLibrary, id: string): Exercise | null {
  if (archived.has(id)) return null;
  try {
    return find(id);
  } catch (err) {
    if (err instanceof CoreError) return null;
    throw err;
  }
}

/** Every exercise is there, works the lane's group, can be done so, and no caution speaks against it: no plan with one can be stored. */
export function assertExercises(draft: BlockBody, cautions: readonly Caution[], library: ExerciseLibrary): void {
  refuse(
    draft.lanes.flatMap((l, i) =>
      l.exercises.flatMap((chosen, k) => {
        const path = `lanes.${i}.exercises.${k}.exerciseId`;
        const exercise = known(library, chosen.exerciseId);
        if (!exercise)
          return [{ path, message: 'This exercise is not in the library, or it is archived. Choose another.' }];
        const opens = chosen.technique === 'activation' && (exercise.opens?.includes(l.group) ?? false);
        if (exercise.primary !== l.group && !opens)
          return [{ path, message: 'This exercise does not work the lane’s muscle group.' }];
        if (!techniquesOf(exercise).includes(chosen.technique))
          return [{ path, message: `This exercise can’t be done as ${chosen.technique}. Choose another.` }];
        return cautionsAgainst({ ...exercise, technique: chosen.technique }, cautions).map((c) => ({
          path,
          message: `${cautionTitle(c)}: ${cautionChanges(c)}`,
        }));
      }),
    ),
  );
}

/** The same of the routines of day plans: no caution speaks against an exercise of one. */
export function assertRoutines(draft: BlockBody, cautions: readonly Caution[], library: ExerciseLibrary): void {
  draft.dayPlans.forEach((p, i) => {
    const at = `dayPlans.${i}.routine.items`;
    const items = p.routine?.items ?? [];
    assertItems(library, items, at);
    refuse(
      items.flatMap((item, k) => {
        const exercise = library.find(item.exerciseId);
        const against = strainsIn(item, exercise).flatMap((technique) =>
          cautionsAgainst({ ...exercise, technique }, cautions),
        );
        return [...new Set(against)].map((c) => ({
          path: `${at}.${k}.exerciseId`,
          message: `${exercise.name}: ${cautionTitle(c)}. Choose the routine again, so that it is fitted to the client.`,
        }));
      }),
    );
  });
}

function assertStyles(draft: BlockDraft, context: PlanContext): void {
  refuse(
    draft.lanes.flatMap((l, i) =>
      [l.styleId, ...l.laterStyles.map((s) => s.styleId)].flatMap((id) => {
        try {
          context.findStyle(id);
          return [];
        } catch (err) {
          if (!(err instanceof CoreError)) throw err;
          return [{ path: `lanes.${i}.styleId`, message: errorWords(err) }];
        }
      }),
    ),
  );
}

/** A plan whose lanes all have their exercises and break no rule that no coach may break. */
export function soundPlan(draft: BlockDraft, context: PlanContext, fromWeek = 1): BlockPlan {
  assertStyles(draft, context);
  const input = blockInputOf(draft, context);
  const plan = buildBlock(input);
  refuse(
    plan.lanes.flatMap((lane, i) =>
      techniquesUsed(lane, fromWeek)
        .filter((t) => !draft.lanes[i]!.exercises.some((e) => e.technique === t))
        .map((t) => ({ path: `lanes.${i}.exercises`, message: `Choose an exercise for ${t}.` })),
    ),
  );
  refuse(
    checkBlock(input, plan)
      .filter((v) => v.severity === 'stop')
      .map((v) => ({
        path: v.lane === null ? 'lanes' : `lanes.${v.lane}`,
        message: `Week ${v.week}: ${violationWords(v.fact)}`,
      })),
  );
  return plan;
}

/** What planning for a client needs, read once. */
export async function prepared(tx: StudioData, client: ClientEntity, planner: Planner) {
  const screening = await screeningOf(tx, client, planner.today);
  assertScreened(screening);
  const libraries = { exercises: await loadExercises(tx), styles: await loadStyles(tx) };
  const now = await basisNow(tx, client, planner.timeZone, planner.today);
  return { cautions: screening.current, libraries, now };
}

export const firstSidesOf = (draft: BlockDraft, basis: PlanBasis) =>
  draft.lanes.map((l) => tighterSideIn(basis, l.group) ?? 'left');

export const allowedBy =
  (library: ExerciseLibrary, cautions: readonly Caution[]): MayBeDone =>
  (exerciseId, technique) =>
    cautionsAgainst({ ...library.find(exerciseId), technique }, cautions).length === 0;
