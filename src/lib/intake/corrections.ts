import { lineKey, senseInWords, type Hand, type LineRole } from '../../core/index.js';
import type { Draft } from '../drafts.js';
import type { HandChange } from '../patterns.js';
import { plural } from '../plural.js';
import { short } from '../short.js';

/** Something that was put right, as a person reads it, and how it is taken back. */
export interface Correction {
  readonly words: string;
  readonly back: HandChange;
}

export const ROLE_WORDS: Readonly<Record<LineRole, string>> = {
  title: 'title',
  heading: 'heading',
  round: 'round',
  'goes-on': 'goes on',
  materials: 'materials',
  abbreviations: 'words',
  assembly: 'assembly',
  talk: 'talk',
};

/** By the key that says it what a line is. */
export const KEYS: Readonly<Record<LineRole, string>> = {
  title: 'T',
  heading: 'H',
  round: 'R',
  'goes-on': 'G',
  materials: 'M',
  abbreviations: 'W',
  assembly: 'A',
  talk: 'X',
};

/** By what some lines say; those that are empty say nothing. */
export function keysOf(lines: readonly string[]): string[] {
  return [...new Set(lines.map(lineKey))].filter((line) => line !== '');
}

/** "“groups” is times: 9 rounds more can be counted." */
export function effectInWords(what: string, more: number): string {
  if (what === '') return '';
  if (more === 0) return `${what}. As many rounds can be counted as before.`;
  return `${what}: ${plural(Math.abs(more), 'round')} ${more > 0 ? 'more' : 'fewer'} can be counted.`;
}

/** The changes that take one back: as it was, entry for entry. */
export function undoing(before: Hand, change: HandChange): HandChange[] {
  if ('word' in change) return [{ word: change.word, sense: before.words[change.word] ?? null }];
  if ('heading' in change) return [{ heading: change.heading, said: before.parts?.[change.heading] ?? null }];
  const roles = new Map<LineRole | null, string[]>();
  for (const line of change.lines) {
    const role = before.lines?.[line] ?? null;
    roles.set(role, [...(roles.get(role) ?? []), line]);
  }
  return [...roles].map(([role, lines]) => ({ lines, role }));
}

/** All that is put right of a hand. */
export function correctionsOf({ words, lines = {}, parts = {} }: Hand): Correction[] {
  return [
    ...Object.entries(words).map(([word, sense]) => ({
      words: `“${word}” is ${senseInWords(sense)}`,
      back: { word, sense: null },
    })),
    ...Object.entries(parts).map(([heading, { name, make }]) => ({
      words: [
        `“${short(heading)}”`,
        name === undefined ? '' : ` is called ${name}`,
        make === undefined ? '' : `, made ${make} ×`,
      ].join(''),
      back: { heading, said: null },
    })),
    ...Object.entries(lines).map(([line, role]) => ({
      words: `“${short(line)}”: ${ROLE_WORDS[role]}`,
      back: { lines: [line], role: null },
    })),
  ];
}

/** Remarks by the number of the line, from 0, that says what they are about, the nearest to where it stood; of lines that are there. */
export function byLine(notes: Draft['notes'], lines: readonly string[]): ReadonlyMap<number, Draft['notes']> {
  const found = new Map<number, Draft['notes']>();
  for (const note of notes) {
    const places = lines.flatMap((line, i) => (line === note.about ? [i] : []));
    const [at] = places.sort((a, b) => Math.abs(a + 1 - note.line) - Math.abs(b + 1 - note.line));
    if (at !== undefined) found.set(at, [...(found.get(at) ?? []), note]);
  }
  return found;
}
