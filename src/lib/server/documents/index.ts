import { LONGEST_TEXT } from '../../../core/index.js';
import { isArchive } from './archive.js';
import { LARGEST_FILE, NotTaken, TOO_LARGE_A_FILE, type FileIn, type Format, type Taken } from './document.js';
import { otherLanguage } from './language.js';
import { LETTER } from './letter.js';
import { OPEN_DOCUMENT } from './openDocument.js';
import { PAGE } from './page.js';
import { PDF } from './pdf.js';
import { PLAIN } from './plain.js';
import { RICH_TEXT } from './richText.js';
import { TABLE_TEXT, WORKBOOK } from './sheet.js';
import { WORD } from './word.js';
import { written } from './writing.js';

/** All kinds of files that can be taken in, those first that can be told by their bytes. */
export const FORMATS: readonly Format[] = [
  WORD,
  OPEN_DOCUMENT,
  WORKBOOK,
  PDF,
  RICH_TEXT,
  PAGE,
  LETTER,
  TABLE_TEXT,
  PLAIN,
];

/** What a file is that begins so and can't be taken in, and what to do about it. */
const OTHERS: readonly (readonly [begins: RegExp, says: string])[] = [
  [
    /^(?:\x89PNG|\xff\xd8\xff|GIF8|II\*\0|MM\0\*|RIFF|BM[^]{4}\0\0\0\0|[^]{4}ftyp(?:heic|mif1|avif))/,
    'This is a picture, and Dostik reads no pictures. Ask for the text, or have it recognised first.',
  ],
  [
    /^\xd0\xcf\x11\xe0/,
    'This was written by an older word processor (.doc or .xls). Open it there, save it as .docx, .xlsx or .pdf, and take that in.',
  ],
  [/^(?:MZ|\x7fELF|\xca\xfe\xba\xbe|\xcf\xfa\xed\xfe)/, 'This is a program, whatever its name says. It is not read.'],
  [/^(?:\x1f\x8b|7z\xbc\xaf|Rar!|BZh)/, 'This is an archive. Unpack it, and take in what is inside.'],
];

/**
 * Takes in a file, whatever it is called: what it is shows in its bytes.
 * @param progress is told how much is read, from 0 to 1.
 * @throws NotTaken where that can't be done, in words that say what to do.
 */
export async function takenFrom(
  bytes: Uint8Array,
  name: string,
  progress: (share: number) => void = () => undefined,
): Promise<Taken> {
  if (bytes.length === 0) throw new NotTaken('This file is empty.');
  if (bytes.length > LARGEST_FILE) throw new NotTaken(TOO_LARGE_A_FILE);
  const file: FileIn = { name, bytes, head: Buffer.from(bytes.subarray(0, 4096)).toString('latin1') };
  const format = formatOf(file);
  const { blocks, left = [] } = await format.read(file, progress);
  const { text, notes } = written(blocks);
  if (text.trim() === '') throw new NotTaken(emptyOf(format));
  if (text.length > LONGEST_TEXT)
    throw new NotTaken('The text of this file is too long to be one pattern. Split it, and take in the parts.');
  const language = otherLanguage(text);
  const foreign =
    language === null ? [] : [`This seems to be in ${language}; only English is read yet. It is kept as it came.`];
  return { kind: format.kind, text, notes, left: [...left, ...foreign] };
}

function formatOf(file: FileIn): Format {
  const known = FORMATS.find((format) => format !== PLAIN && format.is(file));
  if (known) return known;
  const other = OTHERS.find(
    ([begins]) => begins.test(file.head) && (!/^(?:MZ|BM)/.test(file.head) || /[\0-\x08]/.test(file.head)),
  );
  if (other) throw new NotTaken(other[1]);
  if (isArchive(file))
    throw new NotTaken('This is an archive, and no document that Dostik knows. Unpack it, and take in what is inside.');
  return PLAIN;
}

function emptyOf({ kind }: Format): string {
  return kind === PLAIN.kind
    ? 'This file is empty.'
    : `There are no words in this ${kind}: it is empty, or holds only pictures.`;
}
