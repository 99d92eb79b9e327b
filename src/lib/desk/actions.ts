/** Something that can be done at the Desk, by key, from the finder, or from the list of keys. */
export interface Action {
  readonly id: string;
  readonly text: string;
  readonly group: 'Rounds' | 'Findings' | 'Parts' | 'Text' | 'Desk';
  /** `KeyboardEvent.code` of the key that does it together with Alt. */
  readonly code?: string;
  readonly shift?: boolean;
  /** How the keys are written. */
  readonly keys?: string;
  readonly run: () => void;
}

/** The action that a key stands for; null for none. Alt with a key, so that the manuscript keeps all others. */
export function actionFor(actions: readonly Action[], event: KeyboardEvent): Action | null {
  if (!event.altKey || event.ctrlKey || event.metaKey) return null;
  return (
    actions.find(
      ({ code, shift }) => code !== undefined && code === event.code && (shift ?? false) === event.shiftKey,
    ) ?? null
  );
}
