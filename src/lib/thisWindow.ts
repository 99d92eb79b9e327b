/**
 * Which window this is, so that what several of them keep is kept apart. The name outlives a reload; two windows never have
 * the same one, nor is the name of an open window taken for that of one that is gone.
 */

const NAME = 'dostik.window';
/** A page that is being reloaded may still hold its name for a moment; milliseconds. */
const MOMENT = 400;
const lockOf = (name: string) => `${NAME}.${name}`;

let claimed: Promise<string> | null = null;

/** The name of this window. */
export function thisWindow(): Promise<string> {
  claimed ??= claim();
  return claimed;
}

/** The names of all open windows; null where the browser doesn't tell (a page that came over plain http from elsewhere). */
export async function openWindows(): Promise<ReadonlySet<string> | null> {
  if (!('locks' in navigator)) return null;
  const { held = [] } = await navigator.locks.query();
  return new Set(held.map(({ name = '' }) => name.replace(lockOf(''), '')));
}

async function claim(): Promise<string> {
  const before = sessionStorageOr(null)?.getItem(NAME) ?? null;
  const name = before !== null && (await held(before, MOMENT)) ? before : newName();
  if (name !== before) await held(name, 0);
  sessionStorageOr(null)?.setItem(NAME, name);
  return name;
}

/** Holds a name for as long as the page is there; false where another window has it, as after a tab was doubled. */
async function held(name: string, longest: number): Promise<boolean> {
  if (!('locks' in navigator)) return true;
  return new Promise((resolve) => {
    const options = longest > 0 ? { signal: AbortSignal.timeout(longest) } : {};
    navigator.locks
      .request(lockOf(name), options, () => {
        resolve(true);
        return new Promise<never>(() => undefined);
      })
      .catch(() => resolve(false));
  });
}

function newName(): string {
  return Math.random().toString(36).slice(2, 10) + Date.now().toString(36);
}

/** Storage may be switched off, and asking for it then throws. */
function sessionStorageOr<Otherwise>(otherwise: Otherwise): Storage | Otherwise {
  try {
    return sessionStorage;
  } catch {
    return otherwise;
  }
}
