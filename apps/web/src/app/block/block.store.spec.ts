import { Component, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Block, PlanningView } from '@yandle/contract';
import { applyFix, basisOf, cautionsFor, exerciseById, setCells, TEMPLATES } from '@yandle/core';
import { ClientContext } from '../data/client-context';
import { aBlock, aDraft } from '../testing/a-block';
import { PATH, Screen } from '../testing/screen';
import { BlockData, NO_PLANNING } from './block-data';
import { BlockPlanner } from './block-planner';
import { BlockPublisher } from './block-publisher';
import { BlockStore } from './block.store';

@Component({ selector: 'y-host', template: '', providers: [BlockData, BlockPlanner, BlockStore, BlockPublisher] })
class Host {
  readonly store = inject(BlockStore);
  readonly publisher = inject(BlockPublisher);
}

const hold = (sets: number, holdSeconds: number) => ({
  technique: 'static hold' as const,
  sets,
  holdSeconds,
  sessionsPerWeek: 3,
  sensation: 5,
});

describe('BlockStore', () => {
  let screen: Screen<Host>;
  let store: BlockStore;
  let publisher: BlockPublisher;

  async function answerLoad(blocks: Block[], planning: PlanningView = NO_PLANNING): Promise<void> {
    screen.http.expectOne('/api/v1/clients/c1/blocks').flush(blocks);
    await screen.answer('/clients/c1/planning', planning);
  }

  async function open(blocks: Block[] = [], planning: PlanningView = NO_PLANNING, keep = ''): Promise<void> {
    screen = await Screen.open(Host);
    if (keep) localStorage.setItem('yandle.block-draft.c1', keep);
    ({ store, publisher } = screen.fixture.componentInstance);
    TestBed.inject(ClientContext).open('c1');
    await screen.settle();
    await screen.answer('/clients/c1', PATH);
    const loaded = store.load('c1');
    for (const path of ['/own-exercises', '/own-styles'])
      for (const r of screen.http.match(`/api/v1${path}`)) r.flush([]);
    await screen.settle();
    await answerLoad(blocks, planning);
    await loaded;
  }

  it('starts a draft on the next Monday, with nothing chosen', async () => {
    await open();
    // 11 March 2026 is a Wednesday.
    expect(store.draft()).toMatchObject({ startDate: '2026-03-16', weeks: 8, ramp: 0.2, easierEvery: 4, lanes: [] });
    expect(store.preview()!.refusal).toContain('Choose the muscle groups');
  });

  it('begins with the days of the client, however late they come', async () => {
    screen = await Screen.open(Host);
    ({ store, publisher } = screen.fixture.componentInstance);
    TestBed.inject(ClientContext).open('c1');
    const loaded = store.load('c1');
    for (const path of ['/own-exercises', '/own-styles'])
      for (const r of screen.http.match(`/api/v1${path}`)) r.flush([]);
    await screen.settle();
    screen.http.expectNone('/api/v1/clients/c1/blocks');
    expect(store.draft()).toBeNull();
    await screen.answer('/clients/c1', PATH);
    await answerLoad([]);
    await loaded;
    expect(store.draft()!.dayPlans[0]!.weekdays).toEqual(PATH.client.trainingDays);
  });

  it('draws the plan at every change, with the core’s arithmetic', async () => {
    await open();
    store.addLane('soleus');
    store.addLane('hamstrings');
    expect(store.preview()!.plan!.lanes.map((l) => l.weeks[0]!.dose)).toEqual([180, 180]);
    expect(store.dayPlanMinutes()[0]!.longest[0]).toBe(434);
    store.change({ weeks: 4, easierEvery: null });
    expect(store.preview()!.plan!.lanes[0]!.weeks.map((w) => w.dose)).toEqual([180, 210, 240, 270]);
    store.endLane(store.laneOf('soleus')!.id);
    expect(store.draft()!.lanes.map((l) => l.group)).toEqual(['hamstrings']);
    store.change({ startDate: '' });
    expect(store.preview()!.refusal).toBe('Choose a start date.');
  });

  it('starts from a block of before, planned for who the client is now, and says what is different', async () => {
    await open();
    const before = aBlock({ ...aDraft(), startDate: '2025-09-01' });
    const said = await store.startFrom({ ...before, clientId: 'c1' });
    expect(store.draft()!.startDate).toBe('2026-03-16');
    expect(store.draft()!.lanes.map((l) => [l.group, l.exercises[0]!.exerciseId])).toEqual(
      before.choices.lanes.map((l) => [l.group, l.exercises[0]!.exerciseId]),
    );
    expect(store.preview()!.plan!.lanes).toHaveLength(before.choices.lanes.length);
    expect(said.filter((s) => s.includes('instead of'))).toEqual([]);
    store.undo();
    expect(store.draft()!.lanes).toEqual([]);
  });

  it('says before publishing which list changed by hand is planned anew: its week is lower after a missed one', async () => {
    const running = { ...aBlock(), changeableFrom: 3 };
    const items = [
      { exerciseId: running.choices.lanes[0]!.exercises[0]!.exerciseId, technique: 'static hold' as const },
    ];
    const handLists = [
      { date: '2026-03-25', week: 3, items },
      { date: '2026-04-22', week: 7, items },
    ];
    await open([running], { ...NO_PLANNING, handLists });
    expect(store.replacedLists()).toEqual([]);
    store.change({ missedWeeks: [2] });
    expect(store.preview()!.plan!.lanes[0]!.weeks[2]!.reasons.map((r) => r.code)).toContain('back-after');
    expect(store.replacedLists()).toEqual([
      'The list you changed for Wednesday 25 March is planned anew: that week is lower after an absence or soreness.',
    ]);
  });

  it('takes every change back and does it again', async () => {
    await open();
    const states = [store.draft()];
    for (const group of ['soleus', 'hamstrings', 'calf'] as const) {
      store.addLane(group);
      states.push(store.draft());
    }
    for (const before of states.slice(0, -1).reverse()) {
      store.undo();
      expect(store.draft()).toBe(before);
    }
    expect(store.canUndo()).toBe(false);
    store.redo();
    store.redo();
    expect(store.draft()).toBe(states[2]);
    store.addLane('gluteals');
    expect(store.canRedo()).toBe(false);
  });

  it('sends the choices and the reason, not the plan, under one id until it is taken', async () => {
    await open();
    store.addLane('soleus');
    const first = publisher.publish('First plan');
    const one = screen.request('POST', '/clients/c1/blocks');
    expect(one.request.body).toMatchObject({
      reason: 'First plan',
      weeks: 8,
      lanes: [{ group: 'soleus', locked: [] }],
    });
    expect(one.request.body).not.toHaveProperty('plan');
    one.flush({}, { status: 503, statusText: 'down' });
    expect(await first).toBe(false);
    expect(store.problem()).not.toBeNull();
    const again = publisher.publish('First plan');
    const two = screen.request('POST', '/clients/c1/blocks');
    expect((two.request.body as { id: string }).id).toBe((one.request.body as { id: string }).id);
    two.flush({});
    await screen.settle();
    await answerLoad([]);
    expect(await again).toBe(true);
  });

  it('leaves out what a caution rules out, says why, and keeps to the limits', async () => {
    await open();
    const cautions = cautionsFor({ yes: ['floor', 'medicines'], no: [], regions: {} }, 46);
    TestBed.inject(ClientContext).refresh();
    await screen.settle();
    await screen.answer('/clients/c1', { ...PATH, cautions });
    expect(store.leftOut().map((l) => l.exercise.id)).toContain('long-sitting-fold');
    // On a bed, on a chair, standing: nothing that needs the floor.
    expect(new Set(store.allowedFor('hamstrings').map((e) => e.position))).toEqual(
      new Set(['supine', 'sitting on a chair', 'standing']),
    );
    store.addLane('hamstrings');
    expect(store.draft()!.lanes[0]!.exercises[0]!.exerciseId).toBe('supine-strap-hamstring');
    const weeks = store.preview()!.plan!.lanes[0]!.weeks;
    expect(Math.max(...weeks.map((w) => w.prescription.sensation))).toBe(4);
    store.setExercises(0, 'static hold', ['long-sitting-fold']);
    expect(store.violations().map((v) => [v.rule, v.severity])).toContainEqual(['caution', 'stop']);
  });

  it('plans with the studio’s own exercises', async () => {
    const { id: _, ...definition } = exerciseById('bent-knee-wall-calf');
    screen = await Screen.open(Host);
    ({ store, publisher } = screen.fixture.componentInstance);
    TestBed.inject(ClientContext).open('c1');
    await screen.settle();
    await screen.answer('/clients/c1', PATH);
    const loaded = store.load('c1');
    await screen.answer('/own-exercises', [
      { ...definition, name: 'Stairs', id: 'o1', version: 1, archived: false },
      { ...definition, name: 'Gone', id: 'o2', version: 1, archived: true },
    ]);
    await screen.answer('/own-styles', []);
    await answerLoad([]);
    await loaded;
    expect(store.allowedFor('soleus').map((e) => e.name)).toContain('Stairs');
    expect(store.allowedFor('soleus').map((e) => e.name)).not.toContain('Gone');
    store.addLane('soleus');
    store.setExercises(0, 'static hold', ['own-o1']);
    expect(store.dayPlanMinutes()[0]!.longest[0]).toBeGreaterThan(200);
  });

  it('gives each technique of a style its exercise, and changes style from a week on', async () => {
    await open();
    store.addLane('calf', 'loaded-range');
    expect(store.draft()!.lanes[0]!.exercises.map((e) => e.technique)).toEqual([
      'loaded eccentric',
      'loaded isometric',
      'static hold',
    ]);
    store.setLaneStyle(0, 'push-relax', 6);
    const weeks = store.preview()!.plan!.lanes[0]!.weeks;
    // Two phases share the five weeks before: the second begins in week 4 or later, once the first plate is on.
    expect(['loaded eccentric', 'loaded isometric']).toContain(weeks[4]!.prescription.technique);
    expect(weeks[5]!.prescription.technique).toBe('contract-relax');
  });

  it('begins where the client is, and takes a template within it', async () => {
    await open([], { ...NO_PLANNING, startingDoses: [{ group: 'soleus', seconds: 240, before: 240, weeksOff: 0 }] });
    store.addLane('soleus');
    // 2 × 40 × 3 = 240 s: the highest step that does not pass it.
    expect(store.preview()!.plan!.lanes[0]!.weeks[0]!.dose).toBe(240);
    store.applyTemplate(TEMPLATES.find((t) => t.id === 'runner')!);
    expect(store.draft()!.lanes.map((l) => l.group)).toEqual([
      'soleus',
      'calf',
      'hamstrings',
      'hip-flexors',
      'gluteals',
    ]);
    expect(store.draft()!.lanes[0]!.startingDose).toBe(240);
    store.undo();
    expect(store.draft()!.lanes).toHaveLength(1);
  });

  it('finds broken rules and fixes them, undoably', async () => {
    await open();
    store.addLane('soleus');
    store.edit((d) => setCells(d, [{ lane: 0, week: 2, prescription: hold(4, 60) }]));
    const ramp = store.violations().find((v) => v.rule === 'ramp')!;
    expect(ramp).toMatchObject({ lane: 0, week: 2 });
    const broken = store.draft();
    store.edit((d) => applyFix(d, ramp.fix!));
    expect(store.violations().some((v) => v.rule === 'ramp' && v.week === 2)).toBe(false);
    store.undo();
    expect(store.draft()).toBe(broken);
  });

  it('shows the block as it was published, and says when it would be planned otherwise today', async () => {
    await open([aBlock()], { ...NO_PLANNING, tighter: [{ group: 'soleus', side: 'left' }] });
    expect(store.changed()).toBe(false);
    expect(store.preview()!.plan!.lanes[0]!.weeks[0]!.prescription.bonus).toBeUndefined();
    expect(store.outdated()).toBe(8);
    store.renewing.set(true);
    expect(store.preview()!.plan!.lanes[0]!.weeks[0]!.prescription.bonus).toMatchObject({ side: 'left' });
    store.resetDraft();
    expect(store.renewing()).toBe(false);
  });

  it.each([
    ['nothing is short', [], 'out'],
    ['hips do not turn in', [{ group: 'deep-hip-rotators', turns: 'in' }], 'in'],
  ] as const)('answers the motion that is short: %s', async (_, turns, wanted) => {
    await open([], { ...NO_PLANNING, turns });
    store.addLane('deep-hip-rotators');
    const { exercises } = store.laneOf('deep-hip-rotators')!;
    const { exerciseId } = exercises.find((e) => e.technique === 'static hold')!;
    expect(exerciseById(exerciseId).turns).toBe(wanted);
  });

  it('plans a change from what the block was published from, and anew only when asked', async () => {
    const published = aBlock();
    const basis = basisOf(PATH.client, { ...NO_PLANNING, tighter: [] });
    await open([{ ...published, basis }], { ...NO_PLANNING, tighter: [{ group: 'soleus', side: 'left' }] });
    store.change({ away: [{ from: '2026-04-20', to: '2026-04-21' }] });
    const bonus = () => store.preview()!.plan!.lanes[0]!.weeks[0]!.prescription.bonus;
    expect(bonus()).toBeUndefined();
    expect(store.outdated()).toBe(0);
    store.renewing.set(true);
    expect(bonus()).toMatchObject({ side: 'left' });
  });

  it('ends a lane that has begun instead of taking it out, and begins a new one next week', async () => {
    await open([aBlock(aDraft(), { changeableFrom: 3 })]);
    store.endLane(store.laneOf('hamstrings')!.id);
    expect(store.draft()!.lanes[1]).toMatchObject({ group: 'hamstrings', untilWeek: 2 });
    store.endLane(store.laneOf('hamstrings')!.id);
    expect(store.draft()!.lanes[1]).toMatchObject({ untilWeek: null });
    store.addLane('calf');
    expect(store.draft()!.lanes[2]).toMatchObject({ group: 'calf', fromWeek: 3 });
    expect(
      store
        .preview()!
        .plan!.lanes[2]!.weeks.map((w) => w.kind)
        .slice(0, 3),
    ).toEqual(['rest', 'rest', 'build']);
  });

  it('keeps unsaved work over a reload, unless somebody published meanwhile', async () => {
    const draft = aDraft({ weeks: 10 });
    await open([aBlock()], NO_PLANNING, JSON.stringify({ base: 2, draft }));
    expect(store.draft()!.weeks).toBe(10);
    expect(store.changed()).toBe(true);
    await open([aBlock()], NO_PLANNING, JSON.stringify({ base: 1, draft }));
    expect(store.draft()!.weeks).toBe(8);
    await open([aBlock()], NO_PLANNING, 'no json');
    expect(store.draft()!.weeks).toBe(8);
    store.change({ weeks: 9 });
    await screen.settle();
    expect(localStorage.getItem('yandle.block-draft.c1')).toContain('"weeks":9');
  });

  it('brings two coaches’ changes together, and asks for what both changed', async () => {
    await open([aBlock()]);
    store.change({ ramp: 0.1, weeks: 6 });
    const saved = publisher.publish('Slower');
    const theirs = aBlock(aDraft({ ramp: 0.3, easierEvery: 3 }), { version: 3, revision: 2 });
    screen
      .request('PUT', '/blocks/b1')
      .flush({ code: 'stale-version', title: 'x', detail: 'y', current: theirs }, { status: 409, statusText: 'c' });
    expect(await saved).toBe(false);
    expect(publisher.conflict()!.clashes.map((c) => [c.key, c.mine, c.theirs])).toEqual([
      ['ramp', { kind: 'value', value: 0.1 }, { kind: 'value', value: 0.3 }],
    ]);
    publisher.resolve(() => 'theirs');
    expect(store.draft()).toMatchObject({ ramp: 0.3, weeks: 6, easierEvery: 3 });
    const again = publisher.publish('Together');
    const put = screen.request('PUT', '/blocks/b1');
    expect(put.request.body).toMatchObject({ version: 3, ramp: 0.3, weeks: 6 });
    put.flush({});
    await screen.settle();
    await answerLoad([]);
    expect(await again).toBe(true);
  });

  it('knows the running block, what is past, and ends it by version', async () => {
    await open([
      aBlock(),
      aBlock(aDraft(), { id: 'b0', startDate: '2026-01-05', endDate: '2026-03-01' }),
      aBlock(aDraft(), { id: 'b9', endedAt: 'x' }),
    ]);
    expect(store.running()!.id).toBe('b1');
    expect(store.currentWeek()).toBe(1);
    expect(store.past().map((b) => b.id)).toEqual(['b0', 'b9']);
    const ended = publisher.end();
    const end = screen.request('POST', '/blocks/b1/end');
    expect(end.request.body).toEqual({ version: 2 });
    end.flush({ code: 'conflict', title: 'x', detail: 'Look again.' }, { status: 409, statusText: 'c' });
    expect(await ended).toBeNull();
    expect(store.problem()!.detail).toBe('Look again.');
  });
});
