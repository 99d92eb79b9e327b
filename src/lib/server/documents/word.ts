import { isTag, type Element } from 'domhandler';
import { isArchive, namesIn, textsIn } from './archive.js';
import { NotTaken, type Block, type Contents, type Format, type Remark } from './document.js';
import { allWithin, child, elementsIn, within, wordsIn, xmlTree } from './markup.js';
import { BULLET, BY_NAME, Counters, raised, type Level } from './numbering.js';
import { tableOf } from './tables.js';

const BODY = 'word/document.xml';
const PARTS = new Set([
  BODY,
  'word/numbering.xml',
  'word/styles.xml',
  'word/comments.xml',
  'word/footnotes.xml',
  'word/endnotes.xml',
]);
const RUNNING = /^word\/(?:header|footer)\d*\.xml$/;

/** Word documents (.docx): Office Open XML, ECMA-376 part 1. */
export const WORD: Format = {
  kind: 'Word document',
  is: (file) => isArchive(file) && namesIn(file).has(BODY),
  read: (file) => {
    const parts = textsIn(file, (name) => PARTS.has(name) || RUNNING.test(name));
    return new WordReader(parts).read();
  },
};

/** What is inside but not to be read: deleted or moved away, or the same once more for older programs. */
const LEFT = new Set(['w:del', 'w:moveFrom', 'mc:Fallback', 'w:instrText', 'w:rPr', 'w:pPr', 'w:tcPr', 'w:tblPr']);

/** A paragraph as far as it is read. */
interface Paragraph {
  text: string;
  notes: Remark[];
  /** Texts in boxes that hang on it. */
  boxes: Block[];
}

class WordReader {
  readonly #parts: ReadonlyMap<string, string>;
  readonly #lists: Lists;
  readonly #headings: ReadonlySet<string>;
  readonly #comments: ReadonlyMap<string, Remark>;
  readonly #footnotes: ReadonlyMap<string, string>;
  readonly #endnotes: ReadonlyMap<string, string>;
  readonly #marked: string[] = [];
  #deleted = false;

  constructor(parts: ReadonlyMap<string, string>) {
    this.#parts = parts;
    this.#lists = new Lists(this.#tree('word/numbering.xml'), this.#tree('word/styles.xml'));
    this.#headings = this.#headingStyles();
    this.#comments = this.#commentsIn();
    this.#footnotes = this.#notesIn('word/footnotes.xml', 'w:footnote');
    this.#endnotes = this.#notesIn('word/endnotes.xml', 'w:endnote');
  }

  read(): Contents {
    const body = within(xmlTree(this.#parts.get(BODY) ?? ''), 'w:body');
    if (!body)
      throw new NotTaken('This document is damaged: it has no body. Open it where it was written, and save it anew.');
    const blocks = this.#blocksIn(body);
    const marked = this.#marked.map((text, i): Block => ({ kind: 'paragraph', text: `${raised(i + 1)} ${text}` }));
    const apart: Block[] = marked.length > 0 ? [{ kind: 'paragraph', text: '' }, ...marked] : [];
    const runs = [...this.#parts].some(([name, text]) => RUNNING.test(name) && wordsIn(xmlTree(text)).trim() !== '');
    return {
      blocks: [...blocks, ...apart],
      left: [
        ...(runs ? ['Heads and feet of the pages are left out.'] : []),
        ...(this.#deleted ? ['What is struck out by tracked changes is left out.'] : []),
      ],
    };
  }

  #tree(name: string): ReturnType<typeof xmlTree> {
    return xmlTree(this.#parts.get(name) ?? '');
  }

  #blocksIn(parent: Element): Block[] {
    return elementsIn(parent).flatMap((element) => {
      if (element.name === 'w:p') return this.#paragraph(element);
      if (element.name === 'w:tbl') return this.#table(element);
      return LEFT.has(element.name) ? this.#leave(element) : this.#blocksIn(element);
    });
  }

  #leave({ name }: Element): [] {
    if (name === 'w:del' || name === 'w:moveFrom') this.#deleted = true;
    return [];
  }

  #paragraph(element: Element): Block[] {
    const paragraph: Paragraph = { text: '', notes: [], boxes: [] };
    const mark = this.#lists.markOf(child(element, 'w:pPr'));
    for (const inner of elementsIn(element)) this.#run(inner, paragraph);
    const { text, notes, boxes } = paragraph;
    const whole = mark === '' || text.trim() === '' ? text : `${mark} ${text.trimStart()}`;
    // A heading stands apart by its style, where others leave a line empty.
    const apart: Block[] = this.#isHeading(element) ? [{ kind: 'paragraph', text: '' }] : [];
    return [...apart, { kind: 'paragraph', text: whole, notes }, ...boxes];
  }

  #isHeading(paragraph: Element): boolean {
    const own = child(paragraph, 'w:pPr');
    const style = own && child(own, 'w:pStyle');
    return style !== undefined && this.#headings.has(style.attribs['w:val'] ?? '');
  }

  /** The styles of headings: they keep their English names in every language. */
  #headingStyles(): ReadonlySet<string> {
    const styles = allWithin(this.#tree('word/styles.xml'), 'w:style');
    const isHeading = (style: Element) => /^heading \d/i.test(child(style, 'w:name')?.attribs['w:val'] ?? '');
    return new Set(styles.filter(isHeading).map(({ attribs }) => attribs['w:styleId'] ?? ''));
  }

  #run(element: Element, into: Paragraph): void {
    const id = element.attribs['w:id'] ?? '';
    switch (element.name) {
      case 'w:t':
        into.text += wordsIn(element);
        return;
      case 'w:tab':
        into.text += '\t';
        return;
      case 'w:br':
      case 'w:cr':
        into.text += '\n';
        return;
      case 'w:noBreakHyphen':
        into.text += '-';
        return;
      case 'w:sym':
        into.text += symbolOf(element);
        return;
      case 'w:commentReference': {
        const comment = this.#comments.get(id);
        if (comment) into.notes.push(comment);
        return;
      }
      case 'w:footnoteReference':
        into.text += this.#mark(this.#footnotes.get(id));
        return;
      case 'w:endnoteReference':
        into.text += this.#mark(this.#endnotes.get(id));
        return;
      case 'w:txbxContent':
        into.boxes.push(...this.#blocksIn(element));
        return;
      default:
        if (LEFT.has(element.name)) this.#leave(element);
        else for (const inner of elementsIn(element)) this.#run(inner, into);
    }
  }

  #mark(note: string | undefined): string {
    return note === undefined ? '' : raised(this.#marked.push(note));
  }

  #table(element: Element): Block[] {
    const rows = elementsIn(element)
      .flatMap((inner) => (inner.name === 'w:sdt' ? allWithin(inner, 'w:tr') : [inner]))
      .filter(({ name, children }) => name === 'w:tr' && !children.some((one) => isTag(one) && isStruck(one)));
    return tableOf(
      rows.map((row) =>
        elementsIn(row)
          .flatMap((inner) => (inner.name === 'w:sdt' ? allWithin(inner, 'w:tc') : [inner]))
          .filter(({ name }) => name === 'w:tc')
          .flatMap((cell) => {
            const span = Number(within(cell, 'w:gridSpan')?.attribs['w:val'] ?? 1);
            return [this.#blocksIn(cell), ...Array.from({ length: Math.min(span, 60) - 1 }, () => [])];
          }),
      ),
    );
  }

  #commentsIn(): ReadonlyMap<string, Remark> {
    const comments = allWithin(this.#tree('word/comments.xml'), 'w:comment');
    return new Map(
      comments.map((one) => [
        one.attribs['w:id'] ?? '',
        { by: one.attribs['w:author'] ?? null, text: this.#plain(one) },
      ]),
    );
  }

  #notesIn(part: string, name: string): ReadonlyMap<string, string> {
    const notes = allWithin(this.#tree(part), name).filter((one) => !('w:type' in one.attribs));
    return new Map(notes.map((one) => [one.attribs['w:id'] ?? '', this.#plain(one)]));
  }

  #plain(element: Element): string {
    return this.#blocksIn(element)
      .map((block) => (block.kind === 'paragraph' ? block.text : ''))
      .join(' ')
      .trim();
  }
}

/** A row that tracked changes have taken out. */
function isStruck({ name, children }: Element): boolean {
  return name === 'w:trPr' && children.some((one) => isTag(one) && one.name === 'w:del');
}

/** A sign of a symbol font, by its place in Unicode's private area or as it is. */
function symbolOf({ attribs }: Element): string {
  const code = parseInt(attribs['w:char'] ?? '', 16);
  const plain = code >= 0xf020 && code <= 0xf0ff ? code - 0xf000 : code;
  return plain >= 0x20 ? String.fromCodePoint(plain) : '';
}

/** The numbers and marks of lists. Lists of one kind go on counting until one says that it starts anew. */
class Lists {
  /** By the number of a list: the kind of list it is, and the levels at which it starts anew. */
  readonly #kinds = new Map<string, { readonly of: string; readonly starts: ReadonlyMap<number, number> }>();
  readonly #levels = new Map<string, Level[]>();
  readonly #counters = new Map<string, Counters>();
  readonly #byStyle = new Map<string, Element>();
  readonly #met = new Set<string>();

  constructor(numbering: ReturnType<typeof xmlTree>, styles: ReturnType<typeof xmlTree>) {
    for (const kind of allWithin(numbering, 'w:abstractNum')) {
      const levels: Level[] = [];
      for (const level of elementsIn(kind).filter(({ name }) => name === 'w:lvl'))
        levels[Number(level.attribs['w:ilvl'])] = levelOf(level);
      this.#levels.set(kind.attribs['w:abstractNumId'] ?? '', levels);
    }
    for (const list of allWithin(numbering, 'w:num')) {
      const starts = new Map<number, number>();
      for (const override of elementsIn(list).filter(({ name }) => name === 'w:lvlOverride')) {
        const start = valueOf(child(override, 'w:startOverride'));
        if (start !== undefined) starts.set(Number(override.attribs['w:ilvl']), Number(start));
      }
      this.#kinds.set(list.attribs['w:numId'] ?? '', { of: valueOf(child(list, 'w:abstractNumId')) ?? '', starts });
    }
    for (const style of allWithin(styles, 'w:style')) {
      const numbered = within(style, 'w:numPr');
      if (numbered) this.#byStyle.set(style.attribs['w:styleId'] ?? '', numbered);
    }
  }

  /** What stands before a paragraph by its place in a list; empty where it is in none. */
  markOf(properties: Element | undefined): string {
    const style = this.#byStyle.get(valueOf(child(properties, 'w:pStyle')) ?? '');
    const own = child(properties, 'w:numPr');
    const list = valueOf(child(own, 'w:numId')) ?? valueOf(child(style, 'w:numId')) ?? '0';
    const depth = Number(valueOf(child(own, 'w:ilvl')) ?? valueOf(child(style, 'w:ilvl')) ?? 0);
    const kind = this.#kinds.get(list);
    const levels = kind && this.#levels.get(kind.of);
    if (!levels || !(depth >= 0 && depth < 9)) return '';
    const counters = this.#counters.get(kind.of) ?? new Counters();
    this.#counters.set(kind.of, counters);
    const start = kind.starts.get(depth);
    if (start !== undefined && !this.#met.has(`${list} ${depth}`)) counters.restart(depth, start);
    this.#met.add(`${list} ${depth}`);
    return counters.next(levels, depth);
  }
}

function levelOf(level: Element): Level {
  const format = valueOf(child(level, 'w:numFmt')) ?? 'decimal';
  const none = format === 'none';
  return {
    start: Number(valueOf(child(level, 'w:start')) ?? 1),
    write: format === 'bullet' || none ? null : (BY_NAME.get(format) ?? String),
    pattern: none ? '' : format === 'bullet' ? BULLET : (valueOf(child(level, 'w:lvlText')) ?? ''),
  };
}

function valueOf(element: Element | undefined): string | undefined {
  return element?.attribs['w:val'];
}
