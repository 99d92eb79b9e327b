import * as z from 'zod/mini';
import type { Overview } from '../overview/schema.js';
import type { Report, ReportFinding, ReportRound } from '../report/schema.js';
import { keyOf } from '../text/key.js';

/** What a line of the checklist rests on: a place in the text, or somewhere else to go. */
const restSchema = z.object({
  words: z.string(),
  line: z.nullable(z.int()),
  /** By which a person may say why it is all right; empty where it has to be put right. */
  key: z.string(),
  /** Why it is so all the same; empty where it stands against the release. */
  reason: z.string(),
});
export type ChecklistRest = z.infer<typeof restSchema>;

/** One thing that has to be true before a pattern goes out. */
export const checklistLineSchema = z.object({
  id: z.string(),
  text: z.string(),
  holds: z.boolean(),
  /** Why it holds, or what is missing. */
  words: z.string(),
  rests: z.array(restSchema),
  /** Whether a person says so; with who has, and whether what it was said of has changed since. */
  person: z.nullable(
    z.object({ who: z.string(), at: z.nullable(z.number()), lapsed: z.boolean(), basis: z.string(), own: z.boolean() }),
  ),
});
export type ChecklistLine = z.infer<typeof checklistLineSchema>;

/** What a person has said of a line, and of what: another basis, and it no longer holds. */
export interface Confirmation {
  readonly line: string;
  readonly who: string;
  readonly basis: string;
  readonly at: number;
}

/** How one vocabulary stands. */
export interface EditionState {
  readonly terms: 'us' | 'uk';
  readonly holds: boolean;
  readonly words: string;
}

/** All that the checklist rests on. */
export interface ReleaseFacts {
  readonly text: string;
  readonly report: Report;
  readonly overview: Overview;
  /** By the key of a finding, and of a round or another thing that is taken on trust: why. */
  readonly aside: ReadonlyMap<string, string>;
  readonly trusted: ReadonlyMap<string, string>;
  /** Queries that still wait for somebody, by their numbers. */
  readonly waiting: readonly number[];
  readonly editions: readonly EditionState[];
  /** Stands for the photographs; empty where there are none. */
  readonly photographs: string;
  /** Stands for the text's words. */
  readonly basis: string;
  /** Errata that the text has not taken in yet. */
  readonly errata: readonly { readonly number: number; readonly words: string }[];
  readonly confirmed: readonly Confirmation[];
  /** Lines that the house has added. */
  readonly own: readonly { readonly id: string; readonly text: string }[];
}

const ON_ITS_OWN: ReadonlySet<ReportRound['verdict']> = new Set(['agrees', 'counted']);

/** What has to be true before a pattern goes out, line by line; computed wherever it can be. */
export function checklistOf(facts: ReleaseFacts): ChecklistLine[] {
  return [
    rounds(facts),
    findings(facts, 'error', 'No error stands against the text'),
    findings(facts, 'warning', 'Warnings are settled, or put aside with a reason'),
    computed(
      'queries',
      'Every query is settled',
      facts.waiting.map((number) => rest(`Query ${number} is not settled`)),
      'None is open.',
    ),
    terms(facts),
    computed(
      'editions',
      'Both editions are proved and up to date',
      facts.editions.map(({ words, holds }) => rest(words, null, holds ? words : '')),
      'US and UK terms come out with the same counts.',
    ),
    materials(facts),
    cautions(facts),
    errata(facts),
    rights(facts),
    photographs(facts),
    confirmation(facts, 'tested', 'Testers’ results are in, or nobody was asked to test', ''),
    confirmation(facts, 'read', 'A second person has read it to the end', facts.basis),
    ...facts.own.map(({ id, text }) => confirmation(facts, id, text, '', true)),
  ];
}

function rest(words: string, line: number | null = null, reason = '', key = ''): ChecklistRest {
  return { words, line, reason, key };
}

function computed(id: string, text: string, rests: ChecklistRest[], otherwise: string): ChecklistLine {
  const against = rests.filter(({ reason }) => reason === '');
  const words =
    against.length === 0
      ? otherwise
      : against.length === 1
        ? (against[0]?.words ?? '')
        : `${against.length} stand against it.`;
  return { id, text, holds: against.length === 0, words, rests, person: null };
}

function rounds({ report, aside, trusted }: ReleaseFacts): ChecklistLine {
  const all = report.parts.flatMap((part) => part.rounds.map((round) => ({ round, part: part.name })));
  const found = byLine(report.findings);
  const rests = all
    .filter(({ round }) => !ON_ITS_OWN.has(round.verdict))
    .map(({ round, part }) => {
      const why = trusted.get(round.key) ?? asideAt(found, round, aside);
      const able = round.verdict === 'off' ? '' : round.key;
      return rest(`${part}, ${round.label}: ${VERDICTS[round.verdict]}`, round.line, why, able);
    });
  const line = computed('rounds', 'Every round agrees, or is taken on trust for a reason', rests, '');
  if (all.length === 0) return { ...line, holds: false, words: 'No rounds were found in this text.' };
  const trustedOnes = rests.filter(({ reason }) => reason !== '').length;
  const counted = `${all.length - rests.length} of ${all.length} are counted`;
  return line.holds
    ? { ...line, words: trustedOnes === 0 ? `${counted}.` : `${counted}, ${trustedOnes} on trust.` }
    : line;
}

const VERDICTS: Partial<Record<ReportRound['verdict'], string>> = {
  off: 'is off',
  unreadable: 'could not be read',
  'on-trust': 'gives no count by its words',
};

/** Errors and warnings by the line that they begin in. */
function byLine(findings: readonly ReportFinding[]): ReadonlyMap<number, readonly ReportFinding[]> {
  const lines = new Map<number, ReportFinding[]>();
  for (const finding of findings) {
    if (finding.severity === 'hint') continue;
    const here = lines.get(finding.line);
    if (here) here.push(finding);
    else lines.set(finding.line, [finding]);
  }
  return lines;
}

/** Why all that was found in a round was put aside; empty where something stands, or nothing was found. */
function asideAt(
  found: ReadonlyMap<number, readonly ReportFinding[]>,
  { line, endLine }: ReportRound,
  aside: ReadonlyMap<string, string>,
): string {
  let why = '';
  for (let at = line; at <= endLine; at += 1)
    for (const { key } of found.get(at) ?? []) {
      const reason = aside.get(key);
      if (reason === undefined) return '';
      why ||= reason;
    }
  return why;
}

function findings({ report, aside }: ReleaseFacts, severity: 'error' | 'warning', text: string): ChecklistLine {
  const rests = report.findings
    .filter((one) => one.severity === severity && !one.rule.startsWith('safety/'))
    .map((one) => rest(findingWords(one), one.line, aside.get(one.key) ?? ''));
  return computed(
    `${severity}s`,
    text,
    rests,
    rests.length === 0 ? 'There is none.' : 'All are put aside, each for a reason.',
  );
}

function findingWords({ part, round, message }: ReportFinding): string {
  const place = [part, round].filter((name) => name !== null).join(', ');
  return place === '' ? message : `${place}: ${message}`;
}

function terms({ report }: ReleaseFacts): ChecklistLine {
  const { declared, detected } = report.terms;
  const rests = [
    ...(declared === null ? [rest('The text doesn’t say which terms it is in')] : []),
    ...(detected === 'mixed' ? [rest('US and UK terms are mixed')] : []),
  ];
  return computed(
    'terms',
    'The terms are declared, and nothing is mixed',
    rests,
    `${(declared ?? '').toUpperCase()} terms, by the text’s own words.`,
  );
}

/** "12 cm tall", "about 4 in high", "finished size: 12 cm". */
const SIZE =
  /(?:finished|size|measures?|tall|high|long|wide|height|length|stands?)[^\n.]{0,60}?\d+(?:[.,]\d+)?\s?(?:cm|mm|in(?:ch(?:es)?)?|["”″])|\d+(?:[.,]\d+)?\s?(?:cm|in(?:ch(?:es)?)?|["”″])[^\n.]{0,30}?(?:tall|high|long|wide|in height|in length|across|from \p{L}+ to \p{L}+)/iu;
/** "Little Leek - 14 cm". */
const IN_TITLE = /\d\s?(?:cm|in(?:ch(?:es)?)?|["”″])(?!\p{L})/iu;
/** What has a size of its own, and has to fit: then the tension decides. */
const FITS =
  /(?<!\p{L})(?:jar|cup|mug|bottle|glass|capsule|tin|tube|polystyrene|styrofoam|foam ball|cone form|armature|cosy|cozy|hat|slippers?|mittens?|gloves?|doll of|to fit|(?:an?|the|rattle|weighted|plastic|foam) inserts?)(?!\p{L})/iu;
const GAUGE =
  /(?<!\p{L})(?:gauge|tension)(?!\p{L})|\d+\s?(?:sts?|stitches)[^\n.]{0,40}?\d+\s?(?:rows|rnds|rounds)[^\n.]{0,30}?(?:cm|in|["”″])/iu;

function materials({ text, overview, trusted }: ReleaseFacts): ChecklistLine {
  const yarns = overview.materials.filter(({ kind }) => kind === 'yarn');
  const hooks = overview.materials.filter(({ kind }) => kind === 'hook');
  const fits = FITS.exec(text)?.[0];
  const lacks = (words: string, line: number | null = null) => {
    const key = keyOf(`materials|${words}`);
    return rest(words, line, trusted.get(key) ?? '', key);
  };
  const rests = [
    ...(yarns.length === 0 ? [lacks('No yarn is listed')] : []),
    ...yarns.filter(({ amount }) => amount === null).map(({ name, line }) => lacks(`${name}: no amount`, line)),
    ...(hooks.some(({ name }) => /\d\s?mm/i.test(name))
      ? []
      : [lacks('No hook in millimetres', hooks[0]?.line ?? null)]),
    ...(SIZE.test(text) || IN_TITLE.test(overview.title ?? '') ? [] : [lacks('The finished size is not said')]),
    ...(fits !== undefined && !GAUGE.test(text) ? [lacks(`It has to fit (${fits}), and no tension is given`)] : []),
  ];
  return computed(
    'materials',
    'The materials are complete: amounts, hook, finished size',
    rests,
    rests.length === 0
      ? 'Each yarn with its amount, the hook in millimetres, the size.'
      : 'What is left out is left out for a reason.',
  );
}

function cautions({ report, aside }: ReleaseFacts): ChecklistLine {
  const rests = report.findings
    .filter(({ rule }) => rule.startsWith('safety/'))
    .map((one) => rest(one.message, one.line, aside.get(one.key) ?? ''));
  return computed(
    'cautions',
    'Cautions stand where they are needed',
    rests,
    'Nothing is used that calls for one that is missing.',
  );
}

function errata({ errata: open }: ReleaseFacts): ChecklistLine {
  return computed(
    'errata',
    'What was found in earlier versions is put right',
    open.map(({ number, words }) => rest(`Erratum ${number}: ${words}`)),
    'No erratum waits.',
  );
}

function rights(facts: ReleaseFacts): ChecklistLine {
  const found = facts.report.findings.filter(({ rule }) => rule === 'rights/character');
  const text = 'Nobody else’s figure, or its rights are cleared';
  if (found.length === 0) return computed('rights', text, [], 'Nothing in the text speaks of one.');
  const rests = found.map((one) => rest(one.message, one.line));
  return { ...confirmation(facts, 'rights', text, found.map(({ key }) => key).join(' ')), rests };
}

function photographs(facts: ReleaseFacts): ChecklistLine {
  const text = 'The photographs are cleared';
  if (facts.photographs === '') return computed('photographs', text, [], 'There are none.');
  return confirmation(facts, 'photographs', text, facts.photographs);
}

/** A line that a person says: it holds as long as what it was said of is as it was. */
function confirmation(
  { confirmed }: ReleaseFacts,
  id: string,
  text: string,
  basis: string,
  own = false,
): ChecklistLine {
  const said = confirmed.find(({ line }) => line === id);
  const lapsed = said !== undefined && said.basis !== basis;
  const words = !said
    ? 'Nobody has said so yet.'
    : lapsed
      ? `${said.who} said so, and it has changed since.`
      : `${said.who} says so.`;
  return {
    id,
    text,
    holds: said !== undefined && !lapsed,
    words,
    rests: [],
    person: { who: said?.who ?? '', at: said?.at ?? null, lapsed, basis, own },
  };
}
