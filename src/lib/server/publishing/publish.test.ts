import { readFileSync } from 'node:fs';
import { unzipSync, strFromU8 } from 'fflate';
import fc from 'fast-check';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { checkText } from '../../../core/index.js';
import { NotTaken } from '../documents/document.js';
import { takenFrom } from '../documents/index.js';
import type { Form } from './form.js';
import { publishingHere } from './here.js';
import { Faces } from './pdfFaces.js';
import { linesOf } from './pdfLines.js';
import { photograph } from './photograph.js';
import type { EditionAsked } from './publish.js';

const at = new Date('2026-03-04T10:00:00Z');
const asked = (text: string, form: Form, more: Partial<EditionAsked> = {}): EditionAsked => ({
  text,
  options: { terms: 'auto', name: 'Untitled' },
  version: 'Version 1.0',
  pictures: [],
  form,
  sheet: 'a4',
  print: 'normal',
  at,
  ...more,
});
const made = async (text: string, form: Form, more: Partial<EditionAsked> = {}) =>
  publishingHere.edition(asked(text, form, more));

const figures = (text: string) =>
  checkText(text, '').parts.flatMap(({ make, rounds }) => rounds.map((round) => [make, round.into, round.made]));
const textIn = (bytes: Uint8Array) => Buffer.from(bytes).toString('utf8');

const NAMES = ['bat', 'bee', 'cottage', 'cube', 'gnome', 'mitre-fox', 'mushroom', 'pea'];
const PATTERNS = NAMES.map((name) => [name, readFileSync(`corpus/${name}.txt`, 'utf8')] as const);

describe('a file that another program goes on with', () => {
  it.each(
    PATTERNS.flatMap(([name, text]) => (['docx', 'html', 'txt'] as const).map((form) => [form, name, text] as const)),
  )('as .%s is taken in again with the same counts: %s', async (form, _, text) => {
    const { bytes, proved } = await made(text, form);
    expect(proved).toBe(true);
    expect(figures((await takenFrom(bytes, `a.${form}`)).text)).toEqual(figures(text));
  });

  it.each(['pdf', 'docx', 'md', 'html', 'txt'] as const)('.%s has the same bytes for the same input', async (form) => {
    const [, text] = PATTERNS[0] ?? ['', ''];
    const [one, other] = [await made(text, form), await made(text, form)];
    expect(Buffer.compare(Buffer.from(one.bytes), Buffer.from(other.bytes))).toBe(0);
    expect(one.bytes.length).toBeGreaterThan(500);
  });
});

const HARD = `${'A Very Long Name '.repeat(12)}

US terms. Half ½, twice ×, a dash – not ≠ “quoted” café, for Ελένη and Жанна.

Notes
שלום, זהו דוב קטן (6 cm) לסריגה.

BALL (make 2)
Rnd 1: 6 sc in MR (6)
Rnd 2: ${Array.from({ length: 90 }, () => 'sc in the next st').join(', ')} (6)
Rnd 3: ${'x'.repeat(700)} (6)
${Array.from({ length: 400 }, (_, i) => `Rnd ${i + 4}: sc in each st around (6)`).join('\n')}
Fasten off.
`;

describe('a .pdf', () => {
  it.each([
    ['a4', 'normal'],
    ['letter', 'large'],
  ] as const)('on %s in %s print gives every round and every letter', async (sheet, print) => {
    const { bytes, told } = await made(HARD, 'pdf', { sheet, print });
    expect(told.join(' ')).not.toContain('question mark');
    const { text } = await takenFrom(bytes, 'hard.pdf');
    for (let round = 1; round <= 403; round += 1) expect(text).toContain(`Rnd ${round}:`);
    expect(text.match(/\(6\)/g)?.length).toBe(403);
    for (const word of ['½', '×', '–', '≠', '“quoted”', 'café', 'Ελένη', 'Жанна', 'sc in the next st'])
      expect(text).toContain(word);
  });

  it('is tagged, in its language, by its title; part headings are in its contents', async () => {
    const { bytes } = await made('THE VOLE\n\nUK terms\n\nBODY\nRnd 1: 6 dc in MR (6)\nFasten off.\n', 'pdf');
    const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    const document = await getDocument({ data: bytes, verbosity: 0 }).promise;
    expect(await document.getMarkInfo()).toMatchObject({ Marked: true });
    expect((await document.getMetadata()).info).toMatchObject({ Title: 'THE VOLE', Language: 'en-GB' });
    expect((await document.getOutline()).map(({ title }) => title)).toEqual(['Abbreviations', 'BODY']);
    const tree = await (await document.getPage(1)).getStructTree();
    expect(JSON.stringify(tree)).toMatch(/"H1".*"P".*"H2".*"P"/);
  });

  it('says which letters no face has', async () => {
    const { told } = await made('BEAR 熊\n\nUS terms\n\nRnd 1: 6 sc in MR (6)\n', 'pdf');
    expect(told.at(-1)).toMatch(/question mark stands for each: 熊$/);
  });
});

describe('lines', () => {
  const faces = new Faces();
  const wordsIn = (text: string, width: number) =>
    linesOf([{ text, weight: 'regular' }], 10, width, faces).map(({ pieces }) =>
      pieces.map((piece) => piece.text).join(''),
    );

  it('are never wider than they may be, and nothing of the words is lost', () => {
    const word = fc.oneof(fc.stringMatching(/^[a-z]{1,12}$/), fc.constantFrom('½', 'Ж', '≠', 'a'.repeat(60)));
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 30 }),
        fc.integer({ min: 40, max: 300 }),
        (words, width) => {
          const lines = linesOf([{ text: words.join(' '), weight: 'regular' }], 10, width, faces);
          for (const { wide } of lines) expect(wide).toBeLessThanOrEqual(width + 0.01);
          expect(wordsIn(words.join(' '), width).join('').replace(/\s/g, '')).toBe(words.join(''));
        },
      ),
      { numRuns: 100 },
    );
  });

  it('go from right to left, word by word, where the writing does', () => {
    const [line] = linesOf([{ text: 'שלום דוב (6 cm)', weight: 'regular' }], 10, 400, faces);
    expect(line?.backwards).toBe(true);
    // From the left, as the algorithm has it: the figure is read before its unit, and the brackets are turned round.
    expect(line?.pieces.map(({ text }) => text.trim()).filter(Boolean)).toEqual(['(', 'cm', '6', ')', 'דוב', 'שלום']);
  });
});

describe('photographs', () => {
  const picture = (width: number, height: number, kind: 'jpeg' | 'png' = 'jpeg') =>
    sharp({
      create: { width, height, channels: kind === 'png' ? 4 : 3, background: kind === 'png' ? '#f008' : '#789' },
    })
      .toFormat(kind)
      .toBuffer();

  it('are kept as large as a page needs, and it is told where they came larger', async () => {
    expect(await photograph(await picture(6000, 3000))).toMatchObject({
      type: 'jpeg',
      width: 1600,
      height: 800,
      smaller: true,
    });
    expect(await photograph(await picture(300, 200))).toMatchObject({ width: 300, height: 200, smaller: false });
    expect(await photograph(await picture(40, 40, 'png'))).toMatchObject({ type: 'png' });
  });

  it('carry nothing of where and when they were taken', async () => {
    const image = sharp(await picture(20, 20)).withExif({ IFD0: { Copyright: 'Kept by nobody' } });
    const { bytes } = await photograph(await image.jpeg().toBuffer());
    expect(Buffer.from(bytes).includes('Kept by nobody')).toBe(false);
  });

  it('that are none are refused in words', async () => {
    await expect(photograph(new Uint8Array([1, 2, 3]))).rejects.toThrow(NotTaken);
  });

  it('stand in every form that can hold them, with what is to be seen on them', async () => {
    const { bytes, type, width, height } = await photograph(await picture(400, 300));
    const pictures = [{ bytes, type, width, height, alt: 'The vole, asleep' }];
    const text = 'THE VOLE\n\nUS terms\n\nRnd 1: 6 sc in MR (6)\n';
    expect(textIn((await made(text, 'html', { pictures })).bytes)).toContain('alt="The vole, asleep"');
    const parts = unzipSync((await made(text, 'docx', { pictures })).bytes);
    expect(strFromU8(parts['word/document.xml'] ?? new Uint8Array())).toContain('The vole, asleep');
    expect(Object.keys(parts).some((name) => name.startsWith('word/media/'))).toBe(true);
    expect(Buffer.from((await made(text, 'pdf', { pictures })).bytes).toString('latin1')).toContain(
      '/Alt (The vole, asleep)',
    );
    expect((await made(text, 'txt', { pictures })).told).toContain('The photographs are left out: a text has none.');
  });
});

describe('Markdown', () => {
  it('shows the stars of a repeat as stars, and has a box before each round', async () => {
    const text = 'BALL\n\nUS terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: *sc, inc; rep from * around (9)\n';
    const words = textIn((await made(text, 'md')).bytes);
    expect(words).toContain('- [ ] **Rnd 2:** \\*sc, inc; rep from \\* around **(9)**');
    expect(figures((await takenFrom(new Uint8Array(Buffer.from(words)), 'a.md')).text)).toEqual(figures(text));
  });
});
