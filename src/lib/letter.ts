import * as z from 'zod/mini';
import { momentSchema } from './patterns.js';
import type { Query } from './queries.js';

const line = (longest: number, what: string) =>
  z.string().check(
    z.overwrite((value) => value.replace(/\s*[\r\n]+\s*/g, ' ')),
    z.trim(),
    z.maxLength(longest, `${what} has at most ${longest} characters.`),
  );
const prose = z.string().check(z.maxLength(4000, 'An opening or a close has at most 4,000 characters.'));
/** An address for post, or nothing. */
const address = line(200, 'An address').check(
  z.refine(
    (value) => value === '' || /^[^\s@<>]+@[^\s@<>]+$/.test(value),
    'This is no address for post: it looks like name@example.org.',
  ),
);

/** How this press writes its letters. */
export const letterSettingsSchema = z.object({
  /** Who signs, and from where. */
  editor: line(120, 'A name'),
  mail: address,
  opening: prose,
  closing: prose,
});
export type LetterSettings = z.infer<typeof letterSettingsSchema>;

/** Without settings of one's own. `{designer}` stands for the designer's name, `{pattern}` for the pattern's. */
export const USUAL_LETTER: LetterSettings = {
  editor: '',
  mail: '',
  opening:
    'Dear {designer},\n\nI have gone through {pattern} round by round. These are my questions. Each says what the text asks for and what comes out of it; a short answer behind its number is enough.',
  closing: 'With kind regards',
};

/** Who has written a pattern, and where letters go. */
export const designerSchema = z.object({ designer: line(120, 'A name'), designerMail: address });
export type Designer = z.infer<typeof designerSchema>;

/** A letter that is to go out, or that a person has sent by themselves (`own`). */
export const letterAskedSchema = z.object({
  numbers: z.array(z.int()).check(z.minLength(1, 'No query is chosen for this letter.'), z.maxLength(2000)),
  opening: prose,
  closing: prose,
  way: z.enum(['post', 'own']),
});
export type LetterAsked = z.infer<typeof letterAskedSchema>;

/** A letter that went out, as it is listed. */
export const letterSchema = z.object({
  id: z.int(),
  to: z.string(),
  subject: z.string(),
  queries: z.array(z.int()),
  text: z.string(),
  way: z.enum(['outbox', 'smtp', 'own']),
  at: momentSchema,
});
export type Letter = z.infer<typeof letterSchema>;

/** One paragraph or heading of a letter. */
export type Block =
  | { readonly kind: 'paragraph'; readonly text: string }
  | { readonly kind: 'part'; readonly text: string }
  | {
      readonly kind: 'query';
      readonly number: number;
      readonly where: string;
      readonly words: string;
      readonly text: string;
      readonly proposal: string;
    };

export interface LetterOf {
  readonly pattern: string;
  readonly designer: string;
  readonly editor: string;
  readonly opening: string;
  readonly closing: string;
  readonly queries: readonly Query[];
}

/** Queries in the order of the text; those about the whole pattern come first. */
export function inOrder(queries: readonly Query[]): Query[] {
  return [...queries].sort((a, b) => (a.place?.from ?? -1) - (b.place?.from ?? -1) || a.number - b.number);
}

/** A letter from its opening to its signature, with the queries by part and in the order of the text. */
export function blocksOf({ pattern, designer, editor, opening, closing, queries }: LetterOf): Block[] {
  const fill = (words: string) =>
    words.replaceAll('{designer}', designer === '' ? 'designer' : designer).replaceAll('{pattern}', pattern);
  const paragraphs = (words: string): Block[] =>
    fill(words)
      .split(/\n\s*\n/)
      .filter((text) => text.trim() !== '')
      .map((text) => ({ kind: 'paragraph', text: text.trim() }));
  const blocks: Block[] = paragraphs(opening);
  let part: string | null = null;
  for (const query of inOrder(queries)) {
    const name = query.part || 'The whole pattern';
    if (name !== part) blocks.push({ kind: 'part', text: name });
    part = name;
    const { number, round, text, proposal, place } = query;
    blocks.push({ kind: 'query', number, where: round, words: place?.words ?? '', text, proposal });
  }
  return [...blocks, ...paragraphs(closing), ...paragraphs(editor)];
}

/** A letter as a message, to be copied or sent. */
export function letterText(blocks: readonly Block[]): string {
  return `${blocks.map(blockText).join('\n\n')}\n`;
}

function blockText(block: Block): string {
  if (block.kind === 'paragraph') return block.text;
  if (block.kind === 'part') return `${block.text}\n${'-'.repeat(Math.min(60, block.text.length))}`;
  const { number, where, words, text, proposal } = block;
  const lines = [`${number}. ${where}`.trimEnd()];
  if (words !== '') lines.push(...indented(quoted(words)));
  lines.push(...indented(text));
  if (proposal !== '') lines.push(...indented(`Proposed: ${quoted(proposal)}`));
  return lines.join('\n');
}

/** Some words in quotation marks. */
export function quoted(words: string): string {
  return `“${words.trim()}”`;
}

function indented(text: string): string[] {
  return text.split('\n').map((one) => `   ${one}`);
}

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('\n', '<br>');

/** A letter as a page by itself, to be sent or printed. */
export function letterHtml(blocks: readonly Block[], title: string): string {
  const body = blocks.map((block) => {
    if (block.kind === 'paragraph') return `<p>${escaped(block.text)}</p>`;
    if (block.kind === 'part') return `<h2>${escaped(block.text)}</h2>`;
    const { number, where, words, text, proposal } = block;
    return [
      `<section><h3>${number}. ${escaped(where)}</h3>`,
      words === '' ? '' : `<blockquote>${escaped(words.trim())}</blockquote>`,
      `<p>${escaped(text)}</p>`,
      proposal === '' ? '' : `<p>Proposed: <q>${escaped(proposal.trim())}</q></p>`,
      '</section>',
    ].join('');
  });
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escaped(title)}</title><style>${STYLE}</style></head><body>${body.join('\n')}</body></html>\n`;
}

const STYLE =
  'body{max-width:40rem;margin:2rem auto;padding:0 1rem;font:1rem/1.5 Georgia,serif;color:#2b2118}h2{margin:1.6rem 0 .4rem;font-size:1.15rem;border-bottom:1px solid #b9a98f}h3{margin:1rem 0 .2rem;font-size:1rem}blockquote{margin:.2rem 0;padding-left:.8rem;border-left:3px solid #b9a98f;white-space:pre-wrap}p{margin:.3rem 0}section{break-inside:avoid}';
