import type { InstructionForm } from '../reader.js';
import { bracket } from './bracket.js';
import { chain, picot } from './chain.js';
import { colour, yarnLetters } from './colour.js';
import { join } from './join.js';
import { pieceFirst, placeFirst } from './placed.js';
import { pairs } from './pairs.js';
import { plain } from './plain.js';
import { firstChain, layers, loops, otherSide, turn } from './markers.js';
import { freeLoops, reference, roundSpan } from './reference.js';
import { remark } from './remark.js';
import { ring } from './ring.js';
import { leave, skip } from './skip.js';
import { alternate, repeatBefore, repeatVerb, star, timesBehind } from './star.js';
import { countSentence, stated } from './stated.js';
import { work } from './work.js';

/** All forms of an instruction, in the order in which they are tried at each place. */
export const FORMS: readonly InstructionForm[] = [
  reference,
  freeLoops,
  countSentence,
  timesBehind,
  star,
  alternate,
  repeatVerb,
  repeatBefore,
  yarnLetters,
  bracket,
  pairs,
  join,
  firstChain,
  chain,
  picot,
  skip,
  leave,
  pieceFirst,
  placeFirst,
  work,
  ring,
  plain,
  stated,
  turn,
  otherSide,
  layers,
  loops,
  roundSpan,
  colour,
  remark,
];
