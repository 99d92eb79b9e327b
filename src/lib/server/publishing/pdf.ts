import { roundWords, type Block } from '../../../core/index.js';
import type { Picture, Publication } from './form.js';
import { linesOf, type Line, type Said } from './pdfLines.js';
import { Pages } from './pdfPages.js';

type Of<Kind extends Block['kind']> = Extract<Block, { kind: Kind }>;

/** Sizes in points; distances in ems of the words. */
const SIZE = { normal: 10.5, large: 16 };
const HEADING = { 1: 2, 2: 1.35, 3: 1.1 };
/** Longer ones are set smaller; letters. */
const LONG_TITLE = 90;
const ABOVE = { 1: 0, 2: 1.9, 3: 1.1 };
const BOX = 1.9;
const GAP = 0.45;
/** The column of the counts has at most such a share of the width. */
const WIDEST_COUNT = 0.3;
/** A picture takes at most such a share of a page's height. */
const TALLEST = 0.55;
/** A round that is longer than such a share of a page may go over to the next. */
const LONGEST_KEPT = 0.35;
/** So many lines of what follows stand on the page of a heading. */
const FOLLOWING = 3;

/** A laid out paper, and letters that none of the faces has; they stand in it as question marks. */
export interface Printed {
  readonly bytes: Uint8Array;
  readonly missing: readonly string[];
}

/** A paper as a .pdf with its structure tagged, its language and its title, for A4 or Letter. */
export async function asPdf(publication: Publication): Promise<Printed> {
  const pages = new Pages(publication);
  new Printer(pages, publication).print();
  return { bytes: await pages.end(), missing: [...pages.faces.missing] };
}

class Printer {
  readonly #pages: Pages;
  readonly #pictures: readonly Picture[];
  readonly #blocks: readonly Block[];
  readonly #size: number;
  readonly #countWide: number;

  constructor(pages: Pages, { paper, pictures, print }: Publication) {
    this.#pages = pages;
    this.#pictures = pictures;
    this.#blocks = paper.blocks;
    this.#size = SIZE[print];
    this.#countWide = this.#widestCount();
  }

  print(): void {
    this.#blocks.forEach((block, i) => this.#block(block, i));
  }

  #block(block: Block, i: number): void {
    const before = this.#blocks[i - 1]?.kind;
    if ((before === 'round' || before === 'item') && before !== block.kind) this.#pages.space(this.#size * 0.7);
    switch (block.kind) {
      case 'heading':
        this.#heading(block, i);
        return;
      case 'paragraph':
        this.#words('P', [{ text: block.text, weight: 'regular' }], 0);
        return;
      case 'caution':
        this.#caution(block);
        return;
      case 'item':
        this.#item(block);
        return;
      case 'round':
        this.#round(block);
        return;
      case 'table':
        this.#table(block);
        return;
      case 'picture':
        this.#picture(this.#pictures[block.picture]);
        return;
    }
  }

  get #width(): number {
    return this.#pages.width;
  }

  #linesIn(said: readonly Said[], width: number, size = this.#size): Line[] {
    return linesOf(said, size, width, this.#pages.faces);
  }

  #heading({ level, text }: Of<'heading'>, i: number): void {
    const size = this.#size * HEADING[text.length > LONG_TITLE ? 2 : level];
    const lines = this.#linesIn([{ text, weight: 'bold' }], this.#width, size);
    const own = lines.length * this.#pages.lineHeight(size);
    this.#pages.space(this.#size * ABOVE[level]);
    this.#pages.keep(own + this.#headOf(this.#blocks[i + 1]));
    if (level === 2) this.#pages.mark(text);
    this.#pages.words(`H${level}`, lines, { size });
    this.#pages.space(this.#size * GAP);
  }

  /** How much of a block has to stand below its heading. */
  #headOf(block: Block | undefined): number {
    const few = this.#pages.lineHeight(this.#size) * FOLLOWING;
    if (block?.kind === 'round') return Math.min(this.#roundHeight(block), this.#pages.height / 2);
    return block === undefined ? 0 : few;
  }

  #words(tag: string, said: readonly Said[], indent: number): void {
    const lines = this.#linesIn(said, this.#width - indent);
    this.#pages.words(tag, lines, { size: this.#size, x: indent });
    this.#pages.space(this.#size * GAP);
  }

  #caution({ text }: Of<'caution'>): void {
    const indent = this.#size;
    const lines = this.#linesIn([{ text, weight: 'bold' }], this.#width - indent);
    this.#pages.keep(lines.length * this.#pages.lineHeight(this.#size));
    this.#pages.words('P', lines, { size: this.#size, x: indent, bar: true });
    this.#pages.space(this.#size * GAP);
  }

  #item({ text }: Of<'item'>): void {
    const indent = this.#size * 1.2;
    const lines = this.#linesIn([{ text, weight: 'regular' }], this.#width - indent);
    this.#pages.words('P', lines, { size: this.#size, x: indent, bullet: true });
    this.#pages.space(this.#size * 0.15);
  }

  #roundSaid({ label, words }: Of<'round'>): Said[] {
    const head: Said[] = label === '' ? [] : [{ text: `${roundWords({ label, words: '' })} `, weight: 'bold' }];
    return [...head, { text: words, weight: 'regular' }];
  }

  #round(block: Of<'round'>): void {
    const box = this.#size * BOX;
    const lines = this.#linesIn(this.#roundSaid(block), this.#wordsWide);
    const counts = block.count === '' ? [] : this.#linesIn([{ text: block.count, weight: 'bold' }], this.#countWide);
    const high = this.#roundHeight(block);
    if (high < this.#pages.height * LONGEST_KEPT) this.#pages.keep(high);
    this.#pages.space(this.#size * 0.25);
    this.#pages.words('P', lines, {
      size: this.#size,
      x: box,
      box: true,
      beside: { lines: counts, right: this.#width },
    });
    this.#pages.space(this.#size * 0.25);
    this.#pages.rule();
  }

  #roundHeight(block: Of<'round'>): number {
    const lines = this.#linesIn(this.#roundSaid(block), this.#wordsWide).length;
    return lines * this.#pages.lineHeight(this.#size) + this.#size * 0.5;
  }

  get #wordsWide(): number {
    const gap = this.#countWide > 0 ? this.#size * 1.5 : 0;
    return this.#width - this.#size * BOX - this.#countWide - gap;
  }

  #widestCount(): number {
    let widest = 0;
    for (const block of this.#blocks) {
      if (block.kind !== 'round' || block.count === '') continue;
      const [line] = this.#linesIn([{ text: block.count, weight: 'bold' }], this.#width);
      widest = Math.max(widest, line?.wide ?? 0);
    }
    return Math.min(widest + 0.5, this.#width * WIDEST_COUNT);
  }

  #table({ head, rows, shares }: Of<'table'>): void {
    const gap = this.#size * 0.8;
    const wide = shares.map((share) => share * this.#width - gap);
    const cellsOf = (row: readonly string[], weight: 'regular' | 'bold') =>
      row.map((text, i) => this.#linesIn([{ text, weight }], wide[i] ?? this.#width, this.#size * 0.92));
    const starts = shares.map((_, i) => shares.slice(0, i).reduce((sum, share) => sum + share, 0) * this.#width);
    const headCells = cellsOf(head, 'bold');
    const table = this.#pages.table(this.#size * 0.92, starts);
    table.row('TH', headCells);
    for (const row of rows) table.row('TD', cellsOf(row, 'regular'), headCells);
    table.end();
    this.#pages.space(this.#size * GAP);
  }

  #picture(picture: Picture | undefined): void {
    if (!picture) return;
    const scale = Math.min(1, this.#width / picture.width, (this.#pages.height * TALLEST) / picture.height);
    this.#pages.picture(picture, picture.width * scale, picture.height * scale);
    this.#pages.space(this.#size);
  }
}
