import { ruleSettingSchema } from '../../../lib/patterns.js';
import { noted } from '../../../lib/server/noted.js';
import { ruleStore, store } from '../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Sets a rule for all patterns, or takes the setting back. */
export const PUT: RequestHandler = ({ request }) =>
  noted(request, ruleSettingSchema, async (setting) => {
    await (await ruleStore()).set(undefined, setting);
    const patterns = await store();
    for (const { id } of await patterns.list()) await patterns.recount(id);
    return true;
  });
