import * as z from 'zod/mini';

/** A text that has not reached the server yet, kept in this browser. */
const draftSchema = z.object({ text: z.string(), base: z.int() });
export type Draft = z.infer<typeof draftSchema>;

const key = (id: string) => `dostik.draft.${id}`;

/** Keeps a draft; false where the browser has no room or no storage for it. */
export function keepDraft(id: string, draft: Draft): boolean {
  try {
    localStorage.setItem(key(id), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

export function readDraft(id: string): Draft | null {
  try {
    const kept = localStorage.getItem(key(id));
    return kept === null ? null : draftSchema.parse(JSON.parse(kept));
  } catch {
    return null;
  }
}

export function dropDraft(id: string): void {
  try {
    localStorage.removeItem(key(id));
  } catch {
    // Without storage there is no draft to drop.
  }
}
