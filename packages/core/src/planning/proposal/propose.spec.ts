import { describe, expect, it } from 'vitest';
import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import { EXERCISES, exerciseById } from '../../catalogue/exercises.js';
import type { PropId } from '../../catalogue/props.js';
import { exercisesDoing } from '../../catalogue/forms.js';
import type { WantedGroup } from '../../measuring/findings/wanted.js';
import type { Weekday } from '../../schedule/weekday.js';
import type { PreferredTime } from '../../screening/about.js';
import { cautionsFor } from '../../screening/cautions.js';
import { limitsOfCautions, splitAllowed } from '../../screening/limits.js';
import { placeOfKind, type PlaceKind } from '../../screening/place.js';
import type { QuestionId } from '../../screening/questions.js';
import { styleById } from '../../styles/index.js';
import type { Technique } from '../../technique/catalogue.js';
import { buildBlock } from '../block.js';
import { checkBlock } from '../check/check.js';
import { firstDayPlanOf } from '../day-plan/day-plan.js';
import { blockInputOf, emptyDraft, type BlockDraft, type PlanContext } from '../draft.js';
import type { Experience } from '../limits.js';
import type { PlannedLane } from '../plan.js';
import type { Proposal } from './proposal.js';
import { proposeBlocks, type ProposalUse } from './propose.js';

/** A client who does not exist. */
interface Invented {
  readonly age: number;
  readonly level: Experience;
  readonly yes?: readonly QuestionId[];
  readonly hypermobile?: boolean;
  readonly days: readonly Weekday[];
  readonly minutes: number;
  readonly kind?: PlaceKind;
  readonly things?: readonly PropId[];
  readonly times?: readonly PreferredTime[];
  /** Groups that are short, the shortest first, and groups that are only asked for. */
  readonly short: readonly MuscleGroupId[];
  readonly asked?: readonly MuscleGroupId[];
}

const FOURTEEN: readonly MuscleGroupId[] = [
  ...(['hamstrings', 'hip-flexors', 'adductors', 'gluteals', 'quadriceps', 'calf', 'soleus'] as const),
  ...(['low-back', 'thoracic-rotators', 'lats', 'pectorals', 'shoulder-rotators'] as const),
  ...(['forearm-flexors', 'upper-trapezius'] as const),
];

const CLIENTS: Readonly<Record<string, Invented>> = {
  'desk worker': {
    ...{ age: 41, level: 'beginner', days: [1, 3, 5], minutes: 20 },
    ...{ short: ['hip-flexors', 'hamstrings', 'pectorals'], asked: ['upper-trapezius'] },
  },
  runner: {
    ...{ age: 29, level: 'regular', days: [2, 4, 6, 7], minutes: 20, things: ['strap', 'step'] },
    ...{ times: ['after training'], short: ['soleus', 'hamstrings', 'hip-flexors', 'calf', 'gluteals', 'quadriceps'] },
  },
  '67 with brittle bones': {
    ...{ age: 67, level: 'beginner', yes: ['bones'], days: [1, 2, 4, 5], minutes: 15, things: ['strap'] },
    ...{ times: ['on waking'], short: ['calf', 'hamstrings', 'pectorals'] },
  },
  '15 years old': { age: 15, level: 'regular', days: [1, 3, 6], minutes: 15, short: ['hamstrings', 'adductors'] },
  'very mobile dancer': {
    ...{ age: 24, level: 'experienced', hypermobile: true, yes: ['loose-joints'], days: [1, 2, 4, 5], minutes: 25 },
    ...{ short: ['calf', 'hip-flexors'], asked: ['gluteals'], things: ['band', 'roller'] },
  },
  lifter: {
    ...{ age: 35, level: 'experienced', days: [1, 2, 4, 5], minutes: 30, things: ['weight', 'step', 'roller'] },
    ...{ short: ['calf', 'hamstrings', 'lats', 'pectorals', 'shoulder-rotators'] },
  },
  'bed only': {
    age: 58,
    level: 'beginner',
    days: [1, 2, 3, 4, 5, 6, 7],
    minutes: 10,
    kind: 'bed',
    short: ['hamstrings', 'soleus', 'calf', 'low-back'],
  },
  'fourteen groups after class': {
    ...{ age: 33, level: 'regular', days: [2, 4, 6], minutes: 20, things: ['strap'], times: ['after training'] },
    short: FOURTEEN,
  },
};

function useOf(c: Invented): ProposalUse {
  const cautions = cautionsFor({ yes: c.yes ?? [], no: [], regions: {} }, c.age);
  const allowed = (g: MuscleGroupId, t: Technique) => {
    const done = exercisesDoing(g, t, EXERCISES).map((e) => ({ ...e, technique: t }));
    return splitAllowed(done, cautions).allowed.map((e) => exerciseById(e.id));
  };
  const places = [placeOfKind(c.kind ?? 'home', 'home', c.things)];
  const client = {
    ...{ age: c.age, experience: c.level, trainingDays: c.days, gentleGroups: [], minutesPerSession: c.minutes },
    cautions: limitsOfCautions(cautions),
    hypermobile: c.hypermobile ?? false,
  };
  const context: PlanContext = { client, findStyle: styleById, findExercise: exerciseById, places };
  let n = 0;
  return {
    base: emptyDraft('2026-03-09', [firstDayPlanOf(client, places, c.times ?? [])]),
    context,
    allowed,
    startingDose: () => null,
    newId: () => `lane-${++n}`,
  };
}

const wantedOf = (c: Invented): WantedGroup[] => [
  ...c.short.map((group) => ({ group, lengthen: true, facts: [] })),
  ...(c.asked ?? []).map((group) => ({ group, lengthen: false, facts: [{ code: 'asked' as const }] })),
];

/** Most seconds a side of a week, by hand: sets × hold × days, of what is held still or relaxed into. */
function most(lane: PlannedLane): number {
  return Math.max(
    ...lane.weeks.map(({ kind, prescription: p }) =>
      kind === 'rest' || p.technique !== 'static hold' ? 0 : p.sets * p.holdSeconds * p.sessionsPerWeek,
    ),
  );
}
const everyWeek = (lane: PlannedLane): boolean => lane.weeks.every((w) => w.kind !== 'rest');
const heldIn = (p: { readonly styleId: string }): boolean => p.styleId === 'steady-hold';

describe.each(Object.entries(CLIENTS))('blocks proposed for the %s', (_name, client) => {
  const use = useOf(client);
  const proposals = proposeBlocks(wantedOf(client), use);
  const planOf = (draft: BlockDraft) => buildBlock(blockInputOf(draft, use.context));

  it('are one to three, each with every wanted group in it or left out with a reason', () => {
    expect(proposals.length).toBeGreaterThan(0);
    for (const p of proposals)
      expect([...p.lanes, ...p.left].map((l) => l.group).sort()).toEqual(
        wantedOf(client)
          .map((w) => w.group)
          .sort(),
      );
  });

  it('break no rule, do every lane in every week, and explain what is short', () => {
    for (const { draft, plan } of proposals) {
      expect(checkBlock(blockInputOf(draft, use.context), plan)).toEqual([]);
      plan.lanes.forEach((l) => expect(everyWeek(l), l.group).toBe(true));
      for (const s of plan.shortages) expect(s.fact.code).toBeTruthy();
    }
  });

  it('leave no group below 300 s that could have it: one more is not done, stays short, or makes another short', () => {
    const [fewer] = proposals;
    for (const group of fewer!.left.filter((l) => l.code !== 'too-many').map((l) => l.group)) {
      const lane = use.allowed(group, 'static hold')[0];
      if (!lane) continue;
      const more = proposeBlocks(
        [...fewer!.lanes, { group }].map((l) => ({ group: l.group, lengthen: true, facts: [] })),
        use,
      )[0]!;
      expect(more.lanes.map((l) => l.group)).not.toContain(group);
    }
    for (const p of proposals)
      p.lanes.forEach((l, i) => {
        if (l.style.code !== 'room-for-upkeep' || client.hypermobile) return;
        const lanes = p.draft.lanes.map((x, k) => (k === i ? { ...x, styleId: 'steady-hold' } : x));
        const plan = planOf({ ...p.draft, lanes });
        const short = most(plan.lanes[i]!) < 300;
        const lost = plan.lanes.some(
          (x, k) => k !== i && heldIn(p.lanes[k]!) && most(x) < 300 && most(p.plan.lanes[k]!) >= 300,
        );
        expect(short || lost || !plan.lanes.every(everyWeek), l.group).toBe(true);
      });
  });

  it('add short sessions only where these bring a group further', () => {
    const there = (p: Proposal): number => p.reach.filter((r) => r.kind === 'amount' && r.week !== null).length;
    const added = proposals.find((p) => p.id === 'between');
    const plain = proposals.find((p) => p.id === 'reach')!;
    if (!added) return;
    expect(there(added) * 100 + added.lanes.length).toBeGreaterThan(there(plain) * 100 + plain.lanes.length);
  });

  it('say of every lane why it is there and why in this style', () => {
    for (const p of proposals)
      for (const l of p.lanes) {
        expect(['plain-hold', 'very-mobile', 'can-be-loaded', 'nothing-short', 'room-for-upkeep']).toContain(
          l.style.code,
        );
        if (client.asked?.includes(l.group)) expect(l.styleId).toBe('upkeep');
      }
  });
});

describe('proposals', () => {
  const of = (name: keyof typeof CLIENTS): readonly Proposal[] =>
    proposeBlocks(wantedOf(CLIENTS[name]!), useOf(CLIENTS[name]!));
  it('of the runner: three days more than one group to the amount, the others kept up beside the first', () => {
    const [fewer, more] = of('runner');
    expect([fewer!.id, more!.id]).toEqual(['reach', 'spread']);
    expect(more!.lanes.length).toBeGreaterThan(fewer!.lanes.length);
    for (const l of fewer!.lanes) expect(heldIn(l)).toBe(true);
    // Shares of other lanes' stretches count for a group too (rule 13), so a lane's own seconds may be fewer.
    for (const r of fewer!.reach) expect([r.group, r.week]).not.toContain(null);
    expect(most(fewer!.plan.lanes[0]!)).toBeGreaterThanOrEqual(300);
    expect(more!.lanes.map((l) => l.styleId)).toEqual(['steady-hold', ...more!.lanes.slice(1).map((l) => l.styleId)]);
    expect(more!.lanes.some((l) => l.style.code === 'room-for-upkeep')).toBe(true);
  });
  it('of the very mobile dancer go for control, of the lifter for load first, and of the bed for what a bed allows', () => {
    expect(of('very mobile dancer')[0]!.lanes[0]).toMatchObject({ styleId: 'release-lengthen-activate' });
    expect(of('lifter')[0]!.lanes[0]).toMatchObject({ group: 'calf', styleId: 'loaded-range' });
    expect(of('bed only')[0]!.left.map((l) => [l.group, l.code])).toContainEqual(['soleus', 'impossible']);
    expect(of('bed only')[0]!.lanes.map((l) => l.group)).toContain('calf');
  });
  it('of fourteen groups in twenty minutes keep most of them up, in sessions as wide as that', () => {
    const more = of('fourteen groups after class').find((p) => p.id === 'spread')!;
    expect(more.lanes.length).toBeGreaterThanOrEqual(10);
    expect(more.draft.lanesPerSession).toBe(14);
  });
  it('with short sessions between bring the runner further, on the days that are free; who stretches every day has none', () => {
    const reached = (p: Proposal): number => p.reach.filter((r) => r.week !== null).length;
    const [fewer, , between] = of('runner');
    expect(between!.id).toBe('between');
    expect(between!.draft.dayPlans.map((d) => [d.weekdays, d.minutes, d.warm])).toEqual([
      [[2, 4, 6, 7], 20, true],
      [[1, 3, 5], 10, false],
    ]);
    expect(reached(between!)).toBeGreaterThan(reached(fewer!));
    expect(of('bed only').map((p) => p.id)).not.toContain('between');
  });
  it('of nothing are none', () => {
    expect(proposeBlocks([], useOf(CLIENTS['runner']!))).toEqual([]);
  });
});
