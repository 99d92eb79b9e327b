import { lineSpan, type SourceText } from '../text/source.js';
import type { SectionKind } from '../vocabulary/sections.js';
import { lineKey, type Hand, type LineRole, type PartSaid } from './hand.js';
import type { Heading } from './headings.js';
import { nameIn } from './page/parts.js';

/** What a person has said of single lines of a text, and of its parts. */
export interface Roles {
  /** By the offset at which a line begins. */
  readonly lines: ReadonlyMap<number, LineRole>;
  /** By the offset of the line that names a part. */
  readonly parts: ReadonlyMap<number, PartSaid>;
  readonly title: string | null;
}

export const NO_ROLES: Roles = { lines: new Map(), parts: new Map(), title: null };

/** Roles that begin, or go on with, a section. */
const SECTIONS: Partial<Readonly<Record<LineRole, SectionKind>>> = {
  materials: 'materials',
  abbreviations: 'legend',
  assembly: 'assembly',
};

/** Where the lines stand that a hand says something of: each line that says the same is meant. */
export function rolesIn(source: SourceText, { lines = {}, parts = {} }: Hand): Roles {
  const [said, named] = [new Map(Object.entries(lines)), new Map(Object.entries(parts))];
  if (said.size === 0 && named.size === 0) return NO_ROLES;
  const roles = { lines: new Map<number, LineRole>(), parts: new Map<number, PartSaid>() };
  let title: string | null = null;
  source.lineStarts.forEach((_, line) => {
    const { from, to } = lineSpan(source, line);
    const key = lineKey(source.text.slice(from, to));
    const [role, part] = [said.get(key), named.get(key)];
    if (role) roles.lines.set(from, role);
    if (role === 'title') title ??= key;
    if (part) roles.parts.set(from, part);
  });
  return { ...roles, title };
}

/** The section that a line is of by its role; null for other roles. */
export function sectionOfRole(role: LineRole | undefined): SectionKind | null {
  return (role && SECTIONS[role]) ?? null;
}

/** The heading that a line is, when it is said to be one. */
export function headingSaid(text: string): Heading {
  const read = nameIn(text.trim());
  const name = text.trim().replace(/^[^\p{L}\d]+|[^\p{L}\d)!?'’"”]+$/gu, '');
  return read && read.section === null
    ? read
    : { name: name || text.trim(), make: 1, saysMake: false, section: null, level: 0, rest: '' };
}

/** A heading with what is said of its part. */
export function withSaid(heading: Heading, said: PartSaid | undefined): Heading {
  if (!said) return heading;
  const { name = heading.name, make } = said;
  return make === undefined ? { ...heading, name } : { ...heading, name, make, saysMake: true };
}
