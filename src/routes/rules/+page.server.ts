import { ruleCards } from '../../core/index.js';
import { stores } from '../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async () => ({ cards: ruleCards(), set: await (await stores()).rules.of() });
