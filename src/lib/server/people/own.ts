import type { RequestEvent } from '@sveltejs/kit';
import { GONE, Refused } from '../answers.js';
import { stores } from '../store.js';

/** The pattern that an address names, where who asks has written it. @throws Refused, in the same words as where there is none */
export async function ownPattern({ params, locals }: Pick<RequestEvent, 'params' | 'locals'>): Promise<string> {
  const { id = '' } = params;
  const mail = locals.person?.mail;
  if (mail === undefined || !(await (await stores()).designers.wrote(mail, id))) throw new Refused(404, GONE);
  return id;
}
