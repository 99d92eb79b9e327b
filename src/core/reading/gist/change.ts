/** By how many stitches a round grows or shrinks: "+ 6", "add 8", "take off 8", "increase by 6". */
const GROWS = /^(?:\+|add(?:s|ing)?|gain(?:s|ing)?|plus|grows?|growing)$/;
const SHRINKS = /^(?:[−–-]|loses?|losing|minus|less|removes?|removing|shrinks?|shrinking)$/;
/** "take off 8", "take away 6" */
const TAKES = /^(?:tak(?:e|es|ing)|work(?:s|ing)?)$/;

interface Word {
  readonly word: string;
  readonly kind: string;
}

/** How a change begins at a place among words, and where its figure stands; null where none begins there. */
export function changeAt(words: readonly Word[], at: number): { sign: 1 | -1; figure: number } | null {
  const word = words[at]?.word ?? '';
  const takes = TAKES.test(word) && /^(?:off|away)$/.test(words[at + 1]?.word ?? '');
  const grows = GROWS.test(word);
  if (!grows && !takes && !SHRINKS.test(word)) return null;
  const behind = at + (takes ? 2 : 1);
  const figure = words[behind]?.word === 'by' ? behind + 1 : behind;
  return words[figure]?.kind === 'number' ? { sign: grows ? 1 : -1, figure } : null;
}
