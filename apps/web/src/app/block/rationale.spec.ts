import { TestBed } from '@angular/core/testing';
import type { Block } from '@yandle/contract';
import { cautionsFor, cautionTitle } from '@yandle/core';
import { ClientContext } from '../data/client-context';
import { aBlock, aDraft, aLane } from '../testing/a-block';
import { PATH, Screen } from '../testing/screen';
import { RationaleScreen } from './rationale';

const PRIORITIES = {
  priorities: { version: null, interests: [], pinned: [], excluded: [], order: [], quickCheck: [] },
  goals: [],
  selfReports: [],
};

describe('RationaleScreen', () => {
  async function open(blocks: Block[], path = PATH): Promise<Screen<RationaleScreen>> {
    const screen = await Screen.open(RationaleScreen, { clientId: 'c1' });
    TestBed.inject(ClientContext).open('c1');
    await screen.settle();
    await screen.answer('/clients/c1', path);
    for (const own of ['/own-exercises', '/own-styles', '/own-tests'])
      for (const r of screen.http.match(`/api/v1${own}`)) r.flush([]);
    for (const r of screen.http.match('/api/v1/test-catalogue')) r.flush({ ownTests: [], batteries: [], errors: [] });
    await screen.settle();
    screen.http.expectOne('/api/v1/clients/c1/blocks').flush(blocks);
    screen.http.expectOne('/api/v1/clients/c1/assessments').flush([]);
    await screen.answer('/clients/c1/priorities', PRIORITIES);
    return screen;
  }

  it('goes from the findings over lanes, style and ramp to safety and sources', async () => {
    const locked = [
      {
        week: 3,
        prescription: {
          technique: 'static hold' as const,
          sets: 1,
          holdSeconds: 30,
          sessionsPerWeek: 3,
          sensation: 4,
        },
      },
    ];
    const lanes = [
      aLane('soleus', 'bent-knee-wall-calf', { locked }),
      aLane('hamstrings', 'supine-strap-hamstring', { styleId: 'upkeep' }),
    ];
    const cautions = cautionsFor({ yes: ['medicines'], no: [], regions: {} }, 46);
    const screen = await open([aBlock(aDraft({ lanes }))], { ...PATH, cautions });
    expect(screen.text).toContain('1. Soleus · Steady hold');
    expect(screen.text).toContain('Chosen by the coach, not from the latest results.');
    expect(screen.text).toContain('Starts with 2 × 30 s, 3 days');
    expect(screen.text).toContain('Set by the coach: week 3.');
    expect(screen.text).toContain('static hold: Bent-knee calf stretch at a wall');
    expect(screen.text).toContain('the weekly dose rises by up to 20%');
    expect(screen.text).toContain('Easier weeks at 40 to 80%: week 4, 8.');
    expect(screen.text).toContain('8 Mar (baseline)');
    expect(screen.text).toContain(cautionTitle(cautions[0]!));
    expect(screen.text).toContain('not medical advice');
    // Each source once, though both styles stand on it.
    expect(screen.text.match(/Garber CE et al\. 2011, Med Sci/g)).toHaveLength(1);
  });

  it('says when nothing has an easier week, and what was missed', async () => {
    const screen = await open([aBlock(aDraft({ easierEvery: null, missedWeeks: [2] }))]);
    expect(screen.text).toContain('No easier week.');
    expect(screen.text).toContain('Missed: week 2.');
    expect(screen.text).toContain('The intake gave no caution.');
  });

  it('leads to the block when there is none', async () => {
    expect((await open([])).text).toContain('There is nothing to explain. Build a block');
  });
});
