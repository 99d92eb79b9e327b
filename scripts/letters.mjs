/**
 * Writes `\p{L}` in regular expressions out as the letters of the scripts that patterns are written in.
 *
 * An engine builds the class of all letters, some 650 ranges and their other cases, anew for each expression in each process and
 * each worker that uses it. The core has hundreds of them: they were half of the time that a terminal or a fresh worker takes to
 * its first answer. A handful of ranges is built in a fraction of that. The sources keep the usual notation; everything that runs
 * them, the tests too, runs what this makes of them.
 */

import ts from 'typescript';

/** Latin, Greek, Cyrillic, Armenian, Hebrew, Arabic, Devanagari, Bengali, Thai, Georgian, kana, Han, Hangul, wide Latin. */
export const LETTERS =
  'a-zA-Z\xaa\xb5\xba\xc0-\xd6\xd8-\xf6\xf8-\u02c1\u0370-\u0374\u0376-\u037d\u037f\u0386\u0388-\u0481' +
  '\u048a-\u0556\u0559\u0560-\u0588\u05d0-\u05f2\u0620-\u064a\u066e-\u06d3\u0904-\u0939\u0985-\u09b9' +
  '\u0e01-\u0e30\u0e40-\u0e46\u10a0-\u10ff\u1e00-\u1fbc\u3005-\u3007\u3041-\u3096\u309d-\u309f' +
  '\u30a1-\u30fa\u30fc-\u30ff\u3130-\u318e\u31f0-\u31ff\u3400-\u4dbf\u4e00-\u9fff\uac00-\ud7a3' +
  '\uff21-\uff3a\uff41-\uff5a';

/**
 * @param {string} source of a module, as it is written
 * @returns {string} the same with the letters written out in its expressions, and in the words that expressions are made of
 */
export function withLetters(source) {
  let written = '';
  let done = 0;
  /** Whether a bracket is open, from one piece of a template to the next; in the mode of `u` those don't nest. */
  let open = false;
  const visit = (/** @type {ts.Node} */ node) => {
    if (holdsWords(node)) {
      const [from, to] = [node.getStart(), node.getEnd()];
      if (!ts.isTemplateMiddleOrTemplateTail(node)) open = false;
      written += source.slice(done, from);
      done = to;
      for (const [piece] of source.slice(from, to).matchAll(isRaw(node) ? RAW : TWICE)) {
        if (piece.endsWith('p{L}')) written += open ? LETTERS : `[${LETTERS}]`;
        else written += piece;
        if (piece === '[') open = true;
        if (piece === ']') open = false;
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile('core.ts', source, ts.ScriptTarget.Latest, true));
  return written + source.slice(done);
}

/** @returns {node is ts.LiteralLikeNode} */
function holdsWords(/** @type {ts.Node} */ node) {
  return (
    ts.isRegularExpressionLiteral(node) ||
    ts.isStringLiteral(node) ||
    ts.isNoSubstitutionTemplateLiteral(node) ||
    ts.isTemplateHead(node) ||
    ts.isTemplateMiddleOrTemplateTail(node)
  );
}

/** One sign of an expression, or an escape of it; and the same in words, where each backslash stands twice. */
const RAW = /\\p\{L\}|\\[^]|[^]/gu;
const TWICE = /\\\\(?:p\{L\}|\\\\|[^])|[^]/gu;

/** Whether its backslashes stand for themselves. */
function isRaw(/** @type {ts.Node} */ node) {
  if (ts.isRegularExpressionLiteral(node)) return true;
  let outer = node.parent;
  while (ts.isTemplateSpan(outer) || ts.isTemplateExpression(outer)) outer = outer.parent;
  return ts.isTaggedTemplateExpression(outer);
}

export const CORE = /[\\/]src[\\/]core[\\/].*\.ts$/;

/** For Vite: what the application, its workers and the tests run. */
export const letters = {
  name: 'letters',
  enforce: /** @type {const} */ ('pre'),
  transform: (/** @type {string} */ code, /** @type {string} */ id) =>
    CORE.test(id) && code.includes('p{L}') ? { code: withLetters(code), map: null } : null,
};
