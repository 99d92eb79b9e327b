import { describe, expect, it } from 'vitest';
import { placesIn, type Place } from './places.js';
import { formsOf, sentencesOf, singular, wordsOf } from './prose.js';

/** A place in a few words. */
function told({ rounds, between, fromEnd, apart, over, opposite }: Place): string {
  return [
    rounds ? `${between ? 'between ' : ''}${rounds[0] === rounds[1] ? rounds[0] : rounds.join('-')}` : 'anywhere',
    ...(fromEnd ? ['from the end'] : []),
    ...(apart === null ? [] : [`${apart} apart`]),
    ...(over === null ? [] : [`over ${over}`]),
    ...(opposite ? ['opposite'] : []),
  ].join(', ');
}

describe('where a sentence puts something', () => {
  it.each([
    ['Place the eyes between Rnds 12 and 13, 8 sts apart.', ['between 12-13, 8 apart']],
    ['Insert eyes b/w rounds 4 & 5', ['between 4-5']],
    ['Sew the ears over Rnds 3-5.', ['3-5']],
    ['Sew the ears across rounds 3 to 5.', ['3-5']],
    ['Sew the nose on R8.', ['8']],
    ['Attach at row #14.', ['14']],
    ['Place the eyes on the 4th round from the bottom.', ['4, from the end']],
    ['Place the eyes on the fourth round from the top.', ['4']],
    ['Between Rnds 3 and 4 from the end.', ['between 3-4, from the end']],
    ['Sew it to Rnd 3 of the body, in stitches 5 and 11 of Rnd 6.', ['6']],
    ['Six of Rnd 6.', []],
    ['Between the third and fourth rounds, with six stitches between.', ['between 3-4, 6 apart']],
    ['Sew it over the next 5 stitches at round 9.', ['9, over 5']],
    ['The arms are opposite each other on Rnd 20.', ['20, opposite']],
    ['Six sts apart.', ['anywhere, 6 apart']],
    ['Opposite sides.', ['anywhere, opposite']],
    ['Eyes on Rnd 7, mouth between Rnds 9 and 10, 4 sts apart.', ['7, 4 apart', 'between 9-10']],
    ['on round 0', []],
    ['Rnd 12 is the widest.', []],
    ['Sew it together.', []],
    ['Take them apart.', []],
  ])('%s', (sentence, places) => {
    expect(placesIn(sentence).map(told)).toEqual(places);
  });

  it('stands where it stands in it', () => {
    const sentence = 'Place the eyes between Rnds 12 and 13, 8 sts apart.';
    const [place] = placesIn(sentence);
    expect(sentence.slice(place?.from, place?.to)).toBe('between Rnds 12 and 13');
    const [apart] = placesIn('Sew them on, 6 sts apart.');
    expect('Sew them on, 6 sts apart.'.slice(apart?.from, apart?.to)).toBe('6 sts apart');
  });
});

describe('words', () => {
  it.each([
    ['Ears', 'ear'],
    ['leaves', 'leaf'],
    ['Patches', 'patch'],
    ['brushes', 'brush'],
    ['boxes', 'box'],
    ['feet', 'foot'],
    ['foot', 'foot'],
    ['teeth', 'tooth'],
    ['nose', 'nose'],
    ['Noses', 'nose'],
  ])('"%s" are of a "%s"', (word, noun) => {
    expect(singular(word)).toBe(noun);
  });

  it.each([
    ['leaf', ['leaf', 'leafs', 'leafes', 'leaves']],
    ['foot', ['foot', 'foots', 'footes', 'feet']],
    ['ear', ['ear', 'ears', 'eares']],
    ['ox', []],
  ])('"%s" may stand as %j', (noun, forms) => {
    expect(formsOf(noun)).toEqual(forms);
  });

  it('of three letters and more are gathered once each', () => {
    expect([...wordsOf('Sew the Ear to an ear.')]).toEqual(['sew', 'the', 'ear']);
  });

  it('are parted into sentences, with where each begins', () => {
    expect(sentencesOf('Stuff. Sew on; close!  Well done')).toEqual([
      { text: 'Stuff.', at: 0 },
      { text: 'Sew on;', at: 7 },
      { text: 'close!', at: 15 },
      { text: 'Well done', at: 23 },
    ]);
  });
});
