import type { Step } from '../pattern/instruction.js';
import type { Span } from '../text/source.js';
import { COLOUR_WORDS } from '../vocabulary/words.js';
import type { Material } from '../materials/materials.js';
import { outsideMaterials } from '../document/document.js';
import type { Talk } from '../document/prose.js';
import type { Found, Rule } from './rule.js';

/** "in sand", "With Moss.", "Using Canvas:" on a line of its own below a heading. */
const LEAD = /^[^\p{L}]{0,4}(?:in|with|using|use)\s+(\p{L}{3,})(?:\s*[,.:].*)?\s*$/iu;
/** "Yarn: grey, white", "Colours: A = teal": a list without a heading of its own. */
const LISTS = /^\W{0,4}(?:yarns?|colou?rs?|wool|cotton|materials?|you(?:'ll)? need)\s*:/iu;
/** "Bulky yarn in Slate and Chalk, hook 5 mm" among other lines before the first round. */
const YARN_LINE = /(?<!\p{L})(?:yarns?|wool|cotton|dk|worsted|acrylic)(?!\p{L})/iu;
/** "mint", "now the sky yarn": a line that says no more than the colour. */
const ALONE = /^\W{0,4}(?:(?:now|then|with|in|use|using|the) ){0,3}(\p{L}{3,})(?: yarn| wool| cotton)?\W{0,3}$/iu;
/** "Change to Moss.", "Switch to the Rust yarn" between two rounds: a name with a capital. */
const CHANGES =
  /(?<!\p{L})[Cc]hang(?:e|ing) (?:back )?to (?:the )?(\p{Lu}\p{L}{2,})|(?<!\p{L})[Ss]witch(?:ing)? (?:back )?to (?:the )?(\p{Lu}\p{L}{2,})/u;
const NO_YARN =
  /^(?:the|two|both|same|magic|rs|ws|right|wrong|back|front|rows|rounds|spiral|a|main|contrast|color|colour|yarn|double|your)$/i;

export const materialsColour: Rule = {
  id: 'materials/colour',
  severity: 'warning',
  across: true,
  about: 'A colour is used that the materials do not list, or listed and never used.',
  failing: {
    text: 'US terms\n\nMaterials\nCotton in Sand and Rust\nA 3 mm hook\n\nBODY\nWith Sand.\nRnd 1: 6 sc in MR (6)\nFasten off.\n\nCLAW\nWith Seaglass.\nRnd 1: 6 sc in MR (6)\nFasten off.\n',
    says: ['Seaglass'],
  },
  passing:
    'US terms\n\nMaterials\nCotton in Sand and Rust\nA 3 mm hook\n\nBODY\nWith Sand.\nRnd 1: 6 sc in MR (6)\nFasten off.\n\nCLAW\nWith Rust.\nRnd 1: 6 sc in MR (6)\nFasten off.\n',
  *check({ pattern, rounds }, prose, { materials }): Iterable<Found> {
    const { text } = pattern.source;
    const begins = pattern.parts[0]?.heading.from ?? Infinity;
    const listed = prose.talk
      .filter(
        ({ section, text: words, span }) =>
          section === 'materials' || LISTS.test(words) || (span.from < begins && YARN_LINE.test(words)),
      )
      .map(({ text: words }) => words.toLowerCase())
      .join('\n');
    const used: Used = new Map();
    noteTalk(prose.talk, listed, used);
    for (const { round } of rounds) {
      noteColours(round.steps, text, used);
      const { from, to } = round.labelSpan;
      notePlain(text, { from, to: Math.min(round.bodyFrom, to + LONGEST_LEAD) }, listed, used);
    }
    for (const { heading, name } of pattern.parts) {
      // "CORAL" is a piece; "EAR, coral" names its yarn.
      const at = text.slice(heading.from, heading.to).toLowerCase().indexOf(name.toLowerCase());
      notePlain(text, { from: heading.from + (at < 0 ? 0 : at + name.length), to: heading.to }, listed, used);
    }
    // A list that names no colour at all leaves them to the maker.
    const known = [...used.keys()].filter((name) => listed.includes(name));
    if (known.length === 0) return;
    for (const [key, { name, span }] of used) {
      if (listed.includes(key)) continue;
      yield { span, round: null, message: `${name} is used here, and the materials do not list it.` };
    }
    // Where the rounds call at least two yarns by the names that they have in the list, each of them is called so.
    if (known.length > 1) yield* neverUsed(materials, outsideMaterials(pattern).toLowerCase());
  },
};

/** Colours by their names in small letters, with the first place of each. */
type Used = Map<string, { name: string; span: Span }>;

/** Colours that words between the rounds name: "With Sand." before a part begins, "Rust" alone. */
function noteTalk(talk: readonly Talk[], listed: string, used: Used): void {
  const note = (name: string | undefined, { text, span }: Talk) => {
    const key = name?.toLowerCase() ?? '';
    if (!name || NO_YARN.test(name) || used.has(key)) return;
    const from = span.from + text.indexOf(name);
    used.set(key, { name, span: { from, to: from + name.length } });
  };
  const inParts = talk.filter(({ part, section }) => part && section === null);
  for (const one of inParts) {
    if (one.after === null) note(LEAD.exec(one.text)?.[1], one);
    const change = CHANGES.exec(one.text);
    note(change?.[1] ?? change?.[2], one);
  }
  for (const one of inParts) {
    const name = one.text.length < 40 ? ALONE.exec(one.text)?.[1] : undefined;
    if (name === undefined) continue;
    const key = name.toLowerCase();
    if (COLOUR_WORDS.has(key) || hasWord(listed, key)) note(name, one);
  }
}

/** What has a capital is a name; "three browns" may be any. */
const NAME = /^\p{Lu}/u;

/** Yarns of the list that no words besides it name. */
function* neverUsed(materials: readonly Material[], elsewhere: string): Iterable<Found> {
  for (const { kind, name, amount, span } of materials) {
    if (kind !== 'yarn' || amount === null || !NAME.test(name) || elsewhere.includes(name.toLowerCase())) continue;
    yield { span, round: null, message: `${name} is listed here, and no part uses it.` };
  }
}

function hasWord(text: string, word: string): boolean {
  return new RegExp(`(?<!\\p{L})${word}(?!\\p{L})`, 'u').test(text);
}

const LONGEST_LEAD = 40;
const WORD = /\p{L}{3,}/gu;

/** "EAR (brown)", "Rnd 3, yellow:": plain words for colours in a heading, or between label and instruction. */
function notePlain(text: string, { from, to }: Span, listed: string, used: Used): void {
  for (const { 0: name, index } of text.slice(from, to).matchAll(WORD)) {
    const key = name.toLowerCase();
    // A yarn by the name that it has in the list, with a capital, or by a plain word for its colour.
    const yarn = COLOUR_WORDS.has(key) || (key !== name && !NO_YARN.test(key) && hasWord(listed, key));
    if (yarn && !used.has(key)) used.set(key, { name, span: { from: from + index, to: from + index + name.length } });
  }
}

function noteColours(steps: readonly Step[], text: string, used: Map<string, { name: string; span: Span }>): void {
  for (const step of steps) {
    if (step.kind === 'repeat') noteColours(step.body, text, used);
    if (step.kind !== 'colour') continue;
    const { name, span } = step;
    // "Toes: sc 6" names the round.
    if (
      name.length < 3 ||
      NO_YARN.test(name) ||
      (text.charAt(span.to) === ':' && !COLOUR_WORDS.has(name.toLowerCase()))
    )
      continue;
    if (!used.has(name.toLowerCase())) used.set(name.toLowerCase(), { name, span });
  }
}
