import { error } from '@sveltejs/kit';
import type { BriefPattern, StoredPattern } from '../patterns.js';
import { TooMuch } from './counting/counting.js';
import type { PatternStore } from './patterns.js';

/** The page of a pattern that is not there says so. */
export function notOnShelf(): never {
  error(404, 'This pattern is not on the shelf. It may have been put away.');
}

/** A pattern for its page; without one the page says so. */
export async function patternOr404(patterns: PatternStore, id: string): Promise<StoredPattern> {
  return (await patterns.get(id)) ?? notOnShelf();
}

/** What was counted; null where the text is too much for it, which the page then says. */
export async function within<Counted>(counting: Promise<Counted>): Promise<Counted | null> {
  try {
    return await counting;
  } catch (failure) {
    if (failure instanceof TooMuch) return null;
    throw failure;
  }
}

/** Longer texts are not written into the page, which holds up other requests; characters. */
const LONGEST_IN_PAGE = 200_000;

/** A pattern as it is sent with its page: a long text is left out, and fetched by the page. */
export function brief(pattern: StoredPattern): BriefPattern {
  return pattern.text.length > LONGEST_IN_PAGE ? { ...pattern, text: null } : pattern;
}
