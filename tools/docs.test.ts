import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { patternSchemaDocument, rulesDocument, withTables } from './docs.js';

it('docs/reading.md shows the data that the reader works with (npm run docs)', () => {
  const document = readFileSync('docs/reading.md', 'utf8');
  expect(document).toBe(withTables(document));
});

it('docs/rules.md lists every rule as it is (npm run docs)', () => {
  expect(readFileSync('docs/rules.md', 'utf8')).toBe(rulesDocument());
});

it('docs/pattern.schema.json is the schema of what goes out (npm run docs)', async () => {
  expect(readFileSync('docs/pattern.schema.json', 'utf8')).toBe(await patternSchemaDocument());
});

it('docs/shipped.md lists every package that runs on the server, in the version that does', () => {
  const rows = readFileSync('docs/shipped.md', 'utf8').matchAll(/^\| (\S+) +\| (\d\S*) +\|/gm);
  const { dependencies } = JSON.parse(readFileSync('package.json', 'utf8')) as { dependencies: Record<string, string> };
  expect(Object.fromEntries([...rows].map(([, name, version]) => [name, version]))).toEqual(dependencies);
});
