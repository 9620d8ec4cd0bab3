import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { cautionsDocument } from './table.fixture.js';

/** Without the formatter's line breaks and escapes. */
const plain = (text: string) => text.replace(/[\s\\*_]+/g, ' ').trim();

describe('docs/cautions.md', () => {
  it('is what the codes say; npm run docs:cautions writes it', () => {
    const there = readFileSync(new URL('../../../../docs/cautions.md', import.meta.url), 'utf8');
    expect(plain(there)).toBe(plain(cautionsDocument()));
  });
});
