import { meaningAt, pass, spanBetween, tokenAt, type InstructionForm } from '../reader.js';

/**
 * Stitches of the edge that are passed over.
 *
 * `sk 1`   `skip next 2 sts`   `miss 1 st`   `miss first st`
 *  ^        ^                   ^             ^
 */
export const skip: InstructionForm = {
  name: 'skip',
  begins: ['skip'],
  examples: ['sk 1', 'skip next 2 sts', 'miss 1 st', 'miss first st'],
  read(reader, at) {
    const verb = meaningAt(reader, at, 'skip');
    if (!verb) return null;
    let i = pass(reader, verb.next, 'next', 'each');
    const number = tokenAt(reader, i);
    let count = 1;
    if (number?.kind === 'number') {
      count = number.value;
      i += 1;
    } else if (number?.kind === 'ordinal' && number.value === 1) i += 1;
    const word = pass(reader, i, 'stitch-word', 'loop-word', 'chain-word', 'stitch');
    // "skip the pin" is no stitch.
    if (word === i && number?.kind !== 'number') return null;
    reader.steps.push({ kind: 'skip', count, first: number?.kind === 'ordinal', span: spanBetween(reader, at, word) });
    return word;
  },
};
