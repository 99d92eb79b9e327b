type Selector = typeof import('file-selector');

/** A file with what it is called. */
export interface NamedFile {
  readonly name: string;
  readonly file: Blob;
}

/** What file managers leave lying about. */
const NONE = /^(?:\.|Thumbs\.db$|desktop\.ini$)/i;

/** Where the browser keeps what was dropped and is not on the shelf yet, and notes that there is any. */
export const ARRIVALS = 'dostik-arrivals';

/** Whether something was dropped here, and its page closed before it was on the shelf. */
export function arrivalsWait(): boolean {
  return localStorage.getItem(ARRIVALS) !== null;
}

let selector: Selector | null = null;

/** Something is dragged over the page: what goes through folders is loaded before it is dropped, and with no page. */
export function filesMayCome({ dataTransfer }: DragEvent): void {
  if (!selector && dataTransfer?.types.includes('Files')) void loaded();
}

async function loaded(): Promise<Selector> {
  return (selector ??= await import('file-selector'));
}

/** The files that were dropped or chosen, those in folders among them; none where words were dragged. */
export async function filesIn(event: Event): Promise<NamedFile[]> {
  // What is dropped can be looked at only now, and without waiting.
  const bare = event instanceof DragEvent ? [...(event.dataTransfer?.files ?? [])] : null;
  const found = selector || !bare ? await (selector ?? (await loaded())).fromEvent(event) : bare;
  return found.flatMap((one) => (one instanceof File && !NONE.test(one.name) ? [{ name: one.name, file: one }] : []));
}
