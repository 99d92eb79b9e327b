import { readFileSync, writeFileSync } from 'node:fs';
import { checkPattern, convertTerms, reportText, type Report } from '../core/index.js';
import { CallError, checkCall, convertCall, USAGE, type CheckCall, type ConvertCall } from './arguments.js';

/** Files that hold text as it is. Others (.docx, .pdf) can't be read yet and are refused by name. */
const TEXT_FILES = /\.(?:txt|md|markdown|text)$|^-$|(?:^|\/)[^./]+$/i;

process.exitCode = main(process.argv.slice(2));

function main(words: readonly string[]): number {
  const [command, ...rest] = words;
  if (command === 'help' || command === '--help' || command === '-h') {
    process.stdout.write(USAGE);
    return 0;
  }
  try {
    if (command === 'check') return check(checkCall(rest));
    if (command === 'convert') return convert(convertCall(rest));
    throw new CallError(
      command === undefined
        ? 'Say what to do: dostik check FILE, or dostik convert FILE --to us|uk'
        : `"${command}" is not known; there are: dostik check FILE, dostik convert FILE --to us|uk`,
    );
  } catch (error) {
    if (!(error instanceof CallError)) throw error;
    process.stderr.write(`dostik: ${error.message}\n`);
    return 2;
  }
}

function check({ files, format, terms, failOn, explain }: CheckCall): number {
  const checked = files.map((file) => checkPattern(textOf(file), file, { terms }));
  const reports = checked.map(({ fixed }) => fixed());
  process.stdout.write(
    format === 'json'
      ? `${JSON.stringify(reports.length === 1 ? reports[0] : reports, null, 2)}\n`
      : checked.map((one, i) => reportText(reports[i] ?? one.report, explain ? one.account : undefined)).join('\n'),
  );
  return failOn !== 'never' && reports.some((report) => fails(report, failOn)) ? 1 : 0;
}

function convert({ file, out, report, ...options }: ConvertCall): number {
  const conversion = convertTerms(textOf(file), options);
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

/** The text of a file. @throws CallError where it can't be read. */
function textOf(file: string): string {
  if (!TEXT_FILES.test(file)) throw new CallError(`${file}: only .txt and .md files can be read.`);
  try {
    const bytes = readFileSync(file === '-' ? 0 : file);
    return new TextDecoder('utf-8', { ignoreBOM: false }).decode(bytes);
  } catch (error) {
    const code = error instanceof Error && 'code' in error ? error.code : '';
    const why =
      code === 'ENOENT'
        ? 'there is no such file'
        : code === 'EISDIR'
          ? 'this is a folder'
          : code === 'EACCES'
            ? 'it may not be read'
            : String(error);
    throw new CallError(`${file}: ${why}.`);
  }
}
