import { TestBed } from '@angular/core/testing';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { CreateSessionsBody } from '@yandle/contract';
import { exerciseById, firstItem } from '@yandle/core';
import { SessionMaker, type DatedList } from './session-maker';

const list: DatedList = {
  ...{ name: 'Slow Sunday', routineId: null, placeId: null, purpose: 'own', alreadyWarm: true, rounds: 1 },
  ...{ minutes: null, items: [firstItem(exerciseById('frog'))] },
};

describe('SessionMaker', () => {
  it('asks again with the same ids where the answer was lost, and with new ones for another session', async () => {
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    const maker = TestBed.inject(SessionMaker);
    const http = TestBed.inject(HttpTestingController);
    const dates = [{ date: '2026-03-12' }, { date: '2026-03-13' }];
    const asked = () => http.expectOne('/api/v1/clients/c1/sessions');
    const idsOf = (request: ReturnType<typeof asked>) =>
      (request.request.body as CreateSessionsBody).sessions.map((s) => s.id);
    const lost = maker.make('c1', list, dates);
    const first = asked();
    const ids = idsOf(first);
    first.error(new ProgressEvent('error'));
    await expect(lost).rejects.toBeDefined();
    const again = maker.make('c1', list, dates);
    const second = asked();
    expect(idsOf(second)).toEqual(ids);
    second.flush([]);
    await again;
    void maker.make('c1', list, dates);
    expect(new Set([...ids, ...idsOf(asked())]).size).toBe(4);
  });
});
