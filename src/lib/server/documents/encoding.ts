import { analyse } from 'chardet';
import iconv from 'iconv-lite';

/** How sure the guess between old encodings has to be before it is taken over the commonest of them. */
const SURE = 30;
/** Enough of a file to tell its encoding by; bytes. */
const LOOKED_AT = 200_000;

/** A text from its bytes, and the encoding that it was in. */
export interface Decoded {
  readonly text: string;
  readonly encoding: string;
}

/**
 * The text that bytes hold: by their mark, as UTF-8 where they are that, as UTF-16 where every other byte is nil, and else
 * in the older encoding that their letters speak for.
 */
export function decoded(bytes: Uint8Array): Decoded {
  const marked = encodingMarked(bytes) ?? encodingByNils(bytes);
  if (marked !== null) return { text: iconv.decode(bytes, marked), encoding: marked };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    const encoding = olderEncoding(bytes.subarray(0, LOOKED_AT));
    return { text: iconv.decode(bytes, encoding), encoding };
  }
}

function encodingMarked(bytes: Uint8Array): string | null {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return 'UTF-8';
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'UTF-16LE';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'UTF-16BE';
  return null;
}

function encodingByNils(bytes: Uint8Array): string | null {
  const some = bytes.subarray(0, 4096);
  const nils = [0, 0];
  some.forEach((byte, i) => {
    if (byte === 0) nils[i % 2] = (nils[i % 2] ?? 0) + 1;
  });
  const [even = 0, odd = 0] = nils;
  const many = some.length / 4;
  return odd > many && even === 0 ? 'UTF-16LE' : even > many && odd === 0 ? 'UTF-16BE' : null;
}

/** Marks that patterns are full of, as each of two encodings writes them: “ ” ‘ ’ – — × ½ ¼ é. */
const WINDOWS = new Set([0x93, 0x94, 0x91, 0x92, 0x96, 0x97, 0xd7, 0xbd, 0xbc, 0xe9]);
const MAC = new Set([0xd2, 0xd3, 0xd4, 0xd5, 0xd0, 0xd1, 0x8e, 0xa5, 0xca, 0xc9]);

/** Between letters and blanks few of these marks are both; where they don't tell, the letters do. */
function olderEncoding(bytes: Uint8Array): string {
  let [windows, mac] = [0, 0];
  for (const byte of bytes) {
    if (WINDOWS.has(byte)) windows += 1;
    if (MAC.has(byte)) mac += 1;
  }
  if (mac > windows) return 'macroman';
  if (windows > 0) return 'windows-1252';
  const guess = analyse(bytes).find(({ name }) => iconv.encodingExists(name));
  return guess && guess.confidence >= SURE && guess.name !== 'UTF-8' ? guess.name : 'windows-1252';
}
