/** Words of somebody else's in a sentence of ours: no longer than leaves it a sentence. */
export function short(words: string): string {
  return words.length > 40 ? `${words.slice(0, 39)}…` : words;
}
