import { updated } from '$app/state';
import { toasts } from './components/toasts.svelte.js';

/** A part of the page that comes when it is needed; null, and said, where it can't be fetched. */
export async function fetched<Part>(load: () => Promise<Part>): Promise<Part | null> {
  try {
    return await load();
  } catch {
    const newer = await updated.check().catch(() => false);
    toasts.say(
      newer
        ? 'This part of the page is no longer there: Dostik was updated.'
        : 'This part of the page could not be fetched: the server does not answer.',
      { text: 'Load the page anew', act: () => location.reload() },
    );
    return null;
  }
}
