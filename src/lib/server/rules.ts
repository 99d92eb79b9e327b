import { and, eq, inArray, isNull } from 'drizzle-orm';
import * as z from 'zod/mini';
import { isRule, type RuleSettings } from '../../core/index.js';
import { severitySettingSchema, type RuleSetting } from '../ruleSettings.js';
import type { OpenDatabase } from './db/client.js';
import { EVERYWHERE, patterns, ruleSettings } from './db/schema.js';
import { readable } from './readable.js';

const settingRow = z.object({
  scope: z.string(),
  rule: z.string().check(z.refine(isRule)),
  severity: severitySettingSchema,
});

/** Which rules are set otherwise, for all patterns and for single ones. */
export class RuleStore {
  readonly #database: OpenDatabase;

  constructor(database: OpenDatabase) {
    this.#database = database;
  }

  /** What is set for all patterns, or for one alone. */
  async of(scope: string = EVERYWHERE): Promise<RuleSettings> {
    return (await this.#rows([scope])).get(scope) ?? {};
  }

  /** What holds for a pattern: its own settings over those for all. */
  async holdingFor(pattern: string): Promise<RuleSettings> {
    const rows = await this.#rows([EVERYWHERE, pattern]);
    return { ...rows.get(EVERYWHERE), ...rows.get(pattern) };
  }

  /** Sets a rule, or (null) takes the setting back; false where there is no such rule, or no such pattern. */
  async set(scope: string = EVERYWHERE, { rule, severity }: RuleSetting): Promise<boolean> {
    if (!isRule(rule)) return false;
    return this.#database.write(async (db) => {
      const concerned = scope === EVERYWHERE ? undefined : and(eq(patterns.id, scope), isNull(patterns.deletedAt));
      // The figures on the shelf rest on it.
      const counted = await db.update(patterns).set({ counted: null }).where(concerned).returning({ id: patterns.id });
      if (concerned && counted.length === 0) return false;
      await db.delete(ruleSettings).where(and(eq(ruleSettings.scope, scope), eq(ruleSettings.rule, rule)));
      if (severity !== null) await db.insert(ruleSettings).values({ scope, rule, severity, at: Date.now() });
      return true;
    });
  }

  async #rows(scopes: readonly string[]): Promise<Map<string, RuleSettings>> {
    const rows = await this.#database.db
      .select()
      .from(ruleSettings)
      .where(inArray(ruleSettings.scope, [...scopes]));
    const byScope = new Map<string, RuleSettings>();
    for (const { scope, rule, severity } of readable(rows, settingRow, 'the rules that are set'))
      byScope.set(scope, { ...byScope.get(scope), [rule]: severity });
    return byScope;
  }
}
