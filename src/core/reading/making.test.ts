import { describe, expect, it } from 'vitest';
import { makeIn, moreIn } from './making.js';

describe('how many more of a piece are made, by what stands behind its rounds', () => {
  it.each([
    ['Make three more.', 3],
    ['Make 3 more', 3],
    ['Make another two more!', 2],
    ['Work one more, then sew both on.', 1],
    ['Fasten off, then two more of the same.', 2],
    ['And one more like it', 1],
    ['Make one more the same.', 1],
    ['Make a second one.', 1],
    ['Make a second one but do not fasten off.', 1],
    ['Make another.', 1],
    ['Make another one in the other colour.', 1],
    ['Then make another one, but don’t cut the yarn.', 1],
    ['Make a second arm the same.', 1],
    ['Crochet the other leg exactly like this one.', 1],
    ['Do the second ear as the first.', 1],
    ['Repeat for the second arm.', 1],
    ['Repeat for the other leg, this time in white.', 1],
    ['Do the same for the other wing.', 1],
    ['Fasten off.\nMake 2.', 1],
    ['Make four', 3],
    ['Make 2 of these.', 1],
    ['Make two of those, naturally.', 1],
    ['Make 1.', 0],
  ])('%s → %i', (text, more) => {
    expect(moreIn(text)).toBe(more);
  });

  it.each([
    'Fasten off and leave a tail.',
    'Work another round.',
    'Work another 3 rounds.',
    'Do another row like this.',
    'Make 2 slip knots and pull.',
    'Make a second knot.',
    'Repeat for the second row.',
    'Make 40 more.',
    'Turn and work the other side the same way back.',
    'There are two more of them in the box.',
    'Sew it to the other leg.',
    'Make sure the second arm is level.',
  ])('nothing in %s', (text) => {
    expect(moreIn(text)).toBe(0);
  });
});

describe('how many are made, by the lines between a name and its first round', () => {
  it.each([
    ['\nMake 2.\n', 2],
    ['\n(make two)\n', 2],
    ['\nfour of these\n', 4],
    ['\nIn brown, make three.\n', 3],
    ['\nWith red.\nYou need four.\n', 4],
    ['\nmake a pair\n', 2],
    ['\nWith red, make 4 ch.\n', null],
    ['\nMake 12 chains and join.\n', null],
    ['\nWork 2 rounds.\n', null],
    ['\nRepeat 2 times.\n', null],
    ['\nMake 40 of them.\n', null],
    [`\nMake 2 of them, ${'and take all the care that you can find '.repeat(2)}\n`, null],
    ['\n', null],
  ])('%j', (text, make) => {
    expect(makeIn(text)).toBe(make);
  });
});
