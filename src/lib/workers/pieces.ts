/** Pieces of code that a worker fetches when somebody asks for what they do. */
export const PIECES = ['series', 'fixing', 'understanding', 'on-request'] as const;
export type Piece = (typeof PIECES)[number];

/** What can be asked of every worker. */
export interface Answering {
  /** Answers once the worker's code is there, and the piece that is named. */
  ready(piece: Piece | null): true | Promise<true>;
}
