import { isTag, isText, type ChildNode, type Element } from 'domhandler';
import { isArchive, textsIn } from './archive.js';
import { NotTaken, type Block, type Contents, type Format, type Remark } from './document.js';
import { allWithin, child, elementsIn, within, wordsIn, xmlTree } from './markup.js';
import { BULLET, BY_SIGN, Counters, raised, type Level } from './numbering.js';
import { tableOf } from './tables.js';

const TYPE = 'application/vnd.oasis.opendocument.text';
const CONTENT = 'content.xml';
const STYLES = 'styles.xml';

/** OpenDocument texts (.odt): OASIS OpenDocument 1.3, part 3. */
export const OPEN_DOCUMENT: Format = {
  kind: 'OpenDocument text',
  // The first file in the archive is its type, uncompressed.
  is: (file) => isArchive(file) && file.head.includes(`mimetype${TYPE}`),
  read: (file) => {
    const parts = textsIn(file, (name) => name === CONTENT || name === STYLES || name === 'META-INF/manifest.xml');
    if (parts.get('META-INF/manifest.xml')?.includes('encryption-data'))
      throw new NotTaken('This document is locked with a password. Save it without one, and take that in.');
    return new OpenDocumentReader(parts.get(CONTENT) ?? '', parts.get(STYLES) ?? '').read();
  },
};

/** What is inside but no part of the text. */
const LEFT = new Set(['text:tracked-changes', 'office:forms', 'text:sequence-decls', 'svg:title', 'svg:desc']);

interface Paragraph {
  text: string;
  notes: Remark[];
  boxes: Block[];
}

/** The list that is being read, and how deep in it. */
interface InList {
  readonly levels: readonly (Level | undefined)[];
  readonly counters: Counters;
  readonly depth: number;
}

class OpenDocumentReader {
  readonly #content: ReturnType<typeof xmlTree>;
  readonly #styles: ReturnType<typeof xmlTree>;
  readonly #levels = new Map<string, Level[]>();
  readonly #counters = new Map<string, Counters>();
  readonly #marked: string[] = [];

  constructor(content: string, styles: string) {
    this.#content = xmlTree(content);
    this.#styles = xmlTree(styles);
    for (const tree of [this.#styles, this.#content])
      for (const style of allWithin(tree, 'text:list-style'))
        this.#levels.set(style.attribs['style:name'] ?? '', levelsOf(style));
  }

  read(): Contents {
    const body = within(this.#content, 'office:text');
    if (!body)
      throw new NotTaken('This document is damaged: it has no text. Open it where it was written, and save it anew.');
    const blocks = this.#blocksIn(body, null);
    const marked = this.#marked.map((text, i): Block => ({ kind: 'paragraph', text: `${raised(i + 1)} ${text}` }));
    const apart: Block[] = marked.length > 0 ? [{ kind: 'paragraph', text: '' }, ...marked] : [];
    const runs = ['style:header', 'style:footer'].some((name) =>
      allWithin(this.#styles, name).some((one) => wordsIn(one).trim() !== ''),
    );
    const struck = allWithin(this.#content, 'text:deletion').length > 0;
    return {
      blocks: [...blocks, ...apart],
      left: [
        ...(runs ? ['Heads and feet of the pages are left out.'] : []),
        ...(struck ? ['What is struck out by tracked changes is left out.'] : []),
      ],
    };
  }

  #blocksIn(parent: Element, list: InList | null): Block[] {
    return elementsIn(parent).flatMap((element) => {
      switch (element.name) {
        case 'text:p':
        case 'text:h':
          return this.#paragraph(element, '');
        case 'text:list':
          return this.#list(element, list);
        case 'table:table':
          return this.#table(element);
        default:
          return LEFT.has(element.name) ? [] : this.#blocksIn(element, list);
      }
    });
  }

  #list(element: Element, outer: InList | null): Block[] {
    const style = element.attribs['text:style-name'];
    const levels = (style === undefined ? undefined : this.#levels.get(style)) ?? outer?.levels ?? [];
    const goesOn = element.attribs['text:continue-numbering'] === 'true' || 'text:continue-list' in element.attribs;
    const known = goesOn ? this.#counters.get(style ?? '') : undefined;
    const counters = outer?.counters ?? known ?? new Counters();
    if (!outer) this.#counters.set(style ?? '', counters);
    const here: InList = { levels, counters, depth: outer ? outer.depth + 1 : 0 };
    return elementsIn(element).flatMap((item) => {
      const start = item.attribs['text:start-value'];
      if (start !== undefined) counters.restart(here.depth, Number(start));
      // Only the first paragraph of an entry bears its mark; a header of the list has none.
      let bears = item.name === 'text:list-item';
      return elementsIn(item).flatMap((inner) => {
        if (inner.name === 'text:list') return this.#list(inner, here);
        if (inner.name !== 'text:p' && inner.name !== 'text:h') return this.#blocksIn(inner, here);
        const mark = bears ? counters.next(levels, here.depth) : '';
        bears = false;
        return this.#paragraph(inner, mark);
      });
    });
  }

  #paragraph(element: Element, mark: string): Block[] {
    const paragraph: Paragraph = { text: '', notes: [], boxes: [] };
    for (const inner of element.children) this.#run(inner, paragraph);
    const { text, notes, boxes } = paragraph;
    const whole = mark === '' || text.trim() === '' ? text : `${mark} ${text.trimStart()}`;
    return [{ kind: 'paragraph', text: whole, notes }, ...boxes];
  }

  #run(node: ChildNode, into: Paragraph): void {
    // Blanks in the file are one blank in the text; more are said to be so many.
    if (isText(node)) into.text += node.data.replace(/[ \t\r\n]+/g, ' ');
    if (!isTag(node) || LEFT.has(node.name)) return;
    switch (node.name) {
      case 'text:s':
        into.text += ' '.repeat(Math.min(200, Number(node.attribs['text:c'] ?? 1)));
        return;
      case 'text:tab':
        into.text += '\t';
        return;
      case 'text:line-break':
        into.text += '\n';
        return;
      case 'office:annotation':
        into.notes.push({
          by: wordsOfChild(node, 'dc:creator') || null,
          text: this.#plain(node),
        });
        return;
      case 'text:note':
        into.text += raised(this.#marked.push(this.#plain(child(node, 'text:note-body') ?? node)));
        return;
      case 'draw:text-box':
        into.boxes.push(...this.#blocksIn(node, null));
        return;
      default:
        for (const inner of node.children) this.#run(inner, into);
    }
  }

  #table(element: Element): Block[] {
    const rows = allWithin(element, 'table:table-row');
    return tableOf(
      rows.map((row) =>
        elementsIn(row)
          .filter(({ name }) => name === 'table:table-cell' || name === 'table:covered-table-cell')
          .map((cell) => this.#blocksIn(cell, null)),
      ),
    );
  }

  #plain(element: Element): string {
    return this.#blocksIn(element, null)
      .map((block) => (block.kind === 'paragraph' ? block.text : ''))
      .join(' ')
      .trim();
  }
}

function wordsOfChild(element: Element, name: string): string {
  const found = child(element, name);
  return found ? wordsIn(found).trim() : '';
}

function levelsOf(style: Element): Level[] {
  const levels: Level[] = [];
  for (const one of elementsIn(style)) {
    const depth = Number(one.attribs['text:level']) - 1;
    if (!(depth >= 0 && depth < 10)) continue;
    const sign = one.attribs['style:num-format'] ?? '';
    const numbered = one.name === 'text:list-level-style-number';
    const shown = Math.min(depth + 1, Number(one.attribs['text:display-levels'] ?? 1));
    const numbers = Array.from({ length: shown }, (_, i) => `%${depth + 2 - shown + i}`).join('.');
    const [before = '', behind = ''] = [one.attribs['style:num-prefix'], one.attribs['style:num-suffix']];
    levels[depth] = {
      start: Number(one.attribs['text:start-value'] ?? 1),
      write: numbered && sign !== '' ? (BY_SIGN.get(sign) ?? String) : null,
      pattern: !numbered
        ? BULLET
        : sign === ''
          ? ''
          : (one.attribs['loext:num-list-format'] ?? `${before}${numbers}${behind}`).replace(/%(\d)%/g, '%$1'),
    };
  }
  return levels;
}
