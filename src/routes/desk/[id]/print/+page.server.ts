import { error } from '@sveltejs/kit';
import { checkText, markedLines } from '../../../../core/index.js';
import { ruleStore, store } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params }) => {
  const pattern = await (await store()).get(params.id);
  if (!pattern) error(404, 'This pattern is not on the shelf. It may have been put away.');
  const rules = await (await ruleStore()).holdingFor(params.id);
  const report = checkText(pattern.text, pattern.name, { terms: pattern.terms, rules });
  const rounds = report.parts.flatMap((part) => part.rounds);
  return {
    name: pattern.name,
    lines: markedLines(pattern.text, report),
    rounds: rounds.length,
    off: rounds.filter(({ verdict }) => verdict === 'off' || verdict === 'unreadable').length,
    findings: report.findings
      .filter(({ severity }) => severity !== 'hint')
      .map(({ line, round, part, message }) => ({ line, where: [round, part].filter(Boolean).join(', '), message })),
  };
};
