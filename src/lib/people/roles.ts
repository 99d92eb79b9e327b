import type { Role } from '../people.js';

/** What somebody can be, as it is said. */
export const ROLE_NAMES: readonly { readonly value: Role; readonly text: string }[] = [
  { value: 'owner', text: 'Owner' },
  { value: 'editor', text: 'Editor' },
  { value: 'designer', text: 'Designer' },
  { value: 'tester', text: 'Tester' },
];

/** What each may do, in a sentence. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: 'An owner may do everything an editor may, and asks people in and puts them out.',
  editor: 'An editor may do everything with patterns.',
  designer:
    'A designer sees the patterns that this mail address is noted with: answers what is asked about them, and sends new drafts.',
  tester: 'A tester finds the tests that they have joined on every device, at the Bench, and sees nothing else.',
};
