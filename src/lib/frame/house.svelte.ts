import { createContext, onMount } from 'svelte';
import type { Person } from '../people.js';
import { actionsOf, type Action, type Doing } from './actions.js';

/** Something on a page that the finder leads to. */
export interface Found {
  readonly id: string;
  readonly text: string;
  readonly note: string;
  /** The numbers that it goes by, of a round: typed alone they find it. */
  readonly numbers?: readonly [from: number, to: number];
  readonly run: () => void;
}

interface Offer {
  readonly doing: Doing;
  readonly found: () => readonly Found[];
}

/** What the page that is open can do: the keys, the finder and the list of keys go by it. */
export class House {
  /** Who is signed in; null where nobody needs to be. */
  readonly person = typeof document === 'undefined' ? null : personIn(document.body.dataset.person);
  #offers = $state.raw<readonly Offer[]>([]);
  open = $state<'finder' | 'keys' | null>(null);

  readonly actions: readonly Action[] = $derived(
    actionsOf({
      ...this.#offers.reduce<Doing>((all, { doing }) => ({ ...all, ...doing }), {}),
      finder: () => (this.open = 'finder'),
      keys: () => (this.open = 'keys'),
    }),
  );

  /** All that the finder leads to on this page. */
  get found(): readonly Found[] {
    return this.#offers.flatMap(({ found }) => found());
  }

  /** Takes up what a page can do, until the function that is returned is called. */
  offer(doing: Doing, found: () => readonly Found[] = () => []): () => void {
    const offer = { doing, found };
    this.#offers = [...this.#offers, offer];
    return () => (this.#offers = this.#offers.filter((one) => one !== offer));
  }

  /** Does something by its name, as its key would. */
  run(id: Action['id']): void {
    this.actions.find((action) => action.id === id)?.run();
  }
}

/** Who is signed in, as the server has written it into the page. */
function personIn(words: string | undefined): Pick<Person, 'name' | 'role'> | null {
  return words ? (JSON.parse(words) as Pick<Person, 'name' | 'role'>) : null;
}

const [houseOf, setHouse] = createContext<House>();
export { houseOf, setHouse };

/** While a component is there, the page can do this. Called while the component is made. */
export function offering(doing: Doing, found?: () => readonly Found[]): House {
  const house = houseOf();
  onMount(() => house.offer(doing, found));
  return house;
}
