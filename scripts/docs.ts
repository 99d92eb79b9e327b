/** Brings what is generated in docs/ up to date.   npm run docs */
import { readFileSync, writeFileSync } from 'node:fs';
import { patternSchemaDocument, rulesDocument, withTables } from '../tools/docs.js';

writeFileSync('docs/reading.md', withTables(readFileSync('docs/reading.md', 'utf8')));
writeFileSync('docs/rules.md', rulesDocument());
writeFileSync('docs/pattern.schema.json', await patternSchemaDocument());
