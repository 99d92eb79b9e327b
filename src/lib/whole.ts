import { error } from '@sveltejs/kit';
import { browser } from '$app/environment';
import { current, troubleIn } from './client.js';
import type { BriefPattern, StoredPattern } from './patterns.js';

/** A pattern with its text, fetched where the page came without it. On the server, where nothing of it is drawn, it stays away. */
export async function whole(pattern: BriefPattern): Promise<StoredPattern> {
  if (pattern.text !== null) return { ...pattern, text: pattern.text };
  if (!browser) return { ...pattern, text: '' };
  try {
    return await current(pattern.id);
  } catch (failure) {
    error(503, troubleIn(failure));
  }
}
