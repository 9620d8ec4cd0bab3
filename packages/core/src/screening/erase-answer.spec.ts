import { describe, expect, it } from 'vitest';
import type { Answers } from './answers.js';
import { withoutAnswer } from './erase-answer.js';

describe('an answer that is erased', () => {
  it('leaves no trace: neither yes nor no, no region, no detail, no day, nothing denied', () => {
    const answers: Answers = {
      yes: ['tear', 'pregnancy'],
      no: ['heart'],
      regions: { tear: ['knee'] },
      sides: { tear: { knee: 'left' } },
      details: { tear: ['fresh'] },
      dates: { tear: '2026-02-01', pregnancy: '2026-09-01' },
      denied: ['tear', 'pregnancy'],
    };
    const left = withoutAnswer(answers, 'tear');
    expect(JSON.stringify(left)).not.toContain('tear');
    expect(left).toEqual({
      yes: ['pregnancy'],
      no: ['heart'],
      regions: {},
      sides: {},
      details: {},
      dates: { pregnancy: '2026-09-01' },
      denied: ['pregnancy'],
    });
    expect(withoutAnswer(answers, 'heart').no).toEqual([]);
  });
});
