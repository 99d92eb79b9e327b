/** Papers and prints, as they are chosen. */
export const SHEET_WORDS = [
  { value: 'a4', text: 'A4' },
  { value: 'letter', text: 'Letter' },
] as const;
export const PRINT_WORDS = [
  { value: 'normal', text: 'normal' },
  { value: 'large', text: 'large' },
] as const;
