import { NO_EFFECT } from '../screening/effect.js';
import { describe, expect, it } from 'vitest';
import { exercisesDoing } from '../catalogue/forms.js';
import { TEMPLATES } from './template-catalogue.js';
import { styleById } from '../styles/index.js';
import { buildBlock } from './block.js';
import { checkBlock } from './check/check.js';
import { blockInputOf } from './draft.js';
import { setCells } from './revision/edit.js';
import { dayPlanOf } from './day-plan/day-plan.js';
import type { PlanClient } from './limits.js';
import { applyTemplate, templateOf } from './template.js';
import { adult, context, draft, hold } from './draft.fixture.js';

describe('templates', () => {
  const use = (client: PlanClient, startingDose: number | null = null) => ({
    startDate: '2026-03-09',
    client,
    findStyle: styleById,
    allowed: (g: Parameters<typeof exercisesDoing>[0], t: Parameters<typeof exercisesDoing>[1]) => exercisesDoing(g, t),
    dayPlans: [dayPlanOf(client)],
    places: [],
    startingDose: () => startingDose,
    newId: () => Math.random().toString(36),
  });

  it.each(TEMPLATES.map((t) => [t.name, t] as const))(
    '%s keeps every rule for a beginner, a regular and a senior',
    (_, t) => {
      const clients: PlanClient[] = [
        { age: 30, experience: 'beginner', trainingDays: [1, 3, 5], gentleGroups: [], minutesPerSession: 20 },
        { age: 45, experience: 'regular', trainingDays: [1, 2, 4, 6], gentleGroups: [], minutesPerSession: 30 },
        { age: 72, experience: 'beginner', trainingDays: [2, 5], gentleGroups: [], minutesPerSession: 15 },
      ];
      for (const client of clients) {
        const { draft: d } = applyTemplate(t, use(client));
        const input = blockInputOf(d, { ...context, client });
        const found = checkBlock(input, buildBlock(input));
        expect(found).toEqual([]);
      }
    },
  );

  it('are made without anything of the client', () => {
    const set = setCells({ ...draft, missedWeeks: [2], away: [{ from: '2026-03-10', to: '2026-03-11' }] }, [
      { lane: 0, week: 3, prescription: { ...hold(3, 40), bonus: { side: 'left', sets: 1, more: 0 } } },
    ]);
    const t = templateOf(set, 'Ours', 'For us', () => 180);
    expect(Object.keys(t).sort()).toEqual([
      'easierEvery',
      'easierWeeks',
      'lanes',
      'lanesPerSession',
      'name',
      'ramp',
      'summary',
      'weeks',
    ]);
    expect(t.lanes[0]!.cells).toEqual([{ week: 3, prescription: hold(3, 40) }]);
    expect(JSON.stringify(t)).not.toMatch(/exercise|bonus|2026|startingDose/);
  });

  it('scale what was set by hand to a client who begins lower, and say so', () => {
    // Made where the lane began with 360 s; this client begins with 180 s: half.
    const t = {
      ...templateOf(setCells(draft, [{ lane: 0, week: 3, prescription: hold(4, 60) }]), 'x', '', () => 360),
      id: 't',
    };
    const { draft: d, notes } = applyTemplate(t, use(adult));
    const p = d.lanes[0]!.locked[0]!.prescription;
    expect(p.sets * p.holdSeconds * p.sessionsPerWeek).toBeLessThanOrEqual(360);
    expect(notes).toEqual([{ code: 'scaled', args: { group: 'soleus', percent: 50 } }]);
    expect(applyTemplate(t, use(adult, 360)).draft.lanes[0]!.locked[0]!.prescription).toEqual(hold(4, 60));
  });

  it('leave out groups that a caution rests, and say so', () => {
    const cautions = {
      ...NO_EFFECT,
      excludedGroups: ['hamstrings' as const],
    };
    const runner = TEMPLATES.find((t) => t.id === 'runner')!;
    const { draft: d, notes } = applyTemplate(runner, use({ ...adult, cautions }));
    expect(d.lanes.some((l) => l.group === 'hamstrings')).toBe(false);
    expect(notes).toEqual([{ code: 'caution', args: { group: 'hamstrings' } }]);
    const none = applyTemplate(runner, { ...use(adult), allowed: () => [] });
    expect(none.draft.lanes).toEqual([]);
    expect(none.notes).toHaveLength(5);
  });
});
