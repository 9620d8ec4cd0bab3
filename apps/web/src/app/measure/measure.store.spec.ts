import { Component, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Assessment } from '@yandle/contract';
import { WEIGHT_BEARING_LUNGE } from '@yandle/core';
import { Outbox } from '../data/outbox/outbox';
import { Screen, TODAY } from '../testing/screen';
import { aReading, anAssessment } from '../testing/assessments';
import { MeasureStore } from './measure.store';
import { readingsOf, resultOf, resultsBefore, assessmentBefore } from './results';

@Component({ selector: 'y-host', template: '', providers: [MeasureStore] })
class Host {
  readonly store = inject(MeasureStore);
}

const assessment = (date: string, values: number[] = []): Assessment =>
  anAssessment(
    date,
    values.map((value, i) =>
      aReading('weight-bearing-lunge', 'left', value, { id: `${date}-${i}`, instrument: 'tape' }),
    ),
    { battery: ['active-knee-extension', 'weight-bearing-lunge'] },
  );

describe('MeasureStore', () => {
  let screen: Screen<Host>;
  let store: MeasureStore;

  async function open(assessments: Assessment[]): Promise<void> {
    screen = await Screen.open(Host);
    store = screen.fixture.componentInstance.store;
    const loaded = store.load('c1');
    await screen.answer('/clients/c1/assessments', assessments);
    await loaded;
  }

  // What a test wrote is stored before the next one empties the store.
  afterEach(() => (TestBed.inject(Outbox) as unknown as { readonly writing: Promise<unknown> }).writing);

  it('goes on with today’s assessment, and waits for a start otherwise', async () => {
    await open([assessment('2026-03-01', [8])]);
    expect(store.assessment()).toBeNull();
    expect(store.latest()!.date).toBe('2026-03-01');
    await open([assessment('2026-03-01', [8]), assessment(TODAY, [9])]);
    expect(store.assessment()!.date).toBe(TODAY);
  });

  it('shows a reading at once and sends it under its own id', async () => {
    await open([]);
    store.begin({ date: TODAY, time: '10:00', warm: false, battery: ['shoulder-flexion', 'weight-bearing-lunge'] });
    expect(store.tests().map((t) => t.id)).toEqual(['weight-bearing-lunge', 'shoulder-flexion']);
    const lunge = store.test();
    store.record(lunge, 'left', 8.8, null);
    store.record(lunge, 'left', 9, null);
    expect(readingsOf(store.assessment()!, lunge, 'left').map((r) => r.value)).toEqual([8.8, 9]);
    const create = await vi.waitFor(() => screen.request('POST', '/clients/c1/assessments'));
    expect(create.request.body).toMatchObject({ date: TODAY, time: '10:00', warm: false });
    create.flush({});
    await screen.settle();
    const first = store.assessment()!.readings[0]!;
    const path = `/assessments/${store.assessment()!.id}/readings/${first.id}`;
    const put = await vi.waitFor(() => screen.request('PUT', path));
    expect(put.request.body).toEqual({
      testId: 'weight-bearing-lunge',
      side: 'left',
      value: 8.8,
      instrument: 'tape',
      replaces: null,
      warm: null,
      testerId: null,
      seen: false,
    });
  });

  it('puts a correction in the place of the reading and keeps the earlier value', async () => {
    await open([assessment(TODAY, [18, 8])]);
    store.record(store.test(), 'left', 8.2, `${TODAY}-0`);
    expect(readingsOf(store.assessment()!, store.test(), 'left').map((r) => r.value)).toEqual([8.2, 8]);
    expect(store.assessment()!.readings.map((t) => t.value)).toEqual([18, 8, 8.2]);
    expect(store.assessment()!.readings[0]!.replacedBy).toBe(store.assessment()!.readings[2]!.id);
  });

  it('keeps a picture that was attached while the list was on its way', async () => {
    await open([assessment(TODAY)]);
    const before = assessment(TODAY);
    const reloaded = store.load('c1');
    const asked = await vi.waitFor(() => screen.request('GET', '/clients/c1/assessments'));
    const picture = { id: 'p1', testId: store.test().id, side: null };
    store.setPictures([picture]);
    asked.flush([before]);
    // The answer is from before the picture: the list is asked for once more.
    const again = await vi.waitFor(() => screen.request('GET', '/clients/c1/assessments'));
    again.flush([{ ...before, pictures: [picture] }]);
    await reloaded;
    expect(store.assessment()!.pictures).toEqual([picture]);
  });

  it('moves through the battery and no further', async () => {
    await open([assessment(TODAY)]);
    store.move(-1);
    expect(store.isFirst()).toBe(true);
    for (let i = 0; i < 50; i++) store.move(1);
    expect(store.isLast()).toBe(true);
    store.setInstrument(store.test(), 'inclinometer');
    expect(store.instrumentOf(store.test())).toBe('inclinometer');
  });
});

describe('results', () => {
  it('compares with the newest earlier assessment that measured the same', () => {
    const lunge = WEIGHT_BEARING_LUNGE;
    const all = [assessment('2026-01-01', [7, 7]), assessment('2026-02-01'), assessment('2026-03-01', [9, 9.2])];
    expect(assessmentBefore(all, all[2]!, lunge, 'left')!.date).toBe('2026-01-01');
    expect(resultsBefore(all, all[2]!, lunge).left!.value).toBe(7);
    expect(resultsBefore(all, all[0]!, lunge).left).toBeNull();
    expect(resultOf(all[1]!, lunge, 'left')).toBeNull();
  });
});
