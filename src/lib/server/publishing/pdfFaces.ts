import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { create, type Font } from 'fontkit';

/** How letters look: regular or bold. */
export type Weight = 'regular' | 'bold';

/** Letters that are written in one face, in the order of the text. */
export interface Run {
  readonly text: string;
  readonly face: Face;
}

/** One file of a typeface, which has some of the letters. */
export interface Face {
  readonly name: string;
  readonly file: Buffer;
  readonly has: (letter: number) => boolean;
  /** Of letters that are shaped together; thousandths of the size. */
  readonly wide: (text: string) => number;
}

const require = createRequire(import.meta.url);
/** The last of them has nearly all letters and signs that there are. */
const FILES: Record<Weight, readonly string[]> = {
  regular: ['@expo-google-fonts/literata/400Regular/Literata_400Regular.ttf', 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf'],
  bold: ['@expo-google-fonts/literata/700Bold/Literata_700Bold.ttf', 'dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf'],
};
/** Signs that are nothing to be seen: joiners, marks of direction, variants. */
const UNSEEN = /[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2064\u2066-\u2069\ufe00-\ufe0f\ufeff]/gu;
/** Blanks and marks above letters stay in the face of what stands before them. */
const STAYS = /[\s\p{M}]/u;
/** Stands for a letter that no face has. */
const INSTEAD = '?';

/** The faces of a paper; letters that none of them has are gathered. */
export class Faces {
  readonly missing = new Set<string>();

  /** A text in runs of one face each. Letters that no face has are written as a question mark. */
  runs(text: string, weight: Weight): Run[] {
    const runs: { text: string; face: Face }[] = [];
    for (const letter of text.replace(UNSEEN, '').replaceAll('\t', '    ')) {
      const last = runs.at(-1);
      const face = this.#faceOf(letter, weight, last?.face);
      const written = face ? letter : INSTEAD;
      const used = face ?? faceAt(weight, 0);
      if (last && last.face === used) last.text += written;
      else runs.push({ text: written, face: used });
    }
    return runs;
  }

  #faceOf(letter: string, weight: Weight, last: Face | undefined): Face | null {
    const code = letter.codePointAt(0) ?? 0;
    if (STAYS.test(letter) && last?.has(code)) return last;
    for (let i = 0; i < FILES[weight].length; i += 1) {
      const face = faceAt(weight, i);
      if (face.has(code)) return face;
    }
    this.missing.add(letter);
    return null;
  }
}

const opened = new Map<string, Face>();

function faceAt(weight: Weight, index: number): Face {
  const name = FILES[weight][index] ?? '';
  const face = opened.get(name) ?? open(name);
  opened.set(name, face);
  return face;
}

function open(name: string): Face {
  const file = readFileSync(require.resolve(name));
  const font = create(file) as Font;
  const known = new Map<string, number>();
  const measured = (text: string) => (font.layout(text).advanceWidth / font.unitsPerEm) * 1000;
  return {
    name,
    file,
    has: (letter) => font.hasGlyphForCodePoint(letter),
    wide: (text) => {
      const wide = known.get(text) ?? measured(text);
      known.set(text, wide);
      return wide;
    },
  };
}
