import { troubleIn } from '../client.js';
import { toasts } from '../components/toasts.svelte.js';
import { signOut } from './asking.js';

/** Signs out, and goes to the door; where that can't be done it is said. */
export async function leaveHouse(): Promise<void> {
  try {
    await signOut();
    location.assign('/enter');
  } catch (error) {
    toasts.say(troubleIn(error));
  }
}
