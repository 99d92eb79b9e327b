import { readFileSync } from 'node:fs';
import path from 'node:path';
import { strToU8, zipSync } from 'fflate';
import { afterAll, describe, expect, it } from 'vitest';
import { documentsAside } from './aside.js';

const documents = documentsAside(path.resolve('dist/documents.mjs'), { workers: 1 });
afterAll(() => documents.close());

const zipped = (files: Readonly<Record<string, string>>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])), { level: 1 });
const wordFile = (body: string) => zipped({ 'word/document.xml': `<w:document><w:body>${body}</w:body></w:document>` });
const workbook = (rows: string) =>
  zipped({
    '[Content_Types].xml': '<Types/>',
    'xl/workbook.xml': '<workbook><sheets><sheet name="A" sheetId="1" r:id="rId1"/></sheets></workbook>',
    'xl/_rels/workbook.xml.rels':
      '<Relationships><Relationship Id="rId1" Target="worksheets/sheet1.xml"/></Relationships>',
    'xl/worksheets/sheet1.xml': `<worksheet><sheetData>${rows}</sheetData></worksheet>`,
  });
/** A PDF of some objects, numbered from 1; readers find them without a table where that is missing. */
const pdf = (...objects: string[]) =>
  strToU8(
    `%PDF-1.4\n${objects.map((object, i) => `${i + 1} 0 obj\n${object}\nendobj\n`).join('')}trailer\n<< /Root 1 0 R >>\n%%EOF\n`,
  );
const CATALOG = '<< /Type /Catalog /Pages 2 0 R >>';

describe('a file that means harm, or is more than a pattern, ends in a sentence', () => {
  it.each<[string, string, () => Uint8Array, RegExp]>([
    ['an archive that unpacks to very much', 'bomb.docx', () => wordFile(' '.repeat(80_000_000)), /unpacks to more/],
    [
      'a document of a million paragraphs',
      'long.docx',
      () => wordFile('<w:p/>'.repeat(1_000_000)),
      /no words|too long|memory/,
    ],
    ['a document of brackets in brackets', 'deep.docx', () => wordFile('<w:p>'.repeat(400_000)), /can’t be read/],
    [
      'a page of elements in elements',
      'deep.html',
      () => strToU8(`<html>${'<div>'.repeat(400_000)}x`),
      /can’t be read/,
    ],
    [
      'a workbook of a million rows',
      'rows.xlsx',
      () => workbook('<row><c/></row>'.repeat(1_000_000)),
      /more than 20,000 rows/,
    ],
    ['a table of a million rows', 'rows.csv', () => strToU8('1,sc\n'.repeat(1_000_000)), /more than 20,000 rows/],
    [
      'a PDF whose pages hold themselves',
      'loop.pdf',
      () => pdf(CATALOG, '<< /Type /Pages /Kids [2 0 R] /Count 1 >>'),
      /./,
    ],
    [
      'a PDF that says it has a million pages',
      'many.pdf',
      () => pdf(CATALOG, '<< /Type /Pages /Kids [3 0 R] /Count 1000000 >>', '<< /Type /Page /Parent 2 0 R >>'),
      /./,
    ],
    [
      'a PDF of pictures',
      'scan.pdf',
      () =>
        pdf(
          CATALOG,
          '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
          '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 9 9] >>',
        ),
      /is a scan/,
    ],
    [
      'a PDF with a password',
      'locked.pdf',
      () => readFileSync('src/lib/server/documents/fixtures/locked.pdf'),
      /password/,
    ],
    ['rich text of groups in groups', 'deep.rtf', () => strToU8(`{\\rtf1 ${'{'.repeat(2_000_000)}`), /no words/],
    ['a program', 'pattern.pdf', () => Buffer.from(`MZ\x90\0${'\0'.repeat(5000)}`, 'latin1'), /is a program/],
  ])('%s', async (_, name, made, says) => {
    // What is not ended by the limit of its process is ended by the one of this test, and fails.
    const said = await documents.take(made(), name).then(
      ({ text }) => `read: ${text.length}`,
      (error: unknown) => String(error),
    );
    expect(said).toMatch(says);
    expect(said).not.toMatch(/TypeError|RangeError|stack/);
  });

  it('and the next file is read as ever', async () => {
    const { text } = await documents.take(wordFile('<w:p><w:r><w:t>HEAD</w:t></w:r></w:p>'), 'a.docx');
    expect(text).toBe('HEAD\n');
  });
});
