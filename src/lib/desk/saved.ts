const listeners = new Set<() => void>();

/** Calls back whenever something that was left unsaved has been saved; returns how to stop that. */
export function whenSaved(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Tells that something that was left unsaved has been saved. Apart from the savers: the shelf needs none of them. */
export function wasSaved(): void {
  for (const listener of listeners) listener();
}
