import { readOut, troubleIn } from '../client.js';
import { filesIn, type NamedFile } from '../dropped.js';

/** A file that was dropped on a pattern, and what it holds. */
export interface OfferedFile extends NamedFile {
  readonly text: string;
  readonly left: readonly string[];
}

/** A file that is dropped on the manuscript: looked at before anything is done with it. */
export class Dropping {
  offered = $state.raw<OfferedFile | null>(null);
  readonly #refuse: (words: string) => void;
  readonly #readOut: typeof readOut;
  readonly #filesIn: typeof filesIn;

  /** @param refuse tells why a file can't be read. */
  constructor(refuse: (words: string) => void, within = { readOut, filesIn }) {
    this.#refuse = refuse;
    this.#readOut = within.readOut;
    this.#filesIn = within.filesIn;
  }

  /** Takes what was dropped, before the editor does; words that are dragged are left to it. */
  async take(event: DragEvent): Promise<void> {
    if (event.dataTransfer?.types.includes('Files') !== true) return;
    event.preventDefault();
    event.stopPropagation();
    const [first] = await this.#filesIn(event);
    if (!first) return;
    try {
      this.offered = { ...first, ...(await this.#readOut(first.file, first.name)) };
    } catch (error) {
      this.#refuse(`“${first.name}”: ${troubleIn(error)}`);
    }
  }
}
