/** Answers of these kinds are texts, and shrink to a fifth; files of the build are compressed when it is made. */
const TEXTS = /^(?:text\/(?:html|css|plain)|application\/json)/;

/** An answer as it is sent: compressed, where whoever asks can read that and it is a text. */
export function compressed(request: Request, response: Response): Response {
  const { headers, status, statusText, body } = response;
  const accepts = /(?:^|[\s,])gzip(?!\s*;\s*q=0(?:\.0*)?(?:[\s,]|$))/i.test(
    request.headers.get('accept-encoding') ?? '',
  );
  if (!body || !accepts || headers.has('content-encoding') || !TEXTS.test(headers.get('content-type') ?? ''))
    return response;
  const sent = new Headers(headers);
  sent.set('content-encoding', 'gzip');
  sent.append('vary', 'accept-encoding');
  sent.delete('content-length');
  return new Response(body.pipeThrough(new CompressionStream('gzip')), { status, statusText, headers: sent });
}
