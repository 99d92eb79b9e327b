import {
  AlignmentType,
  Document,
  Footer,
  HeadingLevel,
  ImageRun,
  LevelFormat,
  Packer,
  PageNumber,
  Paragraph,
  Tab,
  TabStopType,
  Table,
  TableCell,
  TableLayoutType,
  TableRow,
  TextRun,
  WidthType,
  BorderStyle,
  type IRunOptions,
  type ISectionOptions,
} from 'docx';
import { unzipSync, zipSync, strFromU8, strToU8, type Zippable } from 'fflate';
import { roundWords, type Block } from '../../../core/index.js';
import type { Picture, Publication } from './form.js';

/** Twentieths of a point. */
const SHEETS = { a4: { width: 11906, height: 16838 }, letter: { width: 12240, height: 15840 } };
const MARGIN = 1134;
/** The box, and the column of the counts. */
const BOX_WIDE = 480;
const COUNT_WIDE = 1300;
const BULLET = 'things';
const POINTS = { normal: 11, large: 16 };

/** A paper as a .docx that another program can go on with. */
export async function asWordDocument({ paper, pictures, at, sheet, print }: Publication): Promise<Uint8Array> {
  const points = POINTS[print];
  const page: ISectionOptions['properties'] = {
    page: { size: SHEETS[sheet], margin: { top: MARGIN, bottom: MARGIN, left: MARGIN, right: MARGIN } },
  };
  const width = SHEETS[sheet].width - 2 * MARGIN;
  const document = new Document({
    title: paper.title,
    creator: 'Dostik',
    styles: {
      default: {
        document: {
          run: { font: 'Georgia', size: points * 2, language: { value: paper.language } },
          paragraph: { spacing: { after: 100, line: 280 } },
        },
        heading1: headingStyle(points * 4, 0),
        heading2: headingStyle(Math.round(points * 2.6), 320),
        heading3: headingStyle(Math.round(points * 2.2), 200),
      },
    },
    numbering: {
      config: [
        {
          reference: BULLET,
          levels: [
            {
              level: 0,
              format: LevelFormat.BULLET,
              text: '•',
              alignment: AlignmentType.LEFT,
              style: { paragraph: { indent: { left: 360, hanging: 260 } } },
            },
          ],
        },
      ],
    },
    sections: [
      {
        properties: page,
        footers: { default: footer(paper.foot, width, points) },
        children: [...childrenOf(paper.blocks, pictures, width)],
      },
    ],
  });
  return withTime(new Uint8Array(await Packer.toBuffer(document)), at);
}

function headingStyle(size: number, before: number) {
  return { run: { size, bold: true, color: '000000' }, paragraph: { spacing: { before, after: 80 }, keepNext: true } };
}

function footer(words: string, width: number, points: number): Footer {
  const size = Math.round(points * 1.6);
  return new Footer({
    children: [
      new Paragraph({
        tabStops: [{ type: TabStopType.RIGHT, position: width }],
        children: [
          run({ text: words, size }),
          run({ children: ['\t', PageNumber.CURRENT, ' / ', PageNumber.TOTAL_PAGES], size }),
        ],
      }),
    ],
  });
}

function* childrenOf(
  blocks: readonly Block[],
  pictures: readonly Picture[],
  width: number,
): Iterable<Paragraph | Table> {
  for (const block of blocks) {
    const child = childOf(block, pictures, width);
    if (child) yield child;
    // Lines as they were written are set apart as they were.
    if (block.kind === 'paragraph' && block.text.includes('\n')) yield new Paragraph({});
  }
}

function childOf(block: Block, pictures: readonly Picture[], width: number) {
  switch (block.kind) {
    case 'heading':
      return new Paragraph({ text: block.text, heading: HEADINGS[block.level] });
    case 'paragraph':
      return new Paragraph({ children: inLines(block.text), keepLines: true });
    case 'caution':
      return new Paragraph({
        children: [run({ text: block.text, bold: true })],
        border: { left: { style: BorderStyle.SINGLE, size: 18, space: 8, color: '000000' } },
        keepLines: true,
      });
    case 'item':
      return new Paragraph({ text: block.text, numbering: { reference: BULLET, level: 0 }, spacing: { after: 20 } });
    case 'round':
      return roundParagraph(block, width);
    case 'table':
      return wordTable(block, width);
    case 'picture':
      return pictureIn(pictures[block.picture], width);
  }
}

const HEADINGS = { 1: HeadingLevel.HEADING_1, 2: HeadingLevel.HEADING_2, 3: HeadingLevel.HEADING_3 };
const NONE = { style: BorderStyle.NONE, size: 0, color: 'auto' };
const HAIR = { style: BorderStyle.SINGLE, size: 2, color: 'BBBBBB' };
const BELOW = { top: NONE, left: NONE, right: NONE, bottom: HAIR };
const GRID = { ...BELOW, insideHorizontal: HAIR, insideVertical: NONE };

/** Box, words and count: the words keep clear of the column in which the count stands. */
function roundParagraph(block: Extract<Block, { kind: 'round' }>, width: number): Paragraph {
  const label = block.label === '' ? '' : `${roundWords({ label: block.label, words: '' })} `;
  return new Paragraph({
    keepLines: true,
    indent: { left: BOX_WIDE, hanging: BOX_WIDE, right: COUNT_WIDE },
    tabStops: [
      { type: TabStopType.LEFT, position: BOX_WIDE },
      { type: TabStopType.RIGHT, position: width },
    ],
    spacing: { before: 40, after: 40 },
    border: { bottom: { ...HAIR, space: 2 } },
    children: [
      run({ children: ['☐', new Tab()] }),
      ...(label === '' ? [] : [run({ text: label, bold: true })]),
      ...inLines(block.words),
      ...(block.count === '' ? [] : [run({ children: [new Tab(), block.count], bold: true })]),
    ],
  });
}

function cellOf(wide: number, cell: Paragraph): TableCell {
  return new TableCell({ width: { size: wide, type: WidthType.DXA }, borders: BELOW, children: [cell] });
}

function wordTable({ head, rows, shares }: Extract<Block, { kind: 'table' }>, width: number): Table {
  const wide = shares.map((share) => Math.round(share * width));
  const rowOf = (cells: readonly string[], bold: boolean) =>
    new TableRow({
      cantSplit: true,
      tableHeader: bold,
      children: cells.map((text, i) => cellOf(wide[i] ?? 0, new Paragraph({ children: [run({ text, bold })] }))),
    });
  return tableOf([rowOf(head, true), ...rows.map((row) => rowOf(row, false))], wide);
}

function tableOf(rows: readonly TableRow[], columnWidths: number[]): Table {
  const size = columnWidths.reduce((sum, wide) => sum + wide, 0);
  return new Table({
    rows,
    columnWidths,
    width: { size, type: WidthType.DXA },
    layout: TableLayoutType.FIXED,
    borders: GRID,
  });
}

/** Pixels of a document: 96 an inch, and so fifteen twentieths of a point each. */
const TWENTIETHS_A_PIXEL = 15;
const TALLEST = 560;

function pictureIn(picture: Picture | undefined, width: number): Paragraph | null {
  if (!picture) return null;
  const scale = Math.min(1, width / TWENTIETHS_A_PIXEL / picture.width, TALLEST / picture.height);
  const transformation = { width: Math.round(picture.width * scale), height: Math.round(picture.height * scale) };
  const altText = { name: picture.alt, title: picture.alt, description: picture.alt };
  const type = picture.type === 'jpeg' ? 'jpg' : 'png';
  return new Paragraph({ children: [new ImageRun({ type, data: picture.bytes, transformation, altText })] });
}

function inLines(text: string): TextRun[] {
  return text.split('\n').map((line, i) => run({ text: line, ...(i === 0 ? {} : { break: 1 }) }));
}

/** Puts one time in the place of the several at which the parts of the document were written. */
function withTime(bytes: Uint8Array, at: Date): Uint8Array {
  const parts: Zippable = {};
  const stamp = at.toISOString().replace(/\.\d+Z$/, 'Z');
  // Times in an archive are those of a clock on the wall: the same everywhere.
  const mtime = new Date(at.getUTCFullYear(), at.getUTCMonth(), at.getUTCDate(), 12);
  for (const [name, part] of Object.entries(unzipSync(bytes))) {
    const content =
      name === 'docProps/core.xml'
        ? strToU8(strFromU8(part).replace(/(<dcterms:(?:created|modified)[^>]*>)[^<]*/g, `$1${stamp}`))
        : part;
    parts[name] = [content, { mtime }];
  }
  return zipSync(parts, { level: 6 });
}

function run(options: IRunOptions): TextRun {
  return new TextRun(options);
}
