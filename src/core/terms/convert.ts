import type { Pattern } from '../pattern/pattern.js';
import { decide } from '../deciding/decide.js';
import { NO_HAND, type Hand } from '../reading/hand.js';
import { Keys } from '../text/key.js';
import { lineSpan, positionAt, type SourceText, type Span } from '../text/source.js';
import type { Vocabulary } from '../vocabulary/stitches.js';
import { mentionsIn, type Mention } from './mentions.js';
import { NAMING, takesAn, writtenLike } from './naming.js';
import { hooksIn, spellingsIn, weightsIn, type Wording } from './options.js';
import { differences, foreignPlaces } from './proof.js';
import type { Conversion, TermChange } from './schema.js';

export interface ConvertOptions {
  readonly to: Vocabulary;
  /** The vocabulary that the editor has settled; `auto` goes by what the text declares and shows. */
  readonly from?: Vocabulary | 'auto';
  readonly hooks?: boolean;
  readonly weights?: boolean;
  readonly spelling?: boolean;
  /** What is settled about the hand. */
  readonly hand?: Hand;
  /** By the key of a change: what is to be written in its place. */
  readonly decisions?: ReadonlyMap<string, string>;
}

/** What is written for a word, and why. */
interface Put {
  readonly after: string;
  readonly reason: string;
}

/** A change before it has its place in lines, and its key. */
interface Draft extends Span {
  readonly kind: TermChange['kind'];
  readonly after: string;
  readonly reason: string;
  readonly doubtful: boolean;
}

/**
 * Writes a pattern in the other vocabulary: each word that has another name there is replaced where it stands, all at
 * once, and everything else is left byte for byte. The result is read and counted again, and must come out the same.
 * @returns never throws. Where nothing may be converted the text comes back as it was, with the reason.
 */
export function convertTerms(text: string, options: ConvertOptions): Conversion {
  const { to } = options;
  const asked = options.from ?? 'auto';
  const { hand = NO_HAND } = options;
  const pattern = decide(text, { terms: asked, hand }).pattern;
  const from = asked === 'auto' ? sourceVocabulary(pattern) : asked;
  const refuse = (state: Conversion['state'], message: string): Conversion => ({
    schema: 'dostik.convert/1',
    from: from === 'mixed' || from === 'unclear' ? null : from,
    to,
    state,
    message,
    changes: [],
    problems: state === 'mixed' ? foreignPlaces(pattern) : [],
    text,
  });
  if (from === 'unclear')
    return refuse(
      'unclear',
      'Nothing in this text tells whether it is in US or UK terms. Say which, and convert again.',
    );
  if (from === 'mixed')
    return refuse(
      'mixed',
      'This text mixes US and UK terms. Put the lines of the minority right first, or say which it is in.',
    );
  if (from === to)
    return refuse('already', `This text is in ${to.toUpperCase()} terms already; there is nothing to convert.`);

  const changes = changesOf(pattern, to, options);
  const result = applied(text, changes);
  const problems = differences(pattern, decide(result, { terms: to, hand }).pattern, to);
  const open = changes.filter(({ doubtful, decided }) => doubtful && !decided).length;
  return {
    schema: 'dostik.convert/1',
    from,
    to,
    state: problems.length > 0 ? 'unproved' : 'proved',
    message:
      problems.length > 0
        ? 'Read again, the result does not come out as the original does. The places are listed.'
        : `Read again, every round comes out as before.${open > 0 ? ` ${open} ${open === 1 ? 'word is' : 'words are'} in doubt and left as ${open === 1 ? 'it was' : 'they were'}.` : ''}`,
    changes,
    problems,
    text: result,
  };
}

/** The vocabulary that a text is really in. */
function sourceVocabulary({ terms }: Pattern): Vocabulary | 'mixed' | 'unclear' {
  return terms.detected === 'unclear' ? (terms.declared ?? 'unclear') : terms.detected;
}

/** The text with what its changes say. */
export function applied(text: string, changes: readonly Pick<TermChange, 'from' | 'to' | 'written'>[]): string {
  const pieces: string[] = [];
  let at = 0;
  for (const { from, to, written } of changes) {
    pieces.push(text.slice(at, from), written);
    at = to;
  }
  pieces.push(text.slice(at));
  return pieces.join('');
}

function changesOf(pattern: Pattern, to: Vocabulary, options: ConvertOptions): TermChange[] {
  const { source } = pattern;
  const from: Vocabulary = to === 'us' ? 'uk' : 'us';
  const mentions = mentionsIn(pattern);
  const spare = spareEntries(source.text, from);
  const drafts = [...draftsFor(source.text, mentions, spare, wordingsOnce(from, to)), ...spare.map(takenOut)];
  if (!mentions.some(({ kind }) => kind === 'statement') && pattern.terms.declared !== to)
    drafts.push(statement(source, to));
  for (const one of alongWith(source.text, to, options))
    if (!drafts.some((draft) => one.from < draft.to && draft.from < one.to)) drafts.push({ ...one, doubtful: false });
  drafts.sort((a, b) => a.from - b.from || a.to - b.to);
  return settled(source, drafts, options.decisions ?? new Map());
}

/** What is written for each mention, outside of the entries that go. */
function draftsFor(
  text: string,
  mentions: readonly Mention[],
  spare: readonly Span[],
  wording: (words: string, mention: Mention) => Put,
): Draft[] {
  const drafts: Draft[] = [];
  let next = 0;
  for (const mention of mentions) {
    while ((spare[next]?.to ?? Infinity) <= mention.span.from) next += 1;
    const entry = spare[next];
    if (entry && within(mention.span, entry)) continue;
    const words = text.slice(mention.span.from, mention.span.to);
    const put = wording(words, mention);
    if (put.after === words) continue;
    const draft = draftOf(mention, put);
    const article = mention.kind === 'stitch' ? articleBefore(text, draft) : null;
    if (article) drafts.push(article);
    drafts.push(draft);
  }
  return drafts;
}

function draftOf({ span, kind, sure }: Mention, { after, reason }: Put): Draft {
  const asked = sure ? reason : `The stitch, or something else? ${reason}`;
  return { ...span, kind, after, reason: asked, doubtful: !sure };
}

/** What is written for the words of a mention; the same word stands hundreds of times in a text. */
function wordingsOnce(from: Vocabulary, to: Vocabulary): (words: string, mention: Mention) => Put {
  const known = new Map<string, Put>();
  return (words, mention) => {
    const key = `${mention.kind} ${words}`;
    let put = known.get(key);
    if (put === undefined) known.set(key, (put = wordingOf(words, mention, from, to)));
    return put;
  };
}

/** What goes along besides the stitches. */
function alongWith(text: string, to: Vocabulary, { hooks, weights, spelling }: ConvertOptions): Wording[] {
  return [
    ...(hooks ? hooksIn(text, to) : []),
    ...(weights ? weightsIn(text, to) : []),
    ...(spelling ? spellingsIn(text, to) : []),
  ];
}

/** An entry of the list of words that the other vocabulary does not need. */
function takenOut({ from, to }: Span): Draft {
  const reason = 'UK terms say "miss" in full, which needs no entry.';
  return { from, to, kind: 'list', after: '', reason, doubtful: false };
}

function within(span: Span, { from, to }: Span): boolean {
  return from <= span.from && span.to <= to;
}

function wordingOf(words: string, { name, kind }: Mention, from: Vocabulary, to: Vocabulary): Put {
  const said = (word: string) => `${to.toUpperCase()} patterns say ${word}.`;
  switch (kind) {
    case 'stitch': {
      const counterpart = NAMING[from].counterparts.get(name) ?? name;
      const reason = `${name} in ${from.toUpperCase()} terms is ${counterpart} in ${to.toUpperCase()} terms.`;
      return { after: postWritten(counterpart, words), reason };
    }
    case 'skip':
      return { after: skipWritten(words, to), reason: said(to === 'us' ? 'skip' : 'miss') };
    case 'yarn-over':
      return { after: yarnWritten(words, to), reason: said(to === 'us' ? 'yarn over' : 'yarn round hook') };
    case 'gauge': {
      const noun = to === 'us' ? 'gauge' : 'tension';
      const plural = words.toLowerCase().endsWith('s') ? `${noun}s` : noun;
      return {
        after: writtenLike(plural, words),
        reason: `Stitches per 10 cm are the ${noun} in ${to.toUpperCase()} patterns.`,
      };
    }
    case 'statement':
      return { after: STATED[to][name] ?? to.toUpperCase(), reason: 'The pattern says which terms it is in.' };
  }
}

/** "RdcF" becomes "FPsc": the post keeps its capitals, whatever those of the name were. */
function postWritten(counterpart: string, words: string): string {
  return /^(?:fp|bp)\p{L}+$/u.test(counterpart)
    ? counterpart.slice(0, 2).toUpperCase() + counterpart.slice(2)
    : writtenLike(counterpart, words);
}

const STATED: Readonly<Record<Vocabulary, Readonly<Record<string, string>>>> = {
  us: { uk: 'US', 'u.k.': 'U.S.', british: 'American' },
  uk: { us: 'UK', usa: 'UK', 'u.s.': 'U.K.', american: 'British' },
};

function skipWritten(words: string, to: Vocabulary): string {
  const ending = /(ed|ing|s|es)$/i.exec(words)?.[1]?.toLowerCase() ?? '';
  const plain = words.toLowerCase() === 'miss' || words.toLowerCase() === 'sk';
  const verb = to === 'us' ? 'skip' : 'miss';
  const form =
    plain || ending === ''
      ? verb
      : ending === 'ed' || ending === 'ing'
        ? `${to === 'us' ? 'skipp' : 'miss'}${ending}`
        : to === 'us'
          ? 'skips'
          : 'misses';
  return writtenLike(form, words);
}

function yarnWritten(words: string, to: Vocabulary): string {
  const short = words.length <= 3;
  const plural = /overs$/i.test(words);
  if (to === 'us') return short ? writtenLike('yo', words) : writtenLike('yarn over', words);
  return short ? writtenLike('yrh', words) : `${writtenLike('yarn round hook', words)}${plural ? 's' : ''}`;
}

/** "an sc" becomes "a dc", and the other way round. */
function articleBefore(text: string, draft: Draft): Draft | null {
  // A quick look, since hardly any stitch has an article before it.
  if (!/[an]\s+$/i.test(text.slice(Math.max(0, draft.from - 3), draft.from))) return null;
  const article = /(?<!\p{L})(an?)\s+$/iu.exec(text.slice(Math.max(0, draft.from - 4), draft.from));
  const word = article?.[1];
  if (!article || !word) return null;
  const was = takesAn(text.slice(draft.from, draft.to));
  const is = takesAn(draft.after);
  const small = is ? 'an' : 'a';
  const now = word.startsWith('A') ? `A${small.slice(1)}` : small;
  if (was === is || word.toLowerCase() === small) return null;
  const from = draft.from - article[0].length;
  return {
    from,
    to: from + word.length,
    kind: 'article',
    after: writtenLike(now, word.length === 1 ? word.toLowerCase() : word),
    reason: `The article goes with ${draft.after}.`,
    doubtful: draft.doubtful,
  };
}

/** Entries of the list that the other vocabulary does not need: "sk skip". With the comma or line that they stand on. */
function spareEntries(text: string, from: Vocabulary): Span[] {
  if (from !== 'us') return [];
  const entries: Span[] = [];
  for (const match of text.matchAll(SKIP_ENTRY)) entries.push({ from: match.index, to: match.index + match[0].length });
  return entries;
}

/** On a line of its own, or between commas. */
const SKIP_ENTRY =
  /(?:(?<=\n|^)[ \t>•*+-]*sk\**[ \t]*(?:[=:–—|-]|\t| )[ \t]*skip(?:ped|ping)?(?:[ \t](?:a|the|next)?[ \t]?st(?:itch(?:es)?|s)?(?:\(es\))?)?[.;,]?[ \t]*(?:\r?\n|$)|[,;][ \t]*\**sk\**[ \t]*(?:[=:–—-]|[ \t])[ \t]*skip(?:ped|ping)?(?:[ \t]st(?:itch)?)?(?=[ \t]*(?:[,;.\r\n]|$)))/gu;

/** A pattern that says nothing of its terms says so in its second line from now on. */
function statement(source: SourceText, to: Vocabulary): Draft {
  let line = 0;
  while (line < source.lineStarts.length - 1 && isBlank(source, line)) line += 1;
  const { from, to: end } = lineSpan(source, line);
  const at = from === end && isBlank(source, line) ? from : end;
  const newline = source.text.includes('\r\n') ? '\r\n' : '\n';
  return {
    from: at,
    to: at,
    kind: 'statement',
    after: `${newline}${to.toUpperCase()} crochet terms`,
    reason: 'Nowhere does the pattern say which terms it is in.',
    doubtful: false,
  };
}

function isBlank(source: SourceText, line: number): boolean {
  const { from, to } = lineSpan(source, line);
  return source.text.slice(from, to).trim() === '';
}

/** Gives the changes their keys and places, and puts in what the editor has decided. */
function settled(source: SourceText, drafts: readonly Draft[], decisions: ReadonlyMap<string, string>): TermChange[] {
  const keys = new Keys();
  return drafts.map(({ from, to, kind, after, reason, doubtful }) => {
    const before = source.text.slice(from, to);
    const start = positionAt(source, from);
    const line = lineSpan(source, start.line - 1);
    const key = keys.of(
      `${kind}|${before}|${after}|${source.text.slice(line.from, Math.min(line.to, line.from + 400))}`,
    );
    const decided = decisions.get(key);
    const end = to <= line.to ? { line: start.line, column: start.column + to - from } : positionAt(source, to);
    return {
      key,
      kind,
      from,
      to,
      line: start.line,
      column: start.column,
      endLine: end.line,
      endColumn: end.column,
      before,
      after,
      written: decided ?? (doubtful ? before : after),
      reason,
      doubtful,
      decided: decided !== undefined,
    };
  });
}
