/**
 * Writes patterns as documents, the way designers send them: as a word processor lays them out in lines, in tables, in
 * columns and in numbered lists, and as a browser prints a page of two or three columns. Needs LibreOffice (Debian:
 * libreoffice-writer libreoffice-calc) and Chromium; what they write is kept.
 *   node --import tsx tools/fixtures.ts [NAME OF A PATTERN]
 */
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import config from '../playwright.config.js';

const FIXTURES = 'src/lib/server/documents/fixtures';

type Layout = 'lines' | 'table' | 'columns' | 'list' | 'spaced' | 'hanging' | 'three';

/** Which pattern is written in which layout, and as what. */
const WANTED: readonly (readonly [pattern: string, layout: Layout, as: readonly string[]])[] = [
  ['demo/puffin', 'lines', ['docx', 'odt', 'rtf', 'pdf', 'html']],
  ['demo/puffin', 'columns', ['docx', 'odt', 'pdf']],
  ['demo/sea-slug', 'lines', ['docx', 'rtf', 'pdf']],
  ['demo/sea-slug', 'columns', ['pdf']],
  ['corpus/hedgehog', 'table', ['docx', 'odt', 'rtf', 'pdf', 'html', 'xlsx', 'csv']],
  ['corpus/penguin-cup', 'table', ['docx', 'odt', 'pdf']],
  ['corpus/penguin-cup', 'lines', ['pdf', 'html']],
  ['corpus/radish', 'lines', ['docx', 'odt', 'rtf', 'pdf', 'html']],
  ['corpus/radish', 'columns', ['pdf']],
  ['corpus/slipper', 'list', ['docx', 'odt', 'rtf', 'html']],
  ['corpus/slipper', 'columns', ['pdf', 'docx']],
  ['corpus/mitre-fox', 'columns', ['pdf']],
  ['corpus/mitre-fox', 'table', ['docx', 'rtf', 'pdf', 'html', 'xlsx']],
  ['corpus/rocket', 'spaced', ['pdf']],
  ['demo/sea-slug', 'spaced', ['pdf']],
  ['corpus/mushroom', 'hanging', ['pdf']],
  ['demo/puffin', 'hanging', ['pdf']],
  ['corpus/penguin-cup', 'three', ['pdf']],
  ['corpus/pumpkin', 'three', ['pdf']],
  [`${FIXTURES}/tumbly`, 'lines', ['pdf']],
  [`${FIXTURES}/tumbly-later`, 'lines', ['docx']],
];

/** "R5 - 3 x (sc, inc) <9>" as label, instruction and count. */
const ROUND =
  /^((?:(?:rnds?|rows?|r|rounds?)\s?\d+(?:(?:\s?[-–&,]\s?|, | and )\d+)*)|\d+(?:[–-]\d+)?)(\s?[:.–-]?(?:\s+-)?\s+|\t)(.*?)((?:\s|\t)*(?:[([<{]\d+(?: sts?)?[)\]>}]|\d+)\.?)?$/i;

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

function paragraph(text: string, style = 'Text'): string {
  const inside = escaped(text)
    .replace(/\t/g, '<text:tab/>')
    .replace(/ {2,}/g, (blanks) => ` <text:s text:c="${blanks.length - 1}"/>`);
  return `<text:p text:style-name="${style}">${inside}</text:p>`;
}

function cell(text: string): string {
  return `<table:table-cell office:value-type="string">${paragraph(text)}</table:table-cell>`;
}

/** Runs of round lines, and the other lines between them. */
function partsOf(text: string): (string | string[][])[] {
  const parts: (string | string[][])[] = [];
  for (const line of text.trimEnd().split('\n')) {
    const match = ROUND.exec(line);
    const last = parts.at(-1);
    if (!match) parts.push(line);
    else {
      const row = [match[1] ?? '', match[3] ?? '', (match[4] ?? '').trim()];
      if (typeof last === 'object') last.push(row);
      else parts.push([row]);
    }
  }
  return parts;
}

function isHeading(line: string): boolean {
  return /^[A-Z][A-Z ,'’()\d]{2,40}$/.test(line);
}

const lineAsIs = (line: string) => (isHeading(line) ? paragraph(line, 'Head') : paragraph(line));

function bodyOf(text: string, layout: Layout): string {
  const lines = text.trimEnd().split('\n');
  if (layout === 'lines') return lines.map(lineAsIs).join('\n');
  if (layout === 'columns') {
    const [title = '', ...rest] = lines;
    return `${paragraph(title, 'Head')}<text:section text:style-name="Columns" text:name="Two">${rest.map(lineAsIs).join('\n')}</text:section>`;
  }
  return partsOf(text)
    .map((part) => {
      if (typeof part === 'string') return lineAsIs(part);
      if (layout === 'list')
        return `<text:list text:style-name="${/^row/i.test(part[0]?.[0] ?? '') ? 'Rows' : 'Rounds'}">${part
          .map(([label = '', work = '', count = '']) => {
            const range = /\D(\d+)\D+(\d+)$/.exec(label);
            // A range can't be numbered by a list, and stands as it is.
            return range
              ? `</text:list>${paragraph(`${label}: ${work} ${count}`)}<text:list text:style-name="Rounds" text:continue-numbering="true">`
              : `<text:list-item${startOf(label)}>${paragraph(`${work} ${count}`)}</text:list-item>`;
          })
          .join('')}</text:list>`;
      return `<table:table><table:table-column table:number-columns-repeated="3"/>${part
        .map((row) => `<table:table-row>${row.map(cell).join('')}</table:table-row>`)
        .join('')}</table:table>`;
    })
    .join('\n');
}

function startOf(label: string): string {
  const number = /\d+/.exec(label)?.[0] ?? '1';
  return ` text:start-value="${number}"`;
}

const NAMESPACES = [
  'office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"',
  'text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"',
  'table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"',
  'style="urn:oasis:names:tc:opendocument:xmlns:style:1.0"',
  'fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0"',
]
  .map((one) => `xmlns:${one}`)
  .join(' ');

function listStyle(name: string, prefix: string): string {
  return `<text:list-style style:name="${name}"><text:list-level-style-number text:level="1" style:num-format="1" style:num-prefix="${prefix} " style:num-suffix=":"><style:list-level-properties text:list-level-position-and-space-mode="label-alignment"><style:list-level-label-alignment text:label-followed-by="space"/></style:list-level-properties></text:list-level-style-number></text:list-style>`;
}

function document(text: string, layout: Layout): string {
  const [title = ''] = text.split('\n');
  const runs =
    layout === 'columns'
      ? `<style:header>${paragraph(`${title} · draft`, 'Text')}</style:header><style:footer><text:p>Page <text:page-number text:select-page="current">1</text:page-number></text:p></style:footer>`
      : '';
  const edges = runs === '' ? '' : '<style:header-style/><style:footer-style/>';
  return `<?xml version="1.0" encoding="UTF-8"?>
<office:document ${NAMESPACES} office:version="1.3" office:mimetype="application/vnd.oasis.opendocument.text">
<office:styles>
<style:style style:name="Text" style:family="paragraph"><style:text-properties fo:font-size="10pt"/></style:style>
<style:style style:name="Head" style:family="paragraph"><style:text-properties fo:font-size="14pt" fo:font-weight="bold"/></style:style>
${listStyle('Rounds', 'Rnd')}${listStyle('Rows', 'Row')}
</office:styles>
<office:automatic-styles>
<style:style style:name="Columns" style:family="section"><style:section-properties text:dont-balance-text-columns="true"><style:columns fo:column-count="2" fo:column-gap="0.8cm"/></style:section-properties></style:style>
<style:page-layout style:name="Page"><style:page-layout-properties fo:page-width="14.8cm" fo:page-height="21cm" fo:margin-top="1.5cm" fo:margin-bottom="1.5cm" fo:margin-left="1.5cm" fo:margin-right="1.5cm"/>${edges}</style:page-layout>
</office:automatic-styles>
<office:master-styles><style:master-page style:name="Standard" style:page-layout-name="Page">${runs}</style:master-page></office:master-styles>
<office:body><office:text>${bodyOf(text, layout)}</office:text></office:body>
</office:document>`;
}

/** One row a line: a round in three cells, and other lines in one. */
function sheetOf(text: string): string {
  const quoted = (value: string) => (/[",\n]/.test(value) ? `"${value.replaceAll('"', '""')}"` : value);
  return partsOf(text)
    .flatMap((part) => (typeof part === 'string' ? [[part]] : part))
    .map((row) => row.map((value) => quoted(value.replace(/^[[(](\d+)(?: sts?)?[\])]\.?$/i, '$1'))).join(','))
    .join('\n');
}

function convert(source: string, as: string, folder: string): string {
  const filter = as === 'html' ? 'html:HTML (StarWriter)' : as === 'docx' ? 'docx:MS Word 2007 XML' : as;
  // Tables as text: commas, quotation marks, UTF-8.
  const from = source.endsWith('.csv') ? ['--infilter=CSV:44,34,76'] : [];
  const words = ['--headless', ...from, '--convert-to', filter, '--outdir', folder, source];
  execFileSync('soffice', words, { stdio: 'ignore' });
  return path.join(folder, `${path.basename(source).replace(/\.\w+$/, '')}.${as}`);
}

/** Pages as a browser prints them: in columns, their paragraphs set apart, hanging, or close and small. */
const PRINTED: Partial<Record<Layout, { readonly style: string; readonly page: object }>> = {
  spaced: {
    style: 'body{font:9.5pt serif;columns:2;column-gap:9mm}p{margin:0 0 4pt;text-align:justify}',
    page: { format: 'A5', margin: { top: '18mm', bottom: '18mm', left: '12mm', right: '12mm' } },
  },
  hanging: {
    style: 'body{font:8pt serif;columns:2;column-gap:12mm}p{margin:0;padding-left:1em;text-indent:-1em}',
    page: { format: 'A5', margin: { top: '12mm', bottom: '14mm', left: '9mm', right: '9mm' } },
  },
  three: {
    style: 'body{font:8.5pt serif;columns:3;column-gap:7mm}p{margin:0}',
    page: { format: 'A4', landscape: true, margin: { top: '12mm', bottom: '14mm', left: '12mm', right: '12mm' } },
  },
};
const FOOT = '<p style="font-size:7px;width:100%;text-align:center">page <span class="pageNumber"></span></p>';

async function print(text: string, { style, page: paper }: { style: string; page: object }, target: string) {
  const browser = await chromium.launch(config.use?.launchOptions);
  const page = await browser.newPage();
  const lines = text.trimEnd().split('\n');
  const body = lines.map((line) => (line.trim() === '' ? '<p><br></p>' : `<p>${escaped(line)}</p>`)).join('');
  await page.setContent(`<style>p{white-space:pre-wrap}${style}</style>${body}`);
  await page.pdf({
    path: target,
    displayHeaderFooter: true,
    headerTemplate: '<p></p>',
    footerTemplate: FOOT,
    ...paper,
  });
  await browser.close();
}

const only = process.argv[2] ?? '';
const folder = mkdtempSync(path.join(tmpdir(), 'fixtures-'));
mkdirSync(FIXTURES, { recursive: true });
for (const [pattern, layout, kinds] of WANTED.filter(([name]) => name.includes(only))) {
  const text = readFileSync(`${pattern}.txt`, 'utf8');
  const name = path.basename(pattern);
  writeFileSync(path.join(FIXTURES, `${name}.txt`), text);
  const printed = PRINTED[layout];
  if (printed) await print(text, printed, path.join(FIXTURES, `${name}.${layout}.pdf`));
  for (const as of printed ? [] : kinds) {
    const sheet = as === 'xlsx' || as === 'csv';
    const source = path.join(folder, `${name}.${layout}.${sheet ? 'csv' : 'fodt'}`);
    writeFileSync(source, sheet ? sheetOf(text) : document(text, layout));
    const target = path.join(FIXTURES, `${name}.${layout}.${as}`);
    if (as === 'csv') cpSync(source, target);
    else renameSync(convert(source, as, path.join(folder, '..')), target);
    console.log(target);
  }
}
