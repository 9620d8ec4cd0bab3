import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  bonusWords,
  buildBlock,
  cautionsFor,
  cautionTitle,
  checkBlock,
  chooseExercises,
  cutWords,
  dayPlanLine,
  dayPlanOf,
  EXERCISES,
  exerciseById,
  exercisesDoing,
  placeOfKind,
  leftOutWords,
  limitsOfCautions,
  muscleGroupName,
  prescriptionWords,
  reachLine,
  reachOf,
  sessionsOfBlock,
  formatClock,
  longestSessions,
  splitAllowed,
  styleById,
  violationWords,
  weekWords,
  type BlockInput,
  type DayPlan,
  type Experience,
  type MuscleGroupId,
  type PlaceKind,
  type PropId,
  type QuestionId,
  type Technique,
} from '@yandle/core';
import { format } from 'prettier';

/** A client who does not exist, with what a coach would choose for them. */
interface Invented {
  readonly name: string;
  readonly age: number;
  readonly experience: Experience;
  readonly yes: readonly QuestionId[];
  readonly hypermobile?: boolean;
  readonly place: PlaceKind;
  readonly props: readonly PropId[];
  readonly dayPlans: readonly (Partial<DayPlan> & Pick<DayPlan, 'weekdays' | 'minutes'>)[];
  readonly lanes: readonly (readonly [group: MuscleGroupId, styleId: string, startLoad?: number])[];
  readonly weeks: number;
  readonly lanesPerSession?: number;
  readonly missedWeeks?: readonly number[];
}

const CLIENTS: readonly Invented[] = [
  {
    name: 'Desk worker, 41',
    ...{ age: 41, experience: 'beginner', yes: [], place: 'home', props: [], weeks: 8 },
    dayPlans: [
      { name: 'Evening', weekdays: [1, 3, 5], minutes: 20 },
      {
        name: 'Short break',
        weekdays: [2, 4],
        minutes: 6,
        purpose: 'short break',
        theme: ['upper-trapezius', 'pectorals'],
      },
    ],
    lanes: [
      ['hip-flexors', 'steady-hold'],
      ['pectorals', 'steady-hold'],
      ['upper-trapezius', 'upkeep'],
      ['hamstrings', 'steady-hold'],
    ],
  },
  {
    name: 'Runner, 29, one week missed',
    ...{
      age: 29,
      experience: 'regular',
      yes: [],
      place: 'home',
      props: ['strap', 'step'],
      weeks: 12,
      missedWeeks: [6],
    },
    dayPlans: [{ name: 'After the run', weekdays: [2, 4, 6, 7], minutes: 20, purpose: 'after training', warm: true }],
    lanes: [
      ['soleus', 'steady-hold'],
      ['hamstrings', 'steady-hold'],
      ['hip-flexors', 'steady-hold'],
      ['calf', 'steady-hold'],
      ['gluteals', 'upkeep'],
    ],
  },
  {
    name: '67, brittle bones',
    ...{ age: 67, experience: 'beginner', yes: ['bones'], place: 'home', props: ['strap'], weeks: 8 },
    dayPlans: [{ name: 'Morning', weekdays: [1, 2, 4, 5], minutes: 15 }],
    lanes: [
      ['calf', 'steady-hold'],
      ['hamstrings', 'steady-hold'],
      ['pectorals', 'steady-hold'],
    ],
  },
  {
    name: '15 years old',
    ...{ age: 15, experience: 'regular', yes: [], place: 'home', props: [], weeks: 12 },
    dayPlans: [{ name: 'After class', weekdays: [1, 3, 6], minutes: 15, purpose: 'after training', warm: true }],
    lanes: [
      ['hamstrings', 'steady-hold'],
      ['adductors', 'steady-hold'],
      ['hip-flexors', 'loaded-range'],
    ],
  },
  {
    name: 'Hypermobile dancer, 24',
    ...{
      age: 24,
      experience: 'experienced',
      yes: ['loose-joints'],
      hypermobile: true,
      place: 'home',
      props: ['band'],
      weeks: 8,
    },
    dayPlans: [{ name: 'Studio', weekdays: [1, 2, 4, 6], minutes: 25 }],
    lanes: [
      ['gluteals', 'release-lengthen-activate'],
      ['hip-flexors', 'release-lengthen-activate'],
      ['calf', 'steady-hold'],
    ],
  },
  {
    name: 'Lifter, 35, lifts already',
    ...{ age: 35, experience: 'experienced', yes: [], place: 'home', props: ['weight', 'step', 'roller'], weeks: 16 },
    dayPlans: [{ name: 'After lifting', weekdays: [1, 3, 5], minutes: 30, purpose: 'after training', warm: true }],
    lanes: [
      ['calf', 'loaded-range', 10],
      ['quadriceps', 'loaded-range'],
      ['hamstrings', 'push-relax'],
      ['pectorals', 'steady-hold'],
    ],
  },
  {
    name: 'Bed only, 58',
    ...{ age: 58, experience: 'beginner', yes: [], place: 'bed', props: [], weeks: 8 },
    dayPlans: [{ name: 'On waking', weekdays: [1, 2, 3, 4, 5], minutes: 10, purpose: 'on waking' }],
    lanes: [
      ['hamstrings', 'steady-hold'],
      ['gluteals', 'upkeep'],
      ['calf', 'steady-hold'],
    ],
  },
  {
    name: 'Fourteen groups after class, 33',
    ...{ age: 33, experience: 'regular', yes: [], place: 'home', props: ['strap'], weeks: 8, lanesPerSession: 14 },
    dayPlans: [{ name: 'After class', weekdays: [2, 4, 6], minutes: 20, purpose: 'after training', warm: true }],
    lanes: [
      'hamstrings',
      'hip-flexors',
      'adductors',
      'gluteals',
      'quadriceps',
      'calf',
      'soleus',
      'low-back',
      'thoracic-rotators',
      'lats',
      'pectorals',
      'shoulder-rotators',
      'forearm-flexors',
      'upper-trapezius',
    ].map((g) => [g as MuscleGroupId, 'upkeep'] as const),
  },
];

function inputOf(c: Invented): { readonly input: BlockInput; readonly cautions: readonly string[] } {
  const cautions = cautionsFor({ yes: c.yes, no: [], regions: {} }, c.age);
  const { allowed } = splitAllowed(EXERCISES, cautions);
  const place = placeOfKind(c.place, 'home', c.props);
  const dayPlans = c.dayPlans.map((p, i) => ({
    ...dayPlanOf({ trainingDays: p.weekdays }, `p${i}`),
    ...p,
    placeId: place.id,
    place,
  }));
  const may = (g: MuscleGroupId, t: Technique) => {
    const ok = splitAllowed(
      exercisesDoing(g, t, allowed).map((e) => ({ ...e, technique: t })),
      cautions,
    ).allowed;
    return ok.map((e) => exerciseById(e.id));
  };
  const lanes = c.lanes.map(([group, styleId, startLoad]) => ({
    group,
    styleId,
    ...(startLoad === undefined ? {} : { startLoad }),
    exercises: chooseExercises(group, [styleById(styleId)], may, c.experience, [], dayPlans).map((e) => ({
      technique: e.technique,
      exercise: exerciseById(e.exerciseId),
      dayPlanId: e.dayPlanId,
    })),
  }));
  const limits = limitsOfCautions(cautions);
  return {
    cautions: cautions.map(cautionTitle),
    input: {
      client: {
        age: c.age,
        experience: c.experience,
        trainingDays: [],
        gentleGroups: [],
        cautions: limits,
        hypermobile: c.hypermobile ?? false,
      },
      dayPlans,
      lanes: lanes.filter((l) => !limits.excludedGroups.includes(l.group) && l.exercises.length > 0),
      weeks: c.weeks,
      ramp: 0.2,
      easierEvery: 4,
      missedWeeks: c.missedWeeks ?? [],
      startDate: '2026-03-09',
      ...(c.lanesPerSession === undefined ? {} : { lanesPerSession: c.lanesPerSession }),
    },
  };
}

/** One client's plan as a coach would read it. */
function planOf(c: Invented): string {
  const { input, cautions } = inputOf(c);
  const plan = buildBlock(input);
  const plans = input.dayPlans!;
  const out = [`## ${c.name}`, ''];
  out.push(`${c.experience}; ${c.place}${c.props.length > 0 ? ` with ${c.props.join(', ')}` : ''}.`);
  if (cautions.length > 0) out.push(`Cautions: ${cautions.join(', ')}.`);
  out.push('', ...plans.map((p) => `- ${p.name}: ${dayPlanLine(p)}`), '');
  const lanes = input.lanes.map((l) => ({
    group: l.group,
    firstSide: 'left' as const,
    exercises: l.exercises!.map((e) => ({ technique: e.technique, exerciseId: e.exercise.id, dayPlanId: e.dayPlanId })),
  }));
  const sessions = sessionsOfBlock(plan, input.startDate!, lanes, plans);
  const longest = plans.map((p) =>
    longestSessions(
      sessions.filter((s) => s.dayPlanId === p.id),
      input.weeks,
    ),
  );
  const head = ['week', ...plan.lanes.map((l) => muscleGroupName(l.group)), ...plans.map((p) => `${p.name}, longest`)];
  out.push(`| ${head.join(' | ')} |`, `| ${head.map(() => '---').join(' | ')} |`);
  for (let week = 1; week <= input.weeks; week++) {
    const cells = plan.lanes.map((l) => {
      const w = l.weeks[week - 1]!;
      if (w.kind === 'rest') return '–';
      const bonus = bonusWords(w.prescription);
      return `${prescriptionWords(w.prescription)}${bonus ? ` (${bonus})` : ''}: ${w.dose} s${w.kind === 'easier' ? ', easier' : ''}`;
    });
    out.push(
      `| ${[week, ...cells, ...longest.map((l) => (l[week - 1] ? formatClock(l[week - 1]!) : '–'))].join(' | ')} |`,
    );
  }
  out.push('');
  const exercises = input.lanes.map(
    (l, i) =>
      `- ${muscleGroupName(l.group)}, ${styleById(l.styleId).name}: ${[...new Set(l.exercises!.filter((e) => plan.lanes[i]!.weeks.some((w) => [w.prescription, ...w.beforeAndAfter].some((b) => b.technique === e.technique && w.kind !== 'rest'))).map((e) => `${e.technique}: ${e.exercise.name}`))].join('; ')}`,
  );
  out.push(...exercises, '');
  const said = [...new Set(plan.lanes.flatMap((l) => l.leftOut.map(leftOutWords)))];
  if (said.length > 0) out.push(`Left out: ${said.join(' ')}`, '');
  const line = reachLine(reachOf(input, plan));
  if (line) out.push(line, '');
  const shortages = new Map<string, number[]>();
  for (const s of plan.shortages) {
    const key = `${muscleGroupName(plan.lanes[s.lane]!.group)}: ${cutWords(s.fact)}`;
    shortages.set(key, [...(shortages.get(key) ?? []), s.week]);
  }
  if (shortages.size > 0)
    out.push('Could not be served:', '', ...[...shortages].map(([k, w]) => `- week ${w.join(', ')}: ${k}`), '');
  const broken = checkBlock(input, plan);
  out.push(broken.length === 0 ? 'No rule is broken.' : broken.map((v) => violationWords(v.fact)).join(' '), '');
  const first = plan.lanes[0]!;
  out.push(
    '<details><summary>Why, for the first lane</summary>',
    '',
    ...first.weeks.map((w) => `${w.week}. ${weekWords(w, first)}`),
    '',
    '</details>',
    '',
  );
  return out.join('\n');
}

const file = fileURLToPath(new URL('../docs/plans.md', import.meta.url));
const text = `# Plans of eight invented clients

Made by \`npm run docs:plans\` from the catalogue and the rules of [domain.md](domain.md), 2.6: what a coach would look at before signing. Seconds are a
side and week; nobody in here exists.

${CLIENTS.map(planOf).join('\n')}`;
writeFileSync(file, await format(text, { parser: 'markdown', printWidth: 140 }));
console.log('docs/plans.md');
