/** What can be done at the Desk by key, from the finder, or from the list of keys. */
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
  { id: 'list', text: 'Show all findings, or the round', group: 'Findings', code: 'KeyL', keys: 'Alt L' },
  { id: 'next-part', text: 'Next part', group: 'Parts', code: 'PageDown', keys: 'Alt Page ↓' },
  { id: 'last-part', text: 'Part before', group: 'Parts', code: 'PageUp', keys: 'Alt Page ↑' },
  { id: 'fold', text: 'Fold the part, or unfold it', group: 'Parts', code: 'KeyF', keys: 'Alt F' },
  {
    id: 'fold-all',
    text: 'Fold all parts, or unfold them',
    group: 'Parts',
    code: 'KeyF',
    shift: true,
    keys: 'Alt Shift F',
  },
  { id: 'copy', text: 'Copy the text with its sums', group: 'Text', code: 'KeyC', keys: 'Alt C' },
  { id: 'print', text: 'Print with the sums in the margin', group: 'Text', code: 'KeyP', keys: 'Alt P' },
  { id: 'download', text: 'Download as text', group: 'Text' },
  { id: 'style', text: 'Set the whole pattern in house style', group: 'Text' },
  { id: 'terms', text: 'Terms: US and UK side by side', group: 'Text', code: 'KeyE', keys: 'Alt E' },
  { id: 'rules', text: 'Rules for this pattern', group: 'Findings' },
  { id: 'manuscript', text: 'Back to the manuscript', group: 'Desk', code: 'KeyM', keys: 'Alt M' },
  { id: 'finder', text: 'Find a round or an action', group: 'Desk', code: 'KeyA', keys: 'Alt A' },
  { id: 'keys', text: 'All keys', group: 'Desk', code: 'KeyK', keys: 'Alt K' },
  { id: 'rename', text: 'Rename the pattern', group: 'Desk' },
  { id: 'shelf', text: 'To the shelf', group: 'Desk' },
] as const satisfies readonly ActionRow[];

interface ActionRow {
  readonly id: string;
  readonly text: string;
  readonly group: 'Rounds' | 'Findings' | 'Parts' | 'Text' | 'Desk';
  /** `KeyboardEvent.code` of the key that does it together with Alt. */
  readonly code?: string;
  readonly shift?: boolean;
  /** How the keys are written. */
  readonly keys?: string;
}

export type ActionId = (typeof TABLE)[number]['id'];

/** Something that can be done at the Desk. */
export interface Action extends ActionRow {
  readonly id: ActionId;
  readonly run: () => void;
}

/** All actions of the Desk, each with what it does. */
export function actionsOf(doing: Readonly<Record<ActionId, () => void>>): readonly Action[] {
  return TABLE.map((row: ActionRow & { readonly id: ActionId }) => ({ ...row, run: doing[row.id] }));
}

type Key = Pick<KeyboardEvent, 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'code'>;

/** The action that a key stands for; null for none. Alt with a key, so that the manuscript keeps all others. */
export function actionFor(actions: readonly Action[], key: Key): Action | null {
  if (!key.altKey || key.ctrlKey || key.metaKey) return null;
  return (
    actions.find(({ code, shift }) => code !== undefined && code === key.code && (shift ?? false) === key.shiftKey) ??
    null
  );
}
