import { ask, body } from '../client.js';
import type { OwnTaken } from '../drafts.js';

/** Keeps what was decided on something that the editor had changed. */
export async function saveOwn(id: string, draft: number, decided: { key: string; taken: OwnTaken }): Promise<void> {
  await ask(`/api/patterns/${id}/drafts/${draft}/own`, body('PUT', decided));
}
