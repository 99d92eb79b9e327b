import { isTag, isText, type ChildNode, type Element } from 'domhandler';
import type { Block, Contents, Format } from './document.js';
import { decoded } from './encoding.js';
import { allWithin, elementsIn, pageTree, within, wordsIn } from './markup.js';
import { BULLET, BY_SIGN } from './numbering.js';
import { tableOf } from './tables.js';

/** Web pages, as they are saved, and rich text as programs put it on the clipboard. */
export const PAGE: Format = {
  kind: 'web page',
  is: ({ head, name }) => {
    const start = head
      .replace(/^[^\x20-\x7e]+/, '')
      .trimStart()
      .slice(0, 400);
    return (
      /^<(?:!doctype html|html|head|body|meta)\b/i.test(start) || (/\.x?html?$/i.test(name) && /^<[a-z!?]/i.test(start))
    );
  },
  read: (file) => contentsOf(decoded(file.bytes).text),
};

/** What a page holds. */
export function contentsOf(html: string): Contents {
  const tree = pageTree(html);
  const body = within(tree, 'body') ?? tree;
  const root = articleIn(body);
  const reader = new PageReader();
  const blocks = reader.read(root.children);
  return { blocks, left: reader.left || root !== body ? ['What surrounds the pattern on the page is left out.'] : [] };
}

/** What a page shows beside its text. */
const AROUND = new Set(['nav', 'aside', 'footer', 'form', 'button', 'select', 'dialog', 'menu']);
const UNSEEN = new Set([
  'script',
  'style',
  'noscript',
  'template',
  'svg',
  'math',
  'iframe',
  'object',
  'head',
  'title',
  'canvas',
]);
const AROUND_ROLES = new Set(['navigation', 'banner', 'contentinfo', 'search', 'complementary', 'dialog']);
const BLOCKS = new Set(
  'address article blockquote body dd details div dl dt fieldset figcaption figure h1 h2 h3 h4 h5 h6 header hr html li main ol p pre section summary table ul'.split(
    ' ',
  ),
);
/** A paragraph of more than so many letters is more than a line. */
const A_LINE = 160;
/** An article that holds so much of a page's words is the page. */
const MOST_OF_IT = 0.5;

/** The part of a page that is its text: the one article or main part, where it holds the most of it. */
function articleIn(body: { children: ChildNode[] } & Parameters<typeof within>[0]): { children: ChildNode[] } {
  const all = wordsIn(body).length;
  for (const name of ['main', 'article']) {
    const found = allWithin(body, name);
    const [one] = found;
    if (one && found.length === 1 && wordsIn(one).length > all * MOST_OF_IT) return one;
  }
  return body;
}

class PageReader {
  left = false;
  readonly #blocks: Block[] = [];
  #line = '';

  read(nodes: readonly ChildNode[]): Block[] {
    this.#all(nodes, false);
    this.#end();
    return this.#blocks;
  }

  #all(nodes: readonly ChildNode[], asWritten: boolean): void {
    for (const node of nodes) this.#node(node, asWritten);
  }

  #node(node: ChildNode, asWritten: boolean): void {
    if (isText(node)) this.#words(node.data, asWritten);
    if (!isTag(node) || isUnseen(node)) return;
    if (AROUND.has(node.name) || AROUND_ROLES.has(node.attribs['role'] ?? '')) {
      this.left ||= wordsIn(node).trim() !== '';
      return;
    }
    if (node.name === 'br') this.#line = `${this.#line.trimEnd()}\n`;
    else if (node.name === 'table') this.#table(node);
    else if (node.name === 'ol' || node.name === 'ul') this.#list(node);
    else if (BLOCKS.has(node.name)) this.#block(node, asWritten);
    else this.#all(node.children, asWritten);
  }

  #words(words: string, asWritten: boolean): void {
    if (asWritten) {
      this.#line += words;
      return;
    }
    const flowing = words.replace(/[ \t\r\n\f]+/g, ' ');
    this.#line += this.#line === '' || /\s$/.test(this.#line) ? flowing.trimStart() : flowing;
  }

  #block(element: Element, asWritten: boolean): void {
    this.#end();
    if (/^h[1-6]$/.test(element.name)) this.#gap();
    const begun = this.#blocks.length;
    this.#all(element.children, asWritten || element.name === 'pre' || isPreformatted(element));
    const long = this.#line.length > A_LINE || this.#line.includes('\n');
    this.#end();
    // Paragraphs of a line each are lines; what is longer is set apart, and so is what an empty one stands for.
    const paragraph = element.name === 'p' || element.name === 'pre' || element.name === 'blockquote';
    if (paragraph && (long || this.#blocks.length === begun)) this.#gap();
  }

  /** Ends the line that is being read. */
  #end(): void {
    const text = this.#line.replace(/\u00ad/g, '').trimEnd();
    this.#line = '';
    if (text.trim() !== '') this.#blocks.push({ kind: 'paragraph', text });
  }

  /** A blank line. */
  #gap(): void {
    const last = this.#blocks.at(-1);
    if (last && !(last.kind === 'paragraph' && last.text === '')) this.#blocks.push({ kind: 'paragraph', text: '' });
  }

  #list(element: Element): void {
    this.#end();
    const write = element.name === 'ol' ? (BY_SIGN.get(element.attribs['type'] ?? '1') ?? String) : null;
    let number = Number(element.attribs['start'] ?? 1);
    for (const item of elementsIn(element)) {
      if (item.name !== 'li') {
        this.#node(item, false);
        continue;
      }
      number = Number(item.attribs['value'] ?? number);
      this.#line = isBare(element) ? '' : `${write ? `${write(number)}.` : BULLET} `;
      const mark = this.#line;
      this.#all(item.children, false);
      if (this.#line === mark) this.#line = '';
      this.#end();
      number += 1;
    }
  }

  #table(element: Element): void {
    this.#end();
    const caption = within(element, 'caption');
    if (caption) this.#blocks.push(...new PageReader().read(caption.children));
    const rows = rowsOf(element).map((row) =>
      elementsIn(row)
        .filter(({ name }) => name === 'td' || name === 'th')
        .flatMap((cell) => {
          const reader = new PageReader();
          const blocks = reader.read(cell.children);
          this.left ||= reader.left;
          const span = Math.min(60, Number(cell.attribs['colspan'] ?? 1) || 1);
          return [blocks, ...Array.from({ length: span - 1 }, () => [])];
        }),
    );
    this.#blocks.push(...tableOf(rows));
  }
}

/** The rows of a table itself, none of a table within it. */
function rowsOf(table: Element): Element[] {
  return elementsIn(table).flatMap((one) =>
    one.name === 'tr'
      ? [one]
      : ['thead', 'tbody', 'tfoot'].includes(one.name)
        ? elementsIn(one).filter(({ name }) => name === 'tr')
        : [],
  );
}

function isUnseen({ name, attribs }: Element): boolean {
  return (
    UNSEEN.has(name) ||
    'hidden' in attribs ||
    attribs['aria-hidden'] === 'true' ||
    /display:\s*none|visibility:\s*hidden/i.test(attribs['style'] ?? '')
  );
}

function isPreformatted({ attribs }: Element): boolean {
  return /white-space:\s*(?:pre|break-spaces)/i.test(attribs['style'] ?? '');
}

function isBare({ attribs }: Element): boolean {
  return /list-style(?:-type)?:\s*none/i.test(attribs['style'] ?? '');
}
