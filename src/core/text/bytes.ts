/** What the bytes of a file are: a text, in one of the encodings in which texts are kept, or something else. */
export type FileContent =
  | { readonly kind: 'text'; readonly text: string; readonly encoding: Encoding }
  | { readonly kind: 'empty' }
  /** `what`: "a picture", "an archive", as far as it can be told. */
  | { readonly kind: 'other'; readonly what: string };

export type Encoding = 'UTF-8' | 'UTF-16' | 'Windows-1252';

/** How files begin that are no text. An archive is also what the newer word processors write. */
const SIGNATURES: readonly (readonly [begins: string, what: string])[] = [
  ['\x89PNG', 'a picture'],
  ['\xff\xd8\xff', 'a picture'],
  ['GIF8', 'a picture'],
  ['BM', 'a picture'],
  ['II*\0', 'a picture'],
  ['MM\0*', 'a picture'],
  ['RIFF', 'a picture or a film'],
  ['%PDF-', 'a .pdf'],
  ['{\\rtf', 'rich text (.rtf)'],
  ['PK\x03\x04', 'an archive, or a document of a word processor (.docx, .odt)'],
  ['PK\x05\x06', 'an archive'],
  ['\x1f\x8b', 'an archive'],
  ['7z\xbc\xaf', 'an archive'],
  ['Rar!', 'an archive'],
  ['\xd0\xcf\x11\xe0', 'a document of a word processor (.doc)'],
  ['\x7fELF', 'a program'],
  ['MZ', 'a program'],
];
/** Signatures of two letters begin many a text too: such a file has to hold what no text holds. */
const SHORT = 2;
/** Enough of a file to see what it is; bytes. */
const LOOKED_AT = 4096;

/** Looks at the bytes of a file. Never throws. */
export function contentOf(bytes: Uint8Array): FileContent {
  const head = String.fromCharCode(...bytes.subarray(0, LOOKED_AT));
  const known = SIGNATURES.find(([begins]) => head.startsWith(begins) && (begins.length > SHORT || oddities(head) > 0));
  if (known) return { kind: 'other', what: known[1] };
  const found = decoded(bytes, head);
  if (found === null || tooOdd(found.text)) return { kind: 'other', what: 'no text' };
  return found.text.trim() === '' ? { kind: 'empty' } : { kind: 'text', ...found };
}

function decoded(bytes: Uint8Array, head: string): { text: string; encoding: Encoding } | null {
  const wide = wideEncoding(head);
  if (wide !== null) return { text: new TextDecoder(wide).decode(bytes), encoding: 'UTF-16' };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    // Any bytes can be taken for Windows-1252; what comes of it is looked at.
    return { text: windows1252(bytes), encoding: 'Windows-1252' };
  }
}

/** Windows-1252 from 0x80 to 0x9f; Node 20 decodes these as Latin-1. https://encoding.spec.whatwg.org/index-windows-1252.txt */
const HIGH = '€\x81‚ƒ„…†‡ˆ‰Š‹Œ\x8dŽ\x8f\x90‘’“”•–—˜™š›œ\x9džŸ';

function windows1252(bytes: Uint8Array): string {
  const latin1 = new TextDecoder('latin1').decode(bytes);
  return latin1.replace(/[\x80-\x9f]/g, (c) => HIGH.charAt(c.charCodeAt(0) - 0x80));
}

/** UTF-16 tells itself by its first character, or by a NUL in every other place. */
function wideEncoding(head: string): 'utf-16le' | 'utf-16be' | null {
  if (head.startsWith('\xff\xfe')) return 'utf-16le';
  if (head.startsWith('\xfe\xff')) return 'utf-16be';
  let [even, odd] = [0, 0];
  for (let i = 0; i < head.length; i += 1)
    if (head.charCodeAt(i) === 0) {
      if (i % 2 === 0) even += 1;
      else odd += 1;
    }
  const many = head.length / 4;
  return odd > many && even === 0 ? 'utf-16le' : even > many && odd === 0 ? 'utf-16be' : null;
}

const ODD = /[\0-\x08\x0e-\x1a\x1c-\x1f\x7f\ufffd]/g;

function oddities(text: string): number {
  return text.match(ODD)?.length ?? 0;
}

/** One character in fifty that no text has: these are no words. */
function tooOdd(text: string): boolean {
  const some = text.slice(0, LOOKED_AT);
  return oddities(some) * 50 > some.length;
}
