import { describe, expect, it } from 'vitest';
import { overviewOf, checkPattern } from '../index.js';

const taken = (...lines: string[]) => overviewOf(checkPattern(lines.join('\n'), '').counted).lines;

describe('what each line is taken for', () => {
  it('is told from the first to the last', () => {
    expect(
      taken(
        'Wren',
        'by the sea',
        '',
        'MATERIALS',
        'Moss 20 g',
        '',
        'ABBREVIATIONS',
        'sc = single crochet',
        '',
        'BODY (make 1)',
        'With Moss.',
        'Rnd 1: 6 sc in MR (6)',
        'Rnd 2: sc in next st,',
        'inc, rep from * around (9)',
        'Stuff.',
        '',
        'ASSEMBLY',
        'Sew the body shut.',
      ),
    ).toEqual([
      'title',
      'talk',
      'blank',
      'materials',
      'materials',
      'blank',
      'abbreviations',
      'abbreviations',
      'blank',
      'heading',
      'talk',
      'round',
      'round',
      'goes-on',
      'talk',
      'blank',
      'assembly',
      'assembly',
    ]);
  });

  it('is not placed where crochet that makes stitches stands for no round', () => {
    const among = (line: string) =>
      taken('BALL', 'Rnd 1: 6 sc in MR (6)', 'Rnd 2: inc x 6 (12)', line, 'Fasten off.')[3];
    expect(among('And dec x 6.')).toBe('unplaced');
    // What ends a piece or places something is no round that was overlooked.
    expect(among('Sl st in the next st.')).toBe('talk');
    expect(among('Insert the eyes between Rnds 1 and 2, 3 sc apart.')).toBe('talk');
  });
});
