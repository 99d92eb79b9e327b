import { patternOr404, within } from '../../../../lib/server/pages.js';
import { stores } from '../../../../lib/server/store.js';
import type { PageServerLoad } from './$types.js';

export const load: PageServerLoad = async ({ params: { id }, url, depends }) => {
  depends('dostik:release');
  const { patterns, releases, photographs, errata, letters } = await stores();
  const { name } = await patternOr404(patterns, id);
  const styled = url.searchParams.get('styled') === 'yes';
  return {
    id,
    name,
    styled,
    readiness: await within(releases.readiness(id, styled)),
    versions: await releases.of(id),
    photographs: await photographs.of(id),
    errata: await errata.of(id),
    own: await releases.ownLines(),
    editor: (await letters.settings()).editor,
  };
};
