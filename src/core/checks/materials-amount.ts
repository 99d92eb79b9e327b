import type { Material } from '../materials/materials.js';
import type { SourceText } from '../text/source.js';
import { lineIndexAt, lineSpan } from '../text/source.js';
import type { YarnNeed } from '../shape/yarn.js';
import type { Fix, Found, Rule } from './rule.js';
import { figures } from './wording.js';

export const materialsAmount: Rule = {
  id: 'materials/amount',
  severity: 'hint',
  across: true,
  about: 'A yarn is listed with less than its stitches need, or with far more.',
  failing: {
    text: 'US terms\n\nMaterials\nDK cotton (50 g = 110 m): Moss 5 g, Sand 90 g\n3 mm hook\n\nTUBE\nWith Moss.\nCh 40 and join with a sl st to form a ring.\nRnds 1-20: sc around (40)\nChange to Sand.\nRnds 21-25: sc around (40)\nFasten off.\n',
    says: ['5 g of Moss', '90 g of Sand'],
  },
  passing:
    'US terms\n\nMaterials\nDK cotton (50 g = 110 m): Moss 15 g, Sand 5 g\n3 mm hook\n\nTUBE\nWith Moss.\nCh 40 and join with a sl st to form a ring.\nRnds 1-20: sc around (40)\nChange to Sand.\nRnds 21-25: sc around (40)\nFasten off.\n',
  *check({ pattern, rounds }, _, { materials }, drawing): Iterable<Found> {
    if (!materials.some(({ kind, amount }) => kind === 'yarn' && amount !== null)) return;
    const needs = drawing.yarns();
    // What is worked in a yarn that is not said, or can't be counted, may be of any of them.
    const whole =
      needs.every(({ name }) => name !== null) &&
      rounds.every(({ outcome, carried }) => (outcome.made ?? carried) !== null);
    for (const need of needs) {
      if (!need.listed || (need.verdict !== 'short' && (need.verdict !== 'far-more' || !whole))) continue;
      yield {
        span: need.listed.span,
        round: null,
        message: messageOf(need),
        ...(need.verdict === 'short' ? { fixes: fixesOf(pattern.source, need, need.listed) } : {}),
      };
    }
  },
};

/** Amounts are listed in steps of so many grams. */
const STEP = 5;

function messageOf({ name, has, grams, metres, verdict }: YarnNeed): string {
  const inMetres = has?.metres !== null && has?.metres !== undefined;
  const need = inMetres ? metres : (grams ?? metres);
  const unit = inMetres ? 'm' : 'g';
  const listed = `Lists ${has?.metres ?? has?.grams ?? 0} ${unit} of ${name ?? 'it'}`;
  const needs = `need ${figures(need.from, need.to)} ${unit}`;
  return verdict === 'short'
    ? `${listed}; the stitches, ends and seams ${needs}.`
    : `${listed}; the stitches, ends and seams ${needs}: far less.`;
}

function fixesOf({ text, ...source }: SourceText, { grams, has }: YarnNeed, { span, amount }: Material): Fix[] {
  if (!grams || has?.grams === null || amount === null) return [];
  const line = lineSpan({ text, ...source }, lineIndexAt({ text, ...source }, span.from));
  const words = text.slice(line.from, line.to);
  const at = words.indexOf(amount);
  const figure = /\d+(?:[.,]\d+)?/.exec(amount);
  if (at < 0 || words.indexOf(amount, at + 1) >= 0 || !figure || !/g/i.test(amount)) return [];
  const enough = Math.ceil(grams.to / STEP) * STEP;
  const from = line.from + at + figure.index;
  return [
    { title: `Ask for ${enough} g`, edits: [{ span: { from, to: from + figure[0].length }, text: String(enough) }] },
  ];
}
