import { type MuscleGroupId, type WantedGroup } from '@yandle/core';
import { TestBed } from '@angular/core/testing';
import type { Block, Revision } from '@yandle/contract';
import { ClientContext } from '../data/client-context';
import { NO_PLANNING } from './block-data';
import { aBlock, aDraft, aLane } from '../testing/a-block';
import { PATH, Screen } from '../testing/screen';
import { BlockScreen } from './block';

describe('BlockScreen', () => {
  let screen: Screen<BlockScreen>;

  async function open(blocks: Block[] = [aBlock()], planning = NO_PLANNING): Promise<void> {
    screen = await Screen.open(BlockScreen, { clientId: 'c1' });
    TestBed.inject(ClientContext).open('c1');
    await screen.settle();
    await screen.answer('/clients/c1', PATH);
    for (const path of ['/own-exercises', '/own-styles'])
      for (const r of screen.http.match(`/api/v1${path}`)) r.flush([]);
    await screen.settle();
    screen.http.expectOne('/api/v1/clients/c1/blocks').flush(blocks);
    await screen.answer('/clients/c1/planning', planning);
  }
  const cell = (words: string) =>
    [...screen.el.querySelectorAll<HTMLButtonElement>('button.cell')].find((b) =>
      b.querySelector('.sr-only')!.textContent.startsWith(words),
    )!;
  const press = async (key: string, over: KeyboardEventInit = {}) => {
    screen.el
      .querySelector('table.stave')!
      .dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true, bubbles: true, ...over }));
    await screen.settle();
  };

  it('writes the arithmetic of the selected cell out', async () => {
    await open();
    cell('Hamstrings, week 2').click();
    await screen.settle();
    const panel = screen.el.querySelector('aside')!.textContent;
    expect(panel).toContain('2 sets × 35 s');
    expect(panel).toContain('× 3 sessions');
    expect(panel).toContain('Hold 30 → 35 s (step 2 of 6).');
    expect(panel).toContain('+17%');
  });

  it('suggests ways to begin with what findings ask for, with reasons, and takes one that can be undone', async () => {
    const short = (group: MuscleGroupId): WantedGroup => ({
      group,
      lengthen: true,
      facts: [{ code: 'short', args: { testName: 'Sit and reach', side: null } }],
    });
    const groups = ['hamstrings', 'calf', 'hip-flexors', 'adductors', 'quadriceps', 'pectorals', 'lats'] as const;
    await open([], { ...NO_PLANNING, wanted: groups.map(short) });
    expect(screen.text).toContain('Before this block can start: add at least one lane.');
    expect(screen.text).toMatch(/\d days of \d+ min bring \d of these 7 groups to 300 s a week per side/);
    const cards = [...screen.el.querySelectorAll('y-proposals article')];
    expect(cards).toHaveLength(3);
    expect(cards[2]!.textContent).toContain(
      '10 min more on Tuesday, Thursday, Saturday and Sunday. Ask whether these days suit.',
    );
    expect(cards[0]!.textContent).toContain('Left out');
    expect(cards[0]!.textContent).toContain('Sit and reach is short; holds, built up step by step');
    expect(cards[1]!.textContent).toContain('kept up for now');
    const lanes = cards[1]!.querySelectorAll('li').length;
    cards[1]!.querySelector('button')!.click();
    await screen.settle();
    expect(screen.el.querySelector('y-proposals')).toBeNull();
    expect(screen.el.querySelectorAll('button.cell')).toHaveLength(8 * lanes);
    expect(screen.text).not.toContain('Before this block can start');
    await press('z', { ctrlKey: true });
    expect(screen.el.querySelectorAll('button.cell')).toHaveLength(0);
  });

  it('turns the marked variable with + and −, says which rule breaks, and fixes it', async () => {
    await open();
    cell('Soleus, week 2').click();
    await screen.settle();
    await press('+');
    await press('+');
    expect(cell('Soleus, week 2').querySelector('.sr-only')!.textContent).toContain('2 × 45 s');
    expect(screen.text).toContain('180 → 270 s is 50% more than week 1; the weekly increase allows 20%, 216 s.');
    await screen.press('Use 2 × 35 s, 3 days');
    expect(screen.text).not.toContain('the weekly increase allows');
    await press('z', { ctrlKey: true });
    expect(cell('Soleus, week 2').querySelector('.sr-only')!.textContent).toContain(
      '2 rules broken'.replace('2 rules', '1 rule'),
    );
    await press('Delete');
    expect(cell('Soleus, week 2').querySelector('.sr-only')!.textContent).not.toContain('set by you');
  });

  it('copies, pastes and fills to the right over a range', async () => {
    await open();
    cell('Soleus, week 1').click();
    await screen.settle();
    await press('c', { ctrlKey: true });
    cell('Hamstrings, week 3').click();
    await screen.settle();
    await press('v', { ctrlKey: true });
    expect(cell('Hamstrings, week 3').querySelector('.sr-only')!.textContent).toContain('2 × 30 s, 3 days');
    await press('ArrowRight', { shiftKey: true });
    await press('ArrowRight', { shiftKey: true });
    await press('f');
    expect(cell('Hamstrings, week 5').querySelector('.sr-only')!.textContent).toContain(
      '2 × 30 s, 3 days, sensation 5',
    );
    expect(cell('Hamstrings, week 5').querySelector('.sr-only')!.textContent).toContain('set by you');
  });

  it('lays another ramp over the plan before it is taken', async () => {
    await open();
    await screen.press('What if');
    const select = screen.el.querySelector<HTMLSelectElement>('y-what-if-panel select')!;
    select.value = '0.1';
    select.dispatchEvent(new Event('change'));
    await screen.settle();
    expect(screen.text).toContain('▼ 180 s');
    expect(cell('Soleus, week 2').querySelector('.sr-only')!.textContent).toContain(
      '210 s per side in the week, would be 180 s',
    );
    await screen.press('Apply');
    expect(cell('Soleus, week 2').querySelector('.sr-only')!.textContent).toContain('180 s per side in the week');
  });

  it('changes only what has not begun', async () => {
    await open([aBlock(aDraft(), { changeableFrom: 3 })]);
    cell('Soleus, week 2').click();
    await screen.settle();
    await press('+');
    expect(cell('Soleus, week 2').querySelector('.sr-only')!.textContent).toContain('2 × 35 s');
    expect(screen.el.querySelector('aside')!.textContent).not.toContain('Adjust');
    expect(screen.el.querySelector<HTMLInputElement>('input[type=date]')!.disabled).toBe(true);
  });

  it('counts a load in plates, body mass or bands', async () => {
    await open([]);
    const pick = async (label: string, value: string) => {
      const select = [...screen.el.querySelectorAll('label')]
        .find((l) => l.textContent.trim().startsWith(label))!
        .querySelector('select')!;
      select.value = value;
      select.dispatchEvent(new Event('change'));
      await screen.settle();
    };
    await pick('in the style', 'loaded-range');
    await pick('Add a muscle group', 'calf');
    await pick('Weeks', '16');
    await pick('Load counted in', '% body mass');
    // Help, holds and sets come first; the load is last.
    const last = () => cell('Calf (gastrocnemius), week 15').querySelector('.sr-only')!.textContent;
    expect(last()).toContain('% of body weight');
    await pick('Load counted in', 'kg');
    await pick('Smallest plate', '0.5');
    expect(last()).toMatch(/0\.5 kg|1 kg|1\.5 kg/);
  });

  it('publishes with a reason', async () => {
    await open();
    cell('Soleus, week 3').click();
    await screen.settle();
    await press('-');
    await screen.press('Publish');
    expect(screen.el.querySelector<HTMLButtonElement>('y-publish-panel button[type=submit]')!.disabled).toBe(true);
    await screen.fill('y-publish-panel input', 'Sore calf');
    screen.el.querySelector<HTMLFormElement>('y-publish-panel form')!.dispatchEvent(new Event('submit'));
    const put = screen.request('PUT', '/blocks/b1');
    expect(put.request.body).toMatchObject({
      reason: 'Sore calf',
      version: 2,
      lanes: [{ locked: [{ week: 3, prescription: { holdSeconds: 35 } }] }, { locked: [] }],
    });
  });

  it('compares revisions and takes one back into the draft', async () => {
    const first = aBlock();
    await open([aBlock(aDraft({ ramp: 0.1 }), { revision: 2 })]);
    await screen.press('Versions');
    const summary = {
      at: '2026-03-09T10:00:00.000Z',
      coachName: 'Mara',
      effectiveWeek: 1,
      weeks: 8,
      lanes: 2,
      totalDose: 1,
    };
    await screen.answer('/blocks/b1/revisions', [
      { ...summary, number: 2, reason: 'Slower' },
      { ...summary, number: 1, reason: 'First plan' },
    ]);
    const revision = (number: number, block: Block): Revision => ({
      ...summary,
      number,
      reason: 'x',
      choices: block.choices,
      laneWeeks: block.lanes,
    });
    await screen.answer('/blocks/b1/revisions/1', revision(1, first));
    await screen.answer('/blocks/b1/revisions/2', revision(2, aBlock(aDraft({ ramp: 0.1 }))));
    expect(screen.text).toContain('Soleus: 7 weeks changed');
    expect(screen.el.querySelectorAll('button.cell.marked').length).toBe(14);
    await screen.press('Restore this version');
    expect(screen.text).toContain('Publish');
    expect(cell('Soleus, week 2').querySelector('.sr-only')!.textContent).toContain('210 s');
  });

  it('refuses to publish what a caution forbids, and tells what to add when there is nothing', async () => {
    await open([aBlock(aDraft({ lanes: [aLane('soleus', 'bent-knee-wall-calf')] }))], {
      ...NO_PLANNING,
      hypermobile: true,
    });
    cell('Soleus, week 2').click();
    await screen.settle();
    await press('l');
    expect(screen.text).toContain('cannot be published');
    expect(screen.button('Publish').disabled).toBe(true);
    await open([]);
    expect(screen.text).toContain('Before this block can start: add at least one lane.');
    await screen.press('template');
    await screen.answer('/own-templates', []);
    expect(screen.text).toContain('First steps to toe touch');
    await screen.press('Use First');
    expect(cell('Hamstrings, week 9').querySelector('.sr-only')!.textContent).toContain('6 s push');
  });
});
