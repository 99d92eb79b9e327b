import { readOut } from '../client.js';

/** What a message says that was saved as a file, with the signs of what it quotes. */
export async function replyIn(file: Blob, name: string): Promise<string> {
  const text = await file.text();
  // A message is read here: as a pattern it would lose the lines that it quotes.
  if (/\.eml$/i.test(name) || /^(?:[\w-]+:.*\r?\n(?:[ \t].*\r?\n)*){2,}\r?\n/.test(text.slice(0, 20_000))) {
    const { default: PostalMime } = await import('postal-mime');
    const message = await PostalMime.parse(await file.arrayBuffer());
    if (message.text) return message.text;
  }
  return /\.(?:txt|md)$/i.test(name) ? text : (await readOut(file, name)).text;
}
