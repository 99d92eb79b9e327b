import { ruleSettingSchema } from '../../../../../lib/ruleSettings.js';
import { noting } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Sets a rule for this pattern, or takes the setting back. */
export const PUT: RequestHandler = noting(
  ruleSettingSchema,
  async ({ params }, setting) => {
    const { rules, recounts } = await stores();
    const set = await rules.set(params.id, setting);
    if (set) recounts.ask(params.id);
    return set;
  },
  'This pattern is no longer on the shelf, or there is no such rule.',
);
