import * as z from 'zod/mini';

/** How close the lines of a manuscript stand. */
export const DENSITIES = ['wide', 'even', 'close'] as const;
export type Density = (typeof DENSITIES)[number];

const preferencesSchema = z.object({ density: z.catch(z.enum(DENSITIES), 'wide') });
type Kept = z.infer<typeof preferencesSchema>;

const PLACE = 'dostik.preferences';

/** What a person likes, kept in this browser. */
class Preferences {
  #kept = $state.raw<Kept>(read());

  get density(): Density {
    return this.#kept.density;
  }

  /** Takes the next density, the widest after the closest, and says which. */
  nextDensity(): Density {
    const next = DENSITIES[(DENSITIES.indexOf(this.density) + 1) % DENSITIES.length] ?? 'wide';
    this.#keep({ density: next });
    return next;
  }

  #keep(kept: Kept): void {
    this.#kept = kept;
    try {
      localStorage.setItem(PLACE, JSON.stringify(kept));
    } catch {
      // Without storage it holds until the page is left.
    }
  }
}

function read(): Kept {
  try {
    return preferencesSchema.parse(JSON.parse(localStorage.getItem(PLACE) ?? '{}'));
  } catch {
    return preferencesSchema.parse({});
  }
}

export const preferences = new Preferences();
