import { expect, it } from 'vitest';
import { quantityIn } from './quantity.js';

it.each([
  ['Ears (make 2)', 2],
  ['Ears (make another 3)', 3],
  ['Legs (also make four)', 4],
  ['Stems – also three, in white', 3],
  ['Stems (again two)', 2],
  ['Wing (2 details)', 2],
  ['Feet, both alike', 2],
  ['Horns – a pair', 2],
  ['Legs, four', 4],
  ['Ear (two), Dusk', 2],
  ['Ear (two in Dusk)', 2],
  ['Legs, four, in brown', 4],
  ['Body, one, in brown', null],
  ['Strap (two strands)', null],
  ['Arms x2', 2],
  ['Arms, crochet 2', 2],
  ['Toes, 3 per foot', 3],
  ['Petals: 2 in red and 3 in white', 5],
  ['Body', null],
  ['Body, also in white', null],
  ['Repeat 6 times', null],
  ['Head x 0', null],
])('how many are made: %s → %s', (heading, make) => {
  expect(quantityIn(heading)?.make ?? null).toBe(make);
});

it.each([
  ['Ears (make 2 in brown): with a ring', 'Ears', ': with a ring'],
  ['Stems – also three, in white', 'Stems', ', in white'],
])('where that is said stands between the name and the rest: %s', (heading, name, rest) => {
  const found = quantityIn(heading);
  expect(heading.slice(0, found?.index)).toBe(name);
  expect(heading.slice(found?.end)).toBe(rest);
});
