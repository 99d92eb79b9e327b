import { readFile, type ReadFile } from '../readFile.js';

/** A file that is dropped on the manuscript: looked at before anything is done with it. */
export class Dropping {
  offered = $state.raw<ReadFile | null>(null);
  readonly #refuse: (words: string) => void;

  /** @param refuse tells why a file can't be read. */
  constructor(refuse: (words: string) => void) {
    this.#refuse = refuse;
  }

  /** Takes what was dropped, before the editor does; words that are dragged are left to it. */
  async take(event: Pick<DragEvent, 'dataTransfer' | 'preventDefault' | 'stopPropagation'>): Promise<void> {
    const file = event.dataTransfer?.files[0];
    if (!file) return;
    event.preventDefault();
    event.stopPropagation();
    const read = await readFile(file);
    if ('refused' in read) this.#refuse(read.refused);
    else this.offered = read;
  }
}
