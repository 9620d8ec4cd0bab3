import type { Lane, Progress } from '@yandle/contract';
import { loadExercises } from '../exercises/library.js';
import {
  itemDone,
  addDays,
  alongDose,
  type DoseEntry,
  laneExercises,
  laneSeconds,
  placed,
  type PlacedDayPlan,
  workedBy,
  workedIn,
  type PlainDate,
  plannedDone,
  SIDES,
  STRETCHING,
  techniqueOfBout,
  weekOn,
  weeksOver,
} from '@yandle/core';
import { Between, In, IsNull } from 'typeorm';
import { BlockEntity, RevisionEntity } from '../blocks/entities.js';
import { lanesOf, newestRevision } from '../blocks/view.js';
import type { StudioData } from '../database/studio-data.js';
import { RunEntity, SessionEntity, SessionItemEntity, SetLogEntity } from '../sessions/entities.js';
import { sessionItem } from '../sessions/item.js';
import { countedRun } from '../sessions/views.js';

/** Planned and done dose of a block, week by week, with what its sessions felt like. */
export async function doseOf(
  data: StudioData,
  block: BlockEntity,
  today: PlainDate,
): Promise<Pick<Progress, 'dose' | 'sensations' | 'felt'>> {
  const currentWeek = Math.min(block.weeks, Math.max(0, weekOn(block.startDate, today)));
  const revision = await newestRevision(data, block.id);
  const end = addDays(block.startDate, 7 * block.weeks - 1);
  // Sessions of their own in the weeks of the block count too: the body does not ask whose plan it was.
  const ofBlock = await data.find(SessionEntity, { blockId: block.id }, { order: { date: 'ASC', id: 'ASC' } });
  const weeks = { clientId: block.clientId, blockId: IsNull(), date: Between(block.startDate, end) };
  const sessions = [...ofBlock, ...(await data.find(SessionEntity, weeks, { order: { date: 'ASC', id: 'ASC' } }))];
  const ids = sessions.map((s) => s.id);
  const runs = await data.find(RunEntity, { sessionId: In(ids) });
  const items = await data.find(SessionItemEntity, { sessionId: In(ids) });
  const counted = sessions.flatMap((s) => {
    const run = countedRun(
      runs.filter((r) => r.sessionId === s.id),
      s.countedRun,
    );
    return run ? [{ session: s, run }] : [];
  });
  const logs = await data.find(SetLogEntity, { runId: In(counted.map((c) => c.run.id)), replacedBy: IsNull() });
  const { find } = await loadExercises(data);
  const lanePlans = await lanesOf(data, revision.id);
  const revisions = await data.find(RevisionEntity, { blockId: block.id });
  /** The day plans that a week was published with. */
  const plansIn = (week: number): readonly PlacedDayPlan[] => {
    const number = ofBlock.find((s) => s.week === week)?.revisionNumber;
    const { choices, basis } = revisions.find((r) => r.number === number) ?? revision;
    return placed(choices.dayPlans, basis?.places, find);
  };
  const choices = new Map(revision.choices.lanes.map((l) => [l.id, laneExercises(l, find)]));
  const laneOf = (l: Lane) => ({ group: l.group, exercises: choices.get(l.id) ?? [] });
  const planned: DoseEntry[] = lanePlans.flatMap((l) =>
    l.weeks
      .filter((w) => w.week <= currentWeek && w.kind !== 'rest')
      .flatMap((w) =>
        SIDES.map((side) => ({
          week: w.week,
          group: l.group,
          side,
          seconds: laneSeconds(laneOf(l), w, plansIn(w.week), side),
        })),
      ),
  );
  const plannedAlong = lanePlans.flatMap((l) =>
    l.weeks
      .filter((w) => w.week <= currentWeek && w.kind !== 'rest')
      .flatMap((w) =>
        workedIn(laneOf(l), w, plansIn(w.week)).flatMap((worked) =>
          SIDES.flatMap((side) => alongDose(worked.exercise, { week: w.week, side, seconds: worked[side] })),
        ),
      ),
  );
  // What the routines of day plans do is planned too.
  for (const s of ofBlock)
    for (const worked of workedBy(plansIn(s.week ?? 0).find((p) => p.id === s.dayPlanId)?.steps ?? []))
      for (const side of s.week! <= currentWeek ? SIDES : []) {
        const entry = { week: s.week!, side, seconds: worked[side] };
        if (entry.seconds > 0) planned.push({ ...entry, group: worked.exercise.primary });
        plannedAlong.push(...alongDose(worked.exercise, entry));
      }
  const doneAlong: DoseEntry[] = [];
  const done: DoseEntry[] = counted.flatMap(({ session, run }) =>
    logs
      .filter((l) => l.runId === run.id)
      .flatMap((l) => {
        const item = items.find((i) => i.sessionId === session.id && i.place === l.item)!;
        // Another form of the exercise counts for what it works.
        const exercise = find(l.form ?? item.exerciseId);
        // Rolling and activation are counted in sets, not in seconds of stretch.
        if (!STRETCHING.includes(techniqueOfBout(itemDone(sessionItem(item), l.form, find), exercise, l.set)))
          return [];
        const week = session.week ?? weekOn(block.startDate, session.date);
        const entry = { week, side: l.side, seconds: l.doneSeconds };
        doneAlong.push(...alongDose(exercise, entry));
        return [{ ...entry, group: exercise.primary }];
      }),
  );
  return {
    dose: {
      blockId: block.id,
      startDate: block.startDate,
      weeks: block.weeks,
      weeksOver: weeksOver(block.startDate, block.weeks, today),
      rows: plannedDone(planned, done),
      along: plannedDone(plannedAlong, doneAlong),
    },
    felt: counted.flatMap(({ session, run }) =>
      (run.tighterIn ?? []).map((t) => ({ date: session.date, group: find(t.exerciseId).primary, side: t.side })),
    ),
    sensations: counted
      .filter((c) => c.run.endedAt !== null)
      .map((c) => ({ date: c.session.date, sensation: c.run.sensation })),
  };
}
