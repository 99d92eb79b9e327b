import { GaveUp, Unfetched } from './watched.js';

const IN_PARTS = ' Take its parts in as patterns of their own.';
const WORK = {
  convert: { what: 'This text', is: 'is', done: 'converted', instead: IN_PARTS },
  draw: { what: 'This text', is: 'is', done: 'drawn', instead: IN_PARTS },
  compare: { what: 'These two texts', is: 'are', done: 'compared', instead: '' },
} as const;

/** Why a text could not be worked on in the worker, and what a person can do about it. */
export function troubleInWords(error: unknown, doing: keyof typeof WORK): string {
  const { what, is, done, instead } = WORK[doing];
  if (error instanceof GaveUp) return `${what} ${is} too much to ${doing} at once.${instead}`;
  if (error instanceof Unfetched)
    return `${what} could not be ${done}: the part of Dostik that does it could not be fetched. Load this page again once there is a connection.`;
  return `${what} could not be ${done}, by a fault of Dostik and not of the text.`;
}
