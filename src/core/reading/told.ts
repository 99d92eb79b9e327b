import type { LegendEntry } from '../pattern/pattern.js';
import type { SourceText } from '../text/source.js';
import { tokenize } from './lexer.js';
import { Lexicon } from './lexicon.js';

/** A term before what it means, as it stands in front of it: `"V" is`, `a plain is`, `S=`, `TWINS ......`, `hop (`, `+  `. */
const HEAD = new RegExp(
  String.raw`(?<![^\s("“'‘,;.:>|])` +
    // In quotation marks any words may be a term; else no article is part of one.
    String.raw`(?:["“'‘](?<quoted>\p{L}[\p{L}\d]*(?: \p{L}+){0,2})["”'’]|(?:an? |the |by |for |(?:when |if )?(?:I|we) say )?(?<words>\p{L}[\p{L}\d]*(?: (?!an? |the )\p{L}+){0,2}?))` +
    String.raw`(?:\s+(?<verb>is|are|means?|reads?|stands? for|takes|makes|I mean)\s+|\s?(?::?=|→|>>|\.{3,}|…|(?<bracket>\())\s?)`,
  'giu',
);
const WRITTEN_FOR = /(?<!\p{L})(?<words>\p{L}{1,6}) for /giu;
/** A sign before what it means: at the start of a line, or with "=" anywhere: "2in1 =", "2>1 =". */
const SIGN =
  /(?<=^[\s>]*)(?<sign>[^\s\p{L}\d(){}[\]"“”'’|*+=]{1,2})(?:(?<![+−-])\d{1,2})?(?:\s{2,}|\t|\s*[=:–—→]\s*|\s+(?=\p{L}))(?=\p{L})|(?<![^\s,;])(?<equal>\d?[^\s\p{L}\d(){}[\],;"“”'’=]{1,2}\d?|\d\p{L}{2,4}\d)\s*=\s*(?=[^,;]{0,40}\p{L}{2})/gu;
/** Signs and letters with nothing but a space behind them: "+ sc, V two in one, A two as one". */
const LISTED = /(?<=^[\s>(]*|\s{2}|[,;(:]\s*)(?<sign>\p{L}|[^\s\p{L}\d(){}[\]"“”'’|,;=:]{1,2})\s+(?=[\p{L}\d])/gu;
const FEWEST_LISTED = 3;
/** "hop (two sc in one), dip (two sc together)" */
const FEWEST_BRACKETED = 2;
/** A dash or a dot is a sign only among others that are told so. */
const BULLET = /^[\s>]*[-–—•*+>#|]{1,2}\s\S/u;
/** What a term in a sentence is said to mean ends with the sentence. */
const SENTENCE = /^(?:[^.;:]|[.:](?=\S))*/u;
/** "…, and", "… (" */
const NOT_OF_MEANING = /[\s,;|().]*(?:(?<=[\s,;])(?:and|by|for|when I say)[\s("“'‘]*)?$/iu;
/** "two sc in one stitch is called a hop", "two sc together (a dip)", "I call two sc in one stitch a hop" */
const MEANING_FIRST =
  /(?<![^\s(,;.:])((?:\d|two|three)\s?\p{L}[^,;.:()=]{4,40}?)(?:\s(?:is|are)(?: called)?\s|\s?[=(→]\s?|\s(?=an? ))(?:an? )?["“'‘]?(\p{L}[\p{L}\d]*(?: \p{L}+)?)["”'’]?(?=[,;.)]|\s?$| and )/giu;
/** Words that a sentence can begin with, and that no hand calls a stitch by. */
const NO_TERM =
  /^(?:this|that|these|those|it|there|here|which|what|he|she|they|we|i|you|rounds?|rows?|rnds?|rd|yarn|hook|colou?r|stitch(?:es)?|sts?|one|all|each|every(?:thing)?|body|head|the|first|last|next|work|two|three|four|five|six|if|no)(?!\p{L})|\s\d+$/iu;

/** What a stretch of text tells of its own words in sentences, and of its signs; not all of it need be crochet. */
export function toldIn({ text, remember }: SourceText, from: number, to: number): LegendEntry[] {
  const entries: LegendEntry[] = [];
  let at = from;
  for (const line of text.slice(from, to).split('\n')) {
    if (line.length < 2000)
      for (const { span, term, meaning } of remember(line, toldInLine))
        for (const name of [term, ...signsCalled(term, text)])
          entries.push({ term: name, meaning, span: { from: at + span.from, to: at + span.to } });
    at += line.length + 1;
  }
  return entries;
}

/** What signs are called in words, with the characters that are typed for them. */
const SIGNS_CALLED: ReadonlyMap<string, string> = new Map(
  (
    'plus +＋;minus −-–;dash –-—−;hyphen –-—−;stroke –-—−;cross ×✕✗✖;times ×✕✗✖;star *★☆✶✱;asterisk *★☆✶✱;slash /;dot ·•∙●;bullet ·•∙●;' +
    'circle ○◯●;ring ○◯●;triangle △▲∆▽▼;square □■;tick ✓✔;check ✓✔;arrow →↑↓↗↘;caret ^;hash #;tilde ~;squiggle ~;ampersand &'
  )
    .split(';')
    .map((row) => [row.slice(0, row.indexOf(' ')), row.slice(row.indexOf(' ') + 1)]),
);

/** "A plus sign means …": the sign itself, as the text writes it. */
function signsCalled(term: string, text: string): string[] {
  const called = term.toLowerCase().replace(/^forward |[ -]?(?:signs?|marks?)$/g, '');
  const signs = [called, called.replace(/s$/, ''), called.replace(/es$/, '')].map((name) => SIGNS_CALLED.get(name));
  const sign = Array.from(signs.find(Boolean) ?? '').find((one) => text.includes(one));
  return sign === undefined ? [] : [sign];
}

/** What a line tells of its words: each term with what stands behind it, up to the next one. */
function toldInLine(line: string): LegendEntry[] {
  const entries: LegendEntry[] = [];
  const keep = (term: string, meaning: string, at: number, length: number) => {
    if (meaning.length > 1) entries.push({ term, meaning, span: { from: at, to: at + length } });
  };
  const first = [...line.matchAll(MEANING_FIRST)];
  for (const { 0: all, 1: meaning = '', 2: term = '', index } of first)
    if (mayBeTerm(term)) keep(term, meaning, index, all.length);
  const heads = headsIn(line).filter(
    ({ from, term, quoted, bracket }) =>
      (quoted || bracket || mayBeTerm(term)) &&
      !first.some(({ 1: meaning = '', index }) => from >= index && from < index + meaning.length),
  );
  for (const [i, { term, from, to, quoted, bracket, sign }] of heads.entries()) {
    const rest = line.slice(to, heads[i + 1]?.from ?? line.length);
    const told = sign ? rest : (SENTENCE.exec(rest)?.[0] ?? rest);
    const meaning = plainMeaning(told);
    const length = to - from + told.length;
    if (bracket && meaning.length < term.length && isKnown(term)) keep(meaning, term, from, length);
    else if (quoted || mayBeTerm(term)) keep(term, meaning, from, length);
  }
  return entries;
}

/** What is left of a meaning without the words that lead to the next term. */
function plainMeaning(written: string): string {
  const cut = written.replace(NOT_OF_MEANING, '').trim();
  return cut.lastIndexOf('(') > cut.lastIndexOf(')') ? `${cut})` : cut;
}

/** Whether a term is told in words of everybody's: "slip stitch (sl st)" explains the short one. */
function isKnown(term: string): boolean {
  const tokens = tokenize(term, { from: 0, to: term.length });
  const lexicon = new Lexicon('us', false);
  let at = 0;
  while (at < tokens.length) {
    const lexeme = lexicon.at(tokens, at);
    if (!lexeme) return false;
    at += lexeme.length;
  }
  return true;
}

function mayBeTerm(term: string): boolean {
  return term.length === 1 || !NO_TERM.test(term);
}

interface Head {
  readonly term: string;
  readonly from: number;
  /** Where its meaning begins. */
  readonly to: number;
  readonly quoted: boolean;
  readonly bracket: boolean;
  readonly sign: boolean;
}

/** Where the terms of a line stand, in their order, none over another. */
function headsIn(line: string): Head[] {
  const listed = [...line.matchAll(LISTED)];
  const isList = listed.length >= FEWEST_LISTED;
  const heads = [...line.matchAll(HEAD)];
  const unbracketed = heads.filter(({ groups }) => !groups?.bracket);
  const bracketed = heads.length - unbracketed.length;
  // "x := single crochet (US), v := increase (2x in one)": what stands in brackets is of the meaning.
  const inBrackets = !isList && bracketed >= FEWEST_BRACKETED && bracketed > unbracketed.length;
  const bullet = BULLET.test(line) && !/\s{2,}|\t/.test(line.trim());
  const signs = [...line.matchAll(SIGN)].filter(({ groups }) => !(bullet && groups?.sign));
  const found = [
    ...signs,
    ...(isList ? listed : []),
    ...(inBrackets ? heads : unbracketed),
    ...(/\bwrite\b/i.test(line) ? line.matchAll(WRITTEN_FOR) : []),
  ].map(({ 0: { length }, index, groups = {} }) => ({
    term: groups.quoted ?? groups.words ?? groups.sign ?? groups.equal ?? '',
    from: index,
    to: index + length,
    quoted: groups.quoted !== undefined,
    bracket: groups.bracket !== undefined,
    sign: groups.sign !== undefined,
  }));
  found.sort((one, other) => one.from - other.from || other.to - one.to);
  let done = 0;
  return found.filter(({ from, to }) => {
    if (from < done) return false;
    done = to;
    return true;
  });
}
