/** What a file is taken in as: its text, with what stands in the document and is no part of its text. */
export interface Taken {
  /** What it was: "Word document". */
  readonly kind: string;
  readonly text: string;
  /** Remarks that somebody has put beside lines of the text. */
  readonly notes: readonly LineNote[];
  /** What was left out or could not be read, in words. */
  readonly left: readonly string[];
}

/** A remark beside a line. */
export interface LineNote {
  /** Of the text, from 1. */
  readonly line: number;
  /** What the line says: it is known by that when the text has changed. */
  readonly about: string;
  readonly by: string | null;
  readonly text: string;
}

/** A kind of file that can be taken in. */
export interface Format {
  /** As a person calls it, without an article: "Word document". */
  readonly kind: string;
  /** Whether a file is of this kind, by its bytes; the name is asked only where the bytes can't tell. */
  readonly is: (file: FileIn) => boolean;
  /**
   * @param progress is told how much of the file is read, from 0 to 1.
   * @throws NotTaken where it can't be read, in words that say what to do.
   */
  readonly read: (file: FileIn, progress: (share: number) => void) => Contents | Promise<Contents>;
}

/** A file as it has come. */
export interface FileIn {
  readonly name: string;
  readonly bytes: Uint8Array;
  /** Its first bytes, one character each, for recognising it. */
  readonly head: string;
}

/** What a format finds in a file: parts of a document in their order, or a text that stays as it is. */
export interface Contents {
  readonly blocks: readonly Block[] | string;
  readonly left?: readonly string[];
}

/** A paragraph, which may hold line ends, or a table; with the remarks that are tied to it. */
export type Block =
  | { readonly kind: 'paragraph'; readonly text: string; readonly notes?: readonly Remark[] }
  | { readonly kind: 'table'; readonly rows: readonly (readonly string[])[]; readonly notes?: readonly Remark[] };

export type Remark = Pick<LineNote, 'by' | 'text'>;

/** A file that can't be taken in; the message is for people, and says what to do. */
export class NotTaken extends Error {}

/** Larger files are refused before they are looked at; bytes. */
export const LARGEST_FILE = 20_000_000;

export const TOO_LARGE_A_FILE = `This file is larger than ${LARGEST_FILE / 1_000_000} MB, and can’t be taken in. Save it without its pictures, or copy the text.`;
