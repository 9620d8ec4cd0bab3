import { describe, expect, it } from 'vitest';
import { dayPlanOf, shortSessionBetween } from './day-plan.js';

const main = dayPlanOf({ trainingDays: [1, 3, 5], minutesPerSession: 20 });
const [home, desk] = [{ id: 'home' }, { id: 'desk' }];

describe('a short session between', () => {
  it('takes the free days, half the minutes between 5 and 10, and another place where there is one', () => {
    const short = shortSessionBetween([{ ...main, placeId: 'home' }], [home, desk])!;
    expect(short).toMatchObject({ weekdays: [2, 4, 6, 7], minutes: 10, placeId: 'desk', warm: false, theme: null });
    expect(short.id).not.toBe(main.id);
    expect(shortSessionBetween([{ ...main, placeId: 'home', minutes: 14 }], [home])).toMatchObject({
      minutes: 7,
      placeId: 'home',
    });
    expect(shortSessionBetween([{ ...main, minutes: 60 }], [])!.minutes).toBe(10);
    expect(shortSessionBetween([{ ...main, minutes: 6 }], [])!.minutes).toBe(5);
  });

  it('is none where the week is full, minutes have no limit, or the coach has made several', () => {
    expect(shortSessionBetween([{ ...main, weekdays: [1, 2, 3, 4, 5, 6, 7] }], [home])).toBeNull();
    expect(shortSessionBetween([{ ...main, minutes: null }], [home])).toBeNull();
    expect(shortSessionBetween([{ ...main, weekdays: [] }], [home])).toBeNull();
    expect(shortSessionBetween([main, { ...main, id: 'x' }], [home])).toBeNull();
    expect(shortSessionBetween([], [home])).toBeNull();
  });
});
