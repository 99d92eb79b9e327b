import PDFDocument from 'pdfkit';
import { Faces } from './pdfFaces.js';
import type { Picture, Publication } from './form.js';
import { linesOf, type Line } from './pdfLines.js';

type Structure = ReturnType<PDFKit.PDFDocument['struct']>;

/** Points. */
const MARGIN = { side: 54, top: 54, foot: 62 };
const FOOT_SIZE = 8.5;
const LINE = 1.38;
/** Where the letters of a line stand, of its height. */
const BASE = 0.76;
const INK = '#1d1a16';
const SOFT = '#b9b2a6';

/** How lines are set: all in points, from the left margin. */
export interface Setting {
  readonly size: number;
  readonly x?: number;
  /** A box to tick, a bullet or a bar before them. */
  readonly box?: boolean;
  readonly bullet?: boolean;
  readonly bar?: boolean;
  /** Lines that end at the right, the last of them beside the last of the words. */
  readonly beside?: { readonly lines: readonly Line[]; readonly right: number };
}

/** Pages, filled from the top down, with everything on them tagged as what it is. */
export class Pages {
  readonly faces = new Faces();
  readonly width: number;
  readonly height: number;
  readonly #doc: PDFKit.PDFDocument;
  readonly #foot: string;
  readonly #root: Structure;
  readonly #done: Promise<Uint8Array>;
  readonly #known = new Set<string>();
  #y = 0;

  constructor({ paper: { title, language, foot }, at, sheet }: Publication) {
    this.#doc = new PDFDocument({
      size: sheet === 'a4' ? 'A4' : 'LETTER',
      margin: 0,
      font: '',
      pdfVersion: '1.7',
      tagged: true,
      lang: language,
      displayTitle: true,
      autoFirstPage: false,
      bufferPages: true,
      info: { Title: title, Creator: 'Dostik', Producer: 'Dostik', CreationDate: at, ModDate: at },
    });
    this.#done = gathered(this.#doc);
    this.#foot = foot;
    this.#doc.addPage();
    this.width = this.#doc.page.width - 2 * MARGIN.side;
    this.height = this.#doc.page.height - MARGIN.top - MARGIN.foot;
    this.#root = this.#doc.struct('Document');
    this.#doc.addStructure(this.#root);
    this.#y = MARGIN.top;
  }

  lineHeight(size: number): number {
    return size * LINE;
  }

  /** Leaves room, but none at the top of a page. */
  space(height: number): void {
    if (this.#y > MARGIN.top) this.#y += height;
  }

  /** Begins a page where a height does not fit on this one, and would on the next. */
  keep(height: number): void {
    if (height <= this.height && this.#y + height > MARGIN.top + this.height) this.#next();
  }

  /** An entry in the contents of the file. */
  mark(words: string): void {
    this.#doc.outline.addItem(words);
  }

  /** Sets lines; where they go over to the next page at least two of them do, and two stay. */
  words(tag: string, lines: readonly Line[], setting: Setting): void {
    const element = this.#element(tag, this.#root);
    this.#lines(element, tag, lines, setting);
    element.end();
  }

  /** A hair below what stands above. */
  rule(): void {
    const { side } = MARGIN;
    this.#artifact(() => {
      this.#doc
        .moveTo(side, this.#y)
        .lineTo(side + this.width, this.#y)
        .lineWidth(0.4)
        .strokeColor(SOFT)
        .stroke();
    });
  }

  picture({ bytes, alt }: Picture, width: number, height: number): void {
    this.keep(height);
    const figure = this.#doc.struct('Figure', { alt });
    this.#root.add(figure);
    figure.add(
      this.#content('Figure', () => {
        this.#doc.image(Buffer.from(bytes), MARGIN.side, this.#y, { width, height });
      }),
    );
    figure.end();
    this.#y += height;
  }

  /** A table, row by row; the head stands again at the top of each page. */
  table(size: number, starts: readonly number[]) {
    const table = this.#element('Table', this.#root);
    const high = (cells: readonly (readonly Line[])[]) =>
      Math.max(1, ...cells.map((lines) => lines.length)) * this.lineHeight(size) + size * 0.4;
    const draw = (cells: readonly (readonly Line[])[], each: (i: number, drawn: () => void) => void) => {
      const top = this.#y + size * 0.2;
      cells.forEach((lines, i) => each(i, () => this.#drawAll(lines, size, starts[i] ?? 0, top)));
      this.#y += high(cells);
      this.rule();
    };
    return {
      row: (tag: 'TH' | 'TD', cells: readonly (readonly Line[])[], head?: readonly (readonly Line[])[]) => {
        for (const part of inPages(cells, Math.floor((this.height * 0.8) / this.lineHeight(size)))) {
          const before = this.#doc.bufferedPageRange().count;
          this.keep(high(part));
          if (head && this.#doc.bufferedPageRange().count > before) draw(head, (_, drawn) => this.#artifact(drawn));
          const row = this.#element('TR', table);
          draw(part, (_, drawn) => {
            const cell = this.#element(tag, row);
            cell.add(this.#content(tag, drawn));
            cell.end();
          });
          row.end();
        }
      },
      end: () => table.end(),
    };
  }

  /** Numbers the pages, and ends the file. */
  async end(): Promise<Uint8Array> {
    this.#root.end();
    const { count } = this.#doc.bufferedPageRange();
    for (let page = 0; page < count; page += 1) {
      this.#doc.switchToPage(page);
      const top = MARGIN.top + this.height + 26;
      const number = this.#footLine(`${page + 1} / ${count}`, this.width / 4);
      const words = this.#footLine(this.#foot, (this.width * 3) / 4);
      this.#artifact(() => {
        if (words) this.#draw(words, FOOT_SIZE, 0, top);
        if (number) this.#draw(number, FOOT_SIZE, this.width - number.wide, top);
      }, 'Pagination');
    }
    this.#doc.end();
    return this.#done;
  }

  #footLine(text: string, width: number): Line | undefined {
    return linesOf([{ text, weight: 'regular' }], FOOT_SIZE, width, this.faces)[0];
  }

  #next(): void {
    this.#doc.addPage();
    this.#y = MARGIN.top;
  }

  #element(tag: string, parent: Structure): Structure {
    const element = this.#doc.struct(tag);
    parent.add(element);
    return element;
  }

  /** Draws what belongs to an element of the structure. */
  #content(tag: string, draw: () => void) {
    const content = this.#doc.markStructureContent(tag);
    draw();
    this.#doc.endMarkedContent();
    return content;
  }

  /** Draws what nobody has to be told of. */
  #artifact(draw: () => void, type: 'Layout' | 'Pagination' = 'Layout'): void {
    this.#doc.markContent('Artifact', { type });
    draw();
    this.#doc.endMarkedContent();
  }

  #lines(element: Structure, tag: string, lines: readonly Line[], setting: Setting): void {
    const high = this.lineHeight(setting.size);
    let from = 0;
    while (from < lines.length) {
      const room = Math.floor((MARGIN.top + this.height - this.#y) / high + 0.001);
      const left = lines.length - from;
      const few = left - room === 1 && room > 2 ? room - 1 : room;
      if (left > room && few < 2) {
        this.#next();
        continue;
      }
      const part = lines.slice(from, from + Math.min(left, few));
      const isLast = from + part.length === lines.length;
      this.#mark(setting, part.length, from === 0);
      const top = this.#y;
      const beside = isLast ? setting.beside : undefined;
      element.add(
        this.#content(tag, () => {
          this.#drawAll(part, setting.size, setting.x ?? 0, top);
          if (beside) this.#drawBeside(beside, setting.size, top, part.length);
        }),
      );
      this.#y += Math.max(part.length, beside?.lines.length ?? 0) * high;
      from += part.length;
      if (!isLast) this.#next();
    }
  }

  /** The box, the bullet or the bar before lines. */
  #mark({ size, x = 0, box, bullet, bar }: Setting, count: number, isFirst: boolean): void {
    const { side } = MARGIN;
    const high = this.lineHeight(size);
    if (!bar && !(isFirst && (box || bullet))) return;
    this.#artifact(() => {
      if (bar)
        this.#doc
          .rect(side, this.#y, 2.5, count * high)
          .fillColor(INK)
          .fill();
      else if (bullet)
        this.#doc
          .circle(side + x * 0.45, this.#y + high * 0.52, size * 0.13)
          .fillColor(INK)
          .fill();
      else
        this.#doc
          .roundedRect(side + 0.5, this.#y + high * BASE - size * 0.78, size * 0.92, size * 0.92, 1.5)
          .lineWidth(0.8)
          .strokeColor(INK)
          .stroke();
    });
  }

  #drawBeside({ lines, right }: NonNullable<Setting['beside']>, size: number, top: number, count: number): void {
    const high = this.lineHeight(size);
    const first = top + Math.max(0, count - lines.length) * high;
    lines.forEach((line, i) => this.#draw(line, size, right - line.wide, first + i * high));
  }

  #drawAll(lines: readonly Line[], size: number, x: number, top: number): void {
    lines.forEach((line, i) => {
      const at = line.backwards ? this.width - line.wide : x;
      this.#draw(line, size, at, top + i * this.lineHeight(size));
    });
  }

  #draw({ pieces }: Line, size: number, x: number, top: number): void {
    this.#doc.fillColor(INK);
    for (const { text, face, x: within } of pieces) {
      if (!this.#known.has(face.name)) this.#doc.registerFont(face.name, face.file);
      this.#known.add(face.name);
      this.#doc
        .font(face.name)
        .fontSize(size)
        .text(text, MARGIN.side + x + within, top + size * LINE * BASE, { lineBreak: false, baseline: 'alphabetic' });
    }
  }
}

/** The lines of a row of cells, so many on a page. */
function* inPages(cells: readonly (readonly Line[])[], most: number): Iterable<(readonly Line[])[]> {
  const longest = Math.max(1, ...cells.map((lines) => lines.length));
  for (let from = 0; from < longest; from += most) yield cells.map((lines) => lines.slice(from, from + most));
}

function gathered(doc: PDFKit.PDFDocument): Promise<Uint8Array> {
  const parts: Buffer[] = [];
  doc.on('data', (part: Buffer) => parts.push(part));
  return new Promise((resolve, reject) => {
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(parts))));
    doc.on('error', reject);
  });
}
