/** Shapes on a 16 × 16 ground, drawn with round strokes: sums come out, or they don't. */
export const MARKS = {
  agrees: ['M3 6h10', 'M3 10h10'],
  counted: ['M3 10h10', 'M8 5.2v.1'],
  off: ['M3 6h10', 'M3 10h10', 'M11.2 2.4 4.8 13.6'],
  unreadable: ['M5.4 6a2.6 2.6 0 1 1 3.9 2.2c-.8.5-1.3 1-1.3 1.9', 'M8 13.1v.1'],
  'on-trust': ['M3 8.4c1.7-2.4 3.3-2.4 5 0s3.3 2.4 5 0'],
  error: ['M8 3v6.4', 'M8 13v.1'],
  warning: ['M3 8.4c1.7-2.4 3.3-2.4 5 0s3.3 2.4 5 0'],
  hint: ['M8 7v5', 'M8 3.6v.1'],
} as const;

export type MarkName = keyof typeof MARKS;

export const MARK_WORDS: Record<MarkName, string> = {
  agrees: 'agrees',
  counted: 'counted',
  off: 'off',
  unreadable: 'unreadable',
  'on-trust': 'on trust',
  error: 'error',
  warning: 'warning',
  hint: 'hint',
};
