/**
 * Starts the built application behind nginx with TLS, by the very words of docs/running.md, and looks whether what is said there
 * holds. Needs nginx and openssl (Debian: `apt-get install nginx openssl`).
 */
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import assert from 'node:assert/strict';
import { Server } from '../e2e/server.js';

const NAME = 'dostik.example';
const OWNER = { name: 'Una', mail: 'una@example.org', password: 'four quiet grey stones' };

const folder = mkdtempSync(path.join(tmpdir(), 'dostik-proxy-'));
const server = new Server(null, { HOST: '127.0.0.1', ALLOWED_HOSTS: NAME, ADDRESS_HEADER: 'X-Forwarded-For' });
const port = await freePort();
await server.start();
const nginx = spawn('nginx', ['-e', path.join(folder, 'error.log'), '-p', folder, '-c', configuration()], {
  stdio: 'inherit',
});
try {
  await check();
  console.log('The proxy of docs/running.md does what is said of it.');
} finally {
  nginx.kill('SIGQUIT');
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
}

/** The example of the docs, with a certificate of its own and the ports of this run. */
function configuration(): string {
  const example = /```nginx\n([^]*?)```/.exec(readFileSync('docs/running.md', 'utf8'))?.[1] ?? '';
  const [certificate, key] = [path.join(folder, 'dostik.pem'), path.join(folder, 'dostik.key')];
  const subject = ['-subj', `/CN=${NAME}`, '-days', '2', '-nodes', '-newkey', 'rsa:2048'];
  const made = spawnSync('openssl', ['req', '-x509', ...subject, '-keyout', key, '-out', certificate]);
  assert.equal(made.status, 0, String(made.stderr));
  const own = example
    .replace('listen 443 ssl', `listen 127.0.0.1:${port} ssl`)
    .replace('/etc/ssl/dostik.pem', certificate)
    .replace('/etc/ssl/dostik.key', key)
    .replace('http://127.0.0.1:4870', server.url);
  assert.notEqual(own, example);
  const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map(
    (of) => `${of}_temp_path ${folder}/${of};`,
  );
  // Its workers write beside the configuration, where nobody else may.
  const user = process.getuid?.() === 0 ? 'user root;\n' : '';
  const whole = `${user}daemon off;\npid ${folder}/pid;\nevents {}\nhttp {\naccess_log off;\n${temporary.join('\n')}\n${own}}\n`;
  const file = path.join(folder, 'nginx.conf');
  writeFileSync(file, whole);
  return file;
}

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly words: string;
}

/** Asks through the proxy, as a browser would. */
function ask(method: string, to: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        host: '127.0.0.1',
        port,
        path: to,
        method,
        rejectUnauthorized: false,
        servername: NAME,
        headers: { host: NAME, origin: `https://${NAME}`, 'content-type': 'application/json', ...headers },
      },
      (answer) => {
        let words = '';
        answer.on('data', (part) => (words += String(part)));
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers, words }));
      },
    );
    sent.on('error', reject);
    sent.end(body === undefined ? undefined : JSON.stringify(body));
  });
}

async function check(): Promise<void> {
  for (let i = 0; (await ask('GET', '/healthz').catch(() => null))?.status !== 200; i += 1) {
    assert(i < 50, 'nginx does not answer');
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  // Nobody is the owner by coming through the proxy.
  assert.equal((await ask('GET', '/api/patterns')).status, 401);
  assert.equal((await ask('GET', '/rules')).headers.location, '/enter?to=%2Frules');
  const word = / word (\S+)/.exec(server.said)?.[1] ?? '';
  assert.equal((await ask('POST', '/api/people/first', { ...OWNER, word: 'guessed' })).status, 403);
  const first = await ask('POST', '/api/people/first', { ...OWNER, word });
  assert.equal(first.status, 200, first.words);
  const cookies = [first.headers['set-cookie'] ?? []].flat();
  assert(cookies.length > 0 && cookies.every((cookie) => /; Secure/.test(cookie) && /; HttpOnly/.test(cookie)));
  const cookie = cookies.map((one) => one.split(';')[0]).join('; ');
  assert.equal((await ask('GET', '/api/patterns', undefined, { cookie })).status, 200);
  // What a page from elsewhere asks for is not done, cookie or not.
  const forged = await ask('POST', '/api/patterns', { text: 'x' }, { cookie, origin: 'https://evil.example' });
  assert.equal(forged.status, 403);
  // Limits go by browser: what one says of itself is not believed, and the proxy is not put out with it.
  for (let i = 0; i < 22; i += 1)
    await ask('GET', `/api/bench/guess-${i}`, undefined, { 'x-forwarded-for': `203.0.113.${i}` });
  assert.equal((await ask('GET', '/api/bench/guess', undefined, { 'x-forwarded-for': '198.51.100.9' })).status, 429);
  // What is large goes through; what is too large for its place is refused by the application, in its words.
  const large = await ask('POST', '/api/patterns', { text: 'a'.repeat(2_000_000) }, { cookie });
  assert.equal(large.status, 201, large.words);
  const tooLarge = await ask('POST', '/api/patterns', { text: 'a'.repeat(25_000_000) }, { cookie });
  assert.equal(tooLarge.status, 413);
  assert.match(tooLarge.words, /"message"/);
}

async function freePort(): Promise<number> {
  const listening = createServer().listen(0, '127.0.0.1');
  await new Promise((resolve) => listening.once('listening', resolve));
  const { port: free } = listening.address() as AddressInfo;
  await new Promise((resolve) => listening.close(resolve));
  return free;
}
