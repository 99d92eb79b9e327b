import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { checkPattern, fixedReport, type Report } from '../core/index.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

/** Built before the tests begin. */
const command = path.resolve('dist/dostik.cjs');
const FIXTURES = path.resolve('src/lib/server/documents/fixtures');
let folder: string;

beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'dostik-cli-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

function dostik(words: readonly string[], input?: string | Uint8Array) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [command, ...words], {
    cwd: folder,
    encoding: 'utf8',
    maxBuffer: 1e9,
    ...(input === undefined ? {} : { input }),
  });
  return { status, stdout, stderr };
}

function file(name: string, content: string | Uint8Array): string {
  writeFileSync(path.join(folder, name), content);
  return name;
}

const GOOD = 'BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';
const BAD = GOOD.replace('(12)', '(13)');
const utf16 = (text: string) =>
  new Uint8Array(Uint16Array.from({ length: text.length + 1 }, (_, i) => `\ufeff${text}`.charCodeAt(i)).buffer);

const roundsIn = ({ parts }: Report) => parts.flatMap(({ rounds }) => rounds.map(({ made, stated }) => [made, stated]));

describe('dostik check of many files', () => {
  it('says of each what it says of it alone, in their order, on however many processors', () => {
    const names = Array.from({ length: 60 }, (_, i) =>
      file(`many-${i}.txt`, (i % 3 === 0 ? BAD : GOOD).replace('BALL', `BALL ${i}`)),
    );
    const all = dostik(['check', ...names, '--format', 'json', '--fail-on', 'never']);
    const reports = JSON.parse(all.stdout) as Report[];
    expect(reports.map((report) => report.file)).toEqual(names);
    for (const i of [0, 1, 30, 59])
      expect(reports[i]).toEqual(
        JSON.parse(dostik(['check', names[i] ?? '', '--format', 'json', '--fail-on', 'never']).stdout),
      );
    const words = dostik(['check', ...names]);
    expect(words.status).toBe(1);
    expect(words.stdout.match(/many-\d+\.txt/g)?.filter((name, i, all) => name !== all[i - 1])).toEqual(names);
  });
});

it('says of a text what the core says of it, in whatever signs it is written', () => {
  const text =
    'Chick – “Pip”\nUS terms\n\nBALL\nR1: 6 sc in MR → 6\nR2: inc × 6 → 12\nR3–5: sc around → 12\nR6–7: sc … around → 13\n½ of it: 3–4 cm\n';
  const name = file('signs.txt', text);
  const { stdout } = dostik(['check', name, '--format', 'json']);
  const report = JSON.parse(stdout) as Report;
  expect(report).toEqual(JSON.parse(JSON.stringify(fixedReport(checkPattern(text, name)))));
  expect(roundsIn(report)).toHaveLength(4);
});

describe('dostik backup and restore', () => {
  const rowsIn = async (name: string) => {
    const client = createClient({ url: `file:${path.join(folder, name)}` });
    const { rows } = await client.execute('select * from kept');
    client.close();
    return rows.map((row) => row['word']);
  };

  it('copy a database, and put it back', async () => {
    const client = createClient({ url: `file:${path.join(folder, 'some.db')}` });
    await client.executeMultiple("create table kept (word text); insert into kept values ('first')");
    const made = dostik(['backup', '--database', 'some.db', '--to', 'copies', '--keep', '2']);
    expect([made.status, made.stderr]).toEqual([0, '']);
    const copy = made.stdout.trim();
    expect(copy).toMatch(/^copies\/dostik-\d{8}-\d{9}-asked\.db$/);
    await client.execute("insert into kept values ('second')");
    client.close();
    const back = dostik(['restore', copy, '--database', 'some.db']);
    expect(back.status).toBe(0);
    const aside = /What stood there is (\S+)\.\n$/.exec(back.stdout)?.[1] ?? '';
    expect(await rowsIn('some.db')).toEqual(['first']);
    expect(await rowsIn(aside)).toEqual(['first', 'second']);
  });

  it('copy the files that go with it, and bring back those that are gone or damaged', async () => {
    const bytes = 'a photograph';
    const hash = createHash('sha256').update(bytes).digest('hex');
    const lies = path.join(folder, 'theirs', hash.slice(0, 2), hash);
    const client = createClient({ url: `file:${path.join(folder, 'with.db')}` });
    await client.execute('create table kept (word text)');
    client.close();
    mkdirSync(path.dirname(lies), { recursive: true });
    writeFileSync(lies, bytes);
    const call = ['--database', 'with.db', '--files', 'theirs'];
    const copy = dostik(['backup', ...call, '--to', 'copies']).stdout.trim();
    rmSync(path.join(folder, 'theirs'), { recursive: true });
    expect(dostik(['restore', copy, ...call]).status).toBe(0);
    expect(readFileSync(lies, 'utf8')).toBe(bytes);
    writeFileSync(lies, 'a phOtograph');
    expect(dostik(['restore', copy, ...call]).status).toBe(0);
    expect(readFileSync(lies, 'utf8')).toBe(bytes);

    // A damaged one is named, and takes no place in the backups.
    const other = path.join(folder, 'theirs', 'ab', `ab${'0'.repeat(62)}`);
    mkdirSync(path.dirname(other), { recursive: true });
    writeFileSync(other, 'spoilt');
    const again = dostik(['backup', ...call, '--to', 'copies']);
    expect(again.status).toBe(2);
    expect(again.stderr).toContain(`files in ${path.join(folder, 'theirs')} are damaged and were not: ab/ab000`);
    expect(existsSync(path.join(folder, 'copies', 'files', 'ab'))).toBe(false);
  });

  it.each([
    [
      'a database that is not there',
      ['backup', '--database', 'none.db', '--to', 'copies'],
      'there is no database none.db',
    ],
    ['a number that is none', ['backup', '--keep', 'many'], '--keep takes a number.'],
    ['a file too many', ['backup', 'some.db'], 'backup takes no file'],
    ['no backup', ['restore'], 'Name one backup'],
    ['a backup that is not there', ['restore', 'none.db', '--database', 'some.db'], 'There is no backup none.db.'],
    ['a backup that is none', ['restore', 'letter.db', '--database', 'some.db'], 'Nothing was changed.'],
  ])('say in one line what is wrong with %s', (_, words, says) => {
    file('letter.db', 'Dear editor');
    const { status, stdout, stderr } = dostik(words);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain(says);
    expect(stderr.trim().split('\n')).toHaveLength(1);
  });
});

describe('dostik check', () => {
  it('tells by its status whether anything was found', () => {
    expect(dostik(['check', file('good.txt', GOOD)]).status).toBe(0);
    const bad = dostik(['check', file('bad.txt', BAD), '--format', 'json']);
    expect(bad.status).toBe(1);
    expect(JSON.parse(bad.stdout)).toMatchObject({ findings: [{ rule: 'count/stated', line: 4 }] });
    expect(dostik(['check', '-'], BAD).status).toBe(1);
  });

  it('reads what words of this hand mean, and writes what was worked out', () => {
    const bumps = GOOD.replace('inc x 6', '6 bumps').replace('Fasten', 'Rnd 3: (sc 1, bump) x 6 (18)\nFasten');
    const out = dostik(['check', file('bumps.txt', bumps), '--hand-out', 'hand.json']);
    expect(out.status).toBe(0);
    expect(JSON.parse(readFileSync(path.join(folder, 'hand.json'), 'utf8'))).toEqual({ words: { bump: 'increase' } });
    const one = file('one.txt', GOOD.replace('inc x 6', '6 bumps'));
    expect(dostik(['check', one]).status).toBe(1);
    expect(dostik(['check', one, '--hand', 'hand.json']).status).toBe(0);
  });

  it.each([
    ['no file', undefined, 'no such file'],
    ['no JSON', 'words: bump', 'this is no JSON'],
    ['a meaning that there is not', '{"words":{"bump":"hop"}}', 'words.bump'],
  ])('says what is wrong with a hand that is %s', (_, content, says) => {
    if (content !== undefined) file('bad-hand.json', content);
    const name = content === undefined ? 'none.json' : 'bad-hand.json';
    const { status, stderr } = dostik(['check', file('good.txt', GOOD), '--hand', name]);
    expect(status).toBe(2);
    expect(stderr).toContain(says);
    expect(stderr.trim().split('\n')).toHaveLength(1);
  });

  it('reads documents as the application does', () => {
    const plain = JSON.parse(dostik(['check', path.join(FIXTURES, 'puffin.txt'), '--format', 'json']).stdout) as Report;
    for (const file of ['puffin.columns.pdf', 'puffin.lines.docx', 'puffin.lines.html']) {
      const { status, stdout } = dostik(['check', path.join(FIXTURES, file), '--format', 'json']);
      expect([file, status, roundsIn(JSON.parse(stdout) as Report)]).toEqual([file, 0, roundsIn(plain)]);
    }
  });

  it('reads UTF-16, and Windows-1252, as older programs write it', () => {
    expect(dostik(['check', file('wide.txt', utf16(GOOD))])).toMatchObject({ status: 0, stderr: '' });
    const old = Buffer.from(GOOD.replace('Rnd 2:', 'Rnd 2 \x96'), 'latin1');
    expect(dostik(['check', file('old.txt', old)])).toMatchObject({ status: 0, stderr: '' });
  });

  it.each([
    ['a picture', 'picture.txt', Buffer.from('\x89PNG\r\n\x1a\n\0\0\0\rIHDR', 'latin1'), 'a picture'],
    ['an archive', 'archive.txt', Buffer.from('PK\x03\x04\x14\0\x06\0', 'latin1'), 'an archive'],
    ['a program', 'program.pdf', Buffer.from('MZ\x90\0\x03\0\0\0', 'latin1'), 'a program'],
    ['any bytes', 'bytes.txt', Uint8Array.from({ length: 5000 }, (_, i) => (i * 7919) % 256), 'no text'],
    ['nothing', 'empty.txt', '', 'it is empty'],
    ['blanks', 'blank.md', ' \n\n', 'it is empty'],
  ])('refuses %s with a sentence', (_, name, content, says) => {
    const { status, stdout, stderr } = dostik(['check', file(name, content)]);
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
    expect(stderr).toMatch(new RegExp(`^dostik: ${name}: .*${says}.*\\n$`));
    expect(dostik(['convert', name, '--to', 'uk']).status).toBe(2);
  });

  it('refuses a folder, a name that is none, and what is no pattern by its size', () => {
    mkdirSync(path.join(folder, 'inner'));
    expect(dostik(['check', 'inner']).stderr).toContain('this is a folder');
    expect(dostik(['check', 'nowhere.txt']).stderr).toContain('there is no such file');
    expect(dostik(['check', file('huge.txt', Buffer.alloc(50_000_000, 'sc 3, inc, '))])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('larger than 20 MB') as string,
    });
    expect(dostik(['check', file('long.txt', 'sc 3, inc\n'.repeat(450_000))])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('more than 4,000,000 characters') as string,
    });
  });

  it('bears 2 MB of brackets, and 20,000 rounds of which each is off', () => {
    const brackets = Array.from({ length: 2_000_000 }, (_, i) => '()[]{}<>'.charAt((i * 7919) % 8)).join('');
    expect(dostik(['check', file('brackets.txt', brackets)]).status).toBe(0);
    const rounds = Array.from({ length: 20_000 }, (_, i) => `Rnd ${i + 1}: sc ${i + 3} (${i + 4})\n`).join('');
    expect(dostik(['check', file('rounds.txt', rounds)]).status).toBe(1);
  });
});

describe('dostik convert', () => {
  it('writes the pattern in the other terms', () => {
    expect(dostik(['convert', file('us.txt', GOOD), '--to', 'uk', '--out', 'uk.txt']).status).toBe(0);
    expect(readFileSync(path.join(folder, 'uk.txt'), 'utf8')).toContain('Rnd 1: 6 dc in MR (6)');
  });
});

describe('dostik publish', () => {
  it('writes each of the files, the same bytes for the same file', () => {
    const name = file('ball.txt', GOOD);
    const words = ['publish', name, '--to', 'us,uk', '--as', 'pdf,docx,md,html,txt', '--out', 'out'];
    const { status, stdout, stderr } = dostik(words);
    expect([status, stderr]).toEqual([0, '']);
    const written = stdout.trim().split('\n');
    expect(written).toHaveLength(10);
    expect(written).toContain(path.join('out', 'ball.uk.pdf'));
    const read = (one: string) => readFileSync(path.join(folder, one));
    expect(read('out/ball.uk.txt').toString()).toContain('6 dc in MR');
    const before = written.map((one) => read(one).toString('base64'));
    expect(dostik(words).status).toBe(0);
    expect(written.map((one) => read(one).toString('base64'))).toEqual(before);
  });

  it('says what could not be converted, and ends with 1; nothing is written that is none', () => {
    const name = file('either.txt', 'CORD\nRow 1: ch 7, sl st in 2nd ch from hook, sl st in next 5 ch (6)\n');
    const { status, stdout, stderr } = dostik(['publish', name, '--to', 'us,uk', '--as', 'txt', '--out', 'either']);
    expect([status, stdout]).toEqual([1, '']);
    expect(stderr).toMatch(/^dostik: either\.txt: Nothing in this text tells/);
  });

  it('ends with 2 where it is called otherwise, or there is no file', () => {
    expect(dostik(['publish', 'ball.txt', '--to', 'us'])).toMatchObject({ status: 2, stdout: '' });
    expect(dostik(['publish', 'nothing.txt', '--to', 'us', '--as', 'txt'])).toMatchObject({ status: 2, stdout: '' });
  });
});

describe('dostik report', () => {
  it('writes each round with its sum, and what was found', () => {
    const name = file('bad.txt', BAD);
    expect(dostik(['report', name, '--as', 'pdf,html', '--out', 'reports'])).toMatchObject({ status: 0, stderr: '' });
    const words = readFileSync(path.join(folder, 'reports', 'bad.report.html'), 'utf8');
    expect(words).toContain('uses 6 of 6, makes 12, states 13');
    expect(words).toContain('This text has not been signed.');
    expect(
      readFileSync(path.join(folder, 'reports', 'bad.report.pdf'))
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });
});
