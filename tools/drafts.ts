/**
 * Makes further drafts of sample patterns as designers do (rounds put in, taken out, exchanged and numbered anew, parts
 * moved and renamed, other words, repeats written out), and looks how many rounds are known again.
 *   npm run drafts -- [DRAFTS] [SEED] [FOLDER …]
 */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { checkText, convertTerms, type Comparison, type Report } from '../src/core/index.js';
import { compareTexts } from '../src/core/onRequest.js';
import { chances } from '../src/core/training/chances.js';

/** A line of the later draft, and the round of the earlier one that it begins; null where it begins none. */
interface Line {
  readonly text: string;
  readonly was: number | null;
  readonly part: number | null;
  /** Its round stands in this line alone, and begins with its number, in figures. */
  readonly numbered: boolean;
  /** It begins a round that was not there before. */
  readonly added?: true;
}

export interface MadeDraft {
  readonly before: string;
  readonly after: string;
  /** By line of the later draft (from 0) the round that it was; null for one that is new. Lines without a round are left out. */
  readonly was: ReadonlyMap<number, number | null>;
  readonly done: readonly string[];
}

type Chance = () => number;
/** @returns null where nothing of the kind can be done. */
type Change = (lines: readonly Line[], chance: Chance) => readonly Line[] | null;

const pick = <Item>(items: readonly Item[], chance: Chance): Item | undefined =>
  items[Math.min(items.length - 1, Math.floor(chance() * items.length))];

const LABEL = /^([^\p{L}\p{N}]*(?:\p{L}+\.?\s*)?)(\d+)((?:\s*(?:-|–|\.\.|to|and|&)\s*(?:R\.?)?)(\d+))?/u;

/** A line whose label counts by some more or fewer. */
function counted(text: string, by: number): string {
  return text.replace(LABEL, (_whole, lead: string, from: string, rest: string | undefined, to: string | undefined) => {
    const first = `${lead}${Number(from) + by}`;
    return rest === undefined || to === undefined ? first : `${first}${rest.slice(0, -to.length)}${Number(to) + by}`;
  });
}

const begins = ({ numbered }: Line) => numbered;
const single = (line: Line) => begins(line) && LABEL.exec(line.text)?.[4] === undefined;
const rounds = (lines: readonly Line[]) => lines.flatMap((line, at) => (begins(line) ? [at] : []));

/** The rounds behind a place, in its part, count by some more or fewer. */
function renumbered(lines: readonly Line[], behind: number, by: number): Line[] {
  const part = lines[behind]?.part;
  return lines.map((line, at) =>
    at > behind && line.part === part && begins(line) ? { ...line, text: counted(line.text, by) } : line,
  );
}

const CHANGES: Readonly<Record<string, Change>> = {
  'put in': (lines, chance) => {
    const at = pick(rounds(lines), chance);
    const line = at === undefined ? undefined : lines[at];
    if (at === undefined || !line) return null;
    const label = LABEL.exec(line.text)?.[0] ?? '';
    const body = line.text.slice(label.length).replace(/\d+/, (figure) => String(Number(figure) + 2));
    const last = (label.match(/\d+/g) ?? []).at(-1) ?? '1';
    const next = `${label.replace(/\d[\s\S]*$/, '')}${Number(last) + 1}${body}`;
    const behind = chance() < 0.7 ? renumbered(lines, at, 1) : lines;
    return [
      ...behind.slice(0, at + 1),
      { text: next, was: null, part: line.part, numbered: true, added: true },
      ...behind.slice(at + 1),
    ];
  },
  'taken out': (lines, chance) => {
    const at = pick(rounds(lines), chance);
    if (at === undefined) return null;
    // A round that goes on over further lines goes with all of them.
    if (lines[at + 1]?.was === null && /\S/.test(lines[at + 1]?.text ?? '')) return null;
    const behind = chance() < 0.7 ? renumbered(lines, at, -1) : lines;
    return behind.filter((_, i) => i !== at);
  },
  exchanged: (lines, chance) => {
    const places = rounds(lines).filter((at) => {
      const [one, next] = [lines[at], lines[at + 1]];
      return one && next && single(one) && single(next) && one.part === next.part;
    });
    const at = pick(places, chance);
    const [one, next] = at === undefined ? [] : [lines[at], lines[at + 1]];
    if (at === undefined || !one || !next) return null;
    const labels = [LABEL.exec(one.text)?.[0] ?? '', LABEL.exec(next.text)?.[0] ?? ''] as const;
    const first = { ...next, text: labels[0] + next.text.slice(labels[1].length) };
    const second = { ...one, text: labels[1] + one.text.slice(labels[0].length) };
    return [...lines.slice(0, at), first, second, ...lines.slice(at + 2)];
  },
  'part moved': (lines, chance) => {
    const parts = [...new Set(lines.flatMap(({ part }) => part ?? []))];
    if (parts.length < 2) return null;
    const [one, other] = [pick(parts, chance), pick(parts, chance)];
    if (one === undefined || one === other) return null;
    const block = lines.filter(({ part }) => part === one);
    const rest = lines.filter(({ part }) => part !== one);
    const at = rest.findIndex(({ part }) => part === other);
    return [...rest.slice(0, at), ...block, ...rest.slice(at)];
  },
  'part renamed': (lines, chance) => {
    const heads = lines.flatMap(({ part, was, text }, at) =>
      part !== null && lines[at - 1]?.part !== part && was === null && /^[^\d:]{2,30}$/.test(text) ? [at] : [],
    );
    const at = pick(heads, chance);
    if (at === undefined) return null;
    const name = pick(['Second ear', 'Snout', 'Little horn', 'Front paw', 'Sun hat', 'Inner petal'], chance) ?? '';
    return lines.map((line, i) => (i === at ? { ...line, text: name } : line));
  },
  'other words': (lines, chance) => {
    const ways: readonly (readonly [RegExp, string])[] = [
      [/\bsc\b/g, 'single crochet'],
      [/\binc\b/g, 'increase'],
      [/\bdec\b/g, 'decrease'],
      [/\b[xX×]\s?(\d+)/g, '$1 times'],
      [/\baround\b/g, 'in each stitch around'],
      [/^R(?=\d)/, 'Rnd '],
      [/^(?:Rnd|rnd|Round)s?\b/, 'R'],
    ];
    const way = pick(ways, chance);
    const share = chance();
    return way
      ? lines.map((line) =>
          line.was !== null && chance() < share ? { ...line, text: line.text.replace(...way) } : line,
        )
      : null;
  },
  'other terms': (lines) => {
    const text = lines.map((line) => line.text).join('\n');
    const to = checkText(text, '').terms.detected === 'uk' ? 'us' : 'uk';
    const done = convertTerms(text, { to, from: 'auto', hooks: false, weights: false, spelling: false });
    const words = done.text.split('\n');
    return done.state !== 'proved' || words.length !== lines.length
      ? null
      : lines.map((line, at) => ({ ...line, text: words[at] ?? '' }));
  },
  'repeat written out': (lines, chance) => {
    const form = /\(([^()]+)\)\s*[xX×]\s?([2-8])\b/;
    const at = pick(
      rounds(lines).filter((i) => form.test(lines[i]?.text ?? '')),
      chance,
    );
    if (at === undefined) return null;
    return lines.map((line, i) =>
      i === at
        ? {
            ...line,
            text: line.text.replace(form, (_, body: string, times: string) =>
              Array<string>(Number(times)).fill(body).join(', '),
            ),
          }
        : line,
    );
  },
  'range written out': (lines, chance) => {
    const form = /^([^\p{L}\p{N}]*(?:\p{L}+?\.?\s*)?)(\d+)\s*(?:-|–|to)\s*(\d+)(?!.*(?:rounds|rnds|rows|repeat))/iu;
    const at = pick(
      rounds(lines).filter((i) => form.test(lines[i]?.text ?? '')),
      chance,
    );
    const line = at === undefined ? undefined : lines[at];
    const found = form.exec(line?.text ?? '');
    if (at === undefined || !line || !found) return null;
    const [label = '', lead = '', from = '', to = ''] = found;
    const count = Number(to) - Number(from) + 1;
    if (count < 2 || count > 12) return null;
    const written = Array.from({ length: count }, (_, i) => ({
      ...line,
      text: `${lead.replace(/s(?=\.?\s*$)/, '')}${Number(from) + i}${line.text.slice(label.length)}`,
    }));
    return [...lines.slice(0, at), ...written, ...lines.slice(at + 1)];
  },
  'a figure': (lines, chance) => {
    const at = pick(rounds(lines), chance);
    const line = at === undefined ? undefined : lines[at];
    if (!line) return null;
    const label = LABEL.exec(line.text)?.[0] ?? '';
    const body = line.text.slice(label.length).replace(/\d+/, (figure) => String(Number(figure) + 1));
    return lines.map((one, i) => (i === at ? { ...one, text: label + body } : one));
  },
  'a line between': (lines, chance) => {
    const at = pick(
      lines.flatMap(({ was, text, added }, i) => (was === null && !added && text.length > 20 ? [i] : [])),
      chance,
    );
    return at === undefined
      ? null
      : lines.map((line, i) => (i === at ? { ...line, text: `${line.text} Have a look.` } : line));
  },
};

const EITHER: readonly string[] = ['put in', 'taken out'];

/** A further draft of a text; null where its rounds do not stand in lines of their own. */
export function makeDraft(before: string, seed: number): MadeDraft | null {
  const chance = chances(seed * 104_729 + before.length);
  let lines = linesOf(before, checkText(before, ''));
  if (!lines) return null;
  const done: string[] = [];
  const wanted = 1 + Math.floor(chance() * 6);
  for (let tries = 0; tries < 30 && done.length < wanted; tries += 1) {
    const name = pick(Object.keys(CHANGES), chance) ?? '';
    // One round taken out and another put in may be one that was changed: nobody can tell.
    if (done.some((one) => EITHER.includes(one) && one !== name) && EITHER.includes(name)) continue;
    const changed: readonly Line[] | null = CHANGES[name]?.(lines, chance) ?? null;
    if (!changed) continue;
    done.push(name);
    lines = changed;
  }
  const was = new Map(lines.flatMap((line, at) => (line.was !== null || line.added ? [[at, line.was] as const] : [])));
  return { before, after: lines.map(({ text }) => text).join('\n'), was, done };
}

function linesOf(text: string, { parts }: Report): readonly Line[] | null {
  const words = text.split('\n');
  const first = new Map<number, number>();
  const numbered = new Set<number>();
  let index = 0;
  for (const { rounds: own } of parts)
    for (const { line, endLine, from, to } of own) {
      if (first.has(line - 1)) return null;
      first.set(line - 1, index);
      const [, , first_, , last_] = LABEL.exec(words[line - 1] ?? '') ?? [];
      if (Number(first_) === from && Number(last_ ?? from) === to && endLine === line) numbered.add(line - 1);
      index += 1;
    }
  const last = new Map(parts.map(({ rounds: own }, part) => [part, own.at(-1)?.endLine ?? 0]));
  return words.map((line, at) => {
    const part = parts.findLastIndex((one) => one.line <= at + 1);
    return {
      text: line,
      was: first.get(at) ?? null,
      part: part >= 0 && at < (last.get(part) ?? 0) ? part : null,
      numbered: numbered.has(at),
    };
  });
}

/** How many rounds of a made draft were known again as what they are. */
export interface Known {
  readonly rounds: number;
  readonly right: number;
  /** What each of the others is, and what it was taken for, by the words of its lines. */
  readonly wrong: readonly string[];
}

/** Compares a made draft with the one that it was made from. */
export function scoreDraft({ before, after, was }: MadeDraft): Known {
  const comparison = compareTexts({ text: before }, { text: after });
  const [old, now] = [roundsOf(before), roundsOf(after)];
  const partner = partnersIn(comparison);
  const wrong: string[] = [];
  let right = 0;
  let all = 0;
  const tell = (index: number | null) => (index === null ? 'nothing' : (old[index]?.words ?? '?'));
  now.forEach(({ line, words }, index) => {
    const truth = was.get(line);
    // What another reading takes for a round is no matter of knowing it again.
    if (truth === undefined) return;
    all += 1;
    const taken = partner.get(index) ?? null;
    if (taken === truth || twins(old, taken, truth)) right += 1;
    else wrong.push(`${words}\n    was ${tell(truth)}\n    taken for ${tell(taken)}`);
  });
  return { rounds: all, right, wrong };
}

interface Placed {
  readonly line: number;
  readonly part: number;
  readonly words: string;
  readonly body: string;
  readonly made: number | null;
}

function roundsOf(text: string): Placed[] {
  const lines = text.split('\n');
  return checkText(text, '').parts.flatMap(({ rounds: own }, part) =>
    own.map(({ line, label, made }) => {
      const words = lines[line - 1] ?? '';
      return { line: line - 1, part, words, body: words.trim().slice(label.length), made };
    }),
  );
}

/** Two rounds of one part with the same words: which of them is gone can't be told by anybody. */
function twins(old: readonly Placed[], taken: number | null, truth: number | null): boolean {
  const [one, other] = [old[taken ?? -1], old[truth ?? -1]];
  return (
    one !== undefined &&
    other !== undefined &&
    one.part === other.part &&
    one.body === other.body &&
    one.made === other.made
  );
}

function partnersIn({ entries }: Comparison): Map<number, number> {
  return new Map(
    entries.flatMap(({ before, after }): [number, number][] =>
      typeof after?.round === 'number' && typeof before?.round === 'number' ? [[after.round, before.round]] : [],
    ),
  );
}

/** So many drafts made of the patterns in some folders, one after the other. */
export function* madeDrafts(count: number, seed: number, folders: readonly string[]): Generator<MadeDraft> {
  const texts = folders.flatMap((folder) =>
    readdirSync(folder)
      .filter((file) => file.endsWith('.txt'))
      .map((file) => readFileSync(path.join(folder, file), 'utf8').replace(/\r\n?/g, '\n')),
  );
  let made = 0;
  for (let turn = 0; made < count; turn += 1) {
    const draft = makeDraft(texts[turn % texts.length] ?? '', seed + turn);
    if (turn > count * 10) return;
    if (!draft) continue;
    made += 1;
    yield draft;
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [count = '300', seed = '1', ...folders] = process.argv.slice(2);
  let [rounds_, right, drafts] = [0, 0, 0];
  for (const draft of madeDrafts(
    Number(count),
    Number(seed),
    folders.length > 0 ? folders : ['corpus', 'corpus/odd'],
  )) {
    const known = scoreDraft(draft);
    drafts += 1;
    rounds_ += known.rounds;
    right += known.right;
    if (known.wrong.length > 0) console.log(`${draft.done.join(', ')}\n  ${known.wrong.join('\n  ')}`);
  }
  console.log(
    `${drafts} drafts: ${right} of ${rounds_} rounds known again (${((100 * right) / rounds_).toFixed(2)} %)`,
  );
}
