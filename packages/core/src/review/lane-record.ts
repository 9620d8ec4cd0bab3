import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import type { FindExercise } from '../catalogue/exercises.js';
import { boutDose } from '../dose/dose.js';
import { boutOf, type SessionItem } from '../session/item.js';
import { boutsPerSet, partsOf } from '../session/parts.js';
import { kindOf, type Technique } from '../technique/catalogue.js';
import { addDays, type PlainDate } from '../schedule/plain-date.js';
import { ASKS_WHERE, type LaneDone, type LaneRecord } from './lane-review.js';
import { groupsSore, SORE_RESTS, type SoreEntry } from './soreness.js';

/** A bout as it was logged, as far as a review goes. */
export interface ReviewedBout {
  /** Place of its item. */
  readonly item: number;
  readonly side: Side | null;
  readonly plannedSeconds: number;
  readonly doneSeconds: number;
  readonly sensation: number | null;
}

/** A session of the reviewed weeks, with what was logged in it. */
export interface ReviewedSession {
  readonly week: number;
  readonly items: readonly SessionItem[];
  readonly rounds: number;
  /** False where nobody has logged anything, not even that it was not done. */
  readonly logged: boolean;
  /** Sensation of the whole session; null where it was not said. */
  readonly sensation: number | null;
  readonly bouts: readonly ReviewedBout[];
  /** Places of items in which a stop sign was reported. */
  readonly stopped: readonly number[];
}

/** A lane as it stands in the reviewed week. */
export interface ReviewedLane {
  readonly group: MuscleGroupId;
  readonly technique: Technique;
}

type Week = Pick<LaneRecord, 'stopSigns' | 'said' | 'holdSeconds' | 'cutSeconds' | 'now' | 'sides' | 'inSeconds'>;

/** What a lane was asked and did in some sessions: seconds a side under stretch, or bouts where nothing is stretched. */
function weekOf({ group, technique }: ReviewedLane, sessions: readonly ReviewedSession[], find: FindExercise): Week {
  const counts = kindOf(technique).stretches;
  let planned = 0;
  const by = { left: 0, right: 0 };
  let seconds = false;
  let stopSigns = 0;
  let holdSeconds = 0;
  let cutSeconds = 0;
  const said: { sensation: number; target: number }[] = [];
  for (const s of sessions)
    s.items.forEach((item, place) => {
      const exercise = find(item.exerciseId);
      if (exercise.primary !== group || boutOf(item, exercise).technique !== technique) return;
      if (s.stopped.includes(place)) stopSigns++;
      const stretch = partsOf(item, exercise).reduce((sum, p) => sum + boutDose(p.bout), 0);
      // Seconds do for what stretches; a movement without a pause has none, and is counted in bouts.
      const inSeconds = counts && stretch > 0;
      seconds ||= inSeconds;
      planned += s.rounds * item.sets * (inSeconds ? stretch : boutsPerSet(item, exercise));
      for (const b of s.bouts.filter((x) => x.item === place)) {
        const amount = inSeconds ? b.doneSeconds : b.doneSeconds > 0 ? 1 : 0;
        // Both sides at once count for each.
        if (b.side !== 'right') by.left += amount;
        if (b.side !== 'left') by.right += amount;
        if (b.sensation !== null) said.push({ sensation: b.sensation, target: item.sensation });
        holdSeconds += b.plannedSeconds;
        // Cut short for discomfort: said so, or a stop sign; being out of time is none.
        const hurt = s.stopped.includes(place) || (b.sensation ?? 0) >= ASKS_WHERE;
        if (hurt) cutSeconds += Math.max(0, b.plannedSeconds - b.doneSeconds);
      }
    });
  const logged = sessions.some((s) => s.logged);
  const now = { planned, done: logged ? (by.left + by.right) / 2 : null };
  return { stopSigns, said, holdSeconds, cutSeconds, now, sides: by, inSeconds: seconds };
}

/** Days up to a date, two weeks back, on which a group was very sore. */
function soreDays(entries: readonly SoreEntry[], group: MuscleGroupId, to: PlainDate): number {
  const from = addDays(to, -13);
  const sore = entries.filter(
    (e) => e.soreness >= SORE_RESTS && e.date >= from && e.date <= to && groupsSore(e).includes(group),
  );
  return new Set(sore.map((e) => e.date)).size;
}

/**
 * What a review of a lane goes by; null where nothing of it was planned in the week.
 * @param to last day that is looked at
 * @param found what the tests of the lane's group say (domain 2.3)
 */
export function laneRecord(
  lane: ReviewedLane,
  week: number,
  to: PlainDate,
  sessions: readonly ReviewedSession[],
  soreness: readonly SoreEntry[],
  found: Pick<LaneRecord, 'plateau' | 'goalTwice'>,
  find: FindExercise,
): LaneRecord | null {
  const of = (w: number): readonly ReviewedSession[] => sessions.filter((s) => s.week === w);
  const now = weekOf(lane, of(week), find);
  if (now.now.planned === 0) return null;
  const earlier = weekOf(lane, of(week - 1), find).now;
  const before: LaneDone | null = earlier.planned === 0 ? null : earlier;
  const felt = of(week).flatMap((s) => (s.sensation === null ? [] : [s.sensation]));
  const highest = felt.length === 0 ? null : Math.max(...felt);
  return {
    ...now,
    ...found,
    before,
    soreDays: soreDays(soreness, lane.group, to),
    unplaced: highest !== null && highest >= ASKS_WHERE ? highest : null,
  };
}
