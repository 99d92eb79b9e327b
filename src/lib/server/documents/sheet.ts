import Papa from 'papaparse';
import readSheets from 'read-excel-file/node';
import { isArchive, namesIn, textsIn } from './archive.js';
import { NotTaken, type Block, type Contents, type Format } from './document.js';
import { decoded } from './encoding.js';

/** Longer tables are data of something else. */
const MOST_ROWS = 20_000;
const TOO_MANY = `This table has more than ${MOST_ROWS.toLocaleString('en')} rows, and can’t be one pattern. Keep the rows of the pattern, and take that in.`;

/** Tables as text: one round a row, with commas, semicolons or tabs between the cells. */
export const TABLE_TEXT: Format = {
  kind: 'table',
  is: ({ name }) => /\.(?:csv|tsv|tab)$/i.test(name),
  read: ({ bytes }) => {
    const { data } = Papa.parse<string[]>(decoded(bytes).text, { skipEmptyLines: false, preview: MOST_ROWS + 1 });
    if (data.length > MOST_ROWS) throw new NotTaken(TOO_MANY);
    return { blocks: sheetBlocks(data) };
  },
};

/** Workbooks of spreadsheets (.xlsx). */
export const WORKBOOK: Format = {
  kind: 'workbook',
  is: (file) => isArchive(file) && namesIn(file).has('xl/workbook.xml'),
  read: async (file): Promise<Contents> => {
    // Unpacked once to see how much it is, before anything makes cells of it.
    const parts = textsIn(file, (name) => name.startsWith('xl/') && name.endsWith('.xml'));
    for (const [name, xml] of parts)
      if (name.startsWith('xl/worksheets/') && (xml.match(/<(?:\w+:)?row\b/g) ?? []).length > MOST_ROWS)
        throw new NotTaken(TOO_MANY);
    const sheets = await readSheets(Buffer.from(file.bytes));
    const filled = sheets.filter(({ data }) => data.some((row) => row.some((cell) => cell !== null)));
    return {
      blocks: filled.flatMap(({ sheet, data }): Block[] => [
        ...(filled.length > 1 ? [{ kind: 'paragraph', text: sheet } as const] : []),
        ...sheetBlocks(data.map((row) => row.map(cellText))),
      ]),
    };
  },
};

function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  return typeof cell === 'string' ? cell : typeof cell === 'number' || typeof cell === 'boolean' ? String(cell) : '';
}

/** Rows with one filled cell are lines of their own: titles, headings, remarks. */
function sheetBlocks(rows: readonly (readonly string[])[]): Block[] {
  const blocks: Block[] = [];
  let table: (readonly string[])[] = [];
  const end = () => {
    if (table.length > 0) blocks.push({ kind: 'table', rows: table });
    table = [];
  };
  for (const row of rows) {
    const filled = row.filter((cell) => cell.trim() !== '');
    if (filled.length > 1) {
      table.push(row);
      continue;
    }
    end();
    blocks.push({ kind: 'paragraph', text: filled[0]?.trim() ?? '' });
  }
  end();
  return blocks;
}
