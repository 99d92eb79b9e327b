import PostalMime from 'postal-mime';
import { NotTaken, type Contents, type Format } from './document.js';
import { contentsOf } from './page.js';
import { unquoted } from './plain.js';

/** Messages as mail programs save them (.eml). */
export const LETTER: Format = {
  kind: 'message',
  is: ({ head, name }) => {
    const fields =
      head.match(
        /^(?:from|to|subject|date|received|return-path|mime-version|message-id|content-type|delivered-to):\s/gim,
      ) ?? [];
    const starts = /^(?:[a-z-]+:\s|from )/i.test(head);
    return starts && (fields.length >= 3 || (fields.length > 0 && /\.eml$/i.test(name)));
  },
  read: async ({ bytes }): Promise<Contents> => {
    const { text, html, attachments } = await PostalMime.parse(bytes);
    const attached = attachments.filter(({ filename, disposition }) => filename !== null && disposition !== 'inline');
    const left = attached.map(
      ({ filename }) => `“${filename ?? ''}” is attached to the message: save it, and take it in by itself.`,
    );
    const words = text?.trim() ?? '';
    if (words === '' && !html?.trim()) {
      if (left.length === 0) throw new NotTaken('This message has no words in it.');
      throw new NotTaken(`This message has no words in it. ${left.join(' ')}`);
    }
    const contents = words === '' ? contentsOf(html ?? '') : withoutSignature(words);
    return { blocks: contents.blocks, left: [...(contents.left ?? []), ...left] };
  },
};

/** Whoever writes a message may end it with two dashes and a few lines about themselves; these stand apart. */
function withoutSignature(text: string): Contents {
  const lines = text.split(/\r\n?|\n/);
  const at = lines.findLastIndex((line) => /^(?:> ?)*-- ?$/.test(line));
  if (at < 0) return { blocks: unquoted(text) };
  const above = unquoted(lines.slice(0, at).join('\n')).trimEnd();
  return { blocks: `${above}\n\n${lines.slice(at).join('\n')}` };
}
