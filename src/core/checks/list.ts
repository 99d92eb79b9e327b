import * as z from 'zod/mini';
import { decide } from '../deciding/decide.js';
import { check, RULES } from './registry.js';

export const severitySchema = z.enum(['error', 'warning', 'hint']);

/** What a rule finds, with a small pattern in which it does, what it says of that, and one in which it finds nothing. */
export interface RuleCard {
  readonly id: string;
  readonly severity: z.infer<typeof severitySchema>;
  readonly about: string;
  readonly failing: string;
  readonly says: readonly string[];
  readonly passing: string;
}

let cards: readonly RuleCard[] | null = null;

/** All rules with their examples, in the order of the catalogue; what each says is worked out by running it. */
export function ruleCards(): readonly RuleCard[] {
  cards ??= RULES.map(({ id, severity, about, failing, passing }) => ({
    id,
    severity,
    about,
    failing: failing.text,
    says: check(decide(failing.text))
      .filter(({ rule }) => rule.id === id)
      .map(({ message }) => message),
    passing,
  }));
  return cards;
}
