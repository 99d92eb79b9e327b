import { describe, expect, it } from 'vitest';
import { splitReply } from '../index.js';

/** What a reply says: by number its words, `!` before what is meant as it is, `+` before a yes, `=24` behind a figure. */
function said(reply: string, asked: readonly number[]): Record<string, string> {
  const { pieces, left } = splitReply(reply, asked);
  const signs = { agrees: '+', 'as-is': '!', words: '' };
  return Object.fromEntries([
    ...pieces.map(({ numbers, text, says, figure }) => [
      numbers.join(' '),
      `${signs[says]}${text.replace(/\s+/g, ' ')}${figure === null ? '' : ` =${figure}`}`,
    ]),
    ...(left.length > 0 ? [['left', left.join(' / ').replace(/\s+/g, ' ')]] : []),
  ]) as Record<string, string>;
}

type Case = readonly [reply: string, asked: readonly number[], said: Record<string, string>];

/** Ways in which people reply; written down before there was anything to read them. */
const REPLIES: readonly Case[] = [
  ['1. yes, 24. 2) no, meant as is', [1, 2], { 1: '+yes, 24. =24', 2: '!no, meant as is' }],
  [
    '1. yes\n2. no, it should be 30\n3. Leave it.',
    [1, 2, 3],
    { 1: '+yes', 2: 'no, it should be 30 =30', 3: '!Leave it.' },
  ],
  [
    '1) Yes.\n2) Yes.\n\nThanks so much for the thorough check!\nIda',
    [1, 2],
    { 1: '+Yes.', 2: '+Yes.', left: 'Thanks so much for the thorough check! Ida' },
  ],
  [
    'Hi Oda,\n\n2 and 3: yes\n1: my mistake, 18',
    [1, 2, 3],
    { '2 3': '+yes', 1: '+my mistake, 18 =18', left: 'Hi Oda,' },
  ],
  ['(1) correct\n(2) I meant 5 rounds', [1, 2], { 1: '+correct', 2: 'I meant 5 rounds =5' }],
  ['[4] 36\n[5] as is', [4, 5], { 4: '36 =36', 5: '!as is' }],
  ['#7: good catch, 42.\n#9: no idea, sorry', [7, 9], { 7: '+good catch, 42. =42', 9: 'no idea, sorry' }],
  [
    'Query 3 – yes please change it\nQuery 4 – that is on purpose',
    [3, 4],
    { 3: '+yes please change it', 4: '!that is on purpose' },
  ],
  ['q1 yes\nq2 no\nq3 it says what I mean', [1, 2, 3], { 1: '+yes', 2: 'no', 3: '!it says what I mean' }],
  [
    'Re 2: 12 stitches, you are right.\nRe 1: intentional.',
    [1, 2],
    { 2: '+12 stitches, you are right. =12', 1: '!intentional.' },
  ],
  [
    '> 1. Head, round 5\n> The text reads: Rnd 5: (25)\n\nShould be 24.\n\n> 2. Ear, round 2\n> uses 12\n\nThat is how I want it.',
    [1, 2],
    { 1: 'Should be 24. =24', 2: '!That is how I want it.' },
  ],
  [
    'See below!\n\nOn Tue, 3 Nov, Oda wrote:\n> 4. Hull, Rnd 8\n> Number 8 stands twice.\nYes, 9.\n> 6. Hull, Rnd 10\n> 28 is stated\nOops: 24\n',
    [4, 6],
    { 4: '+Yes, 9. =9', 6: 'Oops: 24 =24', left: 'See below!' },
  ],
  ['1-3 yes, 4 no', [1, 2, 3, 4], { '1 2 3': '+yes,', 4: 'no' }],
  [
    '1 to 3: all fine to change.\n4: hm, let me look at the toy again.',
    [1, 2, 3, 4],
    { '1 2 3': '+all fine to change.', 4: 'hm, let me look at the toy again.' },
  ],
  ['3. Yes\n1. Yes\n2. 16!', [1, 2, 3], { 3: '+Yes', 1: '+Yes', 2: '16! =16' }],
  [
    '1. Yes.\nThe ear had one more in my notes.\nI will look.\n2. No.',
    [1, 2],
    { 1: '+Yes. The ear had one more in my notes. I will look.', 2: 'No.' },
  ],
  ['Yes to all!', [1, 2, 5], { '1 2 5': '+Yes to all!' }],
  ['1: 24. Everything else: yes', [1, 2, 3], { 1: '24. =24', '2 3': '+yes' }],
  [
    'The first one is a typo, 30. The second is meant like that.',
    [1, 2],
    { 1: '+The first one is a typo, 30. =30', 2: '!The second is meant like that.' },
  ],
  ['Both yes.', [8, 9], { '8 9': '+Both yes.' }],
  ['Thank you! I will get back to you next week.', [1, 2], { left: 'Thank you! I will get back to you next week.' }],
  ['Yes, 24.', [6], { 6: '+Yes, 24. =24' }],
  ['1.yes 2.no 3.yes', [1, 2, 3], { 1: '+yes', 2: 'no', 3: '+yes' }],
  ['1 - yes\n2 - 15\n3 - keep', [1, 2, 3], { 1: '+yes', 2: '15 =15', 3: '!keep' }],
  ['No. 1: right\nNo. 2: wrong, 6 more please', [1, 2], { 1: '+right', 2: 'wrong, 6 more please =6' }],
  ['*1* yes\n*2* no change', [1, 2], { 1: '+yes', 2: '!no change' }],
  ['1. Yes, fix it.\n\n5. Leave 5 as it stands.', [1, 5], { 1: '+Yes, fix it.', 5: '!Leave 5 as it stands.' }],
  ['2: see 1', [1, 2], { 2: 'see 1' }],
  ['1. it should read (3 sc, inc) x 6\n2. ok', [1, 2], { 1: 'it should read (3 sc, inc) x 6', 2: '+ok' }],
  ['Answers:\n1) y\n2) n\n3) y', [1, 2, 3], { 1: '+y', 2: 'n', 3: '+y', left: 'Answers:' }],
  [
    '1. Yes\n2. Yes\n\n-----Original message-----\nFrom: Oda\n1. Head, round 5\nThe text reads\n2. Ear',
    [1, 2],
    { 1: '+Yes', 2: '+Yes' },
  ],
  ['2 & 5: 18, 7: as written', [2, 5, 7], { '2 5': '18, =18', 7: '!as written' }],
];

/** Written with them and not looked at until the end. */
const ASIDE: readonly Case[] = [
  [
    'Hello!\nOn 3: yes, 40 is right.\nOn 4: that is deliberate.\nBest, I.',
    [3, 4],
    { 3: '+yes, 40 is right. =40', 4: '!that is deliberate.', left: 'Hello! / Best, I.' },
  ],
  ['one: yes. two: no. three: 12', [1, 2, 3], { 1: '+yes.', 2: 'no.', 3: '12 =12' }],
  ['1 yes\n2 yes\n3 no, 21', [1, 2, 3], { 1: '+yes', 2: '+yes', 3: 'no, 21 =21' }],
  [
    'Question 2: you are right, it is 27\nQuestion 1: fine as it is',
    [1, 2],
    { 2: '+you are right, it is 27 =27', 1: '!fine as it is' },
  ],
  ['> 12. Fin, row 4\n> The text reads: Row 4: (9)\n10\n> 13. Fin, row 6\nyep', [12, 13], { 12: '10 =10', 13: '+yep' }],
  ['Re your numbers 1, 2 and 4: yes. 3: not sure yet', [1, 2, 3, 4], { '1 2 4': '+yes.', 3: 'not sure yet' }],
  ['1.) absolutely\n2.) I would rather keep it.', [1, 2], { 1: '+absolutely', 2: '!I would rather keep it.' }],
  ['All yes, except 3: that stays.', [1, 2, 3], { '1 2': '+All yes, except', 3: '!that stays.' }],
  ['1: Yes 🙂\n2: No 🙃 (36)', [1, 2], { 1: '+Yes 🙂', 2: 'No 🙃 (36) =36' }],
  ['10. yes\n11. 48 sts', [10, 11], { 10: '+yes', 11: '48 sts =48' }],
];

describe('a reply', () => {
  it.each(REPLIES)('%s', (reply, asked, expected) => {
    expect(said(reply, asked)).toEqual(expected);
  });

  it.each(ASIDE)('aside: %s', (reply, asked, expected) => {
    expect(said(reply, asked)).toEqual(expected);
  });

  it('keeps every word, placed or not', () => {
    for (const [reply, asked] of [...REPLIES, ...ASIDE]) {
      const { pieces, left } = splitReply(reply, asked);
      const kept = [...pieces.map(({ text }) => text), ...left].join(' ');
      for (const word of reply
        .split('\n')
        .filter((line) => !/^>/.test(line))
        .join(' ')
        .split('-----')[0]
        ?.match(/\p{L}{4,}/gu) ?? [])
        if (!/^(query|question|wrote|numbers?|everything|else|original|your|three)$/i.test(word))
          expect(kept).toContain(word);
    }
  });
});
