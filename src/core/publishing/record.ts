import { RULES, type RuleSettings } from '../checks/registry.js';
import type { Report, ReportFinding, ReportRound } from '../report/schema.js';
import type { Block, Paper } from './paper.js';

/** Who has signed which version, and when; the day as YYYY-MM-DD. */
export interface Signature {
  readonly version: string;
  readonly who: string;
  readonly day: string;
}

/** A question that was asked of the designer, and what became of it. */
export interface RecordedQuery {
  readonly number: number;
  readonly where: string;
  readonly text: string;
  readonly answer: string;
  readonly state: string;
}

/** What a report of the checking tells. */
export interface Recorded {
  readonly name: string;
  /** Null for a text that is not signed. */
  readonly signed: Signature | null;
  readonly report: Report;
  /** Of each round, in order: how its figures come about. */
  readonly sentences: readonly string[];
  /** By the key of a finding: why it was put aside. */
  readonly aside: ReadonlyMap<string, string>;
  /** By the key of a round: why it is taken on trust. */
  readonly trusted: ReadonlyMap<string, string>;
  readonly queries: readonly RecordedQuery[];
  readonly rules: RuleSettings;
}

const VERDICTS: Record<ReportRound['verdict'], string> = {
  agrees: 'agrees',
  counted: 'counted; none is stated',
  off: 'off',
  unreadable: 'could not be read',
  'on-trust': 'on trust',
};

/** The report of what was checked, for who has ordered it: each round with its sum, what was found, and how it was settled. */
export function recordOf(recorded: Recorded): Paper {
  const { name, signed, report } = recorded;
  return {
    title: `${name}: report`,
    foot: signed ? `Version ${signed.version} · report` : 'Report · not signed',
    language: 'en-GB',
    blocks: [
      { kind: 'heading', level: 1, text: name },
      { kind: 'paragraph', text: signed ? signedWords(signed) : 'This text has not been signed.' },
      ...summaryOf(recorded),
      ...report.parts.flatMap((_, part) => partOf(recorded, part)),
      ...foundOf(recorded),
      ...queriesOf(recorded),
      ...rulesOf(recorded),
    ],
  };
}

function signedWords({ version, who, day }: Signature): string {
  return `Version ${version}, signed by ${who} on ${day}.`;
}

function summaryOf({ report, trusted }: Recorded): Block[] {
  const rounds = report.parts.flatMap((part) => part.rounds);
  const count = (...verdicts: ReportRound['verdict'][]) =>
    rounds.filter(({ verdict }) => verdicts.includes(verdict)).length;
  const unsure = rounds.filter(({ verdict }) => verdict === 'on-trust' || verdict === 'unreadable');
  const { declared, detected } = report.terms;
  return [
    { kind: 'heading', level: 2, text: 'In figures' },
    {
      kind: 'item',
      text: `${rounds.length} rounds and rows in ${report.parts.length} parts, each recounted from the one before`,
    },
    {
      kind: 'item',
      text: `${count('agrees')} agree with the count that is stated, ${count('counted')} state none and were counted`,
    },
    { kind: 'item', text: `${count('off')} off` },
    {
      kind: 'item',
      text: `${unsure.length} not counted, ${unsure.filter(({ key }) => trusted.has(key)).length} of them taken on trust with a reason`,
    },
    {
      kind: 'item',
      text: `Terms: ${declared ? `${declared.toUpperCase()}, as the text says` : `${detected}, by its words`}`,
    },
  ];
}

function partOf({ report, sentences, trusted }: Recorded, index: number): Block[] {
  const part = report.parts[index];
  if (!part || part.rounds.length === 0) return [];
  const before = report.parts.slice(0, index).reduce((sum, { rounds }) => sum + rounds.length, 0);
  const rows = part.rounds.map((round, i) => [
    round.label,
    sumOf(round),
    [sentences[before + i] ?? '', trustOf(round, trusted)].filter(Boolean).join(' '),
    VERDICTS[round.verdict],
  ]);
  return [
    { kind: 'heading', level: 2, text: part.make > 1 ? `${part.name} (make ${part.make})` : part.name },
    { kind: 'table', head: ['Round', 'Sum', 'How it comes about', 'Verdict'], rows, shares: [0.16, 0.2, 0.46, 0.18] },
  ];
}

function trustOf({ key }: ReportRound, trusted: ReadonlyMap<string, string>): string {
  const why = trusted.get(key);
  return why === undefined ? '' : `Taken on trust: ${why}`;
}

/** "uses 12 of 12, makes 18, states 18". */
function sumOf({ into, edge, made, stated }: ReportRound): string {
  const used = into === null ? [] : [`uses ${into}${edge === null ? '' : ` of ${edge}`}`];
  return [...used, `makes ${made ?? '–'}`, ...(stated === null ? [] : [`states ${stated}`])].join(', ');
}

function foundOf({ report, aside }: Recorded): Block[] {
  if (report.findings.length === 0) return section('What was found', ['Nothing stands against the text.']);
  return section(
    'What was found',
    report.findings.map((finding) => `${placeOf(finding)}: ${finding.message} ${settledWords(finding, aside)}`),
  );
}

function placeOf({ part, round, line, severity, rule }: ReportFinding): string {
  return [`${severity} ${rule}`, ...[part, round].filter((name) => name !== null), `line ${line}`].join(', ');
}

function settledWords({ key }: ReportFinding, aside: ReadonlyMap<string, string>): string {
  const why = aside.get(key);
  return why === undefined ? 'It stands.' : `Put aside: ${why}`;
}

function queriesOf({ queries }: Recorded): Block[] {
  if (queries.length === 0) return [];
  return section(
    'What was asked',
    queries.map(
      ({ number, where, text, answer, state }) =>
        `${number}. ${where}: ${text}${answer === '' ? '' : ` Answer: ${answer}`} (${state})`,
    ),
  );
}

function rulesOf({ rules }: Recorded): Block[] {
  const off = RULES.filter(({ id }) => rules[id] === 'off');
  return [
    ...section(
      'Checks that were run',
      RULES.filter(({ id }) => rules[id] !== 'off').map(({ id, about }) => `${id}: ${about}`),
    ),
    ...(off.length === 0
      ? []
      : section(
          'Checks that were switched off',
          off.map(({ id, about }) => `${id}: ${about}`),
        )),
  ];
}

function section(heading: string, items: readonly string[]): Block[] {
  return [
    { kind: 'heading', level: 2, text: heading },
    ...items.map((text): Block => ({ kind: 'item', text: text.trim() })),
  ];
}

/** A text that goes out, by what it is called and its SHA-256. */
export interface Fingerprint {
  readonly name: string;
  readonly hash: string;
}

/** What a certificate says: nothing of the pattern's content. */
export interface Certified {
  readonly name: string;
  readonly signed: Signature;
  readonly report: Report;
  /** Over all texts of the version. */
  readonly fingerprint: string;
  readonly texts: readonly Fingerprint[];
}

/** One page that says what was checked and by whom, and by which figures the very texts are known. */
export function certificateOf({ name, signed, report, fingerprint, texts }: Certified): Paper {
  const rounds = report.parts.flatMap((part) => part.rounds).length;
  const trusted = report.parts.flatMap((part) => part.rounds).filter(({ made }) => made === null).length;
  return {
    title: `${name}: certificate`,
    foot: `Version ${signed.version} · certificate`,
    language: 'en-GB',
    blocks: [
      { kind: 'heading', level: 1, text: name },
      { kind: 'heading', level: 3, text: `Version ${signed.version}` },
      {
        kind: 'paragraph',
        text: `All ${rounds} rounds and rows of this pattern were recounted from their increases and decreases, and every question that this raised was settled before the version was signed.`,
      },
      ...(trusted === 0
        ? []
        : [
            {
              kind: 'paragraph' as const,
              text: `${trusted} of them ${trusted === 1 ? 'gives' : 'give'} no count by ${trusted === 1 ? 'its' : 'their'} words, and ${trusted === 1 ? 'was' : 'were'} taken on trust, each for a reason that the report tells.`,
            },
          ]),
      { kind: 'paragraph', text: `Signed by ${signed.who} on ${signed.day}.` },
      { kind: 'heading', level: 2, text: 'How to know it again' },
      {
        kind: 'paragraph',
        text: 'The fingerprint of the version is over the texts of both editions; those below it are the SHA-256 of the editions as .txt. Whoever drops a file on the Release page of this pattern is told whether it belongs to this version.',
      },
      {
        kind: 'table',
        head: ['Text', 'SHA-256'],
        rows: [['The version', fingerprint], ...texts.map(({ name: text, hash }) => [text, hash])],
        shares: [0.24, 0.76],
      },
      {
        kind: 'paragraph',
        text: 'That the counts come out says nothing of whether the toy is safe: that is for the rules of the place of sale and for accredited testing.',
      },
    ],
  };
}
