import { describe, expect, it, vi } from 'vitest';
import { logAs } from './log.js';
import { mayWatch, Metrics } from './metrics.js';

const asked = { method: 'PUT', route: '/api/patterns/[id]', status: 200, ms: 12, person: 'una' };

describe('what the server says on its terminal', () => {
  it('is a line of JSON each where that is asked for: requests by their route, failures with what they are', () => {
    const lines: Record<string, unknown>[] = [];
    const log = logAs('json', { write: (line) => void lines.push(JSON.parse(line) as Record<string, unknown>) });
    log.asked(asked);
    log.say('Nobody has an account yet.');
    log.error(new Error('disk I/O error'));
    log.error('words alone');
    expect(lines[0]).toMatchObject({ ...asked, level: 30, msg: 'asked' });
    expect(lines[1]).toMatchObject({ level: 40, msg: 'Nobody has an account yet.' });
    expect(lines[2]).toMatchObject({ level: 50, msg: 'disk I/O error', err: { type: 'Error' } });
    expect(lines[3]).toMatchObject({ level: 50, msg: 'words alone' });
    expect(lines.every(({ time }) => !Number.isNaN(Date.parse(String(time))))).toBe(true);
  });

  it('is sentences otherwise, and no word of what went well', () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const log = logAs(undefined);
    log.asked(asked);
    expect(said).not.toHaveBeenCalled();
    log.error('It is full.');
    expect(said).toHaveBeenCalledWith('It is full.');
    said.mockRestore();
  });
});

describe('the figures of the server', () => {
  it('tell how long answers took, by route and status, and what waits', async () => {
    const metrics = new Metrics(() => 3);
    for (const ms of [3, 30, 300]) metrics.asked({ ...asked, ms });
    const text = await metrics.text();
    const labels = 'method="PUT",route="/api/patterns/[id]",status="200"';
    expect(text).toContain(`dostik_request_seconds_bucket{le="0.05",${labels}} 2`);
    expect(text).toContain(`dostik_request_seconds_count{${labels}} 3`);
    expect(text).toContain('dostik_patterns_to_count 3');
    expect(text).toContain('process_resident_memory_bytes');
  });

  it.each<[string | null, string | undefined, boolean, boolean]>([
    [null, undefined, false, true],
    [null, undefined, true, false],
    [null, '', true, false],
    ['Bearer ', '', true, false],
    [null, 'a word', false, false],
    ['Bearer a word', 'a word', true, true],
    ['Bearer a wort', 'a word', true, false],
    ['a word', 'a word', true, false],
  ])('are shown with %j, where the word is %j and one comes from outside: %j', (given, token, outside, shown) => {
    expect(mayWatch(given, token, outside)).toBe(shown);
  });
});
