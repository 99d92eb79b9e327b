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
  const came = event instanceof DragEvent ? lookedAt(event) : event;
  const found = await (await loaded()).fromEvent(came);
  return found.flatMap((one) => (one instanceof File && !NONE.test(one.name) ? [{ name: one.name, file: one }] : []));
}

/** What is dropped can be looked at only now, and without waiting: what comes of it is what goes through folders asks for later. */
function lookedAt({ dataTransfer }: DragEvent): Event {
  const items = [...(dataTransfer?.items ?? [])]
    .filter(({ kind }) => kind === 'file')
    .map((item) => {
      const [entry, file] = [item.webkitGetAsEntry(), item.getAsFile()];
      return { kind: 'file', type: item.type, webkitGetAsEntry: () => entry, getAsFile: () => file };
    });
  return { type: 'drop', dataTransfer: { items } } as unknown as Event;
}
