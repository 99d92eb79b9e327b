import { mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  overviewOf,
  checkPattern,
  contentOf,
  convertTerms,
  handSchema,
  LONGEST_TEXT,
  recordOf,
  type Hand,
  type Report,
} from '../core/index.js';
import type { Documents } from '../lib/server/documents/aside.js';
import { LARGEST_FILE, NotTaken, TOO_LARGE_A_FILE } from '../lib/server/documents/document.js';
import type { Publishing } from '../lib/server/publishing/aside.js';
import {
  backupCall,
  CallError,
  checkCall,
  convertCall,
  publishCall,
  reportCall,
  restoreCall,
  USAGE,
  type CheckCall,
  type ConvertCall,
  type LayoutCall,
  type PublishCall,
} from './arguments.js';
import { checkFiles, type AskedCheck } from './checking.js';

/** Files that hold text as it is, for which nothing else has to be started. */
const TEXT_FILES = /\.(?:txt|md|markdown|text)$|^-$|(?:^|\/)[^./]+$/i;
/** How rich text, pages and messages begin, whatever they are called. */
const DOCUMENT =
  /^\s*(?:\{\\rtf|<(?:!doctype|html|head|body|meta)|(?:from|return-path|received|delivered-to|mime-version): )/i;

const UNREADABLE: Readonly<Record<string, string>> = {
  ENOENT: 'there is no such file',
  EISDIR: 'this is a folder',
  EACCES: 'it may not be read',
};

/** Does what the words of a call ask for. @returns the status that the process is to end with */
export async function main(words: readonly string[]): Promise<number> {
  const [command, ...rest] = words;
  if (command === 'help' || command === '--help' || command === '-h') {
    process.stdout.write(USAGE);
    return 0;
  }
  try {
    if (command === 'check') return await check(checkCall(rest));
    if (command === 'convert') return await convert(convertCall(rest));
    if (command === 'publish') return await publish(publishCall(rest));
    if (command === 'report') return await report(reportCall(rest));
    if (command === 'backup') return await (await keeping()).backup(backupCall(rest));
    if (command === 'restore') return await (await keeping()).restored(restoreCall(rest));
    throw new CallError(
      command === undefined
        ? 'Say what to do: dostik check FILE, or dostik convert FILE --to us|uk'
        : `"${command}" is not known; there are: dostik check, convert, publish, report, backup and restore (dostik --help)`,
    );
  } catch (error) {
    if (!(error instanceof CallError)) throw error;
    process.stderr.write(`dostik: ${error.message}\n`);
    return 2;
  } finally {
    await documents?.close();
    await publishing?.close();
  }
}

/** Loaded for its own calls only: the others are to answer at once. */
const keeping = () => import('./keeping.js');

async function check({ files, format, terms, failOn, explain, hand, handOut }: CheckCall): Promise<number> {
  const said = hand === undefined ? undefined : handIn(hand);
  const asked: AskedCheck[] = [];
  for (const file of files) asked.push({ text: await textOf(file), file, terms, hand: said, explain });
  const checked = await checkFiles(asked);
  if (handOut !== undefined && checked[0]) write(handOut, `${JSON.stringify(checked[0].hand, null, 2)}\n`);
  const reports = checked.map(({ report }) => report);
  process.stdout.write(
    format === 'json'
      ? `${JSON.stringify(reports.length === 1 ? reports[0] : reports, null, 2)}\n`
      : checked.map(({ words }) => words).join('\n'),
  );
  return failOn !== 'never' && reports.some((report) => fails(report, failOn)) ? 1 : 0;
}

async function convert({ file, out, report, ...options }: ConvertCall): Promise<number> {
  const conversion = convertTerms(await textOf(file), options);
  const { state, message, problems, text, ...rest } = conversion;
  // Nothing is written that could be taken for a conversion and is none.
  const made = state !== 'mixed' && state !== 'unclear';
  if (made) write(out, text);
  if (report) process.stderr.write(`${JSON.stringify({ file, state, message, problems, ...rest }, null, 2)}\n`);
  else if (state !== 'proved') {
    const places = problems.map((one) => `  ${one.line}:${one.column} ${one.message}`);
    process.stderr.write(`${[`dostik: ${file}: ${message}`, ...places].join('\n')}\n`);
  }
  return state === 'proved' || state === 'already' ? 0 : 1;
}

/** Lays a pattern out in each of the terms and forms; 1 where one of them could not be made, or not be proved. */
async function publish({ file, to, as, ...call }: PublishCall): Promise<number> {
  const text = await textOf(file);
  const { terms: own } = checkPattern(text, file).report;
  const layout = layoutOf(file, call);
  let status = 0;
  for (const terms of to) {
    const converted = convertTerms(text, { to: terms, from: own.declared ?? 'auto' });
    if (converted.state !== 'proved' && converted.state !== 'already') {
      process.stderr.write(`dostik: ${file}: ${converted.message}\n`);
      status = 1;
      continue;
    }
    for (const form of as) {
      const options = { terms, name: nameOf(file) };
      const edition = { text: converted.text, options, version: '', pictures: [], ...layout, form };
      const made = await had(file, (await files()).edition(edition));
      if (!made.proved) {
        process.stderr.write(`dostik: ${file}: as ${terms}.${form} it is not read with the same counts.\n`);
        status = 1;
      }
      writeFile(path.join(call.out, `${nameOf(file)}.${terms}.${form}`), made.bytes);
    }
  }
  return status;
}

/** Writes what was checked, each round with its sum. */
async function report({ file, as, ...call }: LayoutCall): Promise<number> {
  const text = await textOf(file);
  const checked = checkPattern(text, file);
  const none = new Map<string, string>();
  const paper = recordOf({
    name: overviewOf(checked.counted).title ?? nameOf(file),
    signed: null,
    report: checked.report,
    sentences: checked.sentences(),
    aside: none,
    trusted: none,
    queries: [],
    rules: {},
  });
  for (const form of as) {
    const made = await had(
      file,
      (await files()).report(paper, { text, options: { terms: 'auto' } }, { ...layoutOf(file, call), form }),
    );
    writeFile(path.join(call.out, `${nameOf(file)}.report.${form}`), made.bytes);
  }
  return 0;
}

let publishing: Publishing | null = null;

async function files(): Promise<Publishing> {
  const { publishingAside } = await import('../lib/server/publishing/aside.js');
  publishing ??= publishingAside(fileURLToPath(new URL('./publishing.mjs', import.meta.url)), { workers: 1 });
  return publishing;
}

/** @throws CallError where the work can't be done. */
async function had<Made>(file: string, work: Promise<Made>): Promise<Made> {
  try {
    return await work;
  } catch (error) {
    if (!(error instanceof NotTaken)) throw error;
    throw new CallError(`${file}: ${error.message}`);
  }
}

/** The day is that of the file, so that the same file makes the same bytes. */
function layoutOf(file: string, { date, sheet, print }: Pick<LayoutCall, 'date' | 'sheet' | 'print'>) {
  const at = date !== undefined ? new Date(date) : file === '-' ? new Date('2000-01-01') : statSync(file).mtime;
  return { at, sheet, print };
}

/** What a file is called, without its folder and its kind. */
function nameOf(file: string): string {
  return file === '-' ? 'pattern' : path.basename(file).replace(/\.[^.]+$/, '');
}

/** @throws CallError where the file can't be written. */
function writeFile(file: string, bytes: Uint8Array): void {
  try {
    mkdirSync(path.dirname(file), { recursive: true });
    writeFileSync(file, bytes);
    process.stdout.write(`${file}\n`);
  } catch (error) {
    throw new CallError(`${file}: ${error instanceof Error ? error.message : 'it could not be written'}.`);
  }
}

/** What is settled about a hand. @throws CallError where the file can't be read, or says something else. */
function handIn(file: string): Hand {
  const content = contentOf(bytesOf(file));
  if (content.kind !== 'text') throw new CallError(`${file}: this is no text.`);
  let value: unknown;
  try {
    value = JSON.parse(content.text);
  } catch {
    throw new CallError(`${file}: this is no JSON.`);
  }
  const read = handSchema.safeParse(value);
  if (read.success) return read.data;
  const issue = read.error.issues[0];
  const place = issue && issue.path.length > 0 ? `${issue.path.join('.')}: ` : '';
  throw new CallError(`${file}: ${place}${issue?.message ?? 'it says nothing of a hand.'}`);
}

/** @throws CallError where the file can't be written. */
function write(out: string | undefined, text: string): void {
  if (out === undefined) {
    process.stdout.write(text);
    return;
  }
  try {
    writeFileSync(out, text);
  } catch (error) {
    throw new CallError(`${out}: ${error instanceof Error ? error.message : 'it could not be written'}.`);
  }
}

function fails(report: Report, from: 'error' | 'warning'): boolean {
  return report.findings.some(({ severity }) => severity === 'error' || (from === 'warning' && severity === 'warning'));
}

/** The text of a file. @throws CallError where it can't be read, or holds none. */
async function textOf(file: string): Promise<string> {
  const bytes = bytesOf(file);
  const content = contentOf(bytes);
  if (content.kind === 'empty') throw new CallError(`${file}: it is empty.`);
  const plain = content.kind === 'text' && content.encoding === 'UTF-8' && TEXT_FILES.test(file);
  const text = plain && !DOCUMENT.test(content.text) ? content.text : await takenFrom(bytes, file);
  if (text.length > LONGEST_TEXT)
    throw new CallError(
      `${file}: it has more than ${LONGEST_TEXT.toLocaleString('en')} characters. Split it, and check the parts.`,
    );
  return text;
}

let documents: Documents | null = null;

/** The text of a document, read as the application reads it. @throws CallError where that can't be done. */
async function takenFrom(bytes: Uint8Array, file: string): Promise<string> {
  const { documentsAside } = await import('../lib/server/documents/aside.js');
  documents ??= documentsAside(fileURLToPath(new URL('./documents.mjs', import.meta.url)), { workers: 1 });
  try {
    return (await documents.take(bytes, file)).text;
  } catch (error) {
    if (!(error instanceof NotTaken)) throw error;
    throw new CallError(`${file}: ${error.message}`);
  }
}

/** @throws CallError where the file can't be read. */
function bytesOf(file: string): Uint8Array {
  try {
    if (file !== '-' && statSync(file).size > LARGEST_FILE) throw new CallError(`${file}: ${TOO_LARGE_A_FILE}`);
    return readFileSync(file === '-' ? 0 : file);
  } catch (error) {
    if (error instanceof CallError) throw error;
    const code = error instanceof Error && 'code' in error ? String(error.code) : '';
    throw new CallError(`${file}: ${UNREADABLE[code] ?? String(error)}.`);
  }
}
