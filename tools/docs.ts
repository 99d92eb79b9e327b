/** The generated tables of docs/reading.md, and docs/rules.md as a whole.   npm run docs */
import { format } from 'prettier';
import { understoodJsonSchema } from '../src/lib/exchange.js';
import { ruleCards } from '../src/core/index.js';
import { COSTS } from '../src/core/counting/plausible.js';
import { EXAMPLES } from '../src/core/reading/forms/examples.js';
import { FORMS } from '../src/core/reading/forms/index.js';
import { COMPACT_LETTERS, longName, STITCHES } from '../src/core/vocabulary/stitches.js';
import { WORDS } from '../src/core/vocabulary/words.js';

const BEGIN = '<!-- generated: npm run docs -->';
const END = '<!-- end of what is generated -->';

const code = (words: readonly string[]) => words.map((word) => `\`${word.replaceAll('|', '\\|')}\``).join(' ');

function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const line = (cells: readonly string[]) => `| ${cells.join(' | ')} |`;
  return [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n');
}

/** The tables, made from the data that the reader works with. */
export function readingTables(): string {
  const stitches = STITCHES.map(({ id, us, uk }) => [
    id,
    us.long[0] ?? '',
    code(us.short),
    uk.long[0] ?? '',
    code(uk.short),
  ]);
  const letters = COMPACT_LETTERS.map(({ letters: names, stitch, per, over }) => [
    code(names),
    longName(stitch, 'us'),
    String(per),
    String(over),
  ]);
  const forms = FORMS.map(({ name }) => [name, code(EXAMPLES.get(name) ?? [])]);
  const words = WORDS.map(([meaning, phrases]) => {
    const details = Object.entries(meaning).flatMap(([key, value]) =>
      key === 'is' || value === null ? [] : [String(value)],
    );
    return [
      [meaning.is, ...details].join(' '),
      code(phrases.slice(0, 8)) + (phrases.length > 8 ? ` and ${phrases.length - 8} more` : ''),
    ];
  });
  return [
    '### Stitches',
    table(['stitch', 'US', 'short', 'UK', 'short'], stitches),
    '### Letters (US names)',
    table(['letter', 'stitch', 'made', 'in or over'], letters),
    '### Ways of writing an instruction, in the order in which they are tried',
    table(['form', 'examples'], forms),
    '### Words that are not stitches',
    table(['meaning', 'phrases'], words),
    '### What each fault costs',
    table(
      ['fault', 'cost'],
      Object.entries(COSTS).map(([name, cost]) => [name, String(cost)]),
    ),
  ].join('\n\n');
}

/** A document with its generated stretch brought up to date. @throws where its marks are missing. */
export function withTables(document: string): string {
  const from = document.indexOf(BEGIN);
  const to = document.indexOf(END);
  if (from < 0 || to < from) throw new Error(`The document needs the marks ${BEGIN} and ${END}.`);
  return `${document.slice(0, from)}${BEGIN}\n\n${readingTables()}\n\n${document.slice(to)}`;
}

/** The list of rules, made from the rules themselves: what each finds, with both its examples. */
export function rulesDocument(): string {
  const cards = ruleCards();
  const rows = cards.map(({ id, severity, about }) => [`[${id}](#${anchor(id)})`, severity, about]);
  const examples = cards.map(
    ({ id, severity, about, failing, says, passing }) =>
      `## ${id}\n\n${about} (${severity})\n\n\`\`\`\n${failing.trim()}\n\`\`\`\n\n${says
        .map((message) => `> ${message}`)
        .join('\n>\n')}\n\nNothing is found in:\n\n\`\`\`\n${passing.trim()}\n\`\`\`\n`,
  );
  return `# The rules\n\n<!-- generated: npm run docs -->\n\nEach rule is a file in \`src/core/checks/\`, with these examples as its first tests. Severities are set for all\npatterns at \`/rules\`, and for one from its Desk.\n\n${table(['rule', 'severity', 'finds'], rows)}\n\n${examples.join('\n')}`;
}

function anchor(id: string): string {
  return id.replace('/', '');
}

/** The JSON Schema of a pattern as understood, as it stands in docs/. */
export async function patternSchemaDocument(): Promise<string> {
  return format(JSON.stringify(understoodJsonSchema()), { parser: 'json', printWidth: 120 });
}
