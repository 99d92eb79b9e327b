import { pino, type DestinationStream } from 'pino';

/**
 * What the server says on its terminal: sentences, for who started it and reads them; or, with LOG=json, a line of JSON each, for
 * who collects them, with every request. Never what a request brings, nor its address, which may hold a secret: its route.
 */
export interface Log {
  /** Something that nobody expected; a sentence, or a failure. */
  readonly error: (what: unknown) => void;
  /** Something that who runs the server should know. */
  readonly say: (words: string) => void;
  /** A request that was answered; told only as JSON. */
  readonly asked: (request: AskedFor) => void;
}

/** A request, as it is told. */
export interface AskedFor {
  readonly method: string;
  /** As SvelteKit names it; empty where there is none. */
  readonly route: string;
  readonly status: number;
  /** Until the answer began; milliseconds. */
  readonly ms: number;
  /** Who asked, by the id of their account; null for nobody. */
  readonly person: string | null;
}

/** @param to where lines of JSON go; standard error if nothing is said */
export function logAs(kind: string | undefined, to?: DestinationStream): Log {
  if (kind !== 'json')
    return {
      error: (what) => console.error(what),
      say: (words) => console.warn(words),
      asked: () => undefined,
    };
  const lines = pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, to ?? pino.destination(2));
  return {
    error: (what) => (what instanceof Error ? lines.error(what) : lines.error(String(what))),
    say: (words) => lines.warn(words),
    asked: (request) => lines.info(request, 'asked'),
  };
}

export const log = logAs(process.env['LOG']);
