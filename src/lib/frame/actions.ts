import { HOUSE, PATTERN } from './places.js';

interface ActionRow {
  readonly id: string;
  readonly text: string;
  readonly group: string;
  /** `KeyboardEvent.code` of the key that does it together with Alt. */
  readonly code?: string;
  readonly shift?: boolean;
  /** `KeyboardEvent.key` of a key that does it alone, where nothing is typed. */
  readonly bare?: string;
  /** How the keys are written. */
  readonly keys?: string;
}

/** All that can be done anywhere by key, from the finder, or from the list of keys. */
const TABLE = [
  { id: 'next-round', text: 'Next round', group: 'Rounds', code: 'ArrowDown', keys: 'Alt ↓' },
  { id: 'last-round', text: 'Round before', group: 'Rounds', code: 'ArrowUp', keys: 'Alt ↑' },
  { id: 'tick', text: 'Tick the round, or take the tick off', group: 'Rounds', code: 'KeyT', keys: 'Alt T' },
  { id: 'tick-on', text: 'Tick, and go on to the next without', group: 'Rounds', code: 'Enter', keys: 'Alt Enter' },
  { id: 'unticked', text: 'Next round without a tick', group: 'Rounds', code: 'Slash', keys: 'Alt /' },
  { id: 'number', text: 'Go to a round by its number', group: 'Rounds', code: 'KeyG', keys: 'Alt G' },
  { id: 'means', text: 'Say what a word means', group: 'Rounds', code: 'KeyW', keys: 'Alt W' },
  { id: 'hook', text: 'Explain the count on the hook', group: 'Rounds', code: 'KeyH', keys: 'Alt H' },
  { id: 'next-finding', text: 'Next finding', group: 'Findings', code: 'Period', keys: 'Alt .' },
  { id: 'last-finding', text: 'Finding before', group: 'Findings', code: 'Comma', keys: 'Alt ,' },
  { id: 'fix-1', text: 'Apply fix 1 of the finding at the caret', group: 'Findings', code: 'Digit1', keys: 'Alt 1' },
  { id: 'fix-2', text: 'Apply fix 2', group: 'Findings', code: 'Digit2', keys: 'Alt 2' },
  { id: 'fix-3', text: 'Apply fix 3', group: 'Findings', code: 'Digit3', keys: 'Alt 3' },
  { id: 'fix-4', text: 'Apply fix 4', group: 'Findings', code: 'Digit4', keys: 'Alt 4' },
  { id: 'aside', text: 'Put the finding aside, with a reason', group: 'Findings', code: 'Digit0', keys: 'Alt 0' },
  {
    id: 'query',
    text: 'Ask the designer about the finding, the round or what is selected',
    group: 'Findings',
    code: 'KeyQ',
    keys: 'Alt Q',
  },
  { id: 'list', text: 'Show all findings, or what is at the caret', group: 'Findings', code: 'KeyL', keys: 'Alt L' },
  { id: 'next-part', text: 'Next part', group: 'Parts', code: 'PageDown', keys: 'Alt Page ↓' },
  { id: 'last-part', text: 'Part before', group: 'Parts', code: 'PageUp', keys: 'Alt Page ↑' },
  { id: 'fold', text: 'Fold the part, or unfold it', group: 'Parts', code: 'KeyF', keys: 'Alt F' },
  { id: 'fold-all', text: 'Fold all, or unfold', group: 'Parts', code: 'KeyF', shift: true, keys: 'Alt Shift F' },
  { id: 'fold-front', text: 'Fold what stands before the rounds', group: 'Parts', code: 'KeyB', keys: 'Alt B' },
  { id: 'copy', text: 'Copy the text with its sums', group: 'Text', code: 'KeyC', keys: 'Alt C' },
  { id: 'print', text: 'Print with the sums in the margin', group: 'Text', code: 'KeyP', keys: 'Alt P' },
  { id: 'density', text: 'Closer lines, or wider ones again', group: 'Text', code: 'KeyD', keys: 'Alt D' },
  { id: 'download', text: 'Download as text', group: 'Text' },
  { id: 'style', text: 'Set the whole pattern in house style', group: 'Text' },
  { id: 'rename', text: 'Rename the pattern', group: 'Text' },
  { id: 'away', text: 'Take the pattern off the shelf', group: 'Text' },
  { id: 'manuscript', text: 'Back to the manuscript', group: 'Text', code: 'KeyM', keys: 'Alt M' },
  { id: 'next-change', text: 'Next change', group: 'Changes', code: 'Period', keys: 'Alt .' },
  { id: 'last-change', text: 'Change before', group: 'Changes', code: 'Comma', keys: 'Alt ,' },
  { id: 'next-question', text: 'Next word in doubt', group: 'Changes', code: 'KeyQ', keys: 'Alt Q' },
  { id: 'change', text: 'Change the word', group: 'Changes', code: 'Digit1', keys: 'Alt 1' },
  { id: 'leave', text: 'Leave the word as it is', group: 'Changes', code: 'Digit2', keys: 'Alt 2' },
  { id: 'undecide', text: 'Decide nothing on the word', group: 'Changes', code: 'Digit0', keys: 'Alt 0' },
  { id: 'into-us', text: 'Into US terms', group: 'Changes' },
  { id: 'into-uk', text: 'Into UK terms', group: 'Changes' },
  { id: 'edition', text: 'Save the edition', group: 'Changes', code: 'KeyS', keys: 'Alt S' },
  { id: 'next-doubt', text: 'Next line in doubt', group: 'Lines', code: 'Period', keys: 'Alt .' },
  { id: 'last-doubt', text: 'Line in doubt before', group: 'Lines', code: 'Comma', keys: 'Alt ,' },
  { id: 'take-back', text: 'Take back what was put right last', group: 'Lines', code: 'KeyZ', keys: 'Alt Z' },
  { id: 'next-query', text: 'Next query', group: 'Queries', code: 'Period', keys: 'Alt .' },
  { id: 'last-query', text: 'Query before', group: 'Queries', code: 'Comma', keys: 'Alt ,' },
  { id: 'word', text: 'Word the query', group: 'Queries', code: 'KeyE', keys: 'Alt E' },
  { id: 'see', text: 'See it at the Desk', group: 'Queries', code: 'KeyG', keys: 'Alt G' },
  { id: 'settle', text: 'Settle the query', group: 'Queries', code: 'Digit1', keys: 'Alt 1' },
  { id: 'send-back', text: 'Send it back with the next letter', group: 'Queries', code: 'Digit2', keys: 'Alt 2' },
  { id: 'withdraw', text: 'Withdraw the query', group: 'Queries', code: 'Digit3', keys: 'Alt 3' },
  { id: 'apply', text: 'Apply what the answer says', group: 'Queries', code: 'Digit4', keys: 'Alt 4' },
  { id: 'letter', text: 'Write the letter', group: 'Queries', code: 'KeyL', keys: 'Alt L' },
  { id: 'reply', text: 'Take in a reply', group: 'Queries', code: 'KeyR', keys: 'Alt R' },
  { id: 'next-ring', text: 'Next round of the outline', group: 'Shape', code: 'ArrowDown', keys: 'Alt ↓' },
  { id: 'last-ring', text: 'Round before, in the outline', group: 'Shape', code: 'ArrowUp', keys: 'Alt ↑' },
  { id: 'see-outline', text: 'The outline', group: 'Shape', code: 'Digit1', keys: 'Alt 1' },
  { id: 'see-turntable', text: 'In the round', group: 'Shape', code: 'Digit2', keys: 'Alt 2' },
  { id: 'see-figures', text: 'All figures as a table', group: 'Shape', code: 'Digit3', keys: 'Alt 3' },
  { id: 'shift', text: 'Shift stacked shapings by half a repeat', group: 'Shape', code: 'KeyX', keys: 'Alt X' },
  { id: 'to-desk', text: 'See the round at the Desk', group: 'Shape', code: 'KeyG', keys: 'Alt G' },
  { id: 'next-tested', text: 'Next round of the test', group: 'Tests', code: 'ArrowDown', keys: 'Alt ↓' },
  { id: 'last-tested', text: 'Round before, of the test', group: 'Tests', code: 'ArrowUp', keys: 'Alt ↑' },
  { id: 'next-stumble', text: 'Next round where somebody stumbled', group: 'Tests', code: 'Period', keys: 'Alt .' },
  {
    id: 'stumbled-first',
    text: 'Rounds where several stumbled first, or all in order',
    group: 'Tests',
    code: 'KeyO',
    keys: 'Alt O',
  },
  { id: 'note-query', text: 'Make a query of the note', group: 'Tests', code: 'KeyQ', keys: 'Alt Q' },
  { id: 'whole-test', text: 'What came of the test as a whole', group: 'Tests', code: 'Digit0', keys: 'Alt 0' },
  { id: 'tested-at-desk', text: 'See the round at the Desk', group: 'Tests', code: 'KeyG', keys: 'Alt G' },
  { id: 'see-checklist', text: 'The checklist', group: 'Release', code: 'Digit1', keys: 'Alt 1' },
  { id: 'see-editions', text: 'The editions, as they would go out', group: 'Release', code: 'Digit2', keys: 'Alt 2' },
  { id: 'see-versions', text: 'The versions and their files', group: 'Release', code: 'Digit3', keys: 'Alt 3' },
  { id: 'see-errata', text: 'The errata', group: 'Release', code: 'Digit4', keys: 'Alt 4' },
  { id: 'plan-add', text: 'Put a pattern on the plan', group: 'Plan', bare: 'n', keys: 'N' },
  { id: 'plan-settings', text: 'Durations, holidays and absences', group: 'Plan', code: 'KeyS', keys: 'Alt S' },
  { id: 'next-late', text: 'Next pattern that is late', group: 'Plan', code: 'Period', keys: 'Alt .' },
  { id: 'last-late', text: 'Pattern before that is late', group: 'Plan', code: 'Comma', keys: 'Alt ,' },
  { id: 'plan-open', text: 'Open the pattern at the Desk', group: 'Plan', code: 'KeyG', keys: 'Alt G' },
  { id: 'plan-print', text: 'Print the list of dates', group: 'Plan', code: 'KeyP', keys: 'Alt P' },
  { id: 'practise', text: 'Begin a practice pattern', group: 'Practice', bare: 'n', keys: 'N' },
  { id: 'pencil', text: 'Mark the line as off, or take the mark back', group: 'Practice', bare: 'm', keys: 'M' },
  { id: 'say-why', text: 'Say what is wrong with the line', group: 'Practice', bare: 'w', keys: 'W' },
  { id: 'next-mark', text: 'Next line that is marked', group: 'Practice', code: 'Period', keys: 'Alt .' },
  { id: 'last-mark', text: 'Line before that is marked', group: 'Practice', code: 'Comma', keys: 'Alt ,' },
  { id: 'clock', text: 'Hide the clock, or show it', group: 'Practice', code: 'KeyC', keys: 'Alt C' },
  { id: 'reckon', text: 'Reckon with stitches', group: 'Practice', code: 'KeyR', keys: 'Alt R' },
  { id: 'hand-in', text: 'Hand it in', group: 'Practice', code: 'Enter', keys: 'Alt Enter' },
  { id: 'take-in', text: 'Take in a pattern', group: 'List', bare: 'n', keys: 'N' },
  { id: 'search', text: 'Into the search field', group: 'List', bare: '/', keys: '/' },
  { id: 'next-row', text: 'Next row', group: 'List', bare: 'j', keys: 'J' },
  { id: 'last-row', text: 'Row before', group: 'List', bare: 'k', keys: 'K' },
  { id: 'select', text: 'Select the row, or let it go', group: 'List', bare: 'x', keys: 'X' },
  { id: 'select-all', text: 'Select all that are shown, or none', group: 'List', bare: 'a', keys: 'A' },
  { id: 'put-away', text: 'Take the selected off the shelf', group: 'List', bare: 'Delete', keys: 'Delete' },
  { id: 'put-back', text: 'Put the selected back', group: 'List', bare: 'b', keys: 'B' },
  { id: 'go-shelf', text: 'Shelf', group: 'Places', code: 'KeyS', shift: true, keys: 'Alt Shift S' },
  { id: 'go-plan', text: 'Plan', group: 'Places', code: 'KeyY', shift: true, keys: 'Alt Shift Y' },
  { id: 'go-trainer', text: 'Trainer', group: 'Places', code: 'KeyN', shift: true, keys: 'Alt Shift N' },
  { id: 'go-rules', text: 'Rules', group: 'Places', code: 'KeyR', shift: true, keys: 'Alt Shift R' },
  { id: 'go-style', text: 'House style', group: 'Places', code: 'KeyH', shift: true, keys: 'Alt Shift H' },
  { id: 'go-card', text: 'Reference card', group: 'Places', code: 'KeyC', shift: true, keys: 'Alt Shift C' },
  { id: 'go-workspace', text: 'Workspace', group: 'Places', code: 'KeyW', shift: true, keys: 'Alt Shift W' },
  { id: 'go-people', text: 'People', group: 'Places', code: 'KeyM', shift: true, keys: 'Alt Shift M' },
  { id: 'go-intake', text: 'Intake', group: 'Places', code: 'KeyI', shift: true, keys: 'Alt Shift I' },
  { id: 'go-desk', text: 'Desk', group: 'Places', code: 'KeyD', shift: true, keys: 'Alt Shift D' },
  { id: 'go-drafts', text: 'Drafts', group: 'Places', code: 'KeyV', shift: true, keys: 'Alt Shift V' },
  { id: 'go-queries', text: 'Queries', group: 'Places', code: 'KeyQ', shift: true, keys: 'Alt Shift Q' },
  { id: 'go-terms', text: 'Terms', group: 'Places', code: 'KeyT', shift: true, keys: 'Alt Shift T' },
  { id: 'go-shape', text: 'Shape', group: 'Places', code: 'KeyO', shift: true, keys: 'Alt Shift O' },
  { id: 'go-tests', text: 'Tests', group: 'Places', code: 'KeyE', shift: true, keys: 'Alt Shift E' },
  { id: 'go-release', text: 'Release', group: 'Places', code: 'KeyL', shift: true, keys: 'Alt Shift L' },
  { id: 'go-pattern-rules', text: 'Its rules', group: 'Places', code: 'KeyP', shift: true, keys: 'Alt Shift P' },
  { id: 'sign-out', text: 'Sign out', group: 'Places', code: 'KeyX', shift: true, keys: 'Alt Shift X' },
  { id: 'finder', text: 'Find a place, a pattern, a round', group: 'Places', code: 'KeyA', keys: 'Alt A' },
  { id: 'keys', text: 'All keys', group: 'Places', code: 'KeyK', keys: 'Alt K' },
] as const satisfies readonly ActionRow[];

export type ActionId = (typeof TABLE)[number]['id'];

/** What a page does for some of the actions. */
export type Doing = Partial<Readonly<Record<ActionId, () => void>>>;

/** Something that can be done where one is. */
export interface Action extends ActionRow {
  readonly id: ActionId;
  readonly run: () => void;
}

/** The actions that something is done for, in the order of the table. */
export function actionsOf(doing: Doing): readonly Action[] {
  return TABLE.flatMap((row: ActionRow & { readonly id: ActionId }) => {
    const run = doing[row.id];
    return run ? [{ ...row, run }] : [];
  });
}

/**
 * Going to the places of the house, and to those of a pattern where there is one.
 * @param owner whether it is who owns the house
 */
export function goingTo(pattern: string | null, owner: boolean, go: (href: string) => void): Doing {
  return Object.fromEntries([
    ...HOUSE.filter((place) => owner || !place.owners).map(({ id, href }) => [`go-${id}`, () => go(href)] as const),
    ...(pattern === null ? [] : PATTERN.map(({ id, href }) => [`go-${id}`, () => go(href(pattern))] as const)),
  ]);
}

type Key = Pick<KeyboardEvent, 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'code' | 'key'>;

/**
 * The action that a key stands for; null for none. In a text it is always Alt with a key, so that the text keeps all others.
 * @param typing whether the key would be typed into something.
 */
export function actionFor(actions: readonly Action[], key: Key, typing: boolean): Action | null {
  if (key.ctrlKey || key.metaKey) return null;
  if (!key.altKey) return (typing ? null : actions.find(({ bare }) => bare !== undefined && bare === key.key)) ?? null;
  return (
    actions.find(({ code, shift }) => code !== undefined && code === key.code && (shift ?? false) === key.shiftKey) ??
    null
  );
}
