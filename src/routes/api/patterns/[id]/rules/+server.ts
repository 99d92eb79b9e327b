import { ruleSettingSchema } from '../../../../../lib/patterns.js';
import { noted } from '../../../../../lib/server/noted.js';
import { ruleStore, store } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Sets a rule for this pattern, or takes the setting back. */
export const PUT: RequestHandler = ({ params, request }) =>
  noted(request, ruleSettingSchema, async (setting) => {
    const patterns = await store();
    if (!(await patterns.get(params.id))) return false;
    await (await ruleStore()).set(params.id, setting);
    await patterns.recount(params.id);
    return true;
  });
