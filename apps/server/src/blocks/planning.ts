import type { Block, PlanningView } from '@yandle/contract';
import {
  aboutFrom,
  asDecided,
  easedAfterSoreness,
  findings,
  goalsOf,
  interestsOf,
  wantedGroups,
  type MeasuredTest,
  type Person,
  ageOn,
  boutDose,
  daysBetween,
  endOfBlock,
  MUSCLE_GROUP_IDS,
  returnShare,
  runningBlock,
  tighterSide,
  type BlockDraft,
  type Caution,
  type About,
  type PlainDate,
  type PlanContext,
  type PlannedWeek,
  type PlanBasis,
  type PlanMeasured,
  basisOf,
  tighterSideIn,
  isHypermobile,
  measuredTests,
  neededTurns,
  planClientOf,
  sidedValues,
} from '@yandle/core';
import { timingsBy } from '../studio/settings.js';
import { In, IsNull } from 'typeorm';
import { BeightonEntity, AssessmentEntity } from '../assessments/entities.js';
import { assessmentsOf } from '../assessments/service.js';
import { loadTestCatalogue } from '../test-catalogue/catalogue.js';
import type { ClientEntity } from '../clients/entities.js';
import { boutFields } from '../database/bout-columns.js';
import type { StudioData } from '../database/studio-data.js';
import { prioritiesView } from '../priorities/service.js';
import { latestIntake } from '../screening/service.js';
import { loadExercises, type ExerciseLibrary } from '../exercises/library.js';
import type { StyleLibrary } from '../styles/service.js';
import { easedByReviews } from '../review/decisions.js';
import { RunEntity, SessionEntity } from '../sessions/entities.js';
import { recentSoreness } from '../sessions/soreness.js';
import { blockView } from './view.js';
import { handLists } from './publish.js';
import { LaneEntity, PrescriptionEntity, BlockEntity, RevisionEntity } from './entities.js';

/** Who plans, and when. */
export interface Planner {
  readonly coachId: string;
  readonly timeZone: string;
  readonly today: PlainDate;
}

/** How long after its end a block still says what a client is used to. Common practice, no source. */
const FRESH_DAYS = 8 * 7;

/** The newest Beighton items of a client; null when they were never looked at. */
async function newestBeighton(data: StudioData, clientId: string): Promise<readonly (boolean | null)[] | null> {
  const assessments = await data.find(
    AssessmentEntity,
    { clientId, removedAt: IsNull() },
    { order: { date: 'DESC', time: 'DESC' } },
  );
  const scores = await data.find(BeightonEntity, { assessmentId: In(assessments.map((v) => v.id)) });
  const newest = assessments.flatMap((v) =>
    scores.filter((s) => s.assessmentId === v.id).sort((a, b) => b.seq - a.seq),
  )[0];
  return newest?.items ?? null;
}

/** What is measured of a client, and what a plan makes of it. */
export async function measuredOf(
  data: StudioData,
  client: ClientEntity,
  timeZone: string,
  today: PlainDate,
): Promise<{
  readonly tests: readonly MeasuredTest[];
  readonly person: Person;
  readonly planned: PlanMeasured & Pick<PlanningView, 'turns'>;
}> {
  const tests = measuredTests(await assessmentsOf(data, client.id, timeZone), await loadTestCatalogue(data));
  const person = { age: ageOn(client.birthDate, today), sex: client.sex };
  const sided = sidedValues(tests);
  const planned = {
    timings: (await timingsBy(data, client))({}),
    tighter: MUSCLE_GROUP_IDS.flatMap((group) => {
      const side = tighterSide(group, sided);
      return side ? [{ group, side }] : [];
    }),
    turns: neededTurns(tests, person),
    hypermobile: isHypermobile(tests, await newestBeighton(data, client.id), person),
  };
  return { tests, person, planned };
}

/** Where and when a client stretches, from the newest asking; nowhere in particular when nobody has asked. */
async function whereAndWhen(data: StudioData, clientId: string): Promise<Pick<About, 'places' | 'times'>> {
  const latest = await latestIntake(data, clientId);
  return latest ? aboutFrom(latest.about) : { places: [], times: [] };
}

/** What a plan for a client is made from as things are now. */
export async function basisNow(
  data: StudioData,
  client: ClientEntity,
  timeZone: string,
  today: PlainDate,
): Promise<PlanBasis> {
  const { planned } = await measuredOf(data, client, timeZone, today);
  return basisOf(client, planned, (await whereAndWhen(data, client.id)).places);
}

/** What the builder needs to know of a client on the first day of a block. */
export function contextOf(
  client: ClientEntity,
  draft: Pick<BlockDraft, 'startDate'>,
  cautions: readonly Caution[],
  basis: PlanBasis,
  libraries: { readonly exercises: ExerciseLibrary; readonly styles: StyleLibrary },
  past: (laneId: string) => readonly PlannedWeek[] = () => [],
  logged: Pick<PlanContext, 'partWeeks' | 'undoneWeeks' | 'eased'> = {},
): PlanContext {
  return {
    client: planClientOf(client.birthDate, basis, draft.startDate, cautions),
    findStyle: libraries.styles.find,
    findExercise: libraries.exercises.find,
    places: basis.places ?? [],
    ...logged,
    tighterSide: (group) => tighterSideIn(basis, group),
    past,
  };
}

/** Weekly dose a side of the last full weeks of the block before, less what the break took. @param blocks of the client, the newest first */
async function startingDosesOf(
  data: StudioData,
  blocks: readonly BlockEntity[],
  today: PlainDate,
): Promise<PlanningView['startingDoses']> {
  const last = blocks.find((p) => p.startDate < today);
  if (!last) return [];
  const ended = last.endedAt?.toISOString().slice(0, 10) ?? endOfBlock(last.startDate, last.weeks);
  const end = ended < today ? ended : today;
  const away = daysBetween(end, today);
  if (away > FRESH_DAYS) return [];
  const [revision] = await data.find(RevisionEntity, { blockId: last.id }, { order: { number: 'DESC' }, take: 1 });
  const lanes = await data.find(LaneEntity, { revisionId: revision!.id }, { order: { place: 'ASC' } });
  const cells = await data.find(
    PrescriptionEntity,
    { laneId: In(lanes.map((l) => l.id)), part: 0, kind: 'build' },
    { order: { week: 'ASC' } },
  );
  const reached = Math.floor(daysBetween(last.startDate, end) / 7) + 1;
  const missed = Math.max(0, Math.floor(away / 7));
  return lanes.flatMap((l) => {
    const cell = cells.filter((c) => c.laneId === l.id && c.week <= reached).at(-1);
    // Only seconds of stretch carry over from one style to another.
    if (!cell || boutDose({ technique: cell.technique, ...boutFields(cell) }) === 0) return [];
    const seconds = Math.floor(cell.dose * returnShare(missed));
    return [{ group: l.group, seconds, before: cell.dose, weeksOff: missed }];
  });
}

/** Weeks of a block of which some sessions, or all, were logged as not done: the client was unwell. @param sessions all of the block */
async function undoneWeeks(
  data: StudioData,
  sessions: readonly SessionEntity[],
): Promise<Pick<PlanningView, 'partWeeks' | 'undoneWeeks'>> {
  const runs = sessions.length
    ? await data.find(RunEntity, { sessionId: In(sessions.map((s) => s.id)), withdrawnAt: IsNull() })
    : [];
  const undone = (id: string): boolean => {
    const mine = runs.filter((r) => r.sessionId === id);
    return mine.some((r) => r.wellness === 'unwell') && !mine.some((r) => r.hasWork);
  };
  const weeks = [...new Set(sessions.flatMap((s) => (undone(s.id) ? (s.week ?? []) : [])))].sort((a, b) => a - b);
  const all = (week: number): boolean => sessions.every((s) => s.week !== week || undone(s.id));
  return { partWeeks: weeks.filter((w) => !all(w)), undoneWeeks: weeks.filter(all) };
}

/** All sessions of a block, the earliest first. */
export function sessionsOf(data: StudioData, blockId: string): Promise<SessionEntity[]> {
  return data.find(SessionEntity, { blockId }, { order: { date: 'ASC' } });
}

/** What was logged in a running block, or decided in its reviews, and changes its plan: weeks not done, soreness, steps. */
export async function loggedIn(
  data: StudioData,
  block: Block,
  sessions: readonly SessionEntity[],
  today: PlainDate,
): Promise<Pick<PlanningView, 'partWeeks' | 'undoneWeeks' | 'eased'>> {
  const sore = await recentSoreness(data, block.clientId, today);
  return {
    ...(await undoneWeeks(data, sessions)),
    eased: [
      ...easedAfterSoreness(sore, block.lanes, block.startDate, block.changeableFrom),
      ...(await easedByReviews(data, block)),
    ],
  };
}

/** What a plan for a client depends on besides the coach's choices and the record. */
export async function planningView(
  data: StudioData,
  client: ClientEntity,
  timeZone: string,
  today: PlainDate,
): Promise<PlanningView> {
  const measured = await measuredOf(data, client, timeZone, today);
  const { places, times } = await whereAndWhen(data, client.id);
  const wishes = await prioritiesView(data, client.id);
  const goals = goalsOf(wishes);
  const tests = measured.tests.map((t) => ({ ...t, goal: goals.get(t.test.id) ?? null }));
  const found = findings(tests, measured.person, interestsOf(wishes));
  const blocks = await data.find(BlockEntity, { clientId: client.id }, { order: { startDate: 'DESC', id: 'DESC' } });
  const block = runningBlock(blocks, today);
  const running = block && (await blockView(data, block, today));
  const sessions = running ? await sessionsOf(data, running.id) : [];
  const logged = running
    ? await loggedIn(data, running, sessions, today)
    : { partWeeks: [], undoneWeeks: [], eased: [] };
  const { find } = await loadExercises(data);
  return {
    ...measured.planned,
    ...logged,
    handLists: running ? await handLists(data, sessions, running.changeableFrom, find) : [],
    wanted: wantedGroups(found, asDecided(found.ranked, wishes.priorities).list),
    places,
    times,
    startingDoses: await startingDosesOf(data, blocks, today),
  };
}
