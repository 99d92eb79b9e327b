import { answering, Refused } from '../../lib/server/answers.js';
import { mayWatch } from '../../lib/server/metrics.js';
import { stores } from '../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Figures of this process in the open text format. */
export const GET: RequestHandler = answering(async ({ request, locals }) => {
  if (!mayWatch(request.headers.get('authorization'), process.env['METRICS_TOKEN'], locals.signedIn))
    throw new Refused(404, 'The figures are shown with the word of METRICS_TOKEN alone.');
  const { metrics } = await stores();
  return new Response(await metrics.text(), { headers: { 'content-type': metrics.type } });
});
