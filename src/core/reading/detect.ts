import type { TermsReading } from '../pattern/pattern.js';
import type { Vocabulary } from '../vocabulary/stitches.js';

const US = /(?<![\p{L}])(?:sc|hdc|esc|fsc|rsc|fpsc|bpsc|fphdc|bphdc)(?=\d|tog|inc|dec|s?(?![\p{L}]))|single crochet|half[ -]double/giu;
const UK = /(?<![\p{L}])(?:htr|fphtr|bphtr|rdcf|rdcb|rtrf|rtrb|qtr)(?=\d|tog|s?(?![\p{L}]))|half[ -]treble|double treble(?= crochet)|quadruple treble/giu;
const WEAK_US = /(?<![\p{L}])(?:skip|sk|gauge|yarn over|yo|color)(?![\p{L}])/giu;
const WEAK_UK = /(?<![\p{L}])(?:miss|tension|yrh|yoh|colour)(?![\p{L}])/giu;
const RING_OF_SHARED = /(\d{1,2})\s?dc (?:in|into)\s+(?:a |the )?(?:magic|mr|ring|mc)/giu;
const SHARED = /(?<![\p{L}])(?:dc|tr|dtr)(?=\d|tog|s?(?![\p{L}]))|(?:double|treble) crochet/giu;
const NAMES = String.raw`(us|u\.s\.|usa|american|uk|u\.k\.|british|english uk)`;
const THINGS = String.raw`(?:terms?|terminology|terminologies|stitch(?:es| names)?|names|abbreviations|crochet|version|notation|pattern|standards?)`;
const DECLARED = new RegExp(
  String.raw`(?<![\p{L}])${NAMES}(?![\p{L}])[ \t*_]+(?:\p{L}+[ \t]+){0,2}?${THINGS}(?![\p{L}])|${THINGS}[ \t*_|]*(?::|=|is|are|in|–|-)[ \t*_|]*(?:in )?${NAMES}(?![\p{L}])`,
  'giu',
);

function count(text: string, pattern: RegExp): number {
  let found = 0;
  pattern.lastIndex = 0;
  while (pattern.exec(text)) found += 1;
  return found;
}

/**
 * Which vocabulary a text is written in. A declaration outweighs everything but stitches that
 * contradict it; a single slip into the other vocabulary does not make a text mixed.
 */
export function detectTerms(text: string, asked: Vocabulary | 'auto' = 'auto'): TermsReading {
  const declared = declaredIn(text);
  const us = count(text, US);
  const uk = count(text, UK);
  let detected: TermsReading['detected'];
  let confidence: number;
  if (us + uk > 0) {
    const minority = Math.min(us, uk);
    const share = minority / (us + uk);
    if (minority >= 3 && share > 0.25 && declared === null) {
      detected = 'mixed';
      confidence = 1 - share;
    } else {
      // htr is sure to be UK; sc is sure to be US. A declaration settles the rest.
      const side: Vocabulary = us > uk ? 'us' : uk > us ? 'uk' : (declared ?? 'us');
      // Many dc beside few sc in a text that says UK is a UK text with slips.
      const shared = count(text, SHARED);
      detected = side === 'us' && declared === 'uk' && shared > us ? 'uk' : side;
      confidence = Math.max(0.5, 1 - share);
    }
  } else {
    const read = fromSharedWords(text, declared);
    detected = read.detected;
    confidence = read.confidence;
  }
  const used = asked !== 'auto' ? asked : usedFor(declared, detected, us, uk);
  return { declared, detected, confidence: Math.round(confidence * 100) / 100, used };
}

function usedFor(declared: Vocabulary | null, detected: TermsReading['detected'], us: number, uk: number): Vocabulary {
  if (detected === 'us' || detected === 'uk') return detected;
  return declared ?? (uk > us ? 'uk' : 'us');
}

/** A text with dc alone: a ring of 6 is the one-step stitch (UK), a ring of 10 and more the two-step one (US). */
function fromSharedWords(text: string, declared: Vocabulary | null): { detected: TermsReading['detected']; confidence: number } {
  if (declared) return { detected: declared, confidence: 0.9 };
  let small = 0;
  let large = 0;
  for (const match of text.matchAll(RING_OF_SHARED)) {
    const ring = Number(match[1]);
    if (ring <= 8) small += 1;
    else if (ring >= 10) large += 1;
  }
  const lean = (small - large) * 2 + count(text, WEAK_UK) - count(text, WEAK_US);
  if (lean === 0 || count(text, SHARED) === 0) return { detected: 'unclear', confidence: 0 };
  return { detected: lean > 0 ? 'uk' : 'us', confidence: Math.min(0.85, 0.5 + Math.abs(lean) * 0.08) };
}

function declaredIn(text: string): Vocabulary | null {
  DECLARED.lastIndex = 0;
  let us = 0;
  let uk = 0;
  for (let match = DECLARED.exec(text); match; match = DECLARED.exec(text)) {
    const name = (match[1] ?? match[2] ?? '').toLowerCase();
    // "us" in lower case is a pronoun unless terms are spoken of.
    if (name === 'us' && (match[1] ?? match[2]) === 'us' && !/term|crochet|abbrev/i.test(match[0])) continue;
    if (name.startsWith('u') && name.includes('k')) uk += 1;
    else if (name === 'british' || name === 'english uk') uk += 1;
    else us += 1;
  }
  if (us === uk) return null;
  return us > uk ? 'us' : 'uk';
}
