import type { ErratumKept, Photograph, Readiness, Release } from '../release.js';

/** What the Release page is given. */
export interface ReleaseData {
  readonly id: string;
  readonly name: string;
  readonly styled: boolean;
  /** Null where the text is too much to be counted. */
  readonly readiness: Readiness | null;
  /** The newest first. */
  readonly versions: readonly Release[];
  readonly photographs: readonly Photograph[];
  readonly errata: readonly ErratumKept[];
  readonly own: readonly { readonly id: string; readonly text: string }[];
  readonly editor: string;
}
