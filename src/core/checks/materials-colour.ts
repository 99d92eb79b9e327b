import type { Step } from '../pattern/instruction.js';
import type { Pattern } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import type { Found, Rule } from './rule.js';

/** "in sand", "With Moss.", "Using Canvas:" on a line of its own below a heading. */
const LEAD = /^[^\p{L}]{0,4}(?:in|with|using|use)\s+(\p{L}{3,})(?:\s*[,.:].*)?\s*$/iu;
const NO_YARN =
  /^(?:the|two|both|same|magic|rs|ws|right|wrong|back|front|rows|rounds|spiral|a|main|contrast|color|colour|yarn|double|your)$/i;

export const materialsColour: Rule = {
  id: 'materials/colour',
  severity: 'warning',
  across: true,
  about: 'A colour is used that the materials do not list, or listed and never used.',
  failing: {
    text: 'US terms\n\nMaterials\nCotton in Sand and Rust\n\nBODY\nWith Sand.\nRnd 1: 6 sc in MR (6)\nFasten off.\n\nCLAW\nWith Seaglass.\nRnd 1: 6 sc in MR (6)\nFasten off.\n',
    says: ['Seaglass'],
  },
  passing:
    'US terms\n\nMaterials\nCotton in Sand and Rust\n\nBODY\nWith Sand.\nRnd 1: 6 sc in MR (6)\nFasten off.\n\nCLAW\nWith Rust.\nRnd 1: 6 sc in MR (6)\nFasten off.\n',
  *check({ pattern, rounds }, prose, { materials }): Iterable<Found> {
    const { text } = pattern.source;
    const listed = pattern.sections
      .filter(({ kind }) => kind === 'materials')
      .map(({ span }) => text.slice(span.from, span.to).toLowerCase())
      .join('\n');
    const used = new Map<string, { name: string; span: Span }>();
    for (const { text: words, span, part, section, after } of prose.talk) {
      const name = part && section === null && after === null ? LEAD.exec(words)?.[1] : undefined;
      if (!name || NO_YARN.test(name) || used.has(name.toLowerCase())) continue;
      const from = span.from + words.indexOf(name);
      used.set(name.toLowerCase(), { name, span: { from, to: from + name.length } });
    }
    for (const { round } of rounds) noteColours(round.steps, text, used);
    // A list that names no colour at all leaves them to the maker.
    const known = [...used.keys()].filter((name) => listed.includes(name));
    if (known.length === 0) return;
    for (const [key, { name, span }] of used) {
      if (listed.includes(key)) continue;
      yield { span, round: null, message: `${name} is used here, and the materials do not list it.` };
    }
    // Where the rounds call at least two yarns by the names that they have in the list, each of them is called so.
    if (known.length < 2) return;
    const elsewhere = outsideMaterials(pattern);
    for (const { kind, name, amount, span } of materials) {
      if (kind !== 'yarn' || amount === null || elsewhere.includes(name.toLowerCase())) continue;
      yield { span, round: null, message: `${name} is listed here, and no part uses it.` };
    }
  },
};

/** The text without its materials, in lower case. */
function outsideMaterials({ source, sections }: Pattern): string {
  let text = source.text;
  for (const { kind, span } of sections)
    if (kind === 'materials') text = text.slice(0, span.from) + ' '.repeat(span.to - span.from) + text.slice(span.to);
  return text.toLowerCase();
}

function noteColours(steps: readonly Step[], text: string, used: Map<string, { name: string; span: Span }>): void {
  for (const step of steps) {
    if (step.kind === 'repeat') noteColours(step.body, text, used);
    if (step.kind !== 'colour') continue;
    const { name, span } = step;
    // "Toes: sc 6" names the round.
    if (name.length < 3 || NO_YARN.test(name) || text.charAt(span.to) === ':') continue;
    if (!used.has(name.toLowerCase())) used.set(name.toLowerCase(), { name, span });
  }
}
