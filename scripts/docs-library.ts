import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format } from 'prettier';
import { libraryDocument } from '../packages/core/src/catalogue/holdings/document.fixture';

/** Writes docs/library.md from the catalogue. */
const file = fileURLToPath(new URL('../docs/library.md', import.meta.url));
writeFileSync(file, await format(libraryDocument(), { parser: 'markdown', printWidth: 140 }));
console.log('docs/library.md');
