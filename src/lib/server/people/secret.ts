import { randomBytes } from 'node:crypto';
import { mkdir, open, readFile } from 'node:fs/promises';
import path from 'node:path';
import { folderOf } from '../files/where.js';

const LEAST = 32;

/**
 * The secret that cookies are signed with: of the environment, or of a file beside the database that its owner alone can read,
 * made where there is none. Another one signs everybody out.
 * @throws Error with a sentence for people where it is too short or can't be kept.
 */
export async function secretOf(given: string | undefined, databaseUrl: string): Promise<string> {
  if (given !== undefined) {
    if (given.length < LEAST)
      throw new Error(`DOSTIK_SECRET needs at least ${LEAST} characters: "openssl rand -base64 32" makes some.`);
    return given;
  }
  const folder = folderOf(databaseUrl);
  const file = path.join(folder, 'secret');
  const kept = await readFile(file, 'utf8').catch(() => '');
  if (kept.trim().length >= LEAST) return kept.trim();
  const made = randomBytes(LEAST).toString('base64url');
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const made600 = await open(file, 'w', 0o600);
  await made600.writeFile(`${made}\n`);
  await made600.close();
  return made;
}
