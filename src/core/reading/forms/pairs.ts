import { once } from '../../pattern/instruction.js';
import { EDGE, FILL, PLAIN, work as worked } from '../gist/shapes.js';
import { filling } from '../amount.js';
import { isWord, meaningAt, pass, spanBetween, tokenAt, type InstructionForm, type Reader } from '../reader.js';

/**
 * Two stitches of so many taken as one all around, by a word of language.
 *
 * `join 4th + 5th, all round`   `join every 3rd and 4th`   `2nd and 3rd together all around`   `join in pairs`
 *  ^                             ^                          ^                                   ^
 */
export const pairs: InstructionForm = {
  name: 'pairs',
  begins: ['join', 'together', 'work', 'each', 'ordinal', 'unknown'],
  read(reader, at) {
    if (reader.depth > 0 || reader.steps.length > 0) return null;
    const verb = pass(reader, pass(reader, at, 'work'), 'join', 'together');
    const each = meaningAt(reader, verb, 'each');
    const two = inPairs(reader, verb) ?? ranked(reader, each?.next ?? verb);
    if (!two) return null;
    const together = pass(reader, two.next, 'together');
    const around = filling(reader, isWord(reader, together, ',') ? together + 1 : together);
    if ((verb === at && together === two.next) || (two.plain > 0 && !each && !around)) return null;
    const next = around?.next ?? together;
    const span = spanBetween(reader, at, next);
    const dec = worked({ ...PLAIN, over: 2 }, once, EDGE, span);
    const plain = worked(PLAIN, { kind: 'times', times: two.plain }, EDGE, span);
    reader.steps.push({
      kind: 'repeat',
      body: two.plain > 0 ? [plain, dec] : [dec],
      amount: FILL,
      span,
    });
    return next;
  },
};

/** Two stitches that become one, behind so many plain ones. */
interface Two {
  readonly plain: number;
  readonly next: number;
}

/** "in pairs", "in twos" */
function inPairs(reader: Reader, at: number): Two | null {
  return isWord(reader, at, 'in') && isWord(reader, at + 1, 'pairs', 'twos') ? { plain: 0, next: at + 2 } : null;
}

/** "3rd and 4th", "4th + 5th stitch" */
function ranked(reader: Reader, at: number): Two | null {
  const [first, second] = [tokenAt(reader, at), tokenAt(reader, at + 2)];
  if (first?.kind !== 'ordinal' || second?.kind !== 'ordinal' || second.value !== first.value + 1) return null;
  if (!meaningAt(reader, at + 1, 'and') && !isWord(reader, at + 1, '+', '&')) return null;
  return { plain: first.value - 1, next: pass(reader, at + 3, 'stitch-word') };
}
