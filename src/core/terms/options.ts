import { hookOf } from '../vocabulary/hooks.js';
import type { Vocabulary } from '../vocabulary/stitches.js';
import type { Span } from '../text/source.js';
import { writtenLike } from './naming.js';
import { inEitherCase } from '../text/eitherCase.js';

/** A change that is only made where it is asked for. */
export interface Wording extends Span {
  readonly kind: 'hook' | 'weight' | 'spelling';
  readonly after: string;
  readonly reason: string;
}

const SIZE = String.raw`(\d{1,2}(?:[.,]\d{1,2})?)\s?mm`;
const LETTER = String.raw`(?:US\s*)?(?:size\s*)?([B-P](?:[/-]\d{1,2}(?:½|\.5)?)?|7)(?![\p{L}\d])`;
const NUMBER = String.raw`(?:(?:old\s*)?UK\s*)?(?:size\s*|no\.?\s*)?(0{1,3}|\d{1,2})(?![\p{L}\d.])`;
/** "3.5 mm (E/4)", "3.5 mm / US E", "US H/8 (5.0 mm)"; and with the old UK numbers. */
const HOOK_SIZES: Readonly<Record<Vocabulary, RegExp>> = {
  us: new RegExp(
    String.raw`${SIZE}\s*(?:\(|/|,|=)\s*(?:US\s*)?${LETTER}\s*\)?|(?:US\s*)?(?:size\s*)?${LETTER}\s*(?:\(|/|,|=)\s*${SIZE}\s*\)?`,
    'gu',
  ),
  uk: new RegExp(
    String.raw`${SIZE}\s*(?:\(|/|,|=)\s*(?:old\s*)?UK\s*${NUMBER}\s*\)?|(?:old\s*)?UK\s*${NUMBER}\s*(?:\(|/|,|=)\s*${SIZE}\s*\)?`,
    'gu',
  ),
};

/** Hooks with both sizes: millimetres first, then the letter (US) or the old number (UK) in brackets. */
export function* hooksIn(text: string, to: Vocabulary): Iterable<Wording> {
  for (const match of text.matchAll(HOOK_SIZES[to === 'us' ? 'uk' : 'us'])) {
    const size = match[1] ?? match[4] ?? '';
    const hook = hookOf(Number(size.replace(',', '.')));
    if (!hook) continue;
    const other = hook[to];
    const after = other === null ? `${size} mm` : `${size} mm (${to.toUpperCase()} ${other})`;
    yield {
      from: match.index,
      to: match.index + match[0].length,
      kind: 'hook',
      after,
      reason:
        other === null
          ? `There is no ${to.toUpperCase()} size for ${size} mm.`
          : `${size} mm is ${to.toUpperCase()} ${other}.`,
    };
  }
}

/** Names of weights that stand for one weight alone. */
const WEIGHTS: Readonly<Record<Vocabulary, readonly (readonly [string, string])[]>> = {
  uk: [
    ['worsted weight', 'aran weight'],
    ['worsted', 'aran'],
    ['super bulky', 'super chunky'],
    ['bulky', 'chunky'],
    ['fingering weight', '4 ply'],
    ['fingering', '4 ply'],
  ],
  us: [
    ['aran', 'worsted'],
    ['super chunky', 'super bulky'],
    ['chunky', 'bulky'],
    ['4 ply', 'fingering'],
    ['4-ply', 'fingering'],
  ],
};

const SPELLINGS: readonly (readonly [us: string, uk: string])[] = [
  ['color', 'colour'],
  ['gray', 'grey'],
  ['center', 'centre'],
  ['fiberfill', 'fibrefill'],
  ['favorite', 'favourite'],
];

export function weightsIn(text: string, to: Vocabulary): Iterable<Wording> {
  return wordsIn(text, WEIGHTS[to], 'weight', (before, after) => `${before} is called ${after} there.`, '');
}

export function spellingsIn(text: string, to: Vocabulary): Iterable<Wording> {
  const pairs = SPELLINGS.map(([us, uk]) => (to === 'uk' ? ([us, uk] as const) : ([uk, us] as const)));
  return wordsIn(text, pairs, 'spelling', (_, after) => `Spelt ${after} there.`, String.raw`(?:s|ed|ing|ful|d)?`);
}

function* wordsIn(
  text: string,
  pairs: readonly (readonly [string, string])[],
  kind: Wording['kind'],
  reason: (before: string, after: string) => string,
  ending: string,
): Iterable<Wording> {
  const names = pairs.map(([name]) => name).join('|');
  const others = new Map(pairs);
  for (const match of text.matchAll(inEitherCase(String.raw`(?<!\p{L})(${names})${ending}(?!\p{L})`, 'g'))) {
    const before = match[1] ?? '';
    const after = others.get(before.toLowerCase());
    if (!after) continue;
    yield {
      from: match.index,
      to: match.index + before.length,
      kind,
      after: writtenLike(after, before),
      reason: reason(before.toLowerCase(), after),
    };
  }
}
