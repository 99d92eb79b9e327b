import { sizeGap, mayStandHigher } from '../shape/wholeSize.js';
import type { Found, Rule } from './rule.js';
import { centimetres, gaugeWords } from './wording.js';

export const shapeSize: Rule = {
  id: 'shape/size',
  severity: 'hint',
  across: true,
  about: 'The stated finished size and the size that the counts give at the gauge differ by more than a tenth.',
  failing: {
    text: 'US terms. About 17 cm tall.\n\nGauge: 24 sts and 24 rounds to 10 cm.\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 1, inc, sc 1) x 6 (24)\nRnds 5-9: sc around (24)\nStuff it.\nRnd 10: (sc 2, dec) x 6 (18)\nRnd 11: (sc 1, dec) x 6 (12)\nRnd 12: dec x 6 (6)\nFasten off.\n',
    says: ['17 cm', '3.', '24 sts'],
  },
  passing:
    'US terms. About 3 cm tall.\n\nGauge: 24 sts and 24 rounds to 10 cm.\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 1, inc, sc 1) x 6 (24)\nRnds 5-9: sc around (24)\nStuff it.\nRnd 10: (sc 2, dec) x 6 (18)\nRnd 11: (sc 1, dec) x 6 (12)\nRnd 12: dec x 6 (6)\nFasten off.\n',
  *check(_, __, ___, drawing): Iterable<Found> {
    const finished = drawing.finished();
    // Without a gauge, a hook or a yarn there is nothing to compare it by.
    if (!finished || drawing.at().gauge.from === 'usual') return;
    const gap = sizeGap(drawing);
    if (!gap?.differs || (gap.stated > gap.counts.to && mayStandHigher(drawing, gap.stated))) return;
    yield {
      span: finished.span,
      round: null,
      message: `Stated ${centimetres(gap.stated)}; the counts give ${centimetres(gap.counts.from, gap.counts.to)} ${gaugeWords(drawing.at())}.`,
    };
  },
};
