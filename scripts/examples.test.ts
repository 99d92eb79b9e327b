import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { examples, withoutExamples } from './examples.mjs';

const RULE = 'src/core/checks/make-no-finish.ts';

it('a rule is the same without its examples, which are what it is seen by elsewhere', () => {
  const code = readFileSync(RULE, 'utf8');
  const left = withoutExamples(code);
  expect(code).toContain('Sew ear and tail to the head.');
  expect(left).not.toContain('Sew ear and tail to the head.');
  expect(left).toContain("failing: { text: '', says: [] },");
  expect(left).toContain("passing:\n    '',");
  expect(left).toContain("about: '',");
  expect(left.slice(left.indexOf('*check'))).toBe(code.slice(code.indexOf('*check')));
});

it('what has no examples is left as it is', () => {
  const code = 'export const failing = { text: "a" };\n';
  expect(withoutExamples(code)).toBe(code);
});

it('other modules are left as they are', () => {
  const { transform } = examples as unknown as { transform: (code: string, id: string) => unknown };
  expect(transform("const a = { passing: 'x' };", '/x/src/core/fixes/round.ts')).toBeNull();
  expect(transform("const a = { passing: 'x' };", '/x/src/core/checks/row.ts?worker')).toMatchObject({
    code: "const a = { passing: '' };",
  });
});
