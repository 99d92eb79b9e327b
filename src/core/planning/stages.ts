/** Who a stage waits for. */
export type StageBy = 'editor' | 'designer' | 'testers';

export interface Stage {
  readonly id: string;
  /** What is done then. */
  readonly words: string;
  /** What is to be done for it. */
  readonly todo: string;
  readonly by: StageBy;
  /** From the stage before, where nothing else is set; working days of who does it, or days of the calendar. */
  readonly days: number;
  readonly counts: 'work' | 'calendar';
}

/** What becomes of a pattern, in the order of the work, each with how long it takes from the one before. */
export const STAGES = [
  { id: 'in', words: 'Taken in', todo: 'Take it in', by: 'designer', days: 0, counts: 'calendar' },
  { id: 'checked', words: 'Checked', todo: 'Check it', by: 'editor', days: 3, counts: 'work' },
  { id: 'asked', words: 'Queries out', todo: 'Send the queries', by: 'editor', days: 1, counts: 'work' },
  { id: 'answered', words: 'Answers', todo: 'Answers are awaited', by: 'designer', days: 7, counts: 'calendar' },
  { id: 'called', words: 'Test call', todo: 'Call the test', by: 'editor', days: 2, counts: 'work' },
  { id: 'tested', words: 'End of test', todo: 'The test goes on', by: 'testers', days: 21, counts: 'calendar' },
  { id: 'signed', words: 'Sign-off', todo: 'Sign it off', by: 'editor', days: 3, counts: 'work' },
  { id: 'editions', words: 'Both editions', todo: 'Make both editions', by: 'editor', days: 2, counts: 'work' },
  { id: 'out', words: 'Release', todo: 'Release it', by: 'editor', days: 1, counts: 'work' },
] as const satisfies readonly Stage[];

export type StageId = (typeof STAGES)[number]['id'];
export const STAGE_IDS = STAGES.map(({ id }) => id);

/** Hours that a tester works in a week, where nothing else is set. */
export const HOURS_A_WEEK = 6;
/** What a practised maker of short stitches takes for one of them, with counting and turning the work; seconds. An estimate of ours. */
export const SECONDS_A_STITCH = 5;
/** What each piece takes besides its stitches: to begin, to stuff, to sew on; hours. An estimate of ours. */
const HOURS_A_PIECE = 0.25;

/** Hours that a toy takes, by its stitches and pieces, half of them at the least. @param pace seconds of a stitch */
export const hoursOf = (stitches: number, pieces: number, pace = SECONDS_A_STITCH): number =>
  Math.max(0.5, Math.round(2 * ((stitches * pace) / 3600 + pieces * HOURS_A_PIECE)) / 2);

/** Until yarn and parcel are there, and for the finishing touches; days. */
const AROUND_A_TEST = 5;

/** How long a test takes of a toy of so many hours; days of the calendar. */
export const testDays = (hours: number, hoursAWeek: number): number =>
  AROUND_A_TEST + Math.ceil((7 * hours) / Math.max(1, hoursAWeek));
