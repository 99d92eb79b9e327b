import { figureBehind } from '../amount.js';
import { isFabricStep } from './work.js';
import { isBoundary, isWord, meaningAt, pass, spanBetween, tokenAt, type InstructionForm } from '../reader.js';

/** `ch 1, turn, sc 5`: the work is turned. */
export const turn: InstructionForm = {
  name: 'turn',
  begins: ['turn'],
  read(reader, at) {
    const said = meaningAt(reader, at, 'turn');
    if (!said) return null;
    const next = isWord(reader, said.next, 'work') ? said.next + 1 : said.next;
    reader.steps.push({ kind: 'turn', span: spanBetween(reader, at, next) });
    return next;
  },
};

/** `BLO: sc around`  `in front loops only, sc 6`  `through the back loops only: dc 4`: where the needle goes from here on. */
export const loops: InstructionForm = {
  name: 'loops',
  begins: ['loops', 'in', 'work'],
  read(reader, at) {
    const verb = pass(reader, at, 'work');
    const said = meaningAt(reader, pass(reader, verb, 'in'), 'loops');
    if (!said) return null;
    // "FLO of each st:"
    const each = meaningAt(reader, said.next, 'each');
    const all = each && meaningAt(reader, each.next, 'stitch-word')?.next;
    const next = all && isBoundary(reader, all) ? all : said.next;
    reader.steps.push({ kind: 'loops', loops: said.meaning.loops, span: spanBetween(reader, at, next) });
    return isWord(reader, next, ':') ? next + 1 : next;
  },
};

/** `…, along the other side: sc 8, 2 sc in last ch`: the second half of an oval. */
export const otherSide: InstructionForm = {
  name: 'other-side',
  begins: ['other-side', 'work', 'unknown'],
  read(reader, at) {
    let verb = pass(reader, at, 'work');
    while (isWord(reader, verb, 'to', 'go', 'going', 'carry', 'come', 'back', 'down', 'up', 'now'))
      verb = pass(reader, verb + 1, 'work');
    const said = meaningAt(reader, verb, 'other-side');
    if (!said) return null;
    // Words up to the colon or comma only say which side: "along the other side of the foundation chain:".
    let next = said.next;
    for (let ahead = 0; ahead < 6 && !isBoundary(reader, next); ahead += 1) {
      const token = tokenAt(reader, next);
      if (token?.kind !== 'word' && meaningAt(reader, next, 'stitch') === null) break;
      const meant = meaningAt(reader, next, 'stitch', 'shaping', 'increase', 'decrease');
      if (meant && !(meant.meaning.is === 'stitch' && meant.meaning.stitch === 'chain')) break;
      next = meant ? meant.next : next + 1;
    }
    reader.steps.push({ kind: 'other-side', span: spanBetween(reader, at, next) });
    return next;
  },
};

/** `6X, start from 2nd K`: names the first chain that is worked into. */
export const firstChain: InstructionForm = {
  name: 'first-chain',
  begins: ['in', 'work', 'unknown'],
  read(reader, at) {
    const verb = pass(reader, at, 'work');
    const i = pass(reader, verb, 'in');
    const said = i > verb || isWord(reader, i, 'at', 'from') || isWord(reader, verb - 1, 'with');
    if (!said) return null;
    const rank = tokenAt(reader, isWord(reader, i, 'at', 'from') ? i + 1 : i);
    if (rank?.kind !== 'ordinal') return null;
    const at2 = reader.tokens.indexOf(rank, i) + 1;
    const chain = meaningAt(reader, at2, 'stitch', 'loop-word', 'chain-word');
    if (!chain || (chain.meaning.is === 'stitch' && chain.meaning.stitch !== 'chain')) return null;
    // "the 2nd loop" alone may be any loop.
    const begins = reader.steps.some(({ kind }) => kind === 'chain') && !reader.steps.some(isFabricStep);
    if (chain.meaning.is !== 'stitch' && !begins && !meaningAt(reader, chain.next, 'from-hook')) return null;
    const hook = pass(reader, pass(reader, chain.next, 'stitch-word'), 'from-hook');
    // "in 2nd ch from hook make 6 sc" goes into that one chain.
    if (verb === at && !isWord(reader, at, 'from') && meaningAt(reader, hook, 'work')) return null;
    reader.steps.push({ kind: 'first-chain', k: rank.value, span: spanBetween(reader, at, hook) });
    return isWord(reader, hook, ':', ',') ? hook + 1 : hook;
  },
};

/** `work through both layers, sc 4`: said before the stitches. `crochet both sides together (12)`: all that is said. */
export const layers: InstructionForm = {
  name: 'layers',
  begins: ['both-layers', 'in', 'work'],
  read(reader, at) {
    const said = meaningAt(reader, pass(reader, pass(reader, at, 'work'), 'in'), 'both-layers');
    if (!said || reader.steps.some(isFabricStep)) return null;
    const figure = figureBehind(reader, said.next);
    const ends = isBoundary(reader, said.next) || tokenAt(reader, said.next)?.kind === 'open';
    if (
      meaningAt(reader, at, 'work') &&
      (figure?.stitch || (!figure && ends && !isWord(reader, said.next, ',', ':')))
    ) {
      const next = figure?.next ?? said.next;
      reader.steps.push({
        kind: 'work',
        stitch: figure?.stitch ?? null,
        per: 1,
        over: 1,
        amount: figure?.amount ?? { kind: 'fill', leave: 0 },
        place: { kind: 'both-layers' },
        span: spanBetween(reader, at, next),
      });
      return next;
    }
    if (!isWord(reader, said.next, ',', ':')) return null;
    reader.steps.push({ kind: 'flat', span: spanBetween(reader, at, said.next) });
    return said.next + 1;
  },
};
