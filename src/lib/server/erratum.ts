import type { ErratumAsked, ErratumTried } from '../release.js';
import { Refused } from './answers.js';
import type { Stores } from './storesOver.js';

/**
 * What comes of a correction in a version.
 * @param keeping whether it is to be kept: then it may not make more rounds wrong.
 * @throws Refused where there is no such version or line, or nothing is changed.
 */
export async function triedErratum(
  { releases, counting }: Pick<Stores, 'releases' | 'counting'>,
  id: string,
  { version, line, right }: ErratumAsked,
  keeping = true,
): Promise<ErratumTried> {
  const frozen = await releases.frozen(id, version);
  if (!frozen) throw new Refused(404, 'There is no such version.');
  const { terms, hand, editions } = frozen;
  const tried = await counting.have('corrected', { text: editions[terms], terms, hand, line, right });
  if (!tried) throw new Refused(422, 'This version has no such line.');
  const { wrong, right: mended } = tried.words[terms];
  if (wrong === mended) throw new Refused(422, 'This is what the line says already.');
  if (keeping && tried.offAfter > tried.offBefore)
    throw new Refused(422, 'With these words more rounds are off than before. Put the sums right first.');
  return tried;
}
