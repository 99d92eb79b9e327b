import { GaveUp, Unfetched } from './watched.js';

const DONE = { convert: 'converted', draw: 'drawn' } as const;

/** Why a text could not be worked on in the worker, and what a person can do about it. */
export function troubleInWords(error: unknown, doing: keyof typeof DONE): string {
  if (error instanceof GaveUp)
    return `This text is too much to ${doing} at once. Take its parts in as patterns of their own.`;
  if (error instanceof Unfetched)
    return `What it takes to ${doing} this text could not be fetched. Load this page again once there is a connection.`;
  return `This text could not be ${DONE[doing]}, by a fault of Dostik and not of the text.`;
}
