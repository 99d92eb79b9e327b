/** Brings the generated tables in docs/ up to date.   npm run docs */
import { readFileSync, writeFileSync } from 'node:fs';
import { withTables } from '../tools/docs.js';

writeFileSync('docs/reading.md', withTables(readFileSync('docs/reading.md', 'utf8')));
