import { once } from '../../pattern/instruction.js';
import { EDGE, FILL, PLAIN, work as worked } from '../gist/shapes.js';
import { filling } from '../amount.js';
import { twoRanked, type Behind } from '../every.js';
import { isWord, meaningAt, pass, spanBetween, type InstructionForm, type Reader } from '../reader.js';

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
    const two = inPairs(reader, verb) ?? twoRanked(reader, each?.next ?? verb);
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

/** "in pairs", "in twos" */
function inPairs(reader: Reader, at: number): Behind | null {
  return isWord(reader, at, 'in') && isWord(reader, at + 1, 'pairs', 'twos') ? { plain: 0, next: at + 2 } : null;
}
