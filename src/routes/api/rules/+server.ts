import { ruleSettingSchema } from '../../../lib/ruleSettings.js';
import { noting } from '../../../lib/server/answers.js';
import { stores } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Sets a rule for all patterns, or takes the setting back. */
export const PUT: RequestHandler = noting(
  ruleSettingSchema,
  async (_, setting) => {
    const { rules, recounts } = await stores();
    const set = await rules.set(undefined, setting);
    if (set) await recounts.askStale();
    return set;
  },
  'There is no such rule.',
);
