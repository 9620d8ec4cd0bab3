import { describe, expect, it } from 'vitest';
import { doseRemark, sessionDose, weeklyDose } from './dose.js';

describe('weekly dose', () => {
  // Worked by hand: 2 × 30 s, three days = 180 s a side.
  it('is sets × hold × sessions', () => {
    expect(sessionDose({ sets: 2, holdSeconds: 30 })).toBe(60);
    expect(weeklyDose({ sets: 2, holdSeconds: 30, sessionsPerWeek: 3 })).toBe(180);
  });

  // Thomas et al. 2018: at least 5 min a week; Ingram et al. 2025: gains flatten at about 10 min a week (both from memory).
  it('says where it lies against the reviews', () => {
    expect(doseRemark(299)).toContain('Thomas 2018');
    expect(doseRemark(300)).toBeNull();
    expect(doseRemark(600)).toBeNull();
    expect(doseRemark(601)).toContain('Ingram 2025');
  });

  it.each([
    { sets: 0, holdSeconds: 30, sessionsPerWeek: 3 },
    { sets: 1.5, holdSeconds: 30, sessionsPerWeek: 3 },
    { sets: 1, holdSeconds: -5, sessionsPerWeek: 3 },
    { sets: 1, holdSeconds: 30, sessionsPerWeek: 8 },
    { sets: 1, holdSeconds: NaN, sessionsPerWeek: 3 },
  ])('refuses %j', (p) => {
    expect(() => weeklyDose(p)).toThrow(expect.objectContaining({ code: 'invalid-prescription' }));
  });
});
