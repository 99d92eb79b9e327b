import iconv from 'iconv-lite';
import type { Block, Contents, Format, Remark } from './document.js';
import { raised } from './numbering.js';
import { tableOf } from './tables.js';

/** Rich text (.rtf): Rich Text Format 1.9.1. */
export const RICH_TEXT: Format = {
  kind: 'rich text',
  is: ({ head }) => head.startsWith('{\\rtf'),
  read: ({ bytes }) => new RichTextReader(bytes).read(),
};

/** Where words go. */
type Destination = 'text' | 'nowhere' | 'note' | 'remark' | 'author';

/** What holds until the group ends. */
interface Group {
  readonly destination: Destination;
  /** So many characters stand behind each `\u` for those who don't know it. */
  readonly fallback: number;
  readonly encoding: string;
  readonly deleted: boolean;
}

/** Groups that hold no text of the page. All that begin with `\*` are such, but for those that are known. */
const NOWHERE = new Set(
  'fonttbl colortbl stylesheet info pict fldinst listtable listoverridetable rsidtbl revtbl generator themedata colorschememapping latentstyles datastore xmlnstbl filetbl objdata objclass nonshppict sn sv bkmkstart bkmkend tc xe pntext pnseclvl'.split(
    ' ',
  ),
);
const KNOWN = new Set(['shpinst', 'shptxt', 'annotation', 'atnauthor', 'footnote', 'nesttableprops']);
const RUNNING = /^(?:header|footer)[lrf]?$/;

/** Words that begin something beside the text. */
const ASIDE: ReadonlyMap<string, Destination> = new Map([
  ['footnote', 'note'],
  ['annotation', 'remark'],
  ['atnauthor', 'author'],
]);

/** Words that stand for a sign. */
const SIGNS: ReadonlyMap<string, string> = new Map([
  ['tab', '\t'],
  ['line', '\n'],
  ['lbr', '\n'],
  ['emdash', '—'],
  ['endash', '–'],
  ['lquote', '‘'],
  ['rquote', '’'],
  ['ldblquote', '“'],
  ['rdblquote', '”'],
  ['bullet', '•'],
  ['emspace', ' '],
  ['enspace', ' '],
]);
const SINGLE: Readonly<Record<string, string>> = { '~': '\u00a0', _: '-', '\\': '\\', '{': '{', '}': '}', '\n': '\n' };

/** By the number of its character set what a font's bytes are written in; others are as the whole text. */
const CHARSETS: Readonly<Record<number, string>> = {
  77: 'macroman',
  128: 'shift_jis',
  161: 'windows-1253',
  162: 'windows-1254',
  177: 'windows-1255',
  186: 'windows-1257',
  204: 'windows-1251',
  238: 'windows-1250',
};

const TOKEN = /\\([a-z]+)(-?\d+)? ?|\\'([\da-f]{2})|\\([^a-z])|([{}])|[\r\n]+|([^\\{}\r\n]+)/giy;

class RichTextReader {
  readonly #text: string;
  readonly #groups: Group[] = [];
  #group: Group = { destination: 'text', fallback: 1, encoding: 'windows-1252', deleted: false };
  #skip = 0;
  #starred = false;
  readonly #fonts = new Map<number, string>();
  /** The font whose entry in the table of fonts is being read. */
  #font = -1;

  readonly #blocks: Block[] = [];
  #words = '';
  #apart = '';
  #author = '';
  #remarks: Remark[] = [];
  readonly #notes: string[] = [];
  readonly #left = new Set<string>();

  /** The table that is being read: rows of cells of paragraphs. */
  #rows: Block[][][] = [];
  #row: Block[][] = [];
  #cell: Block[] = [];
  #inTable = false;

  constructor(bytes: Uint8Array) {
    this.#text = iconv.decode(bytes, 'latin1');
  }

  read(): Contents {
    TOKEN.lastIndex = 0;
    for (let token = TOKEN.exec(this.#text); token; token = TOKEN.exec(this.#text)) {
      const [, word, figure, byte, sign, brace, words] = token;
      if (word !== undefined) this.#word(word, figure === undefined ? null : Number(figure));
      else if (byte !== undefined) this.#add(iconv.decode(Buffer.from([parseInt(byte, 16)]), this.#group.encoding), 1);
      else if (sign !== undefined) this.#sign(sign);
      else if (brace === '{') this.#groups.push(this.#group);
      else if (brace === '}') this.#close();
      else if (words !== undefined) this.#add(words, words.length);
    }
    if (this.#words !== '') this.#endParagraph();
    this.#endTable();
    const notes = this.#notes.map((text, i): Block => ({ kind: 'paragraph', text: `${raised(i + 1)} ${text}` }));
    const apart: Block[] = notes.length > 0 ? [{ kind: 'paragraph', text: '' }, ...notes] : [];
    return { blocks: [...this.#blocks, ...apart], left: [...this.#left] };
  }

  #word(word: string, value: number | null): void {
    const starred = this.#starred;
    this.#starred = false;
    const sign = SIGNS.get(word);
    const aside = ASIDE.get(word);
    if (NOWHERE.has(word) || (starred && !KNOWN.has(word))) this.#go('nowhere');
    else if (RUNNING.test(word)) this.#run();
    else if (sign !== undefined) this.#add(sign, 1);
    else if (aside) this.#go(aside);
    else if (!this.#character(word, value)) {
      this.#encoding(word, value);
      this.#layout(word);
    }
  }

  /** Carries out what concerns single characters; false for any other word. */
  #character(word: string, value: number | null): boolean {
    switch (word) {
      case 'u':
        this.#add(String.fromCharCode((value ?? 0) & 0xffff), 0);
        this.#skip = this.#group.fallback;
        return true;
      case 'uc':
        this.#group = { ...this.#group, fallback: value ?? 1 };
        return true;
      case 'bin':
        TOKEN.lastIndex += Math.max(0, value ?? 0);
        return true;
      case 'deleted':
        this.#group = { ...this.#group, deleted: value !== 0 };
        if (value !== 0) this.#left.add('What is struck out by tracked changes is left out.');
        return true;
      default:
        return false;
    }
  }

  #encoding(word: string, value: number | null): void {
    const named = word === 'ansicpg' ? `windows-${value ?? 1252}` : word === 'mac' ? 'macroman' : null;
    if (named !== null && iconv.encodingExists(named)) this.#group = { ...this.#group, encoding: named };
    if (word === 'f') {
      this.#font = value ?? 0;
      const encoding = this.#fonts.get(this.#font);
      if (encoding !== undefined) this.#group = { ...this.#group, encoding };
    }
    const charset = word === 'fcharset' ? CHARSETS[value ?? 0] : undefined;
    if (charset !== undefined) this.#fonts.set(this.#font, charset);
  }

  #layout(word: string): void {
    if (this.#group.destination !== 'text') {
      if (word === 'par') this.#apart += ' ';
      return;
    }
    switch (word) {
      case 'par':
      case 'sect':
      case 'page':
        this.#endParagraph();
        return;
      case 'pard':
        this.#inTable = false;
        return;
      case 'intbl':
        this.#inTable = true;
        return;
      case 'cell':
      case 'nestcell':
        this.#inTable = true;
        this.#endParagraph();
        this.#row.push(this.#cell);
        this.#cell = [];
        return;
      case 'row':
      case 'nestrow':
        this.#rows.push(this.#row);
        this.#row = [];
    }
  }

  #sign(sign: string): void {
    if (sign === '*') this.#starred = true;
    else this.#add(SINGLE[sign] ?? '', 1);
  }

  /** Adds words, where they are not there for those only who don't know what stood before. */
  #add(words: string, weight: number): void {
    const dropped = Math.min(this.#skip, weight);
    this.#skip -= dropped;
    const kept = dropped > 0 ? words.slice(dropped) : words;
    const { destination, deleted } = this.#group;
    if (kept === '' || destination === 'nowhere' || deleted) return;
    if (destination === 'author') this.#author += kept;
    else if (destination === 'text') this.#words += kept;
    else this.#apart += kept;
  }

  #go(destination: Destination): void {
    if (destination !== 'nowhere' && this.#group.destination === 'nowhere') return;
    this.#group = { ...this.#group, destination };
  }

  #run(): void {
    this.#left.add('Heads and feet of the pages are left out.');
    this.#go('nowhere');
  }

  #close(): void {
    const { destination } = this.#group;
    this.#group = this.#groups.pop() ?? this.#group;
    this.#skip = 0;
    if (destination === this.#group.destination) return;
    if (destination === 'note') this.#words += raised(this.#notes.push(this.#apart.trim()));
    if (destination === 'remark') {
      this.#remarks.push({ by: this.#author.trim() || null, text: this.#apart.trim() });
      this.#author = '';
    }
    if (destination === 'note' || destination === 'remark') this.#apart = '';
  }

  #endParagraph(): void {
    // The number of a list stands before its entry as words, with a tab behind.
    const block: Block = { kind: 'paragraph', text: this.#words, notes: this.#remarks };
    const empty = this.#words.trim() === '';
    this.#words = '';
    this.#remarks = [];
    if (this.#inTable) {
      if (!empty) this.#cell.push(block);
      return;
    }
    this.#endTable();
    this.#blocks.push(block);
  }

  #endTable(): void {
    if (this.#row.length > 0) this.#rows.push(this.#row);
    if (this.#rows.length > 0) this.#blocks.push(...tableOf(this.#rows));
    this.#rows = [];
    this.#row = [];
  }
}
