import { expect, it } from 'vitest';
import { MaterialList } from './materials.js';

/** Lists of materials by many hands, and what is in them: kind, name, amount. */
const LISTS: readonly (readonly [text: string, ...found: string[]])[] = [
  ['Moss 30 g, hook 2.5 mm, stuffing', 'yarn Moss: 30 g', 'hook 2.5 mm', 'filling stuffing'],
  [
    'You need: cotton in Moss (30 g) and Sand (10 g), 2.5 mm hook, 8 mm safety eyes, stuffing, needle.',
    'yarn Moss: 30 g',
    'yarn Sand: 10 g',
    'hook 2.5 mm',
    'eyes safety eyes: 8 mm',
    'filling stuffing',
    'tool needle',
  ],
  [
    'Yarn: DK, Moss 50 g, Sand 20 g\nHook 3 mm\nEyes: 2 x 6 mm',
    'yarn Moss: 50 g',
    'yarn Sand: 20 g',
    'hook 3 mm',
    'eyes Eyes: 6 mm',
  ],
  [
    '* 1 ball of worsted yarn in grey\n* 3.5mm hook (E)\n* fiberfill\n* black floss',
    'yarn grey: 1 ball',
    'hook 3.5mm',
    'filling fiberfill',
    'tool black floss',
  ],
  [
    '- Yarn A: 50 m Rosy\n- Yarn B: 20 m Snow\n- safety eyes 9mm (1 pair)\n- wire',
    'yarn Rosy: 50 m',
    'yarn Snow: 20 m',
    'eyes safety eyes: 9mm',
    'notion wire',
  ],
  [
    'Wool, fingering weight: red, ca. 25 g; white, a little\ncrochet hook no. 2\nkapok',
    'yarn red: 25 g',
    'yarn white: a little',
    'hook no. 2',
    'filling kapok',
  ],
  [
    'DK cotton – Plum, Mint (about 40 g each)\n4 mm hook\nstitch marker, tapestry needle',
    'yarn Plum: 40 g',
    'yarn Mint: 40 g',
    'hook 4 mm',
    'tool stitch marker',
    'tool tapestry needle',
  ],
  ['Scarlet: 20g\nLeaf: 5g\nHook: 2,5 mm', 'yarn Scarlet: 20g', 'yarn Leaf: 5g', 'hook 2,5 mm'],
  [
    'Aran-weight wool: Ginger (100 g), Icing (50 g), Cherry (oddment)\nHook: 3.5 mm (US G/6)\nToy stuffing; a large-eyed needle for sewing up',
    'yarn Ginger: 100 g',
    'yarn Icing: 50 g',
    'yarn Cherry: oddment',
    'hook 3.5 mm',
    'filling Toy stuffing',
    'tool large-eyed needle',
  ],
  [
    'Double knitting cotton in Rosy, Straw, Leaf and Bark, a little of each.\nA hook of 3.5 mm (E/4). Stuffing. A blunt needle. A safety pin to mark\nthe first stitch of the round.',
    'yarn Rosy: a little',
    'yarn Straw: a little',
    'yarn Leaf: a little',
    'yarn Bark: a little',
    'hook 3.5 mm',
    'filling Stuffing',
    'tool blunt needle',
    'tool safety pin',
  ],
  [
    '– double knitting (DK) cotton in Chalk, Fern, Moss and Straw\n– 3.00 mm hook\n– toy filling',
    'yarn Chalk',
    'yarn Fern',
    'yarn Moss',
    'yarn Straw',
    'hook 3.00 mm',
    'filling toy filling',
  ],
  [
    'Need: cotton Soot and Chestnut; hook 2.0 mm; eyes 5 mm on screw 2 pcs.; hollow fiber for filling; pipe cleaners 3 pcs.; marker',
    'yarn Soot',
    'yarn Chestnut',
    'hook 2.0 mm',
    'eyes eyes: 5 mm',
    'filling hollow fiber',
    'notion pipe cleaner',
    'tool marker',
  ],
  [
    '- Aran cotton: **Canvas** 60 g, **Meadow** 30 g, **Poppy** 5 g\n- 4.0 mm (G/6) hook',
    'yarn Canvas: 60 g',
    'yarn Meadow: 30 g',
    'yarn Poppy: 5 g',
    'hook 4.0 mm',
  ],
  [
    '| DK cotton, Brick | 30 g |\n| DK cotton, Tar | 10 g |\n| Hook | 3 mm |',
    'yarn Brick: 30 g',
    'yarn Tar: 10 g',
    'hook 3 mm',
  ],
  [
    'Double knitting yarn, 60 g in Sand and\n15 g in Date. A 3.50 mm hook. Filling. A wool needle.',
    'yarn Sand: 60 g',
    'yarn Date: 15 g',
    'hook 3.50 mm',
    'filling Filling',
    'tool wool needle',
  ],
  [
    'Two ounces of 4-ply wool in Chestnut, one ounce in Fawn; a crochet hook, 3 mm; wadding; a little black thread; a blunt needle.',
    'yarn Chestnut: Two ounces',
    'yarn Fawn: one ounce',
    'hook 3 mm',
    'filling wadding',
    'tool black thread',
    'tool blunt needle',
  ],
  [
    'You need: 3 mm hook, green DK, a bit of stuffing, a rattle insert.',
    'hook 3 mm',
    'yarn green',
    'filling stuffing',
    'notion rattle',
  ],
  ['50 g worsted yarn, any colour\nHook 4 mm', 'yarn worsted yarn: 50 g', 'hook 4 mm'],
  ['I used sock yarn and a 2.5 mm hook', 'yarn sock yarn', 'hook 2.5 mm'],
  [
    'Yarn DK weight, Raspberry 20 g\nDK weight, White 10 g\nHook 3.5 mm (E/4)\nOther Stuffing\nSewing needle',
    'yarn Raspberry: 20 g',
    'yarn White: 10 g',
    'hook 3.5 mm',
    'filling Stuffing',
    'tool Sewing needle',
  ],
  [
    'some worsted weight yarn, most of it **Lime**, a bit of **Cocoa** and a bit of **Olive**\na 3.75 mm hook (that is an F/5)',
    'yarn Lime',
    'yarn Cocoa: a bit',
    'yarn Olive: a bit',
    'hook 3.75 mm',
  ],
];

/** The same, that nothing was tuned on. */
const OTHERS: typeof LISTS = [
  [
    'cotton, sport weight: 1 x 50 g Teal; scraps of Snow and Ink; hook size 2.25 mm; 2 safety eyes (6 mm); polyester filling',
    'yarn Teal: 50 g',
    'yarn Snow: scraps',
    'yarn Ink: scraps',
    'hook 2.25 mm',
    'eyes safety eyes: 6 mm',
    'filling polyester filling',
  ],
  [
    'Chunky yarn\n  Oat – 80 m\n  Cocoa – 15 m\n6 mm hook\nFibrefill\nTwo 12 mm eyes',
    'yarn Oat: 80 m',
    'yarn Cocoa: 15 m',
    'hook 6 mm',
    'filling Fibrefill',
    'eyes eyes: 12 mm',
  ],
  [
    'Shopping list: pink and cream 8 ply (20g of each), a 3mm hook, a scrap of felt for the nose, a bell',
    'yarn pink: 20g',
    'yarn cream: 20g',
    'hook 3mm',
    'notion felt',
    'notion bell',
  ],
  [
    'Main colour: Peach, 40 grams. Second colour: Cloud, 10 grams. Crochet hook: 2.75 mm. Embroidery thread.',
    'yarn Peach: 40 grams',
    'yarn Cloud: 10 grams',
    'hook 2.75 mm',
    'tool Embroidery thread',
  ],
  ['white dk, hook D, stuffing', 'yarn white', 'hook D', 'filling stuffing'],
  ['Hooks 3 mm and 3.5 mm, Basil 30 g', 'hook 3 mm', 'hook 3.5 mm', 'yarn Basil: 30 g'],
];

const SHADES: (typeof LISTS)[number] = [
  'Bring: light brown and dark brown yarn, 3.0 mm hook, stuffing, 6 mm black safety eyes, needle',
  'yarn light brown',
  'yarn dark brown',
  'hook 3.0 mm',
  'filling stuffing',
  'eyes black safety eyes: 6 mm',
  'tool needle',
];

const listed = (text: string, from = 0) => {
  const list = new MaterialList();
  for (const { 0: line, index } of text.matchAll(/[^\n]+/g)) list.add(line, from + index);
  return list.all();
};
const found = (text: string) =>
  listed(text).map(({ kind, name, amount }) => `${kind} ${name}${amount === null ? '' : `: ${amount}`}`);

it.each([...LISTS, SHADES, ...OTHERS])('%s', (text, ...expected) => {
  expect(found(text).sort()).toEqual([...expected].sort());
});

it('leaves out what is not needed', () => {
  expect(found('2.5 mm hook; toy filling. No safety eyes, no wire; no stuffing in the wings.')).toEqual([
    'hook 2.5 mm',
    'filling toy filling',
  ]);
});

it('each stands where it is named', () => {
  const text = 'Yarn: Sand (30 g), Rust\n3 mm hook, felt, stuffing, 8 mm safety eyes';
  for (const { name, span } of listed(text, 7)) expect(text.slice(span.from - 7, span.to - 7)).toBe(name);
});
