/** A place that files are put at, each under a name. */
export interface Place {
  /** As people call it. */
  readonly where: string;
  put(name: string, bytes: Uint8Array): Promise<void>;
  /** Null where there is none. */
  find(name: string): Promise<Uint8Array | null>;
}
