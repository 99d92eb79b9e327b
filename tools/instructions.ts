/** What the instructions that the forms give as their examples are read as, whole, in company, and with each of their words left out. */
import { readInstruction } from '../src/core/reading/instruction.js';
import { Lexicon } from '../src/core/reading/lexicon.js';
import { gistsOf } from '../src/core/reading/gist/gist.js';
import { EXAMPLES } from '../src/core/reading/forms/examples.js';
import type { Step } from '../src/core/pattern/instruction.js';

const [US, LETTERS] = [new Lexicon('us', false), new Lexicon('us', true)];

/** What may stand around an instruction. */
const COMPANY: readonly ((words: string) => string)[] = [
  (words) => `sc 2, ${words}`,
  (words) => `${words}, sc 3 (12)`,
  (words) => `(${words}) x 3`,
  (words) => `*${words}; rep from * around`,
  (words) => `${words}. Stuff.`,
  (words) => `inc, ${words} [18 sts]`,
  (words) => `${words} ${words}`,
  (words) => words.toUpperCase(),
];

const isCompact = (words: string) => /\d[XVWAK]|[XVWAK]\d/.test(words);

function readingOf(words: string) {
  return readInstruction(words, { from: 0, to: words.length }, isCompact(words) ? LETTERS : US);
}

/** A step in a few words: what it works, from how many into how many, how often, and where. */
function stepInWords(step: Step): string {
  switch (step.kind) {
    case 'work': {
      const { amount, place, stitch, over, per } = step;
      const often = Object.values(amount).join(' ');
      return `${stitch ?? 'base'} ${over}→${per} ${often} ${Object.values(place).join(' ')}`;
    }
    case 'group':
      return `group ${Object.values(step.place).join(' ')}`;
    case 'repeat':
      return `(${step.body.map(stepInWords).join(', ')}) ${Object.values(step.amount ?? {}).join(' ')}`;
    case 'chain':
      return `chain ${step.count}`;
    case 'skip':
    case 'leave':
      return `${step.kind} ${step.count ?? 'rest'}`;
    default:
      return step.kind;
  }
}

/** An instruction with each of its words left out in turn. */
function withoutEach(words: string): string[] {
  const parts = words.split(/(?<=\s)|(?=[(),;*[\]])|(?<=[(*[])/);
  return parts.map((_, i) => parts.filter((_, at) => at !== i).join(''));
}

/**
 * By form its examples, one a line: what each is read as, a sign of that with all its places, and a sign of how it is read
 * in company and with each of its words left out.
 * @param signOf some letters that change with anything in a value.
 */
export function instructionsRead(signOf: (value: unknown) => string): string {
  return [...EXAMPLES]
    .map(([name, examples]) => {
      const lines = examples.map((words) => {
        const reading = readingOf(words);
        const others = [...COMPANY.map((put) => put(words)), ...withoutEach(words)].map(readingOf);
        const told = reading.steps.map(stepInWords).join(', ');
        return `${words}\n  ${told} #${signOf(reading)} #${signOf(others)}`;
      });
      return `== ${name}\n${lines.join('\n')}\n`;
    })
    .join('\n');
}

/** So many instructions of a pattern are varied, the first of each wording. */
const MOST_VARIED = 12;
/** Of these so many by their gist, which takes each in many ways. */
const MOST_BY_GIST = 3;

/**
 * What the instructions of a pattern are read as, by the forms and by their gist, with each of their words left out and each
 * two of them in each other's place: what a line may read that somebody types in a hurry.
 */
export function variedIn(lines: readonly string[]): { readonly forms: unknown; readonly gists: unknown } {
  const varied = [...new Set(lines)]
    .slice(0, MOST_VARIED)
    .map((line) => [...withoutEach(line), ...withNeighbours(line)]);
  const byGist = (words: string) => gistsOf(words, { from: 0, to: words.length }, US, new Map());
  return {
    forms: varied.flat().map(readingOf),
    gists: varied
      .slice(-MOST_BY_GIST)
      .flat()
      .map((words) => byGist(words).map(({ instruction }) => instruction)),
  };
}

/** An instruction with each of its words in the place of the next. */
function withNeighbours(words: string): string[] {
  const parts = words.split(/(?<=\s)/);
  return parts.slice(1).map((_, i) => [...parts.slice(0, i), parts[i + 1], parts[i], ...parts.slice(i + 2)].join(''));
}
