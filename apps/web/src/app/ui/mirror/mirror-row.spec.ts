import { TestBed } from '@angular/core/testing';
import { ACTIVE_KNEE_EXTENSION, resultOfReadings, romTestById, WEIGHT_BEARING_LUNGE } from '@yandle/core';
import { MirrorRow } from './mirror-row';
import { doseRow, sideWords, testRow, type MirrorRowModel } from './mirror-row.model';

const knee = ACTIVE_KNEE_EXTENSION;
/** Two readings that agree: the published error is theirs. */
const result = (value: number) => resultOfReadings([value, value], knee);

describe('testRow', () => {
  it('draws longer as freer, also where fewer degrees are better', () => {
    const row = testRow(knee, { left: result(35), right: result(7) }, null, 20);
    expect(row.bars.left!.fill).toBeCloseTo(0.5, 10);
    expect(row.bars.right!.fill).toBeCloseTo(0.9, 10);
    expect(row.bars.right!.text).toBe('7°');
  });

  it('makes the whisker 1.96 SEM to each side: 5.88° of a scale of 70° at a SEM of 3°', () => {
    const { whisker } = testRow(knee, { left: result(35), right: null }, null, 20).bars.left!;
    expect(whisker!.to - whisker!.from).toBeCloseTo((2 * 5.88) / 70, 3);
    // A single reading: √(9 + (5/2.77)²/2) = 3.26°.
    const one = testRow(knee, { left: resultOfReadings([35], knee), right: null }, null, 20).bars.left!.whisker!;
    expect(one.to - one.from).toBeCloseTo((2 * 1.96 * 3.26) / 70, 3);
  });

  it('fills the dot of the time before only when the change is more than the error (8.3°)', () => {
    const dot = (before: number) =>
      testRow(knee, { left: result(30), right: null }, { left: result(before), right: null }, 20).bars.left!.last;
    expect(dot(38)!.solid).toBe(false);
    expect(dot(39)!.solid).toBe(true);
    expect(dot(21)!.solid).toBe(true);
  });

  it('draws a test without sides alike to both, and the tick only where there is a reference', () => {
    const reach = romTestById('sit-and-reach');
    const both = resultOfReadings([27, 28], reach);
    const row = testRow(reach, { left: null, right: null, both }, null, null);
    // Best of two: 28 of a scale of 55 cm.
    expect(row).toMatchObject({ sideless: true, sub: 'no sides' });
    expect(row.bars.left).toEqual(row.bars.right);
    expect(row.bars.left!.fill).toBeCloseTo(28 / 55, 10);
    expect(row.bars.left!.reference).toBeNull();
    expect(testRow(knee, { left: result(35), right: null }, null, 20).bars.left!.reference).toBeCloseTo(50 / 70, 10);
  });

  it('says what the error allows to say about the sides', () => {
    expect(sideWords(knee, { left: result(38), right: result(29) })).toEqual({
      text: 'L tighter by 9°',
      notable: true,
    });
    expect(sideWords(knee, { left: result(38), right: result(34) }).text).toBe('difference 4°, within error');
    expect(sideWords(knee, { left: null, right: result(34) }).text).toBe('left not measured');
    expect(sideWords(WEIGHT_BEARING_LUNGE, { left: null, right: null }).text).toBe('not measured');
  });
});

describe('doseRow', () => {
  it('puts done and planned on one scale', () => {
    const row = doseRow('Week 1', '', { left: 180, right: 180 }, { left: 90, right: 400 }, 360);
    expect([row.bars.left!.fill, row.bars.left!.plan, row.bars.right!.fill]).toEqual([0.25, 0.5, 1]);
  });
});

describe('MirrorRow', () => {
  async function render(model: MirrorRowModel): Promise<HTMLElement> {
    const fixture = TestBed.createComponent(MirrorRow);
    fixture.componentRef.setInput('model', model);
    await fixture.whenStable();
    return fixture.nativeElement as HTMLElement;
  }

  it('can be read without seeing it', async () => {
    const el = await render(
      testRow(knee, { left: result(38), right: result(29) }, { left: result(40), right: null }, 20),
    );
    expect(el.querySelector('[role=img]')!.getAttribute('aria-label')).toBe(
      'Active knee extension: left 38°, before 40°; right 29°. L tighter by 9°',
    );
  });

  it('marks left and right by letter and shape, not by colour alone', async () => {
    const el = await render(testRow(knee, { left: result(38), right: null }, null, 20));
    expect([...el.querySelectorAll('.mark')].map((m) => m.textContent)).toEqual(['● L', '○ R']);
    expect(el.querySelectorAll('.bar')).toHaveLength(1);
    expect(el.querySelector('.missing')!.textContent).toContain('–');
  });

  it('grows the left bar from the spine to the left', async () => {
    const el = await render(testRow(knee, { left: result(35), right: result(35) }, null, 20));
    const tracks = el.querySelectorAll('.track');
    expect([...tracks].map((t) => t.classList.contains('flip'))).toEqual([true, false]);
    expect([...el.querySelectorAll<HTMLElement>('.bar')].map((b) => b.style.width)).toEqual(['50%', '50%']);
  });
});
