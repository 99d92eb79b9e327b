import type { Part, Passage, Round, Section } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import type { SectionKind } from '../vocabulary/sections.js';
import type { PartDraft } from './pieces.js';

type Draft<T> = { -readonly [K in keyof T]: T[K] };
interface PassageDraft {
  readonly span: Span;
  readonly section: SectionKind | null;
  part: PartDraft | null;
  readonly after: Round | null;
}

/** What stands between the rounds of a text, while it is read: its sections, and lines of words. */
export class Passages {
  readonly #sections: Draft<Section>[] = [];
  readonly #passages: PassageDraft[] = [];

  get sections(): readonly Section[] {
    return this.#sections;
  }

  /** @param heading the words that name the section, in the line that it begins with */
  begin(kind: SectionKind, heading: Span, span: Span): void {
    this.#sections.push({ kind, heading, span });
  }

  /** @param section the section that is still open, and goes on with these words */
  add(span: Span, section: SectionKind | null, part: PartDraft | null, after: Round | null): void {
    const current = this.#sections.at(-1);
    if (section && current?.kind === section) current.span = { from: current.span.from, to: span.to };
    this.#passages.push({ span, section, part, after });
  }

  /** What stood between the heading of a part and its first round is of this part. */
  claim(part: PartDraft): void {
    for (let i = this.#passages.length - 1; i >= 0; i -= 1) {
      const passage = this.#passages[i];
      if (!passage || passage.section || passage.span.from < part.heading.from || passage.after) break;
      passage.part = part;
    }
  }

  finished(parts: ReadonlyMap<PartDraft, Part>): Passage[] {
    return this.#passages.map((passage) => ({ ...passage, part: (passage.part && parts.get(passage.part)) ?? null }));
  }
}
