import { whole } from '../../../../lib/whole.js';
import type { PageLoad } from './$types.js';

export const load: PageLoad = async ({ data }) => ({ ...data, pattern: await whole(data.pattern) });
