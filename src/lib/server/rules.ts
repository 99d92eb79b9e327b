import { and, eq, inArray } from 'drizzle-orm';
import type { RuleSettings } from '../../core/index.js';
import type { RuleSetting } from '../patterns.js';
import type { OpenDatabase } from './db/client.js';
import { EVERYWHERE, ruleSettings } from './db/schema.js';

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

  /** Sets a rule, or (null) takes the setting back. */
  async set(scope: string = EVERYWHERE, { rule, severity }: RuleSetting): Promise<void> {
    await this.#database.write(async () => {
      const { db } = this.#database;
      await db.delete(ruleSettings).where(and(eq(ruleSettings.scope, scope), eq(ruleSettings.rule, rule)));
      if (severity !== null) await db.insert(ruleSettings).values({ scope, rule, severity, at: Date.now() });
    });
  }

  async #rows(scopes: readonly string[]): Promise<Map<string, Record<string, 'error' | 'warning' | 'hint' | 'off'>>> {
    const rows = await this.#database.db
      .select()
      .from(ruleSettings)
      .where(inArray(ruleSettings.scope, [...scopes]));
    const byScope = new Map<string, Record<string, 'error' | 'warning' | 'hint' | 'off'>>();
    for (const { scope, rule, severity } of rows) byScope.set(scope, { ...byScope.get(scope), [rule]: severity });
    return byScope;
  }
}
