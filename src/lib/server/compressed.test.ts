import { gunzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { compressed } from './compressed.js';

const asking = (accept?: string) =>
  new Request('http://here/', accept === undefined ? {} : { headers: { 'accept-encoding': accept } });
const page = () =>
  new Response('<p>sc around</p>'.repeat(200), {
    headers: { 'content-type': 'text/html; charset=utf-8', 'content-length': '3200', etag: '"one"' },
  });

describe('an answer', () => {
  it('is compressed where that can be read, and is the same text', async () => {
    const sent = compressed(asking('gzip, deflate, br'), page());
    const bytes = Buffer.from(await sent.arrayBuffer());
    expect(sent.headers.get('content-encoding')).toBe('gzip');
    expect(sent.headers.get('vary')).toBe('accept-encoding');
    expect(sent.headers.get('etag')).toBe('"one"');
    expect(sent.headers.has('content-length')).toBe(false);
    expect(bytes.length).toBeLessThan(300);
    expect(gunzipSync(bytes).toString()).toBe('<p>sc around</p>'.repeat(200));
  });

  it.each([
    ['whoever asks can’t read that', asking(), page()],
    ['it is not wanted', asking('br, gzip;q=0'), page()],
    ['it is no text', asking('gzip'), new Response('x', { headers: { 'content-type': 'image/png' } })],
    ['it has no body', asking('gzip'), new Response(null, { status: 204 })],
    [
      'it is compressed already',
      asking('gzip'),
      new Response('x', { headers: { 'content-type': 'text/html', 'content-encoding': 'br' } }),
    ],
  ])('is left as it is where %s', (_, request, response) => {
    expect(compressed(request, response)).toBe(response);
  });

  it('keeps its status', () => {
    const gone = new Response('{}', { status: 404, headers: { 'content-type': 'application/json' } });
    expect(compressed(asking('gzip'), gone).status).toBe(404);
  });
});
