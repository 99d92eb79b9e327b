import {
  checkText,
  editionOf,
  asText,
  paperOf,
  type Edition,
  type EditionOptions,
  type Paper,
  type Report,
} from '../../../core/index.js';
import { takenFrom } from '../documents/index.js';
import type { Form, Picture, Publication } from './form.js';
import { asMarkdown } from './markdown.js';
import { asPage } from './page.js';
import { asPdf } from './pdf.js';
import { asWordDocument } from './wordDocument.js';

/** A file that was made, and what there is to say of it. */
export interface Made {
  readonly bytes: Uint8Array;
  /** What is laid out otherwise than in the text, and letters that could not be written; a sentence each. */
  readonly told: readonly string[];
  /** Taken in again it is read with the same counts. */
  readonly proved: boolean;
}

/** How a file is laid out. */
export interface Layout {
  readonly form: Form;
  readonly sheet: Publication['sheet'];
  readonly print: Publication['print'];
  readonly at: Date;
}

/** An edition that is to be made into a file. */
export interface EditionAsked extends Layout {
  readonly text: string;
  readonly options: EditionOptions;
  /** What stands on every page besides the terms: "Version 1.0". */
  readonly version: string;
  readonly pictures: readonly Picture[];
}

/** Forms that other programs go on with, which are read again for proof. A page of print is no text. */
const READ_AGAIN: ReadonlySet<Form> = new Set(['docx', 'html']);

/** Lays out an edition as a file, and reads it again: where its counts come out otherwise, its lines stay as they are written. */
export async function publishedEdition(asked: EditionAsked): Promise<Made> {
  const { text, options, form, version, pictures } = asked;
  const file = async (edition: Edition): Promise<Made> => {
    const foot = [version, `${edition.terms.toUpperCase()} terms`].filter(Boolean).join(' · ');
    const { bytes, told } = await published(paperOf(edition, foot, pictures.length), pictures, asked);
    const proved = edition.proved && (!READ_AGAIN.has(form) || (await readsAs(bytes, text, options, edition.terms)));
    return { bytes, told: [...edition.anew, ...told], proved };
  };
  const made = await file(laidOut(text, options));
  if (made.proved) return made;
  const again = await file(laidOut(text, { ...options, asWritten: true }));
  const told = again.proved
    ? again.told
    : [...again.told, 'Taken in again, it is read with other counts than the text.'];
  return { ...again, told };
}

/** What was read last: the same text is asked for in one form after the other. */
const READ = new Map<string, unknown>();
const MOST_READ = 8;

function readOnce<Read>(what: string, text: string, options: EditionOptions, read: () => Read): Read {
  const key = JSON.stringify([what, text, options]);
  if (!READ.has(key)) READ.set(key, read());
  for (const old of [...READ.keys()].slice(0, -MOST_READ)) READ.delete(old);
  return READ.get(key) as Read;
}

const laidOut = (text: string, options: EditionOptions) =>
  readOnce('edition', text, options, () => editionOf(text, options));

/** Any other paper as a file. */
export async function published(
  paper: Paper,
  pictures: readonly Picture[],
  { form, at, sheet, print }: Layout,
): Promise<{ readonly bytes: Uint8Array; readonly told: readonly string[] }> {
  const publication: Publication = { paper, pictures, at, sheet, print };
  switch (form) {
    case 'pdf': {
      const { bytes, missing } = await asPdf(publication);
      const told =
        missing.length === 0
          ? []
          : [`No face has these letters, and a question mark stands for each: ${missing.join(' ')}`];
      return { bytes, told };
    }
    case 'docx':
      return { bytes: await asWordDocument(publication), told: [] };
    case 'html':
      return { bytes: bytesOf(asPage(publication)), told: [] };
    case 'md':
      return { bytes: bytesOf(asMarkdown(paper)), told: withoutPictures(pictures) };
    case 'txt':
      return { bytes: bytesOf(asText(paper)), told: withoutPictures(pictures) };
  }
}

function withoutPictures(pictures: readonly Picture[]): string[] {
  return pictures.length === 0 ? [] : ['The photographs are left out: a text has none.'];
}

const bytesOf = (text: string) => new Uint8Array(Buffer.from(text, 'utf8'));

async function readsAs(bytes: Uint8Array, text: string, options: EditionOptions, terms: 'us' | 'uk'): Promise<boolean> {
  const own = readOnce('figures', text, options, () => figures(checkText(text, '', options)));
  const again = await takenFrom(bytes, '');
  return figures(checkText(again.text, '', { ...options, terms })) === own;
}

function figures({ parts }: Report): string {
  return JSON.stringify(
    parts.flatMap(({ make, rounds }) =>
      rounds.map(({ from, to, into, made, stated }) => [make, from, to, into, made, stated ?? made]),
    ),
  );
}
