/**
 * A text of so many lines in which no instruction stands twice: every piece has its own number of repeats, and the wording
 * changes from piece to piece.
 */
export function variedText(lines: number): string {
  const written: string[] = ['US terms', ''];
  for (let piece = 0; written.length < lines; piece += 1) written.push(...pieceOf(piece + 4));
  return written.slice(0, lines).join('\n');
}

const REPEATS: readonly ((steps: string, times: number, count: number) => string)[] = [
  (steps, times, count) => `(${steps}) x ${times} (${count})`,
  (steps, times, count) => `*${steps}; rep from * ${times - 1} more times. [${count}]`,
  (steps, times, count) => `${steps}, repeat ${times} times – ${count} sts`,
  (steps, times, count) => `[${steps}] ${times} times. ${count} sts.`,
];
const LABELS: readonly ((number: number) => string)[] = [
  (number) => `Rnd ${number}:`,
  (number) => `R${number}.`,
  (number) => `Round ${number} –`,
  (number) => `${number})`,
];
const NAMES = ['Head', 'Body', 'Leg', 'Ear', 'Tail', 'Wing', 'Hat', 'Base'];

/** A piece that grows by so many, goes on plain and closes again; twelve rounds. */
function pieceOf(times: number): string[] {
  const repeat = REPEATS[times % REPEATS.length] ?? REPEATS[0];
  const label = LABELS[(times >> 2) % LABELS.length] ?? LABELS[0];
  if (!repeat || !label) return [];
  const grown = [1, 2, 3].map((plain) => repeat(`sc ${plain}, inc`, times, times * (plain + 2)));
  const closing = [3, 2, 1].map((plain) => repeat(`sc ${plain}, dec`, times, times * (plain + 1)));
  const rounds = [
    `${times} sc in MR (${times})`,
    `inc x ${times} (${times * 2})`,
    ...grown,
    `sc ${times * 5} (${times * 5})`,
    `sc in each of the next ${times * 5} sts (${times * 5})`,
    ...closing,
    `dec x ${times} (${times})`,
  ];
  const name = `${(NAMES[times % NAMES.length] ?? '').toUpperCase()} ${times}`;
  return ['', name, ...rounds.map((words, i) => `${label(i + 1)} ${words}`), 'Fasten off, leaving a tail.'];
}
