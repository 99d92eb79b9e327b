import type { Person } from './lib/people.js';

declare global {
  namespace App {
    interface Locals {
      /** Who is signed in; null where nobody is, and where nobody needs to be. */
      person: Person | null;
      /** Signing in is asked for. */
      signedIn: boolean;
      /** What the list of what was done says of this request beyond its route: the patterns or whom it is about, and which of several things it did. */
      deed?: { readonly patterns?: readonly string[]; readonly about?: string; readonly as?: string };
    }
  }
}
