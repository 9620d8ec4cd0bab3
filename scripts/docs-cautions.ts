import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format } from 'prettier';
import { cautionsDocument } from '../packages/core/src/screening/table.fixture';

/** Writes docs/cautions.md from the codes. */
const file = fileURLToPath(new URL('../docs/cautions.md', import.meta.url));
writeFileSync(file, await format(cautionsDocument(), { parser: 'markdown', printWidth: 140 }));
console.log('docs/cautions.md');
