import { keyOf, type ComparedEntry, type Comparison } from '../../core/index.js';

/** Something that the editor had changed in a draft, and what stands in the next one instead. */
export interface OwnChange {
  /** Stands for its words before and after. */
  readonly key: string;
  /** What the draft said, what the editor had made of it, and what the next draft says; empty where it says nothing. */
  readonly was: string;
  readonly mine: string;
  readonly theirs: string;
  /** Where that is in the next draft; null where it has no place there. Both the same where `mine` would be put in. */
  readonly at: { readonly from: number; readonly to: number } | null;
}

interface Texts {
  readonly base: string;
  readonly mine: string;
  readonly theirs: string;
}

/**
 * What the editor had changed in a draft and the next one has not taken over.
 * @param own the draft compared with the working copy on top of it.
 * @param next the draft compared with the one that came after it.
 */
export function ownChanges(texts: Texts, own: Comparison, next: Comparison): OwnChange[] {
  const partners = partnersIn(own, next);
  const said = next.entries.map(({ after }) => plain(textAt(texts.theirs, after)));
  return own.entries.flatMap((entry, i) => {
    const [was, mine] = [textAt(texts.base, entry.before), textAt(texts.mine, entry.after)];
    const unchanged = entry.change === 'same' || entry.change === 'moved' || plain(was) === plain(mine);
    const after = partners[i]?.after ?? null;
    const theirs = entry.before ? textAt(texts.theirs, after) : '';
    // The next draft says so too, there or elsewhere.
    if (unchanged || plain(theirs) === plain(mine) || (mine !== '' && said.includes(plain(mine)))) return [];
    const from = entry.before ? after?.from : after?.to;
    const at = after && from !== undefined ? { from, to: after.to } : null;
    return [{ key: keyOf(`${was}|${mine}`), was, mine, theirs, at }];
  });
}

/** By the entries of the one comparison those of the other: of the same line, or for what is new of the line before it. */
function partnersIn(own: Comparison, next: Comparison): (ComparedEntry | null)[] {
  const theirs = new Map(next.entries.flatMap((entry) => (entry.before ? [[entry.before.from, entry] as const] : [])));
  const partners: (ComparedEntry | null)[] = [];
  for (const { before } of own.entries)
    partners.push(before ? (theirs.get(before.from) ?? null) : (partners.at(-1) ?? null));
  return partners;
}

function textAt(text: string, side: { readonly from: number; readonly to: number } | null): string {
  return side ? text.slice(side.from, side.to) : '';
}

function plain(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}

/** A text with what the editor had written in the place of what stands there. */
export function withMine(text: string, { from, to }: { from: number; to: number }, { mine }: OwnChange): string {
  if (from === to) return `${text.slice(0, from)}\n${mine}${text.slice(from)}`;
  // A line that is taken out goes with its end.
  const end = mine === '' && text[to] === '\n' ? to + 1 : to;
  return text.slice(0, from) + mine + text.slice(end);
}
