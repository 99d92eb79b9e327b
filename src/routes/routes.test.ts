import { Ajv2020 } from 'ajv/dist/2020.js';
import { sql } from 'drizzle-orm';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { TooMuch } from '../lib/server/counting/counting.js';
import { countingHere } from '../lib/server/counting/here.js';
import { makeRig, type Rig } from '../lib/server/testing.js';
import * as documents from './api/documents/+server.js';
import * as readOut from './api/documents/text/+server.js';
import * as original from './api/patterns/[id]/drafts/[number]/+server.js';
import * as pattern from './api/patterns/[id]/+server.js';
import * as dismissals from './api/patterns/[id]/dismissals/+server.js';
import * as earlier from './api/patterns/[id]/earlier/+server.js';
import * as editions from './api/patterns/[id]/editions/+server.js';
import * as hand from './api/patterns/[id]/hand/+server.js';
import * as ownRules from './api/patterns/[id]/rules/+server.js';
import * as errata from './api/patterns/[id]/errata/+server.js';
import * as erratum from './api/patterns/[id]/errata/[number]/+server.js';
import * as errataList from './api/patterns/[id]/errata/list/+server.js';
import * as photographs from './api/patterns/[id]/photographs/+server.js';
import * as photograph from './api/patterns/[id]/photographs/[photograph]/+server.js';
import * as release from './api/patterns/[id]/release/+server.js';
import * as confirm from './api/patterns/[id]/release/confirm/+server.js';
import * as draft from './api/patterns/[id]/release/draft/+server.js';
import * as known from './api/patterns/[id]/release/known/+server.js';
import * as trust from './api/patterns/[id]/release/trust/+server.js';
import * as version from './api/patterns/[id]/release/versions/[number]/+server.js';
import * as versionFile from './api/patterns/[id]/release/versions/[number]/[file]/+server.js';
import * as understood from './api/patterns/[id]/understood/+server.js';
import * as settle from './api/patterns/[id]/settle/+server.js';
import { NO_SETTINGS } from '../core/index.js';
import * as shape from './api/patterns/[id]/shape/+server.js';
import * as terms from './api/patterns/[id]/terms/+server.js';
import * as decisions from './api/patterns/[id]/terms/decisions/+server.js';
import * as ticks from './api/patterns/[id]/ticks/+server.js';
import * as patterns from './api/patterns/+server.js';
import * as planAddress from './api/plan/address/+server.js';
import * as onePlan from './api/plan/[id]/+server.js';
import * as plan from './api/plan/+server.js';
import * as calendar from './calendar/[secret]/+server.js';
import { load as planPage } from './plan/+page.server.js';
import * as practice from './api/practice/+server.js';
import * as onePractice from './api/practice/[id]/+server.js';
import * as releaseLines from './api/release-lines/+server.js';
import * as rules from './api/rules/+server.js';
import * as jsonSchema from './api/schema/+server.js';
import * as workspace from './api/workspace/+server.js';
import * as shelf from './api/shelf/+server.js';
import * as style from './api/style/+server.js';
import { load as deskPage } from './(pattern)/desk/[id]/+page.server.js';
import { load as layout } from './(pattern)/+layout.server.js';
import { load as releasePage } from './(pattern)/release/[id]/+page.server.js';
import { load as shapePage } from './(pattern)/shape/[id]/+page.server.js';
import { load as termsPage } from './(pattern)/terms/[id]/+page.server.js';
import { load as awayPage } from './away/+page.server.js';
import { load as printPage } from './desk/[id]/print/+page.server.js';
import { load as shelfPage } from './+page.server.js';
import { load as rulesPage } from './rules/+page.server.js';
import { load as stylePage } from './style/+page.server.js';
import { load as practicePage } from './trainer/[id]/+page.server.js';
import { load as trainerPage } from './trainer/+page.server.js';

let rig: Rig;
let id: string;
vi.mock('../lib/server/store.js', () => ({ stores: () => Promise.resolve(rig) }));

const BALL = 'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nFasten off.\n';

beforeEach(async () => {
  rig = await makeRig();
  id = await rig.patterns.add({ name: 'Ball', text: BALL });
  await rig.counted();
});
afterEach(() => rig.end());

type Handler = (event: never) => unknown;
/** Asks a route, with a body that is JSON, or (a text) is none. */
async function ask(handler: Handler, body?: unknown, of = id, query = ''): Promise<{ status: number; said: unknown }> {
  const request = new Request(`http://here/${query}`, {
    method: 'POST',
    ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  });
  const answer = (await handler({
    request,
    url: new URL(request.url),
    params: { id: of },
    locals: {},
  } as unknown as never)) as Response;
  const words = await answer.text();
  return { status: answer.status, said: words === '' ? null : (JSON.parse(words) as unknown) };
}
const message = { message: expect.any(String) as string };

/** Every route that takes something: what it takes, what comes of that, and what it can't take. */
const TAKING: readonly (readonly [
  name: string,
  handler: Handler,
  good: unknown,
  status: number,
  bad: readonly unknown[],
  /** The answer where the pattern is not there; null where the route is of none. */
  missing: number | null,
])[] = [
  ['take in', patterns.POST, { text: BALL, name: '' }, 201, [{}, { text: ' ' }, { text: 5 }, []], null],
  [
    'save',
    pattern.PUT,
    { text: 'more', base: 1 },
    200,
    [{}, { text: 'x' }, { text: 'x', base: 0 }, { text: 'x', base: 1.5 }],
    404,
  ],
  ['rename', pattern.PATCH, { name: ' Pot ' }, 204, [{}, { name: ' ' }, { name: 'x'.repeat(201) }, null], 404],
  [
    'tick',
    ticks.PUT,
    { key: 'one', on: true },
    204,
    [{}, { key: '', on: true }, { key: 'x'.repeat(65), on: true }, { key: 'one', on: 1 }],
    404,
  ],
  [
    'put aside',
    dismissals.PUT,
    { key: 'k', rule: 'count/stated', reason: 'so' },
    204,
    [{}, { key: 'k', rule: 'x'.repeat(65), reason: null }, { key: 'k', rule: 'count/stated' }],
    404,
  ],
  [
    'explain a word',
    hand.PUT,
    { word: 'frob', sense: 'increase' },
    204,
    [{}, { word: 'frob', sense: 'less' }, { word: '', sense: null }],
    404,
  ],
  [
    'say what lines are',
    hand.PUT,
    { lines: ['by the sea'], role: 'talk' },
    204,
    [{}, { lines: [], role: 'talk' }, { lines: ['a'], role: 'poem' }, { lines: ['  '], role: null }],
    404,
  ],
  [
    'say what a part is',
    hand.PUT,
    { heading: 'BALL', said: { name: 'Head', make: 2 } },
    204,
    [{}, { heading: 'BALL', said: { make: 0 } }, { heading: 'BALL', said: { name: '' } }, { heading: 'BALL' }],
    404,
  ],
  [
    'set its rule',
    ownRules.PUT,
    { rule: 'count/stated', severity: 'off' },
    204,
    [{}, { rule: 'count/stated', severity: 'loud' }],
    404,
  ],
  [
    'set its hook',
    shape.PUT,
    { ...NO_SETTINGS, hook: 3.5 },
    204,
    [{}, { ...NO_SETTINGS, hook: 0 }, { ...NO_SETTINGS, stitches: 0 }, { ...NO_SETTINGS, weight: 2.5 }],
    404,
  ],
  ['settle its terms', terms.PUT, { terms: 'uk' }, 204, [{}, { terms: 'US' }], 404],
  [
    'decide a word',
    decisions.PUT,
    { to: 'uk', key: 'k', written: 'dc' },
    204,
    [{}, { to: 'fr', key: 'k', written: 'dc' }, { to: 'uk', key: 'k', written: 'x'.repeat(201) }],
    404,
  ],
  ['settle a conflict', settle.POST, { mine: 'mine', keep: 'mine' }, 200, [{}, { mine: 'mine', keep: 'both' }], 404],
  ['make an edition', editions.POST, { to: 'uk' }, 201, [{}, { to: 'fr' }], 409],
  [
    'confirm a line',
    confirm.PUT,
    { line: 'read', who: 'Ines', basis: 'b' },
    204,
    [{}, { line: 'read', who: 'x'.repeat(121), basis: '' }, { line: 5, who: '', basis: '' }],
    404,
  ],
  ['take on trust', trust.PUT, { key: 'k', reason: 'by feel' }, 204, [{}, { key: '', reason: 'x' }], 404],
  [
    'sign',
    release.POST,
    { number: '1.0', who: 'Oda', note: '', styled: false, base: 1 },
    422,
    [
      {},
      { number: '1', who: 'Oda', note: '', styled: false, base: 1 },
      { number: '1.0', who: ' ', note: '', styled: false, base: 1 },
    ],
    404,
  ],
  [
    'enter an erratum',
    errata.POST,
    { version: '1.0', line: 5, right: 'x', note: '', source: '' },
    404,
    [
      {},
      { version: '1.0', line: 0, right: 'x', note: '', source: '' },
      { version: 'one', line: 1, right: 'x', note: '', source: '' },
    ],
    404,
  ],
  ['know a file', known.POST, { hash: 'a'.repeat(64) }, 200, [{}, { hash: 'A' }, { hash: 'a'.repeat(63) }], null],
  [
    'set lines of the house',
    releaseLines.PUT,
    [{ id: 'own-1', text: 'Priced' }],
    204,
    [{}, [{ id: 'read', text: 'x' }], [{ id: 'own-1', text: ' ' }]],
    null,
  ],
  ['set a rule', rules.PUT, { rule: 'count/stated', severity: 'off' }, 204, [{}, { rule: 5, severity: null }], null],
  ['set the house style', style.PUT, { count: '(n)' }, 204, [{ count: 'loud' }, []], null],
];

describe.each(TAKING)('%s', (_, handler, good, status, bad, missing) => {
  it('is done, and answered', async () => {
    expect((await ask(handler, good)).status).toBe(status);
  });

  it('is refused in words where it is something else, and changes nothing', async () => {
    const before = await rig.patterns.get(id);
    for (const body of [...bad, '{"text": ', '']) {
      const answer = await ask(handler, body);
      expect(answer, JSON.stringify(body)).toEqual({ status: 400, said: message });
    }
    expect(await rig.patterns.get(id)).toEqual(before);
    expect(await rig.shelf.names()).toHaveLength(1);
  });

  it.runIf(missing !== null)('is refused in words where there is no such pattern, or it was put away', async () => {
    expect(await ask(handler, good, 'nobody')).toEqual({ status: missing, said: message });
    await rig.shelf.setAway([id], true);
    expect(await ask(handler, good)).toEqual({ status: missing, said: message });
  });
});

/** Sends a file. @returns what is said of it, line by line. */
async function send(query: string, body: string | Uint8Array, handler: Handler = documents.POST) {
  const url = new URL(`http://here/?${query}`);
  const request = new Request(url, { method: 'POST', body: typeof body === 'string' ? body : Buffer.from(body) });
  const answer = (await handler({ request, url, params: {}, locals: {} } as unknown as never)) as Response;
  const lines = (await answer.text()).trim().split('\n');
  return { status: answer.status, said: lines.map((line) => JSON.parse(line) as Record<string, unknown>) };
}

describe('a file', () => {
  it('is taken in, known when it comes again, and taken in again where that is said', async () => {
    const { said } = await send('file=pot.txt', 'POT\nRnd 1: 6 sc in MR (6)\n');
    expect(said).toEqual([{ id: expect.any(String) as string, left: [] }]);
    const again = await send('file=other.txt', 'POT\nRnd 1: 6 sc in MR (6)\n');
    expect(again.said).toMatchObject([{ known: { id: said[0]?.id, name: 'pot' } }]);
    expect((await send('file=pot.txt&again=yes', 'POT\nRnd 1: 6 sc in MR (6)\n')).said[0]).toHaveProperty('id');
    expect(await rig.shelf.names()).toHaveLength(3);
  });

  it('goes on with a pattern, and says so where there is none', async () => {
    expect((await send(`file=ball-2.txt&pattern=${id}`, 'BALL\n')).said).toEqual([{ id, left: [] }]);
    expect((await rig.patterns.get(id))?.text).toBe('BALL\n');
    expect((await send('file=a.txt&pattern=nobody', 'BALL\n')).said).toEqual([message]);
  });

  it('is refused in words, and nothing is shelved', async () => {
    for (const [name, content] of [
      ['a.txt', ''],
      ['a.pdf', '%PDF-1.4 nothing'],
      ['a.png', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10])],
    ] as const)
      expect((await send(`file=${name}`, content)).said, name).toEqual([message]);
    expect(await send('again=maybe', 'BALL')).toMatchObject({ status: 400, said: [message] });
    expect(await rig.shelf.names()).toHaveLength(1);
  });

  it('is read out without being kept, and given back as it came', async () => {
    expect((await send('file=a.html', '<html><p>Rnd 1<p>Rnd 2</html>', readOut.POST)).said).toEqual([
      { text: 'Rnd 1\nRnd 2\n', left: [] },
    ]);
    expect(await send('file=a.pdf', '%PDF-1.4', readOut.POST)).toMatchObject({ status: 422, said: [message] });
    const { said } = await send('file=pot%20%C3%A4.txt', 'POT\r\nRnd 1\n');
    const answer = await original.GET({ params: { id: said[0]?.id, number: '1' } } as never);
    expect(await answer.text()).toBe('POT\r\nRnd 1\n');
    expect(answer.headers.get('content-disposition')).toBe("attachment; filename*=UTF-8''pot%20%C3%A4.txt");
    expect(answer.headers.get('content-type')).toBe('application/octet-stream');
    expect((await original.GET({ params: { id, number: '9' } } as never)).status).toBe(404);
  });
});

describe('what has become stale', () => {
  it('a save from an old revision is a conflict, with what stands there', async () => {
    await ask(pattern.PUT, { text: 'theirs', base: 1 });
    expect(await ask(pattern.PUT, { text: 'mine', base: 1 })).toMatchObject({
      status: 409,
      said: { current: { text: 'theirs', revision: 2 }, kept: false },
    });
  });

  it('an edition that is there already is brought up to date, and then left', async () => {
    const kinds: unknown[] = [];
    kinds.push((await ask(editions.POST, { to: 'uk' })).said);
    kinds.push((await ask(editions.POST, { to: 'uk' })).said);
    await ask(pattern.PUT, { text: `${BALL}Sew the ends in.\n`, base: 1 });
    kinds.push((await ask(editions.POST, { to: 'uk' })).said);
    expect(kinds).toMatchObject([{ kind: 'made' }, { kind: 'same' }, { kind: 'updated' }]);
  });

  it('a rule that is no longer there is not set', async () => {
    for (const handler of [rules.PUT, ownRules.PUT])
      expect(await ask(handler, { rule: 'count/never', severity: 'off' })).toEqual({ status: 404, said: message });
  });
});

describe('the shelf', () => {
  it('puts several away at once, and takes them back', async () => {
    const other = await rig.patterns.add({ name: 'Pot', text: BALL });
    expect(await ask(shelf.PUT, { ids: [id, other, 'nobody'], away: true })).toEqual({
      status: 200,
      said: { changed: 2 },
    });
    expect((await ask(patterns.GET)).said).toEqual([]);
    expect(await ask(shelf.PUT, { ids: [other], away: false })).toEqual({ status: 200, said: { changed: 1 } });
    expect((await ask(patterns.GET)).said).toEqual([{ id: other, name: 'Pot' }]);
  });

  it.each([
    {},
    { ids: [], away: true },
    { ids: [5], away: true },
    { ids: ['x'] },
    { ids: Array(5001).fill('x'), away: true },
  ])('refuses %j', async (body) => {
    expect(await ask(shelf.PUT, body)).toEqual({ status: 400, said: message });
  });

  it('says so where none of them is there', async () => {
    expect((await ask(shelf.PUT, { ids: ['nobody'], away: true })).status).toBe(404);
  });
});

describe('what is asked for', () => {
  it('a pattern, and its text before the last sitting', async () => {
    expect(await ask(pattern.GET)).toMatchObject({ status: 200, said: { id, text: BALL, revision: 1 } });
    expect(await ask(earlier.GET)).toEqual({ status: 200, said: { text: null } });
    await ask(pattern.PUT, { text: 'later', base: 1 });
    expect((await ask(earlier.GET)).said).toEqual({ text: BALL });
  });

  it('whether there is a newer one: nothing of the pattern where there is none', async () => {
    const after = (revision: string, of = id) => ask(pattern.GET, undefined, of, `?after=${revision}`);
    expect(await after('1')).toEqual({ status: 204, said: null });
    expect(await after('0')).toMatchObject({ status: 200, said: { revision: 1 } });
    await ask(pattern.PUT, { text: 'later', base: 1 });
    expect(await after('1')).toMatchObject({ status: 200, said: { text: 'later', revision: 2 } });
    expect(await after('2')).toEqual({ status: 204, said: null });
    expect(await after('one')).toMatchObject({ status: 200, said: { revision: 2 } });
    expect(await after('1', 'nobody')).toEqual({ status: 404, said: message });
  });

  it('one that is not there', async () => {
    expect(await ask(pattern.GET, undefined, 'nobody')).toEqual({ status: 404, said: message });
    expect((await ask(earlier.GET, undefined, 'nobody')).said).toEqual({ text: null });
  });

  it('one that something else has spoilt is told as such', async () => {
    await rig.database.db.run(sql.raw(`update patterns set terms = 'klingon' where id = '${id}'`));
    expect(await ask(pattern.GET)).toEqual({ status: 500, said: message });
  });
});

describe('the pages', () => {
  const event = (of: string, query = '') =>
    ({
      params: { id: of },
      url: new URL(`http://here/desk/${of}${query}`),
      locals: {},
      depends: () => undefined,
    }) as never;
  /** What a page is made from. */
  const loaded = async (load: unknown, of = id, query = '') =>
    (load as (event: never) => Promise<Record<string, unknown>>)(event(of, query));

  it('a Desk comes with its pattern, its notes, and how it stands', async () => {
    await rig.patterns.tick(id, 'one', true);
    expect(await loaded(deskPage, id)).toMatchObject({ pattern: { text: BALL }, notes: { ticks: ['one'] }, style: {} });
    await rig.rules.set(id, { rule: 'count/stated', severity: 'off' });
    await rig.terms.edition(id, { to: 'uk', hooks: false, weights: false, spelling: false });
    expect(await loaded(layout, id)).toMatchObject({
      standing: { id, name: 'Ball', rules: 1, settled: 'auto', editions: [{ to: 'uk', behind: false }], source: null },
    });
  });

  it('a long text is not written into the page', async () => {
    const long = await rig.patterns.add({ name: 'Long', text: `${BALL}${'sc around. '.repeat(30_000)}` });
    expect(await loaded(deskPage, long)).toMatchObject({ pattern: { text: null, name: 'Long' } });
  });

  it.each([
    ['desk', deskPage],
    ['terms', termsPage],
    ['shape', shapePage],
    ['print', printPage],
    ['the head', layout],
  ] as const)('%s of a pattern that is not there says so', async (_, load) => {
    for (const of of ['nobody', id]) {
      await rig.shelf.setAway([id], true);
      await expect(loaded(load, of)).rejects.toMatchObject({
        status: 404,
        body: { message: expect.stringContaining('not on the shelf') as string },
      });
    }
  });

  it('the shelf, and what was put away', async () => {
    expect(await loaded(shelfPage, id)).toMatchObject({ entries: [{ name: 'Ball', state: 'counted' }], away: 0 });
    await rig.shelf.setAway([id], true);
    expect(await loaded(shelfPage, id)).toMatchObject({ entries: [], total: 0, away: 1 });
    expect(await loaded(awayPage, id)).toMatchObject({ away: [{ name: 'Ball' }] });
  });

  it('the shape comes with what was set of hook and yarn', async () => {
    await rig.shapes.set(id, { ...NO_SETTINGS, hook: 4 });
    expect(await loaded(shapePage, id)).toMatchObject({ settings: { hook: 4, stitches: null } });
  });

  it('terms come with what was decided', async () => {
    await rig.terms.decide(id, { to: 'uk', key: 'k', written: 'dc' });
    expect(await loaded(termsPage, id)).toMatchObject({
      notes: { decisions: [{ to: 'uk', key: 'k', written: 'dc' }] },
    });
  });

  it('a pattern is put on the plan, and its dates are followed by an address', async () => {
    const entry = { list: '', release: '2099-06-12', editor: 'Ines', hours: null, after: [], done: {}, moved: {} };
    expect((await ask(onePlan.PUT, entry)).status).toBe(204);
    for (const bad of ['no JSON', {}, { ...entry, release: '12.6.2099' }, { ...entry, done: { soon: '2099-01-01' } }])
      expect((await ask(onePlan.PUT, bad)).status).toBe(400);
    expect((await ask(onePlan.PUT, entry, 'nobody')).status).toBe(404);
    expect(await loaded(planPage)).toMatchObject({
      given: { rows: [{ id, editor: 'Ines' }] },
      unlisted: [],
      address: null,
    });

    const settings = { days: { checked: 4 }, workdays: [0], holidays: [], absences: [], hoursAWeek: 3 };
    expect((await ask(plan.PUT, settings)).status).toBe(204);
    for (const bad of ['no JSON', {}, { ...settings, workdays: [] }, { ...settings, days: { soon: 1 } }])
      expect((await ask(plan.PUT, bad)).status).toBe(400);
    expect(await loaded(planPage)).toMatchObject({ given: { settings } });

    expect((await ask(planAddress.POST)).status).toBe(204);
    const secret = (await rig.addresses.standing({ purpose: 'calendar' }))?.secret ?? '';
    const follow = async (of: string) =>
      await calendar.GET({
        params: { secret: of },
        locals: {},
        getClientAddress: () => '203.0.113.7',
      } as never);
    const followed = await follow(`${secret}.ics`);
    expect(followed.headers.get('content-type')).toBe('text/calendar; charset=utf-8');
    expect(await followed.text()).toContain('SUMMARY:Ball: Release');
    expect((await follow('guessed')).status).toBe(404);
    expect((await ask(planAddress.DELETE)).status).toBe(204);
    expect((await ask(planAddress.DELETE)).status).toBe(404);
    expect((await follow(secret)).status).toBe(410);

    expect((await ask(onePlan.DELETE)).status).toBe(204);
    expect((await ask(onePlan.DELETE)).status).toBe(404);
    expect(await loaded(planPage)).toMatchObject({ given: { rows: [] }, unlisted: [{ id }] });
  });

  it('a practice pattern is begun, noted, handed in, and kept from who asks for another', async () => {
    const wish = { what: 'faults', level: 1, school: null, terms: null, from: null };
    const { status, said } = await ask(practice.POST, wish);
    expect(status).toBe(201);
    const { id: begun } = said as { id: string };
    const work = { marks: [{ line: 3, kind: null, proposal: '' }], answer: '', seconds: 4 };
    expect((await ask(onePractice.PUT, work, begun)).status).toBe(204);
    expect(await loaded(practicePage, begun)).toMatchObject({ sheet: { work, outcome: null } });
    expect(await loaded(trainerPage)).toMatchObject({ entries: [{ id: begun, mark: null, seconds: 4 }] });
    expect((await ask(onePractice.POST, work, begun)).status).toBe(204);
    expect(await loaded(practicePage, begun)).toMatchObject({ sheet: { outcome: { what: 'faults' } } });

    for (const bad of ['no JSON', {}, { ...wish, level: 5 }, { ...wish, what: 'all' }, { ...wish, from: 7 }])
      expect((await ask(practice.POST, bad)).status).toBe(400);
    // The ball has a wrong count: nothing is planted beside it.
    expect(await ask(practice.POST, { ...wish, from: id })).toMatchObject({
      status: 422,
      said: { message: expect.stringContaining('It is not clean') as string },
    });
    for (const bad of ['no JSON', {}, { ...work, seconds: -1 }, { ...work, marks: [{ line: 0 }] }])
      for (const handler of [onePractice.PUT, onePractice.POST])
        expect((await ask(handler, bad, begun)).status).toBe(400);
    for (const handler of [onePractice.PUT, onePractice.POST])
      expect((await ask(handler, work, 'nobody')).status).toBe(404);
    expect((await ask(onePractice.PUT, work, begun)).status).toBe(409);
    expect((await ask(onePractice.DELETE, undefined, begun)).status).toBe(409);
    expect((await ask(onePractice.DELETE, undefined, 'nobody')).status).toBe(404);
  });

  it('rules come as they are set', async () => {
    await rig.rules.set(undefined, { rule: 'count/stated', severity: 'hint' });
    expect(JSON.stringify(await loaded(rulesPage))).toContain('"count/stated":"hint"');
  });

  it('a house style is learnt from a pattern, and from none where that is not there', async () => {
    expect(await loaded(stylePage)).toMatchObject({ model: null, tooMuch: null });
    expect(await loaded(stylePage, id, `?from=${id}`)).toMatchObject({
      model: { name: 'Ball', learnt: { count: '(n)' } },
    });
    expect(await loaded(stylePage, id, '?from=nobody')).toMatchObject({ model: null, tooMuch: null });
  });

  it('a text that is too much to count is printed without its sums, and no style is learnt from it', async () => {
    vi.spyOn(countingHere, 'have').mockRejectedValue(new TooMuch());
    expect(await loaded(stylePage, id, `?from=${id}`)).toMatchObject({ model: null, tooMuch: 'Ball' });
    expect(await loaded(printPage)).toMatchObject({ tooLong: 'This text is too much to count at once.' });
    vi.restoreAllMocks();
  });
});

it('a failure that nobody expected is told, and goes to the terminal', async () => {
  const complained = vi.spyOn(console, 'error').mockImplementation(() => undefined);
  vi.spyOn(rig.patterns, 'get').mockRejectedValue(new Error('disk full'));
  const answer = await pattern.GET({ params: { id }, url: new URL('http://here/') } as never);
  expect(answer.status).toBe(507);
  expect(complained).toHaveBeenCalled();
  vi.restoreAllMocks();
});

describe('what goes out', () => {
  const VOLE =
    'Vole\nUS terms. 9 cm tall.\n\nMaterials: cotton in Sand (20 g), 3 mm hook\n\nBODY (make 1)\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';

  /** Asks for a file. */
  async function file(handler: Handler, params: Record<string, string>, query = '') {
    const url = new URL(`http://here/?${query}`);
    const answer = (await handler({ url, params, request: new Request(url) } as unknown as never)) as Response;
    return {
      status: answer.status,
      type: answer.headers.get('content-type') ?? '',
      bytes: Buffer.from(await answer.arrayBuffer()),
    };
  }

  async function signed(): Promise<string> {
    const vole = await rig.patterns.add({ name: 'Vole', text: VOLE });
    for (const { id: line, person } of (await rig.releases.readiness(vole))?.checklist ?? [])
      if (person) await ask(confirm.PUT, { line, who: 'Ines', basis: person.basis }, vole);
    const body = { number: '1.0', who: 'Oda', note: '', styled: false, base: 1 };
    expect(await ask(release.POST, body, vole)).toMatchObject({ status: 200, said: { number: '1.0' } });
    return vole;
  }

  it('is signed, had as files, and entered errata for', async () => {
    const vole = await signed();
    const text = await file(versionFile.GET, { id: vole, number: '1.0', file: 'uk-a4-normal.txt' });
    expect(text).toMatchObject({ status: 200, type: 'text/plain; charset=utf-8' });
    expect(text.bytes.toString()).toContain('6 dc in MR');
    expect((await file(version.GET, { id: vole, number: '1.0' })).bytes.toString()).toContain('"place":"Body, Rnd 2"');
    const mistake = { version: '1.0', line: 8, right: 'Rnd 2: 2 sc in each st (12)', note: '', source: '' };
    expect(await ask(errata.POST, mistake, vole)).toEqual({ status: 200, said: { number: 1 } });
    const list = await file(errataList.GET, { id: vole }, 'terms=us&form=md');
    expect(list.bytes.toString()).toContain('read “2 sc in each st (12)”; 12 sts.');
    expect((await file(erratum.DELETE, { id: vole, number: '1' })).status).toBe(204);
    expect((await file(erratum.DELETE, { id: vole, number: '1' })).status).toBe(404);
    const data = await releasePage({
      params: { id: vole },
      url: new URL('http://here/'),
      depends: () => undefined,
    } as never);
    expect(data).toMatchObject({ name: 'Vole', versions: [{ number: '1.0' }], errata: [] });
  });

  it('is shown before it is signed, as nothing that could run', async () => {
    const url = new URL('http://here/?terms=uk&form=html');
    const answer = (await (draft.GET as Handler)({ url, params: { id } } as unknown as never)) as Response;
    expect(await answer.text()).toContain('6 dc in MR');
    expect(answer.headers.get('content-security-policy')).toMatch(/default-src 'none'.*sandbox/);
    expect((await file(draft.GET, { id }, 'terms=fr&form=html')).status).toBe(400);
    expect((await file(draft.GET, { id: 'nobody' }, 'terms=us&form=html')).status).toBe(404);
  });

  it.each([
    [{ number: '1.0', file: 'us-a4-normal.exe' }],
    [{ number: '../1', file: 'us-a4-normal.txt' }],
    [{ number: '3.0', file: 'us-a4-normal.txt' }],
  ])('has no file %j', async (params) => {
    expect((await file(versionFile.GET, { id: await signed(), ...params })).status).toBe(404);
  });

  it('takes photographs in, says what is on them, and lets them go', async () => {
    const bytes = await sharp({ create: { width: 8, height: 6, channels: 3, background: '#123' } })
      .png()
      .toBuffer();
    const post = (body: Uint8Array, of = id) =>
      (photographs.POST as Handler)({
        request: new Request('http://here/', { method: 'POST', body: Buffer.from(body) }),
        params: { id: of },
      } as unknown as never) as Promise<Response>;
    const added = (await (await post(bytes)).json()) as { id: number };
    expect(added).toMatchObject({ width: 8, height: 6 });
    expect((await post(new Uint8Array([1]))).status).toBe(422);
    expect((await post(bytes, 'nobody')).status).toBe(422);
    const params = { id, photograph: String(added.id) };
    expect(await file(photograph.GET, params)).toMatchObject({ status: 200, type: 'image/jpeg' });
    expect((await file(photograph.DELETE, params)).status).toBe(204);
    expect((await file(photograph.DELETE, params)).status).toBe(404);
    expect((await file(photograph.GET, { id, photograph: '99' })).status).toBe(404);
  });

  it('is had as data, by a schema that says what stands in it', async () => {
    const data = JSON.parse((await file(understood.GET, { id })).bytes.toString()) as unknown;
    const schema = JSON.parse((await file(jsonSchema.GET, {})).bytes.toString()) as object;
    expect(new Ajv2020({ strict: false }).validate(schema, data)).toBe(true);
    expect((await file(understood.GET, { id: 'nobody' })).status).toBe(404);
  });

  it('goes out whole, and comes in again', async () => {
    const { bytes, type } = await file(workspace.GET, {});
    expect(type).toBe('application/zip');
    const request = new Request('http://here/', { method: 'POST', body: bytes });
    const answer = (await (workspace.POST as Handler)({ request, params: {} } as unknown as never)) as Response;
    expect(await answer.json()).toEqual({ patterns: 0, known: 1 });
    const none = new Request('http://here/', { method: 'POST', body: 'nothing' });
    expect(
      ((await (workspace.POST as Handler)({ request: none, params: {} } as unknown as never)) as Response).status,
    ).toBe(422);
  });
});
