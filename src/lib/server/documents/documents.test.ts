import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { strToU8, zipSync } from 'fflate';
import iconv from 'iconv-lite';
import { describe, expect, it } from 'vitest';
import { checkText } from '../../../core/index.js';
import { FORMATS, takenFrom } from './index.js';
import { otherLanguage } from './language.js';

const FIXTURES = 'src/lib/server/documents/fixtures';
const plainOf = (file: string) => readFileSync(path.join(FIXTURES, `${file.split('.')[0] ?? ''}.txt`), 'utf8');
const roundsIn = (text: string) =>
  checkText(text, '').parts.flatMap(({ rounds }) =>
    rounds.map(({ edge, made, stated, verdict }) => `${edge ?? '–'} → ${made ?? '–'} of ${stated ?? '–'} ${verdict}`),
  );
/** The words of a text and how often each stands there. */
function bagOf(text: string): Map<string, number> {
  const bag = new Map<string, number>();
  for (const [word] of text.toLowerCase().matchAll(/[\p{L}\p{N}]+/gu)) bag.set(word, (bag.get(word) ?? 0) + 1);
  return bag;
}
const missing = (from: string, there: string) => {
  const has = bagOf(there);
  return [...bagOf(from)].flatMap(([word, often]) => ((has.get(word) ?? 0) < often ? [word] : []));
};

/** What a file does not hold though its pattern does: a web page of the word processor's has lost the words of list numbers. */
const NOT_IN_THE_FILE: Readonly<Record<string, readonly string[]>> = { 'slipper.list.html': ['rnd', 'row'] };

const documents = readdirSync(FIXTURES).filter((file) => file.split('.').length > 2);

describe('patterns that a word processor has laid out', () => {
  it('are forty or more, of all its formats', () => {
    expect(documents.length).toBeGreaterThanOrEqual(40);
    expect(new Set(documents.map((file) => path.extname(file)))).toEqual(
      new Set(['.docx', '.odt', '.rtf', '.pdf', '.html', '.xlsx', '.csv']),
    );
  });

  it.each(documents)('give every round and every word of the plain text: %s', async (file) => {
    const { text } = await takenFrom(readFileSync(path.join(FIXTURES, file)), file);
    const plain = plainOf(file);
    expect(roundsIn(text)).toEqual(roundsIn(plain));
    expect(missing(plain, text)).toEqual(NOT_IN_THE_FILE[file] ?? []);
  });

  it.each(documents.filter((file) => file.includes('.columns.')))('are without heads and feet: %s', async (file) => {
    const { text, left } = await takenFrom(readFileSync(path.join(FIXTURES, file)), file);
    expect(text).not.toMatch(/Page \d/);
    expect(left.join()).toMatch(/left out/);
  });
});

const bytes = (text: string) => new TextEncoder().encode(text);
const read = async (content: string | Uint8Array, name: string) =>
  takenFrom(typeof content === 'string' ? bytes(content) : content, name);
const linesOf = async (content: string | Uint8Array, name: string) =>
  (await read(content, name)).text.trimEnd().split('\n');

const PATTERN = 'CAFÉ MOUSE\nRnd 1: 6 sc in MR (6)\nRnd 2: “inc” × 6 – all of them (12)\n';

describe('plain text', () => {
  it.each([
    ['UTF-8', 'utf8'],
    ['UTF-16LE', 'utf16le'],
    ['UTF-16BE', 'utf16be'],
    ['Windows-1252', 'windows-1252'],
  ])('is read in %s', async (_, encoding) => {
    expect((await read(iconv.encode(PATTERN, encoding), 'mouse.txt')).text).toBe(PATTERN);
  });

  it('is read with a mark before it, with Mac line ends, and in Mac Roman', async () => {
    expect((await read(iconv.encode(PATTERN, 'utf16le', { addBOM: true }), 'a.txt')).text).toBe(PATTERN);
    expect((await read(iconv.encode(PATTERN, 'utf8', { addBOM: true }), 'a.txt')).text).toBe(PATTERN);
    const mac = PATTERN.replace('×', 'x');
    expect((await read(iconv.encode(mac.replaceAll('\n', '\r'), 'macroman'), 'a.txt')).text).toBe(mac);
  });

  it('stays as it is, whatever blanks it has', async () => {
    const text = '\n\n\n  HEAD  \n\n\n\nRnd 1\t6 sc   (6) \n';
    expect((await read(text, 'a.md')).text).toBe(text);
  });

  it('loses the marks of a quotation where most of it is one', async () => {
    expect(await linesOf('Here it is:\n> HEAD\n> Rnd 1: 6 sc (6)\n>\n>> Rnd 2: inc x 6 (12)\n', 'a.txt')).toEqual([
      'Here it is:',
      'HEAD',
      'Rnd 1: 6 sc (6)',
      '',
      'Rnd 2: inc x 6 (12)',
    ]);
    const quoting = 'HEAD\nRnd 1: 6 sc (6)\n> careful here\nRnd 2: inc x 6 (12)\nRnd 3: sc (12)\n';
    expect((await read(quoting, 'a.txt')).text).toBe(quoting);
  });
});

/** A Word document of some inner parts. */
function wordFile(body: string, parts: Readonly<Record<string, string>> = {}): Uint8Array {
  const files = { 'word/document.xml': `<w:document><w:body>${body}</w:body></w:document>`, ...parts };
  return zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
}
const run = (text: string) => `<w:r><w:t xml:space="preserve">${text}</w:t></w:r>`;
const entry = (text: string, depth = 0, list = 1) =>
  `<w:p><w:pPr><w:numPr><w:ilvl w:val="${depth}"/><w:numId w:val="${list}"/></w:numPr></w:pPr>${run(text)}</w:p>`;

describe('Word documents', () => {
  it('leave out what is struck out, and keep what was put in', async () => {
    const body = `<w:p>${run('Rnd 2: inc x ')}<w:del><w:r><w:delText>5</w:delText></w:r></w:del><w:ins>${run('6')}</w:ins>${run(' (12)')}</w:p>`;
    const { text, left } = await read(wordFile(body), 'a.docx');
    expect(text).toBe('Rnd 2: inc x 6 (12)\n');
    expect(left).toEqual(['What is struck out by tracked changes is left out.']);
  });

  it('keep comments as notes of their line', async () => {
    const comments = `<w:comments><w:comment w:id="4" w:author="Una"><w:p>${run('Is it 18?')}</w:p></w:comment></w:comments>`;
    const body = `<w:p>${run('HEAD')}</w:p><w:p>${run('Rnd 1: 6 sc (6)')}<w:r><w:commentReference w:id="4"/></w:r></w:p>`;
    const { text, notes } = await read(wordFile(body, { 'word/comments.xml': comments }), 'a.docx');
    expect(text).toBe('HEAD\nRnd 1: 6 sc (6)\n');
    expect(notes).toEqual([{ line: 2, about: 'Rnd 1: 6 sc (6)', by: 'Una', text: 'Is it 18?' }]);
  });

  it('number lists as they say, each kind going on until it starts anew', async () => {
    const level = (depth: number, format: string, pattern: string, start = 1) =>
      `<w:lvl w:ilvl="${depth}"><w:start w:val="${start}"/><w:numFmt w:val="${format}"/><w:lvlText w:val="${pattern}"/></w:lvl>`;
    const numbering = `<w:numbering>
      <w:abstractNum w:abstractNumId="7">${level(0, 'decimal', 'Rnd %1:')}${level(1, 'lowerLetter', '%1%2)')}</w:abstractNum>
      <w:abstractNum w:abstractNumId="8">${level(0, 'bullet', '')}</w:abstractNum>
      <w:num w:numId="1"><w:abstractNumId w:val="7"/></w:num>
      <w:num w:numId="2"><w:abstractNumId w:val="7"/><w:lvlOverride w:ilvl="0"><w:startOverride w:val="1"/></w:lvlOverride></w:num>
      <w:num w:numId="3"><w:abstractNumId w:val="8"/></w:num></w:numbering>`;
    const body = [
      entry('6 sc'),
      entry('in the ring', 1),
      entry('and close it', 1),
      entry('inc x 6'),
      `<w:p>${run('ARM')}</w:p>`,
      entry('sc 6', 0, 2),
      entry('sc 6', 0, 2),
      entry('yarn', 0, 3),
    ];
    expect(await linesOf(wordFile(body.join(''), { 'word/numbering.xml': numbering }), 'a.docx')).toEqual([
      'Rnd 1: 6 sc',
      '1a) in the ring',
      '1b) and close it',
      'Rnd 2: inc x 6',
      'ARM',
      'Rnd 1: sc 6',
      'Rnd 2: sc 6',
      '- yarn',
    ]);
  });

  it('put footnotes at the end, and texts in boxes behind their paragraph', async () => {
    const footnotes = `<w:footnotes><w:footnote w:id="0" w:type="separator"/><w:footnote w:id="2"><w:p>${run('Or embroider them.')}</w:p></w:footnote></w:footnotes>`;
    const box = `<w:r><mc:AlternateContent><mc:Choice><w:txbxContent><w:p>${run('TIP')}</w:p></w:txbxContent></mc:Choice><mc:Fallback><w:txbxContent><w:p>${run('TIP')}</w:p></w:txbxContent></mc:Fallback></mc:AlternateContent></w:r>`;
    const body = `<w:p>${run('Eyes')}<w:r><w:footnoteReference w:id="2"/></w:r>${box}</w:p><w:p>${run('HEAD')}</w:p>`;
    expect(await linesOf(wordFile(body, { 'word/footnotes.xml': footnotes }), 'a.docx')).toEqual([
      'Eyes¹',
      'TIP',
      'HEAD',
      '',
      '¹ Or embroider them.',
    ]);
  });

  it('read a table that only puts texts beside each other one text after the other', async () => {
    const cell = (...texts: string[]) => `<w:tc>${texts.map((text) => `<w:p>${run(text)}</w:p>`).join('')}</w:tc>`;
    const table = (...cells: string[]) => `<w:tbl><w:tr>${cells.join('')}</w:tr></w:tbl>`;
    const beside = table(cell('HEAD', 'R1: 6 sc', 'R2: inc', 'R3: sc'), cell('You need', 'yarn'));
    expect(await linesOf(wordFile(beside), 'a.docx')).toEqual([
      'HEAD',
      'R1: 6 sc',
      'R2: inc',
      'R3: sc',
      'You need',
      'yarn',
    ]);
    expect(await linesOf(wordFile(table(cell('1'), cell('6 sc', 'in MR'), cell('6'))), 'a.docx')).toEqual([
      '1 | 6 sc in MR | 6',
    ]);
  });
});

describe('web pages', () => {
  it('are read without what surrounds the pattern', async () => {
    const page = `<!doctype html><html><head><title>x</title><style>p{}</style></head><body><nav>Home Shop</nav>
      <main><h1>Pea Pod</h1><p>Rnd 1: 6&nbsp;sc<br>Rnd 2: inc&#215;6</p><script>var a = 'sc'</script><div hidden>secret</div></main>
      <footer>All rights</footer></body></html>`;
    const { text, left } = await read(page, 'pea.html');
    expect(text).toBe('Pea Pod\nRnd 1: 6\u00a0sc\nRnd 2: inc×6\n');
    expect(left).toEqual(['What surrounds the pattern on the page is left out.']);
  });

  it('keep lists with their numbers and tables with their cells', async () => {
    const page = `<html><body><ol start="4"><li>sc 6<li value="9">inc 6</ol><ul><li>yarn</ul>
      <table><tr><th>Rnd<th>Work</tr><tr><td>1<td><p>6 sc</p></tr></table></body></html>`;
    expect(await linesOf(page, 'a.htm')).toEqual(['4. sc 6', '9. inc 6', '- yarn', '', 'Rnd | Work', '1 | 6 sc']);
  });
});

describe('messages', () => {
  const head = 'From: Una <una@example.org>\r\nTo: b@example.org\r\nSubject: draft\r\nMIME-Version: 1.0\r\n';

  it('are read without their head, their marks of quotation taken off and the signature apart', async () => {
    const letter = `${head}\r\n> HEAD\r\n> Rnd 1: 6 sc (6)\r\n> Rnd 2: inc x 6 (12)\r\n-- \r\nUna\r\n`;
    expect(await linesOf(letter, 'a.eml')).toEqual([
      'HEAD',
      'Rnd 1: 6 sc (6)',
      'Rnd 2: inc x 6 (12)',
      '',
      '-- ',
      'Una',
    ]);
  });

  it('are read from their page where they have nothing else, and name what is attached', async () => {
    const parts = `Content-Type: multipart/mixed; boundary=b\r\n\r\n--b\r\nContent-Type: text/html\r\n\r\n<p>Rnd 1: 6 sc</p>\r\n--b\r\nContent-Type: application/pdf\r\nContent-Disposition: attachment; filename="hen.pdf"\r\n\r\nx\r\n--b--\r\n`;
    const { text, left } = await read(head + parts, 'a.eml');
    expect(text).toBe('Rnd 1: 6 sc\n');
    expect(left.join()).toContain('“hen.pdf” is attached');
  });
});

describe('tables', () => {
  it('are one round a row, with lines that stand alone as they are', async () => {
    expect(await linesOf('HEAD;;\n1;6 sc in MR;6\n2;"inc; all around";12\n', 'a.csv')).toEqual([
      'HEAD',
      '',
      '1 | 6 sc in MR | 6',
      '2 | inc; all around | 12',
    ]);
    expect(await linesOf('1\tsc\t6\n2\tinc\t12\n', 'a.tsv')).toEqual(['1 | sc | 6', '2 | inc | 12']);
  });
});

describe('rich text', () => {
  it('is read with its signs, without what is struck out or hidden in its head', async () => {
    const rtf = String.raw`{\rtf1\ansi\ansicpg1252{\fonttbl{\f0 Serif;}}{\*\generator X;}{\header Draft}HEAD\par Rnd 1\'3a 6 sc \endash \u215\'d7 2{\deleted  gone}{\footnote Or 7.} (6)\par}`;
    const { text, left } = await read(rtf, 'a.rtf');
    expect(text).toBe('HEAD\nRnd 1: 6 sc –× 2¹ (6)\n\n¹ Or 7.\n');
    expect(left).toHaveLength(2);
  });

  it.each(['constructor', 'toString', 'hasOwnProperty'])('is not misled by a word such as \\%s', async (word) => {
    expect((await read(`{\\rtf1 HEAD\\${word} \\par Rnd 1}`, 'a.rtf')).text).toBe('HEAD\nRnd 1\n');
  });
});

describe('what can’t be taken in', () => {
  const nothing = new Uint8Array();
  const pdf = (rest: string) => bytes(`%PDF-1.4\n${rest}`);
  it.each<[string, string, Uint8Array, RegExp]>([
    ['an empty file', 'a.txt', nothing, /is empty/],
    ['blanks', 'a.txt', bytes(' \n\n'), /is empty/],
    ['a picture', 'a.pdf', Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'), /is a picture.*Ask for the text/],
    ['a program', 'pattern.docx', Buffer.from('MZ\x90\0\x03\0\0\0', 'latin1'), /is a program/],
    ['an old document', 'a.doc', Buffer.from('\xd0\xcf\x11\xe0', 'latin1'), /save it as \.docx/],
    ['an archive of something else', 'a.zip', zipSync({ 'a.txt': strToU8('sc') }), /Unpack it/],
    ['a damaged archive', 'a.docx', wordFile('<w:p/>').slice(0, 60), /is an archive/],
    ['a document of pictures', 'a.docx', wordFile('<w:p><w:r><w:drawing/></w:r></w:p>'), /only pictures/],
    ['a damaged PDF', 'a.pdf', pdf('nothing more'), /damaged/],
    ['too large a file', 'a.txt', new Uint8Array(30_000_000), /larger than 20 MB/],
    ['any bytes', 'a.txt', Uint8Array.from({ length: 5000 }, (_, i) => (i * 7919) % 256), /no text/],
  ])('is told in a sentence: %s', async (_, name, content, says) => {
    await expect(takenFrom(content, name)).rejects.toThrow(says);
  });

  it('is known by its bytes, whatever the file is called', async () => {
    expect((await read(wordFile(`<w:p>${run('HEAD')}</w:p>`), 'pattern.pdf')).kind).toBe('Word document');
    expect((await read('{\\rtf1 HEAD}', 'pattern.docx')).kind).toBe('rich text');
    expect(new Set(FORMATS.map(({ kind }) => kind)).size).toBe(FORMATS.length);
  });
});

describe('the language of a text', () => {
  it.each([
    [
      'German',
      'Kopf\nRunde 1: 6 feste Maschen in einen Fadenring\nRunde 2: jede Masche verdoppeln, stopfen und annähen\n',
    ],
    [
      'French',
      'Tête\nRang 1: 6 mailles serrées dans un cercle. Rang 2: augmenter dans chaque maille, rembourrer la tête\n',
    ],
    [
      'Danish',
      'En lille mus. Hoved\nOmgang 1: 6 fastmasker i en magisk ring (6)\nOmgang 2: tag ud i hver maske hele vejen rundt (12)\n',
    ],
    [
      'Dutch',
      'Kleine muis. Hoofd\nToer 1: 6 vasten in een magische ring (6)\nToer 2: in elke steek meerderen, zes keer herhalen (12)\n',
    ],
  ])('is told where it is %s, and the text kept', async (language, text) => {
    const taken = await read(text, 'a.txt');
    expect(taken.text).toBe(text);
    expect(taken.left).toEqual([`This seems to be in ${language}; only English is read yet. It is kept as it came.`]);
  });

  it('is not doubted in any pattern that is English', () => {
    const folders = ['demo', 'corpus', 'corpus/odd', 'corpus/aside'];
    const doubted = folders.flatMap((folder) =>
      readdirSync(folder)
        .filter((file) => file.endsWith('.txt'))
        .filter((file) => otherLanguage(readFileSync(path.join(folder, file), 'utf8')) !== null),
    );
    expect(doubted).toEqual([]);
  });
});
