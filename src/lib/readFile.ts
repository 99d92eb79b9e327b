import { contentOf, LONGEST_TEXT, type Encoding } from '../core/index.js';

/** A file that holds a text. */
export interface ReadFile {
  readonly file: string;
  readonly text: string;
  readonly encoding: Encoding;
}

/** In UTF-16 a character takes two bytes, and some characters of UTF-8 three. */
const MOST_BYTES = LONGEST_TEXT * 3;

/** Reads a file that was dropped or chosen; says in words where it is none that can be read. */
export async function readFile(file: File): Promise<ReadFile | { readonly refused: string }> {
  const name = `“${file.name.length > 40 ? `${file.name.slice(0, 39)}…` : file.name}”`;
  if (file.size > MOST_BYTES) return { refused: `${name} is too large to be a pattern.` };
  let bytes: Uint8Array;
  try {
    bytes = new Uint8Array(await file.arrayBuffer());
  } catch {
    return { refused: `${name} could not be read. A folder can't be taken in; drop its files.` };
  }
  const content = contentOf(bytes);
  if (content.kind === 'empty') return { refused: `${name} is empty.` };
  if (content.kind === 'other')
    return { refused: `${name} is ${content.what}, and can't be read. Copy its text, or save it as plain text.` };
  if (content.text.length > LONGEST_TEXT) return { refused: `${name} is too long to be one pattern.` };
  return { file: file.name, text: content.text.replace(/\r\n?/g, '\n'), encoding: content.encoding };
}

/** What a pattern is called that comes from a file. */
export function nameOfFile(file: string): string {
  return file.replace(/\.(?:txt|text|md|markdown)$/i, '');
}
