import { toasts } from './components/toasts.svelte.js';

/** Copies words, and says so; where the browser does not let that be done, says what to do instead. */
export async function copied(words: string, said: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(words);
    toasts.say(said);
  } catch {
    toasts.say('The browser does not let it be copied: select it, and copy it by hand.');
  }
}
