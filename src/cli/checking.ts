import { fileURLToPath } from 'node:url';
import { checkPattern, fixedReport, reportText, type Hand, type Report } from '../core/index.js';

/** A text that is to be checked. */
export interface AskedCheck {
  readonly text: string;
  /** The name that its report carries. */
  readonly file: string;
  readonly terms: 'us' | 'uk' | 'auto';
  readonly hand: Hand | undefined;
  /** Whether the words of the report say how each figure comes about. */
  readonly explain: boolean;
}

export interface CheckedFile {
  readonly report: Report;
  /** The words of its hand that were said, or worked out from its counts. */
  readonly hand: Hand;
  /** The report in plain words. */
  readonly words: string;
}

/** Checks a text and searches for fixes. */
export function checkFile({ text, file, terms, hand, explain }: AskedCheck): CheckedFile {
  const checked = checkPattern(text, file, { terms, ...(hand ? { hand } : {}) });
  const report = fixedReport(checked);
  return { report, hand: checked.hand, words: reportText(report, explain ? checked.account : undefined) };
}

/** To start further threads takes as long as so many patterns of the usual length. */
const FEW = 24;

/** Checks texts, many of them on all processors; what comes of them is in their order. */
export async function checkFiles(asked: readonly AskedCheck[]): Promise<CheckedFile[]> {
  if (asked.length < FEW) return asked.map(checkFile);
  const { availableParallelism } = await import('node:os');
  const cores = availableParallelism();
  if (cores < 2) return asked.map(checkFile);
  const { pool } = await import('workerpool');
  const script = fileURLToPath(new URL('./checking.mjs', import.meta.url));
  const threads = pool(script, { workerType: 'thread', maxWorkers: cores });
  try {
    // A few at a time: what goes to a thread and back is packed and unpacked each time.
    const size = Math.min(FEW, Math.ceil(asked.length / cores));
    const shares = Array.from({ length: Math.ceil(asked.length / size) }, (_, i) =>
      asked.slice(i * size, (i + 1) * size),
    );
    const done = await Promise.all(shares.map((share) => threads.exec('check', [share]) as Promise<CheckedFile[]>));
    return done.flat();
  } finally {
    await threads.terminate();
  }
}
