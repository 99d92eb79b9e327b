import type { QueryState } from '../queries.js';

/** How a state is called. */
export const STATE_WORDS: Readonly<Record<QueryState, string>> = {
  open: 'to send',
  sent: 'with the designer',
  answered: 'answered',
  settled: 'settled',
  withdrawn: 'withdrawn',
};

/** What was done, as the history says it. */
export const EVENT_WORDS: Readonly<Record<string, string>> = {
  made: 'Made',
  sent: 'Sent',
  answered: 'Answered',
  settled: 'Settled',
  withdrawn: 'Withdrawn',
  back: 'Sent back',
  letter: 'Letter written',
};
