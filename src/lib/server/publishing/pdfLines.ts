import bidiFactory from 'bidi-js';
import type { Face, Faces, Run, Weight } from './pdfFaces.js';

/** Words in one weight: "Rnd 3:" is bold, what follows is not. */
export interface Said {
  readonly text: string;
  readonly weight: Weight;
}

/** A piece of a line, to be written from left to right; widths and places in points. */
export interface Placed {
  readonly text: string;
  readonly face: Face;
  readonly x: number;
}

/** A line of a paragraph. */
export interface Line {
  readonly pieces: readonly Placed[];
  readonly wide: number;
  /** Whether its words go from right to left. */
  readonly backwards: boolean;
}

const bidi = bidiFactory();
const BACKWARDS = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/u;

/**
 * Breaks words into lines of a width. What is longer than a line is broken where the line ends.
 * @param size of the letters; points
 */
export function linesOf(said: readonly Said[], size: number, width: number, faces: Faces): Line[] {
  const lines: Line[] = [];
  const whole = said.map(({ text }) => text).join('');
  const direction = BACKWARDS.test(whole) ? directionOf(whole) : 'ltr';
  let line: Said[] = [];
  let used = 0;
  const end = () => {
    lines.push(lineOf(line, size, faces, direction));
    line = [];
    used = 0;
  };
  for (const word of wordsOf(said)) {
    if (word.text === '\n') {
      end();
      continue;
    }
    for (const piece of fitting(word, size, width, faces)) {
      const wide = wideOf([piece], size, faces);
      const isBlank = piece.text.trim() === '';
      if (used > 0 && !isBlank && used + wide > width) end();
      if (isBlank && used === 0 && lines.length > 0) continue;
      line.push(piece);
      used += wide;
    }
  }
  if (line.length > 0 || lines.length === 0) end();
  return lines;
}

/** Words and the blanks between them, each by itself; line ends too. */
function* wordsOf(said: readonly Said[]): Iterable<Said> {
  for (const { text, weight } of said)
    for (const [word] of text.matchAll(/\n|[^\S\n]+|\S+/gu)) yield { text: word, weight };
}

/** A word in pieces that fit in a line. */
function* fitting(word: Said, size: number, width: number, faces: Faces): Iterable<Said> {
  if (wideOf([word], size, faces) <= width) {
    yield word;
    return;
  }
  const measure = (text: string) => wideOf([{ ...word, text }], size, faces);
  const letters = Array.from(word.text);
  for (let from = 0; from < letters.length;) {
    // Letter by letter it is about as wide as it is in one; the whole is measured once more.
    let to = from + 1;
    for (let sum = measure(letters[from] ?? ''); to < letters.length; to += 1) {
      sum += measure(letters[to] ?? '');
      if (sum > width) break;
    }
    while (to > from + 1 && measure(letters.slice(from, to).join('')) > width) to -= 1;
    yield { ...word, text: letters.slice(from, to).join('') };
    from = to;
  }
}

function wideOf(said: readonly Said[], size: number, faces: Faces): number {
  let sum = 0;
  for (const { text, weight } of said)
    for (const { text: run, face } of faces.runs(text, weight)) sum += face.wide(run);
  return (sum * size) / 1000;
}

type Direction = 'ltr' | 'rtl';

/** Which way a paragraph goes: that of its first letter. */
function directionOf(text: string): Direction {
  const [paragraph] = bidi.getEmbeddingLevels(text).paragraphs;
  return paragraph && paragraph.level % 2 === 1 ? 'rtl' : 'ltr';
}

function lineOf(words: readonly Said[], size: number, faces: Faces, direction: Direction): Line {
  const said = joined(words);
  const text = said.map((one) => one.text).join('');
  const levelled = BACKWARDS.test(text)
    ? inVisualOrder(said, text, direction)
    : said.map((one) => ({ ...one, level: 0 }));
  const pieces: Placed[] = [];
  let x = 0;
  for (const { text: words, weight, level } of levelled)
    for (const { text: run, face } of level % 2 === 1 ? turnedRuns(words, weight, faces) : faces.runs(words, weight)) {
      pieces.push({ text: run, face, x });
      x += (face.wide(run) * size) / 1000;
    }
  return { pieces, wide: x, backwards: direction === 'rtl' };
}

/** Words that go from right to left, from the left: a face turns the letters of a word, and nothing beyond it. */
function turnedRuns(words: string, weight: Weight, faces: Faces): Run[] {
  const mirrored = words.replace(/./gsu, (letter) => bidi.getMirroredCharacter(letter) ?? letter);
  return (mirrored.match(/\s+|\S+/gu) ?? []).reverse().flatMap((word) => faces.runs(word, weight).reverse());
}

/** Neighbours of the same weight in one, without the blanks at the end. */
function joined(words: readonly Said[]): Said[] {
  const last = words.findLastIndex(({ text }) => text.trim() !== '');
  const runs: { text: string; weight: Weight }[] = [];
  for (const { text, weight } of words.slice(0, last + 1)) {
    const before = runs.at(-1);
    if (before?.weight === weight) before.text += text;
    else runs.push({ text, weight });
  }
  return runs;
}

interface Levelled extends Said {
  /** Odd where it goes from right to left. */
  readonly level: number;
}

/** The words as they stand from left to right (Unicode annex 9). */
function inVisualOrder(said: readonly Said[], text: string, direction: Direction): Levelled[] {
  const { levels } = bidi.getEmbeddingLevels(text, direction);
  const weights = said.flatMap(({ text: words, weight }) => Array.from({ length: words.length }, () => weight));
  const runs: { text: string; weight: Weight; level: number }[] = [];
  for (let i = 0; i < text.length; i += 1) {
    const [level, weight] = [levels[i] ?? 0, weights[i] ?? 'regular'];
    const before = runs.at(-1);
    if (before?.level === level && before.weight === weight) before.text += text.charAt(i);
    else runs.push({ text: text.charAt(i), weight, level });
  }
  let order: Levelled[] = runs;
  for (let level = Math.max(...runs.map((run) => run.level)); level > 0; level -= 1) order = turned(order, level);
  return order;
}

/** Each stretch of runs from a level on, the other way round. */
function turned<One extends { readonly level: number }>(runs: readonly One[], level: number): One[] {
  const out: One[] = [];
  let stretch: One[] = [];
  for (const run of runs) {
    if (run.level >= level) stretch.unshift(run);
    else {
      out.push(...stretch, run);
      stretch = [];
    }
  }
  return [...out, ...stretch];
}
