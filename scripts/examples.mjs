import ts from 'typescript';

const RULES = /\/src\/core\/(?:checks\/[\w-]+|style\/traits)\.ts$/;
/** What stands in place of a rule's examples, and of what is said of it; of traits of style that alone. */
const NONE = new Map([
  ['about', "''"],
  ['failing', "{ text: '', says: [] }"],
  ['passing', "''"],
]);

/**
 * Leaves the examples out of the rules for the worker, which only checks by them, and what each is about: 13 KB that nobody reads
 * there.
 * @param {string} code a module of `core/checks`
 */
export function withoutExamples(code) {
  const source = ts.createSourceFile('rule.ts', code, ts.ScriptTarget.Latest, true);
  /** @type {{ from: number, to: number, instead: string }[]} */
  const cuts = [];
  /** @param {ts.Node} node */
  const visit = (node) => {
    const instead = ts.isPropertyAssignment(node) && ts.isIdentifier(node.name) ? NONE.get(node.name.text) : undefined;
    if (instead !== undefined && ts.isPropertyAssignment(node))
      cuts.push({ from: node.initializer.getStart(source), to: node.initializer.getEnd(), instead });
    else ts.forEachChild(node, visit);
  };
  visit(source);
  return cuts.reduceRight((text, { from, to, instead }) => text.slice(0, from) + instead + text.slice(to), code);
}

/** @type {import('vite').Plugin} */
export const examples = {
  name: 'without-examples',
  enforce: 'pre',
  apply: 'build',
  transform(code, id) {
    return RULES.test(id.split('?')[0] ?? id) ? { code: withoutExamples(code), map: null } : null;
  },
};
