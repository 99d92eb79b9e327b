import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import * as z from 'zod';
import { checkText, type Report, type ReportFinding } from '../src/core/index.js';

const figure = z.number().nullable();
const truthSchema = z.object({
  terms: z.string(),
  clean: z.boolean(),
  parts: z.array(
    z.object({
      name: z.string(),
      make: z.number(),
      rounds: z.array(
        z.object({
          from: z.number(),
          to: z.number(),
          line: z.number(),
          edge: figure,
          into: figure,
          made: figure,
          stated: figure,
        }),
      ),
    }),
  ),
  faults: z.array(
    z.object({ line: z.number(), classes: z.array(z.string()), what: z.string(), fixed: z.string().nullable() }),
  ),
});
type Truth = z.infer<typeof truthSchema>;

/** How a reader did on one pattern, or on many. */
export interface Score {
  rounds: number;
  right: number;
  countFaults: number;
  named: number;
  falseAlarms: number;
  readonly notes: string[];
}

/** The patterns of a folder (NAME.txt + NAME.json) with how the reader does on each. */
export function scoreFolder(folder: string): { file: string; score: Score }[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith('.json'))
    .sort()
    .map((name) => {
      const truth = truthSchema.parse(JSON.parse(readFileSync(path.join(folder, name), 'utf8')));
      const file = name.replace(/\.json$/, '.txt');
      return { file, score: score(checkText(readFileSync(path.join(folder, file), 'utf8'), file), truth) };
    });
}

/** Compares one report with the truth about its pattern. */
function score(report: Report, truth: Truth): Score {
  const result: Score = { rounds: 0, right: 0, countFaults: 0, named: 0, falseAlarms: 0, notes: [] };
  const rounds = report.parts.flatMap((part) => part.rounds.map((round) => ({ ...round, part: part.name })));
  for (const part of truth.parts) {
    for (const expected of part.rounds) {
      result.rounds += 1;
      const found = rounds.find(
        (round) => round.line === expected.line && round.from === expected.from && round.to === expected.to,
      );
      const wrong = !found
        ? ['not found']
        : (['edge', 'into', 'made', 'stated'] as const)
            .filter((key) => found[key] !== expected[key])
            .map((key) => `${key} ${found[key]} for ${expected[key]}`);
      if (wrong.length === 0) result.right += 1;
      else result.notes.push(`line ${expected.line} ${part.name} ${expected.from}-${expected.to}: ${wrong.join(', ')}`);
    }
    const found = report.parts.filter(({ name }) => name.toLowerCase() === part.name.toLowerCase());
    if (found.length === 0)
      result.notes.push(`part ${part.name} not found among ${report.parts.map(({ name }) => name).join(', ')}`);
    else if (!found.some(({ make }) => make === part.make))
      result.notes.push(`part ${part.name}: make ${found[0]?.make} for ${part.make}`);
  }
  const expectedLines = new Set(truth.parts.flatMap((part) => part.rounds.map(({ line }) => line)));
  for (const round of rounds)
    if (!expectedLines.has(round.line)) result.notes.push(`line ${round.line}: ${round.label} taken for a round`);
  const grave = report.findings.filter(({ severity }) => severity !== 'hint');
  for (const fault of truth.faults) {
    if (!fault.classes.includes('count') && !fault.classes.includes('notation')) continue;
    result.countFaults += 1;
    if (grave.some((finding) => covers(finding, fault.line) && isFigure(finding))) result.named += 1;
    else result.notes.push(`line ${fault.line}: fault not named: ${fault.what}`);
  }
  for (const finding of grave) {
    if (truth.faults.some(({ line }) => line === 0 || covers(finding, line))) {
      if (truth.faults.some(({ line }) => covers(finding, line)) || !isFigure(finding)) continue;
    }
    result.falseAlarms += 1;
    result.notes.push(`line ${finding.line}: false ${finding.severity} ${finding.rule}: ${finding.message}`);
  }
  if (report.terms.detected !== truth.terms) result.notes.push(`terms ${report.terms.detected} for ${truth.terms}`);
  return result;
}

function covers(finding: ReportFinding, line: number): boolean {
  return finding.line <= line && line <= finding.endLine;
}

function isFigure(finding: ReportFinding): boolean {
  return /^(?:count|notation|frame)\//.test(finding.rule);
}
