import { unzipSync } from 'fflate';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ChecklistLine } from '../../core/index.js';
import { Trouble } from '../client.js';
import type { Readiness } from '../release.js';
import { ReleaseSession } from './release.svelte.js';

const said: string[] = [];
const refresh = vi.fn(() => Promise.resolve());
const readiness: Readiness = { checklist: [], since: 'words', proposed: '1.1', anew: [], revision: 7 };
const LINE: ChecklistLine = {
  id: 'read',
  text: 'Read to the end',
  holds: false,
  words: '',
  rests: [],
  person: { who: '', at: null, lapsed: false, basis: 'b', own: false },
};

beforeEach(() => {
  said.length = 0;
  refresh.mockClear();
});

type Answers = NonNullable<ConstructorParameters<typeof ReleaseSession>[2]['server']>;
const session = (server: Answers, who = 'Oda') =>
  new ReleaseSession('vole', who, { say: (words) => said.push(words), refresh, server });
const refused = () => Promise.reject(new Trouble('It can’t be signed yet.', false));

describe('a release', () => {
  it('is confirmed line by line, by a name and of what the line is about', async () => {
    const confirmLine = vi.fn(() => Promise.resolve());
    const open = session({ confirmLine });
    await open.confirm(LINE, true);
    expect(confirmLine).toHaveBeenLastCalledWith('vole', 'read', 'Oda', 'b');
    await open.confirm(LINE, false);
    expect(confirmLine).toHaveBeenLastCalledWith('vole', 'read', '', 'b');
    expect(refresh).toHaveBeenCalledTimes(2);
    open.who = ' ';
    await open.confirm(LINE, true);
    expect(confirmLine).toHaveBeenCalledTimes(2);
    expect(said.at(-1)).toContain('Say who you are');
  });

  it('is signed as the number that is proposed, or as the one that is given', async () => {
    const signVersion = vi.fn((_: string, { number }: { number: string }) =>
      Promise.resolve({ number, signer: 'Oda', note: '', fingerprint: '', at: 1 }),
    );
    const open = session({ signVersion });
    open.note = 'New nose';
    expect(await open.sign(readiness, true)).toBe(true);
    expect(signVersion).toHaveBeenLastCalledWith('vole', {
      number: '1.1',
      who: 'Oda',
      note: 'New nose',
      styled: true,
      base: 7,
    });
    expect([open.note, said.at(-1)]).toEqual(['', 'Version 1.1 is signed.']);
    open.number = ' 3.0 ';
    await open.sign(readiness, false);
    expect(signVersion).toHaveBeenLastCalledWith('vole', expect.objectContaining({ number: '3.0' }));
  });

  it('that is refused says why, and loses nothing that was typed', async () => {
    const open = session({ signVersion: refused });
    [open.note, open.number] = ['New nose', '2.0'];
    expect(await open.sign(readiness, false)).toBe(false);
    expect(said).toEqual(['It can’t be signed yet.']);
    expect([open.note, open.number, open.busy]).toEqual(['New nose', '2.0', false]);
    expect(refresh).not.toHaveBeenCalled();
  });

  it('has all its files in one, and tells how many are made', async () => {
    const told: (number | undefined)[] = [];
    const open = session({
      versionFile: (_, version, file) => {
        told.push(open.making?.done);
        const bytes = new Uint8Array(Buffer.from(`${version} ${file}`));
        return Promise.resolve({ bytes, told: file.startsWith('u') ? ['Boxes to tick.'] : [] });
      },
    });
    [open.sheet, open.print] = ['letter', 'large'];
    const files = unzipSync((await open.all('1.0')) ?? new Uint8Array());
    expect(Object.keys(files)).toHaveLength(14);
    expect(Buffer.from(files['us 1.0.pdf'] ?? []).toString()).toBe('1.0 us-letter-large.pdf');
    expect(told).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13]);
    expect(open.making).toBeNull();
    expect(open.told.words).toEqual([expect.stringMatching(/^Boxes to tick\. \(us\.pdf, us\.docx, .*uk\.txt\)$/)]);
  });

  it('gives no archive with a file missing', async () => {
    const open = session({ versionFile: refused });
    expect(await open.all('1.0')).toBeNull();
    expect([open.making, said.length]).toEqual([null, 1]);
  });

  it('takes photographs, tells which were made smaller, and refuses those that are too large', async () => {
    const addPhotograph = vi.fn(() => Promise.resolve({ id: 1, alt: '', width: 1600, height: 900, smaller: true }));
    const open = session({ addPhotograph });
    const large = new File([], 'large.jpg');
    Object.defineProperty(large, 'size', { value: 50_000_000 });
    await open.photograph([large, new File(['x'], 'sea.jpg')]);
    expect(addPhotograph).toHaveBeenCalledTimes(1);
    expect(said).toEqual([
      '“large.jpg” is larger than 40 MB. Save it smaller, and take that in.',
      '“sea.jpg” is kept as 1600 × 900: a page needs no more.',
    ]);
  });

  it('says of a file which version it belongs to, or that it is of none', async () => {
    const found = { version: '1.0', what: 'the US edition, as .pdf' };
    const open = session({ knownFile: () => Promise.resolve(found) });
    await open.know(new File(['x'], 'a.pdf'));
    expect(open.known).toBe('“a.pdf” is the US edition, as .pdf, of version 1.0, byte for byte.');
    const other = session({ knownFile: () => Promise.resolve(null) });
    await other.know(new File(['x'], 'b.pdf'));
    expect(other.known).toMatch(/^“b\.pdf” is no file of any version/);
  });
});
