import { describe, expect, it } from 'vitest';
import { detectTerms } from './detect.js';

describe('which vocabulary', () => {
  it.each([
    ['US terms', 'us'],
    ['This pattern uses US crochet terms.', 'us'],
    ['written in American terms, and in whole words', 'us'],
    ['**Terms:** US', 'us'],
    ['Letters = US stitches.', 'us'],
    ['us terms throughout!', 'us'],
    ['Otter\n\nus words. i = two in one.', 'us'],
    ['Mossy the Toadstool (US)', 'us'],
    ['UK TERMINOLOGY IS USED IN THIS PATTERN.', 'uk'],
    ['written in British terminology', 'uk'],
    ['version for double crochet, UK terms', 'uk'],
    ['hippo notes us grey worsted 4mm', 'us'],
    ['Bao bun keychain -- us', 'us'],
    ['(brown & yellow / 3.5 / U.S.)', 'us'],
    ['DUCK    yellow + orange    UK', 'uk'],
    ['All crochet words are American', 'us'],
    ['The whole is worked in double crochet (English).', 'uk'],
    ['(worked in US sc; no eyes)', 'us'],
    ['My gran taught\nus words for all of them', null],
    ['Worked in UK wool', null],
    ['(The stitch is English double crochet.)', 'uk'],
    ['An English lady taught me treble stitches.', null],
    ['A small hat\nFrom an old notebook. (American.)', 'us'],
    ['09:14 pig. i write us\n09:15 mr 6', 'us'],
    ['sc: single crochet (UK dc)', null],
    ['6 sc. UK readers, take a dc.', null],
    ['(translated from my notes, us stitches)', 'us'],
    ['It shows us stitches of all sorts.', null],
    ['Hook: 3.5 mm (US E/4)', null],
    ['Bear, hook 3.5 mm US E hook', null],
    ['Bear in DK or US worsted weight yarn', null],
    ['A bear in UK wool, 3 mm', null],
    ['A bear, 4 mm US size G hook', null],
    ['A bear for all of us, grey worsted', null],
    ['Let us make a bear.', null],
    ['Join us for the next one.', null],
  ])('is declared by: %s', (text, declared) => {
    expect(detectTerms(text).declared).toBe(declared);
  });

  it.each([
    ['Rnd 1: 6 sc in MR\nRnd 2: hdc around', 'us'],
    ['Rnd 1: 6 dc in MR\nRnd 2: htr around', 'uk'],
    ['Rnd 1: 6 dc in MR (6)\nRnd 2: 2 dc in each st (12)', 'uk'],
    ['Rnd 1: 12 dc in MR (12)\nRnd 2: 2 dc in each st (24)', 'us'],
    ['It was a dark night.', 'unclear'],
    ['Round 1: six single crochet in a ring', 'us'],
    ['Row 2: half treble crochet in each stitch', 'uk'],
    ['sc 5, htr 2, sc 3, htr 4, sc 2, htr 9', 'mixed'],
  ])('is shown by: %s', (text, detected) => {
    expect(detectTerms(text).detected).toBe(detected);
  });

  it('is not changed by one slip into the other', () => {
    const us = `US terms\n${'sc around\n'.repeat(20)}htr around\n`;
    expect(detectTerms(us)).toMatchObject({ declared: 'us', detected: 'us', used: 'us' });
    const uk = `UK terms\n${'dc around\n'.repeat(20)}sc around\n`;
    expect(detectTerms(uk)).toMatchObject({ declared: 'uk', detected: 'uk', used: 'uk' });
  });

  it('is the one that is asked for, where one is', () => {
    expect(detectTerms('dc around', 'us').used).toBe('us');
    expect(detectTerms('dc around', 'uk').used).toBe('uk');
  });
});
