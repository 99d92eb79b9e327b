import type { Contents, Format } from './document.js';
import { NotTaken } from './document.js';
import { decoded } from './encoding.js';

/** Anything that is words and nothing else. */
export const PLAIN: Format = {
  kind: 'text',
  is: () => true,
  read: ({ bytes, name }): Contents => {
    const { text: words } = decoded(bytes);
    const text = MARKDOWN.test(name) ? words.replace(ESCAPED, '$1') : words;
    if (tooOdd(text))
      throw new NotTaken(
        'This is no text, and nothing that Dostik knows. Save the pattern as .docx, .pdf or plain text.',
      );
    return { blocks: unquoted(text) };
  },
};

/** In Markdown a sign behind a backslash is the sign itself: a star of a repeat, and no emphasis. */
const MARKDOWN = /\.(?:md|markdown)$/i;
const ESCAPED = /\\([\\`*_{}[\]()#+\-.!<>|])/g;

const ODD = /[\0-\x08\x0e-\x1a\x1c-\x1f\x7f\ufffd]/g;

/** One character in fifty that no text has: these are no words. */
function tooOdd(text: string): boolean {
  const some = text.slice(0, 4096);
  return (some.match(ODD)?.length ?? 0) * 50 > some.length;
}

const QUOTED = /^(?:> ?)+/;
/** Where so many lines begin with the mark of a quotation, the text is one. */
const MOST = 0.6;
const FEWEST = 3;

/** A text without the marks of a quotation, where most of it is one. */
export function unquoted(text: string): string {
  const lines = text.replace(/^\ufeff/, '').split(/\r\n?|\n/);
  const filled = lines.filter((line) => line.trim() !== '');
  const quoted = filled.filter((line) => QUOTED.test(line)).length;
  const isQuotation = quoted >= FEWEST && quoted >= filled.length * MOST;
  const plain = isQuotation ? lines.map((line) => line.replace(QUOTED, '')) : lines;
  return plain.join('\n');
}
