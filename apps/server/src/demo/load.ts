import {
  addDays,
  buildTimeline,
  chooseExercises,
  exerciseById,
  exercisesDoing,
  newLane,
  NOTHING_KNOWN,
  CONSENT_VERSION,
  consenterAt,
  QUESTION_IDS,
  resultOfReadings,
  romTestById,
  SIDES,
  styleById,
  weekdayOf,
  type LaneDraft,
  type MuscleGroupId,
  type PlainDate,
  firstDayPlanOf,
  placed,
  type PlacedDayPlan,
  type Technique,
} from '@yandle/core';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { v4, v7 as uuid } from 'uuid';
import { CoachEntity, StudioEntity } from '../accounts/entities.js';
import { hashPassword } from '../accounts/password.js';
import { createAssessment, putReading } from '../assessments/service.js';
import type { Planner } from '../blocks/planning.js';
import { createBlock } from '../blocks/service.js';
import { createClient } from '../clients/service.js';
import { putCheckIn } from '../check-ins/service.js';
import { putSelfReport, putPriorities, putGoal } from '../priorities/service.js';
import { putClearance, putIntake } from '../screening/service.js';
import { putRoutine } from '../routines/service.js';
import { putStudy } from '../test-catalogue/service.js';
import { dateIn, instantOf, type Clock } from '../clock.js';
import { hashOf, StudioData } from '../database/studio-data.js';
import { RunEntity, SessionEntity, SessionItemEntity, SetLogEntity, SymptomEntity } from '../sessions/entities.js';
import { PLAIN_SET, sessionItem } from '../sessions/item.js';
import { DEMO_ROUTINE } from './routines.js';
import {
  DEMO_CLIENTS,
  DEMO_COACHES,
  DEMO_PASSWORD,
  DEMO_STUDY,
  DEMO_STUDIO,
  OTHER_CLIENT,
  OTHER_STUDIO,
  type DemoClient,
} from './people.js';

/** A small repeatable source of noise (Park & Miller 1988), so that the demo looks the same on every machine. */
function noise(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

const WHO = { zone: DEMO_STUDIO.timeZone };

async function measure(
  data: StudioData,
  clientId: string,
  demo: DemoClient,
  date: PlainDate,
  weeks: number,
  planner: Planner,
  random: () => number,
  tests = demo.tests,
): Promise<void> {
  const assessment = await createAssessment(
    data,
    clientId,
    { id: uuid(), date, time: '09:40', warm: false, note: '', battery: tests.map((t) => t.testId) },
    { coachId: planner.coachId, timeZone: WHO.zone, today: planner.today },
  );
  for (const t of tests) {
    const test = romTestById(t.testId);
    for (const side of SIDES) {
      const truth = t[side] + weeks * t.perWeek[side];
      const readings: number[] = [];
      do {
        const wobble = (random() - 0.5) * test.repeatTolerance * 1.3;
        const step = test.unit === 'deg' ? 1 : 10;
        readings.push(Math.round((truth + wobble) * step) / step);
      } while (readings.length < 2 || resultOfReadings(readings, test).steadiness === 'third-needed');
      for (const value of readings)
        await putReading(
          data,
          assessment.id,
          uuid(),
          {
            testId: test.id,
            side,
            value,
            instrument: test.instruments[0]!,
            replaces: null,
            warm: null,
            testerId: null,
            seen: false,
          },
          WHO.zone,
        );
    }
  }
}

async function doSessions(
  data: StudioData,
  clientId: string,
  demo: DemoClient,
  planner: Planner,
  random: () => number,
): Promise<void> {
  const past = (await data.find(SessionEntity, { clientId }, { order: { date: 'ASC' } })).filter(
    (s) => s.date < planner.today,
  );
  const items = await data.find(SessionItemEntity, { sessionId: In(past.map((s) => s.id)) });
  const runs: Omit<RunEntity, 'studioId'>[] = [];
  const logs: Omit<SetLogEntity, 'studioId'>[] = [];
  let lastRun: { run: (typeof runs)[number]; session: SessionEntity } | null = null;
  for (const s of past) {
    if (random() > demo.adherence) continue;
    const startedAt = instantOf(s.date, '18:05', WHO.zone);
    const run = {
      id: uuid(),
      sessionId: s.id,
      startedAt,
      endedAt: new Date(startedAt.getTime() + s.totalSeconds * 1000),
      source: 'coach' as const,
      sensation: random() < 0.15 ? null : 4 + Math.floor(random() * 2.4),
      feltTighter: null,
      tighterIn: null,
      note: '',
      wellness: 'well' as const,
      hasWork: true,
      withdrawnAt: null,
      requestHash: hashOf({ demo: s.id }),
      createdAt: startedAt,
    };
    runs.push(run);
    lastRun = { run, session: s };
    const own = items.filter((i) => i.sessionId === s.id).sort((x, y) => x.place - y.place);
    const bouts = buildTimeline(own.map(sessionItem)).cues.filter((c) => c.ends);
    for (const cue of bouts) {
      const cut = random() < 0.05;
      const id = v4();
      logs.push({
        id,
        runId: run.id,
        item: own[cue.item!]!.place,
        side: cue.side,
        set: cue.bout!,
        plannedSeconds: cue.counts,
        doneSeconds: cut ? Math.round(cue.counts * 0.6) : cue.counts,
        ...PLAIN_SET,
        replaces: null,
        replacedBy: null,
        requestHash: hashOf({ demo: id }),
        createdAt: startedAt,
      });
    }
  }
  await data.insertMany(RunEntity, runs);
  await data.insertMany(SetLogEntity, logs);
  if (demo.symptom && lastRun) {
    const place = items.find(
      (i) => i.sessionId === lastRun.session.id && exerciseById(i.exerciseId).primary === 'hamstrings',
    );
    if (place)
      await data.insert(SymptomEntity, {
        id: uuid(),
        clientId,
        sessionId: lastRun.session.id,
        runId: lastRun.run.id,
        exerciseId: place.exerciseId,
        form: null,
        side: 'right',
        symptom: 'numbness',
        feltAt: lastRun.run.startedAt,
        clearedAt: null,
        clearedBy: null,
        clearedNote: '',
        clearedWho: '',
        requestHash: hashOf({ demo: 'symptom' }),
        createdAt: lastRun.run.startedAt,
      });
  }
}

/** A lane with the first exercise of the catalogue for each technique its style asks. */
function demoLane(group: MuscleGroupId, styleId: string, plans: readonly PlacedDayPlan[]): LaneDraft {
  const allowed = (g: MuscleGroupId, t: Technique) => exercisesDoing(g, t);
  const exercises = chooseExercises(group, [styleById(styleId)], allowed, 'experienced', [], plans);
  return newLane(uuid(), group, styleId, exercises);
}

async function loadClient(
  m: EntityManager,
  demo: DemoClient,
  index: number,
  today: PlainDate,
  now: Date,
): Promise<void> {
  const coach = DEMO_COACHES[demo.lead];
  const data = new StudioData(m, DEMO_STUDIO.id, now, { kind: 'coach', coachId: coach.id, address: '' });
  const random = noise(1000 + index * 77);
  const planner: Planner = { coachId: coach.id, timeZone: WHO.zone, today };
  const id = uuid();
  const birthDate = addDays(today, -Math.round(demo.age * 365.25) - 40 - index * 13);
  await createClient(data, { ...demo.body, id, birthDate, leadCoachId: coach.id }, today);

  if (demo.yes !== null) {
    const yes = demo.yes ?? [];
    const no = QUESTION_IDS.filter((q) => !yes.includes(q));
    const answers = { yes, no, regions: {}, details: demo.details ?? {}, dates: {} };
    const askedOn = addDays(today, -7 * ((demo.block?.weeksAgo ?? 0) + 1));
    const consent = {
      version: CONSENT_VERSION,
      by: consenterAt(demo.age),
      name: demo.age < 18 ? 'Ilse Brackwater' : demo.body.name,
    };
    const body = { askedOn, answers, about: { ...NOTHING_KNOWN, ...demo.about }, consent };
    await putIntake(data, id, uuid(), body, coach.id, today);
    for (const c of demo.clearances ?? []) await putClearance(data, id, uuid(), { ...c, on: askedOn }, coach.id, today);
  }

  const monday = addDays(today, 1 - weekdayOf(today));
  const start = demo.block ? addDays(monday, -7 * demo.block.weeksAgo) : addDays(today, -6);
  const assessmentDate = (week: number) => (week === 0 ? addDays(start, -1) : addDays(start, 7 * week - 1));
  const past = demo.assessmentWeeks.filter((w) => assessmentDate(w) <= today);
  if (demo.assessmentWeeks.includes(0)) await measure(data, id, demo, assessmentDate(0), 0, planner, random);
  if (demo.block) {
    const { groups, weeks } = demo.block;
    const { places, times } = demo.yes === null ? { places: [], times: [] } : { ...NOTHING_KNOWN, ...demo.about };
    const dayPlans = [firstDayPlanOf(demo.body, places, times)];
    await createBlock(
      data,
      id,
      {
        id: uuid(),
        startDate: start,
        weeks,
        ramp: 0.2,
        easierEvery: 4,
        easierWeeks: null,
        missedWeeks: [],
        away: [],
        lanesPerSession: 8,
        dayPlans,
        smallestPlate: null,
        reason: 'First plan',
        lanes: groups.map((g) =>
          demoLane(g as MuscleGroupId, demo.block?.styles?.[g] ?? 'steady-hold', placed(dayPlans, places)),
        ),
      },
      planner,
    );
    await doSessions(data, id, demo, planner, random);
  }
  for (const w of past.filter((x) => x > 0)) await measure(data, id, demo, assessmentDate(w), w, planner, random);
  const check = demo.quickCheck;
  const two = demo.tests.filter((t) => check?.testIds.includes(t.testId));
  for (const w of check?.weeks.filter((x) => assessmentDate(x) <= today) ?? [])
    await measure(data, id, demo, assessmentDate(w), w, planner, random, two);
  for (const goal of demo.goals ?? []) await putGoal(data, id, uuid(), { ...goal, due: addDays(start, 7 * 12) }, today);
  for (const { daysAgo, ...said } of demo.checkIns ?? [])
    await putCheckIn(data, id, uuid(), { ...said, sessionId: null, date: addDays(today, -daysAgo) }, today);
  for (const { daysAgo, ...said } of demo.selfReports ?? [])
    await putSelfReport(data, id, uuid(), { ...said, date: addDays(today, -daysAgo) }, today);
  if (check || demo.interests)
    await putPriorities(data, id, {
      version: null,
      interests: demo.interests ?? [],
      pinned: [],
      excluded: [],
      order: [],
      quickCheck: check?.testIds ?? [],
    });
}

async function fill(source: DataSource, clock: Clock): Promise<void> {
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const now = clock.now();
  const today = dateIn(WHO.zone, now);
  // One transaction: a kill half-way leaves nothing, and the next start loads it whole.
  await source.transaction(async (m) => {
    await m.insert(StudioEntity, [DEMO_STUDIO, OTHER_STUDIO]);
    await m.insert(
      CoachEntity,
      DEMO_COACHES.map((c) => ({ ...c, passwordHash })),
    );
    for (const [i, demo] of DEMO_CLIENTS.entries()) await loadClient(m, demo, i, today, now);
    const mara = { coachId: DEMO_COACHES[0].id, timeZone: WHO.zone };
    await putStudy(new StudioData(m, DEMO_STUDIO.id, now), uuid(), { ...DEMO_STUDY, version: null }, mara);
    await putRoutine(new StudioData(m, DEMO_STUDIO.id, now), uuid(), DEMO_ROUTINE);
    await createClient(
      new StudioData(m, OTHER_STUDIO.id, now),
      { ...OTHER_CLIENT, id: uuid(), birthDate: '1980-05-05', leadCoachId: DEMO_COACHES[2].id },
      today,
    );
  });
}

/** Loads the demo studios into a database without any studio. False when there is one already. */
export async function loadDemoOnce(source: DataSource, clock: Clock): Promise<boolean> {
  if ((await source.manager.count(StudioEntity)) > 0) return false;
  await fill(source, clock);
  return true;
}

/** Removes the demo studios with all that was done in them and loads them anew. Other studios are not touched. */
export async function resetDemo(source: DataSource, clock: Clock): Promise<void> {
  const ids = [DEMO_STUDIO.id, OTHER_STUDIO.id];
  // Runs first: what was run holds its session. Then clients: a lead coach cannot be removed while a client names them.
  for (const studioId of ids) await source.query('DELETE FROM run WHERE studio_id = ?', [studioId]);
  for (const studioId of ids) await source.query('DELETE FROM audit_entry WHERE studio_id = ?', [studioId]);
  for (const studioId of ids) await source.query('DELETE FROM client WHERE studio_id = ?', [studioId]);
  await source.manager.delete(StudioEntity, { id: In(ids) });
  await fill(source, clock);
}
