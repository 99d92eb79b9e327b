import { fromEvent } from 'file-selector';

/** A file with what it is called. */
export interface NamedFile {
  readonly name: string;
  readonly file: Blob;
}

/** What file managers leave lying about. */
const NONE = /^(?:\.|Thumbs\.db$|desktop\.ini$)/i;

/** The files that were dropped or chosen, those in folders among them; none where words were dragged. */
export async function filesIn(event: Event): Promise<NamedFile[]> {
  const found = await fromEvent(event);
  return found.flatMap((one) => (one instanceof File && !NONE.test(one.name) ? [{ name: one.name, file: one }] : []));
}
