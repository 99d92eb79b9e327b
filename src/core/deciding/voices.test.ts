import { describe, expect, it } from 'vitest';
import { decide } from './decide.js';

/** The counts of all rounds of a text, in US terms, with those that do not come out marked. */
function counts(lines: readonly string[]): string {
  return decide(`US terms, 3 mm hook\n\n${lines.join('\n')}\n`)
    .rounds.map(({ outcome, verdict }) => {
      const fits = verdict === 'agrees' || verdict === 'counted';
      return `${outcome.made ?? '–'}${fits ? '' : ` ${verdict}`}`;
    })
    .join(' ');
}

/** One ball, as people tell it who have read no patterns: up to 24, straight, and down again. */
const BALL = '6 12 18 24 24 18 12 6';
const VOICES: Readonly<Record<string, readonly string[]>> = {
  'who gets how many': [
    'BALL',
    'Round 1. A ring of six.',
    'Round 2. Each gets two. 12.',
    'Round 3. One gets one, the next gets two, and so on. 18.',
    'Round 4. Two get one, the third gets two, and so on. 24.',
    'Round 5 to 8. Each gets one. 24.',
    'Round 9. Two get one and two are joined, and so on. 18.',
    'Round 10. One gets one and two are joined, and so on. 12.',
    'Round 11. Two are joined, and so on. 6.',
  ],
  'behind every so many': [
    'BALL',
    'Rnd 1: 6 sc in ring (6)',
    'Rnd 2: inc in each (12)',
    'Rnd 3: inc after every st (18)',
    'Rnd 4: inc after every 2 sts (24)',
    'Rnds 5-8: straight (24)',
    'Rnd 9: dec after every 2 sts (18)',
    'Rnd 10: dec after every st (12)',
    'Rnd 11: dec all around (6)',
  ],
  'doubled and halved': [
    'BALL',
    '1) ring, 6',
    '2) every stitch doubled, 12',
    '3) every other stitch doubled, 18',
    '4) every third stitch doubled, 24',
    '5-8) nothing changes, 24',
    '9) every 3rd and 4th joined, 18',
    '10) every 2nd and 3rd joined, 12',
    '11) all in pairs, 6',
  ],
  'plain ones written to the shaping': [
    'BALL',
    'r1 6 mr =6',
    'r2 all inc =12',
    'r3 1 inc ×6 =18',
    'r4 2 inc ×6 =24',
    'r5-8 plain =24',
    'r9 2 dec ×6 =18',
    'r10 1 dec ×6 =12',
    'r11 all dec =6',
  ],
  'sums with a plus': [
    'BALL',
    'R1: mr 6 → 6',
    'R2: 2x all round → 12',
    'R3: 1+2x, six times → 18',
    'R4: 2+2x, six times → 24',
    'R5-8: 5x plain → 24',
    'R9: 2+dec, six times → 18',
    'R10: 1+dec, six times → 12',
    'R11: dec six times → 6, close',
  ],
  'letters for rounds': [
    'BALL',
    'Ring: six.',
    'A: double every stitch – twelve now.',
    'B: double every other stitch – eighteen now.',
    'C: double every third – twenty-four.',
    'D, E, F: straight – twenty-four.',
    'G: take two together after every two – eighteen.',
    'H: take two together after every one – twelve.',
    'I: two together all the way – six. Close.',
  ],
  'figures and signs': [
    'BALL',
    '#1 | o6 | 6',
    '#2 | inc·6 | 12',
    '#3 | (1, inc)·6 | 18',
    '#4 | (2, inc)·6 | 24',
    '#5-8 | 24 | 24',
    '#9 | (2, dec)·6 | 18',
    '#10 | (1, dec)·6 | 12',
    '#11 | dec·6 | 6',
  ],
  'changes told by their number': [
    'BALL',
    'Round 1: 6 in a magic ring. 6',
    'Round 2: add 6. 12',
    'Round 3: add 6. 18',
    'Round 4: add 6. 24',
    'Rounds 5 to 8: no change. 24',
    'Round 9: take off 6. 18',
    'Round 10: take off 6. 12',
    'Round 11: take off 6. 6',
  ],
  'an old book': [
    'BALL.',
    'Make a loop; and into it six single crochets.',
    '2d rd.—Two in each. Twelve.',
    '3d rd.—One in the first, two in the next; and so on. Eighteen.',
    '4th rd.—One in each of the next two, two in the next; and so on. Twenty-four.',
    '5th, 6th, 7th and 8th rds.—One in each. Twenty-four.',
    '9th rd.—One in each of the next two, then two together; and so on. Eighteen.',
    '10th rd.—One, then two together; and so on. Twelve.',
    '11th rd.—Two together, all the way. Six.',
  ],
};

describe('a ball, told by somebody who has read no patterns', () => {
  it.each(Object.entries(VOICES))('%s', (_, lines) => {
    expect(counts(lines)).toBe(BALL);
  });
});

describe('a slip in it is a slip', () => {
  it.each([
    ['who gets how many', 4, 'Round 4. Three get one, the fourth gets two, and so on. 24.'],
    ['behind every so many', 6, 'Rnd 9: dec after every 3 sts (18)'],
    ['doubled and halved', 4, '4) every fourth stitch doubled, 24'],
    ['plain ones written to the shaping', 4, 'r4 3 inc ×6 =24'],
    ['sums with a plus', 4, 'R4: 3+2x, six times → 24'],
    ['letters for rounds', 4, 'C: double every fourth – twenty-four.'],
    ['changes told by their number', 4, 'Round 4: add 5. 24'],
    ['an old book', 4, '4th rd.—One in each of the next three, two in the next; and so on. Twenty-four.'],
  ] as const)('%s', (voice, at, slip) => {
    const lines = (VOICES[voice] ?? []).with(at, slip);
    const { rounds } = decide(`US terms, 3 mm hook\n\n${lines.join('\n')}\n`);
    const wrong = rounds.flatMap(({ verdict }, i) => (verdict === 'agrees' || verdict === 'counted' ? [] : [i + 1]));
    expect(wrong).toEqual([at]);
  });
});

describe('whole pieces, with their names and what is made of each round', () => {
  /** "Name x2: 6 12 18", piece by piece. */
  function pieces(text: string): string[] {
    const { pattern, rounds } = decide(text);
    return pattern.parts.map((part) => {
      const made = rounds
        .filter((counted) => counted.part === part)
        .map(({ outcome, verdict }) => `${outcome.made ?? '–'}${verdict === 'off' ? ' off' : ''}`);
      return `${part.name}${part.make > 1 ? ` x${part.make}` : ''}: ${made.join(' ')}`;
    });
  }

  it.each([
    [
      'an old leaflet, whose first round runs in behind the name',
      'TOY No. 3.  A SEAL.\n\nMaterials.—2 oz. of grey wool.\nUK terms.\n\nTHE BODY.—Make 2 ch., and work 6 d.c. into the first of them.\n' +
        '2nd round.—2 d.c. into each st. (12 d.c.).\n3rd round.—1 d.c. into each st.\n\nTHE FLIPPERS (2).—Make 5 ch.\n' +
        '1st row.—1 d.c. into 2nd ch. from hook, 1 d.c. into each ch. to end, turn (4 d.c.).\n2nd row.—1 ch., 1 d.c. into each st., turn.\n' +
        '3rd row.—As 2nd (4 d.c.).\n4th row.—1 ch., miss the first st., 1 d.c. into each st. to end (3 d.c.).\n5th row.—As 4th (2 d.c.).\n',
      ['Body: 6 12 12', 'Flippers x2: 4 4 4 3 2'],
    ],
    [
      'a number behind a name that is no capital',
      'US terms\n\n## Feet - moss (2)\nR1: 6 sc in MR (6)\nR2: inc x 6 (12)\n\n## Nose (1)\nR1: 6 sc in MR (6)\nR2: sc around (6)\n',
      ['Feet - moss x2: 6 12', 'Nose: 6 6'],
    ],
    [
      'a closing behind a bare number',
      'US terms\n\nWing\n1) 6 sc in MR (6)\n2) inc x 6 (12)\n3) fold flat and sc through both layers. (6)\n\nFin\n1) 6 sc in MR (6)\n2) inc x 6 (12)\n3) pinch shut, 6 sc through both sides. (6)\n',
      ['Wing: 6 12 6', 'Fin: 6 12 6'],
    ],
    [
      'a number behind words that are none of the round',
      'US terms\n\nBALL\n1) 6 sc in MR (6)\n2) inc x 6 (12)\n3) sc around (12)\n4) sc around (12)\nstuff + shut: 5) dec x 6 (6)\n',
      ['Ball: 6 12 12 12 6'],
    ],
    [
      'paragraphs that begin with a name',
      'US terms\n\nSHELL. 6 in a loop. Next time round 2 in each, 12. Then every other, 18. Leave it alone for two rounds. Every second and third together, 12. Stuff. All together in pairs, 6. Pull up.\n\n' +
        'BODY. 6 in a loop. 2 in each, 12. Three rounds of nothing. All together in pairs, 6. Pull up.\n',
      ['SHELL: 6 12 18 18 12 6', 'Body: 6 12 12 6'],
    ],
    [
      'counts in front, and plain rounds of which nothing is told',
      'HAMSTER, in rounds, US.\n   six into a magic ring.\n   [12]  increase everywhere\n   [18]  every second\n   [24]  every third\n' +
        '   [24]  x 6  nothing special\n   [18]  2, dec\n   [12]  1, dec\n   [6]   decs only\n\nEARS, two\n   five into a magic ring\n   [10] increase everywhere\n   [10] nothing special\n',
      ['Hamster: 6 12 18 24 24 18 12 6', 'Ears x2: 5 10 10'],
    ],
    [
      'pieces that a column names where they begin',
      '| part | R | what | M |\n|---|---|---|---|\n| BODY (sky) | 1 | 6 in MR | 6 |\n| | 2 | inc all | 12 |\n| | 3 | 1, inc | 18 |\n| | 4 | 2, inc | 24 |\n' +
        '| | 5-9 | = | 24 |\n| FIN x2 (navy) | 1 | 4 in MR | 4 |\n| | 2 | inc all | 8 |\n| | 3-4 | = | 8 |\n\nUS terms. 1 = one sc.\n',
      ['Body: 6 12 18 24 24', 'Fin x2: 4 8 8'],
    ],
    [
      'running text, with a word of its own for rounds, of which the first two have no number',
      'The pear. American.\n\nStarted in a loop with six. Next lap put two in each, that made twelve. Third lap: one, then a double, six times over, so eighteen.\n' +
        'Fourth lap two then a double, six times over, twenty-four. Laps five to nine just straight, twenty-four.\n' +
        'Tenth: two and then take two together, six times over, eighteen left. Eleventh to thirteenth straight on eighteen.\nStuffed it here.\n' +
        'Fourteenth: one and then take two together, six times over, twelve. Fifteenth: take two together all the way, six.\n',
      ['The pear: 6 12 18 24 24 18 18 12 6'],
    ],
    [
      'a word of its own for rounds, below a title that says the terms',
      'Pear · US\n\nLap 1: 6 sc in a ring (6)\nLap 2: inc x 6 (12)\nLap 3: (sc, inc) x 6 (18)\nLaps 4-6: sc around (18)\nLap 7: (sc, dec) x 6 (12)\n',
      ['Pear: 6 12 18 18 12'],
    ],
    [
      'pieces that are numbered, each in a line of its own',
      'Spider, US terms\n\nLeg 1: 6 sc in a ring (6)\n\nLeg 2: 5 sc in a ring (5)\n\nLeg 3: 4 sc in a ring (4)\n\nLeg 4: 3 sc in a ring (3)\n',
      ['Leg 1: 6', 'Leg 2: 5', 'Leg 3: 4', 'Leg 4: 3'],
    ],
    [
      'several ordinals a line',
      'US terms\n\nPEAR\nFirst round: six in a loop. Second round: two in each, twelve. Third round: one, then two in one, six times over, eighteen. 4th to 6th rounds: straight, eighteen.\n',
      ['Pear: 6 12 18 18'],
    ],
    [
      'shorthand of its own: brackets without a number of times, and letters of the piece before each number',
      'TURTLE / shell first\n\n[sh1] mr 6\n[sh2] 2ea ~12\n[sh3] (1,2ea) ~18\n[sh4] (2,2ea) ~24\n[sh5] plain\n[sh6] blo plain\n\n[he1] mr 5\n[he2] 2ea ~10\n[he3] (1,2ea) ~15\n[he4] plain\n' +
        '[he5] (1,tog) ~10\n\nfeet, 4x\n[fe1] mr 6\n[fe2] plain\n[fe3] plain\n',
      ['Turtle: 6 12 18 24 24 24 5 10 15 15 10', 'feet x4: 6 6 6'],
    ],
    [
      'scribbles, each line with an arrow before its count',
      'the snail, us terms\n\nshell\nstart: magic ring w/ 6\nthen double everything => 12\nthen one normal one double all the way => 18\ntwo normal one double => 24\n' +
        'plain x2 => 24\ntwo normal, two together => 18\none normal, two together => 12\n\nbody\nstart: magic ring w/ 5\nthen double everything => 10\nplain x8 => 10\n' +
        'one double, rest normal => 11\nplain x3 => 11\ntwo together, rest normal => 10\n',
      ['shell: 6 12 18 24 24 18 12', 'body: 5 10 10 11 11 10'],
    ],
    [
      'a key of signs, drawn in front of bars',
      'WREN\nkey: • = one sc, ∧ = two sc worked as one, ∨ = two sc out of one, ○ = ring\n\nBODY\n①  ○6\n②  ∨×6 ‖12\n③  (• ∨)×6 ‖18\n④–⑤  •×18 ‖18\n⑥  (• ∧)×6 ‖12\n\nWING (two)\n①  ○5\n②  ∨×5 ‖10\n③  •×10 ‖10\n',
      ['Body: 6 12 18 18 12', 'Wing x2: 5 10 10'],
    ],
    [
      'small Roman numbers in columns',
      'Turtle, US terms\n\nShell\n\n      sts   what\n i     6    into the ring\n ii    12   inc ea\n iii   18   inc e/o\n iv    24   inc e/3rd\n v     30   inc e/4th\n vi    30   even\n\n' +
        'Flipper ×4\n i     4    into the ring\n ii    8    inc ea\n iii   8    even\n iv    10   inc ×2, rest even\n v     10   even\n',
      ['Shell: 6 12 18 24 30 30', 'Flipper x4: 4 8 8 10 10'],
    ],
    [
      'ordinals behind the word they are of',
      'Radish\n\n>> Pink\nMagic circle. Round the first: 6sc inside.\nRound the second: two in each = 12.\nRound the third: (1 + 2in1) 6 times = 18.\nRounds the fourth to seventh: 18 plain.\nRound the eighth: (1 + 2tog) 6 times = 12.\n',
      ['Pink: 6 12 18 18 12'],
    ],
    [
      'letters of its own, explained at the end, and a letter before each number',
      'Bird (pattern swap, page 2)\nUS\n\nB-1   mc 6   {6}\nB-2   V V V V V V   {12}\nB-3   xV xV xV xV xV xV   {18}\nB-4   xxV ×6   {24}\nB-5 thru B-7   x all   {24}\nB-8  xxA ×6   {18}\n\n' +
        'T-1   mc 4   {4}\nT-2   xV ×2   {6}\nT-3 thru T-8   x all   {6}\n\nx single, V two in one, A two as one.\n',
      ['Bird: 6 12 18 24 24 18 4 6 6'],
    ],
    [
      'told in sentences, with rounds in which nothing happens',
      'Gourd, US terms\n\nYou make a loop and put seven singles in it. (Seven.)\nInto every one of those go two, so that is fourteen.\nOne, then two in the next. Twenty-one.\nTwo, then two in the next. Twenty-eight.\n' +
        'Five times round with nothing special. Still twenty-eight.\nTwo, then take two as one. Twenty-one again.\nOne, then take two as one. Fourteen.\n',
      ['Gourd: 7 14 21 28 28 21 14'],
    ],
    [
      'a rest that is left in the line below',
      'UK terms\n\nLEG\nR1. 5dc into ring. (5 sts)\nR2. 2dc in every st. (10 sts)\nR3. *ch3, ss in 2nd ch from hook, ss in next ch, ss in next st* 3 times.\nLeave the rest. Fasten off.\n',
      ['Leg: 5 10 3'],
    ],
    [
      'brackets that only hold together, and such as repeat',
      'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc 3, [hdc 1, dc 1, hdc 1], sc 6 (12)\nRnd 4: (sc 1, inc) (18)\n',
      ['Ball: 6 12 12 3 off'],
    ],
    [
      'a board in short: the count as a word, then what is done',
      'Seahorse, on the whiteboard\n\nsix      start, 6 in the loop\ntwelve   every one gets two\neighteen   1 & 2\neighteen   just sc\n' +
        'twelve   1 & tog\ntwelve   just sc, and 3 more the same\nnine     2 & tog\nsix      1 & tog\n',
      ['Seahorse: 6 12 18 18 12 12 9 6'],
    ],
    [
      'a letter whose sentences tell several rounds each',
      'Hi Tina,\n\nhere goes, off the top of my head! Normal US stitches, any cotton.\n\nCap first, in red. Magic ring with 6, then 12 by doubling all of them.\n' +
        "Next time round one plain one doubled, that's 18, then two plain one doubled for 24 and three plain one doubled for 30.\nWork 4 rounds even on those 30.\n" +
        'Then change to white, back loops only, three plain and then two together, all the way, 24, and keep going smaller: two plain and two together gives 18.\n' +
        "Stuff it. One plain and two together is 12, and that's where I stop and leave it open.\n\nLove, O.\n",
      ['Cap first: 6 12 18 24 30 30 24 18 12'],
    ],
    [
      'a page stored as markup',
      '<h1>Snail</h1>\n<p>US terms: sc, inc (2 sc in one), dec (2 sc together), ch, sl st, MR.</p>\n<h2>Shell (coral)</h2>\n<ol>\n<li>6 sc in MR <b>(6)</b></li>\n<li>inc &times; 6 <b>(12)</b></li>\n' +
        '<li>(sc 1, inc) &times; 6 <b>(18)</b></li>\n<li>sc in each st <b>(18)</b></li>\n</ol>\n<p>Fasten off &amp; close.</p>\n<h2>Body</h2>\n<ol>\n<li>5 sc in MR <b>(5)</b></li>\n<li>inc in each st <b>(10)</b></li>\n</ol>\n',
      ['Shell: 6 12 18 18', 'Body: 5 10'],
    ],
    [
      'a key of signs of which one is a plus, in columns',
      'bat\n\n  + sc    V two sc in one    A two sc as one    ~ sl st    o ch\n\nHEAD, Dusk\nr01   6+ in a ring                     >> 6\nr02   [V]6                             >> 12\nr03   [+V]6                            >> 18\nr04   18+                              >> 18\n' +
        'r05   [+A]6                            >> 12\n\nWING (two), Plum\nr01   o11, from the 2nd o: 10+         >> 10\nr02   turn, o1, 8+ A                   >> 9\n',
      ['Head: 6 12 18 18 12', 'Wing x2: 10 9'],
    ],
    [
      'terms of several words, in quotation marks',
      'Goose, as gran told it\n\nHer talk: "plain" is a UK double crochet. "Make a pair" is two in one hole. "Take a pair" is two worked off as one.\n\n--- Goose ---\n1st go: six plain in a loop = 6\n2nd go: make a pair in every hole = 12\n' +
        "3rd go: plain in one hole, make a pair in the next, and so on = 18\n4th, 5th go: plain all the way, that's her neck = 18\n6th go: plain in one, take a pair, and so on = 12\n7th go: take a pair, and so on = 6\n",
      ['Goose: 6 12 18 18 12 6'],
    ],
    [
      'a plain word for a stitch, and a word that can only mean times',
      'CAKE\n\nIn my kitchen a plain is a single crochet, a double is two single crochet in one stitch, and a merge is two single crochet together.\n\nLAYER (brown)\nStep 1 - Start with 7 plains in a ring.  Serves 7\nStep 2 - A double in every stitch.  Serves 14\n' +
        'Step 3 - Plain, double; seven helpings.  Serves 21\nStep 4 - In the back loops, a plain in every stitch.  Serves 21\nStep 5 - Plain, merge; seven helpings.  Serves 14\nStep 6 - Seven merges.  Serves 7\n',
      ['Layer: 7 14 21 21 14 7'],
    ],
    [
      'laps of so many of each, with a term that is a word of everybody',
      'Words: a "step" is one single crochet (US). A "split" = 2 single crochet in one stitch. A "join" = 2 stitches crocheted together.\n\nOtto, in eggshell\n\nLap one. Put 6 steps in a magic circle. You have 6.\nLap two. Split all 6. You have 12.\n' +
        'Lap three. Step, split; step, split; and so on, six of each. You have 18.\nLaps four to six. Only steps. You have 18 each time.\nLap seven. One step and a join, six of each. You have 12.\nLap eight. Six joins. You have 6.\n',
      ['Otto: 6 12 18 18 12 6'],
    ],
    [
      'letters of its own, and a piece begun in a chain by one of them',
      'OCTOPUS\n\nS=sc  D=2 sc in 1  T=sc2tog  C=ch  /n = do it n times\n\nHEAD\n1 S6 in ring →6\n2 D/6 →12\n3 S1D/6 →18\n4…6 S18 →18\n7 S1T/6 →12\n8 T/6 →6\n\nARM ×8\nC21, miss 1, D in each of 20 →40\nend: tail\n',
      ['Head: 6 12 18 18 12 6', 'Arm x8: 40'],
    ],
    [
      'an old leaflet whose pieces go on from each other behind their names',
      'THE FAWN.\n(British terms.)\n\nTHE BODY.—Commence with Fawn; make 2 ch.\n1st round.—6 d.c. in 2nd ch. from hook.\n2nd round.—2 d.c. in each d.c. (12 d.c.).\n3rd round.—* 1 d.c. in next d.c., 2 d.c. in next; rep. from * all round (18 d.c.).\n' +
        '4th to 6th rounds.—1 d.c. in each d.c.\n7th round.—* 1 d.c. in next d.c., next 2 d.c. tog.; rep. from * all round (12 d.c.). Fasten off.\n\nTHE HEAD.—Work as Body to end of 3rd round.\n4th and 5th rounds.—1 d.c. in each d.c.\n6th round.—(Next 2 d.c. tog.) 9 times. Fasten off.\n\n' +
        'THE EARS (make two).—With Fawn make 2 ch.\n1st round.—4 d.c. in 2nd ch. from hook.\n2nd round.—* 1 d.c. in next d.c., 2 d.c. in next; rep. from * once (6 d.c.). Fasten off.\n\nTHE TAIL.—With White work 1st and 2nd rounds of Body.\n3rd round.—1 d.c. in each d.c. Fasten off.\n',
      ['Body: 6 12 18 18 12', 'Head: 18 18 9', 'Ears x2: 4 6', 'Tail: 12 12'],
    ],
    [
      'names with how a piece begins, in a text that is read by its series',
      'Hen (UK terms)\n\nBody. Begin at tail end with a ring.\nTurn 1: work 6 d.c. into ring.\nTurn 2: 2 d.c. into each d.c. - 12 d.c.\nTurn 3: (1 d.c. into next d.c., 2 d.c. into next d.c.) 6 times - 18 d.c.\nTurns 4 and 5: work even.\n\n' +
        'Beak. With yellow make a ring.\nTurn 1: work 4 d.c. into ring.\nTurn 2: work even.\nFasten off.\n',
      ['Body: 6 12 18 18', 'Beak: 4 4'],
    ],
    [
      'a table in which a round without any change has empty cells',
      'Turnip\nEverything in US single crochet.\n\nRoot\nrounds | plain | change | how often | then\n1 | ring | | | 4\n2 | 1 | inc | 2 | 6\n3 | 2 | inc | 2 | 8\n4-5 | | | | 8\n6 | 3 | inc | 2 | 10\n7 | 4 | inc | 2 | 12\n8-10 | | | | 12\n11 | 2 | dec | 3 | 9\n',
      ['Root: 4 6 8 8 10 12 12 9'],
    ],
    [
      'from how many, what, and how many then, with signs of its own',
      'Hazel\n\nstitches (american): x = sc, the small numbers say how many of them\n  ^ = two x in one place        v = two x made into one\n\nbody\n0 > ring 6x > 6\n6 > 6^ > 12\n12 > 6(1x ^) > 18\n18 > 18x, fourteen rounds > 18\n18 > 6(1x v) > 12\n12 > 6v > 6\nclose\n\n' +
        'ears, two\n0 > ring 5x > 5\n5 > 5^ > 10\nleave an end\n',
      ['body: 6 12 18 18 12 6', 'ears x2: 5 10'],
    ],
    [
      'a voice memo, with pieces that are named in passing and a closing told in words',
      '(American words.)\n\nokay the body, teal.\nround one. six singles in a ring. six.\nround two. increase in all of them. twelve.\nround three. single, increase, six times. eighteen.\nrounds four through six. just singles. eighteen.\nand round seven flatten the top and go through both layers, nine singles. nine.\ncut it.\n\n' +
        'okay wings, you need two, teal.\nround one. six singles in a ring. six.\nround two. increase in all of them. twelve.\nround three. just singles. twelve.\nfold it and go through both layers, six singles. cut it.\n',
      ['body: 6 12 18 18 9', 'wings x2: 6 12 12 6'],
    ],
    [
      'on how many, then what, then how many: no number of a round among them',
      'Pumpkin (US terms, single crochet)\n\nPumpkin, orange\nFrom nothing: ring of six: six.\nOn six: two in each: twelve.\nOn twelve: one, two in the next, all the way: eighteen.\nOn eighteen: two, two in the next, all the way: twenty-four.\n' +
        'On twenty-four: one in each, eight rounds of that: twenty-four.\nOn twenty-four: two, next two as one, all the way: eighteen.\nOn eighteen: one, next two as one, all the way: twelve.\nOn twelve: two as one, all the way: six.\n',
      ['Pumpkin: 6 12 18 24 24 18 12 6'],
    ],
    [
      'products and sums',
      'x := single crochet (US), v := increase (2x in one), a := decrease (2x as one)\n\nWrapper\nR1 = ring(6x) = 6\nR2 = 6·v = 12\nR3 = 6·(x + v) = 18\nR4 = 18x = 18\nR5 = 6·(x + a) = 12\nR6 = 6·a = 6\n',
      ['Wrapper: 6 12 18 18 12 6'],
    ],
    [
      'bold ends of a range, stressed counts, and rounds like those of another piece',
      '# Bunny\n\n*US terms.*\n\n## Head – **oat**\n\n**R1** — `6 sc` in a magic ring → *6*\n**R2** — `inc` ×6 → *12*\n**R3** — `sc, inc` ×6 → *18*\n**R4 – R6** — `sc` around → *18*\n\n' +
        '## Body – **oat**\n\n**R1** to **R3** — like the head → *18*\n**R4 – R8** — `sc` around → *18*\n**R9** — `sc, dec` ×6 → *12*\n',
      ['Head – oat: 6 12 18 18', 'Body – oat: 18 18 12'],
    ],
    [
      'legs with their yarn below the name, and joined by a stitch in any of the other',
      'US terms\n\nLEGS (make 2)\nCol: rust\nRnd 1: 6 sc in MR (6)\nRnd 2: (1 sc, inc) x3 (9)\nRnd 3: 9 sc (9)\nFasten off the first leg. Do not fasten off the second.\n\nBODY\n' +
        'Rnd 4: ch 3, join to the first leg with sc in any st, 8 sc, 3 sc over the chain, 9 sc over the second leg, 3 sc over the other side of the chain (24)\nRnd 5: 24 sc (24)\n',
      ['Legs x2: 6 9 9', 'Body: 24 24'],
    ],
    [
      'drawn boxes around the numbers',
      'STRAWBERRY (us terminology)\n\nHEAD [cream]\n┌ 01 ┐ 6 sc in MR ............ {6}\n│ 02 │ inc x6 ................ {12}\n│ 03 │ (1 sc, inc) x6 ........ {18}\n│ 04-06 │ sc x18 ............. {18}\n│ 07 │ (1 sc, dec) x6 ........ {12}\n└ fo, stuff\n',
      ['Head: 6 12 18 18 12'],
    ],
    [
      'the count first, as a sentence, and rounds that stay as they are',
      'Tortoise. Terms American. sc everywhere.\n\nShell, green\n1: 6. In a magic ring.\n2: 12. Two in every one.\n3: 18. Two in every second one.\n4 to 6: 18. As they are.\n7: 12. Every second and third together.\n8: 6. All together by twos.\nClose.\n',
      ['Shell: 6 12 18 18 12 6'],
    ],
  ])('%s', (_, text, expected) => {
    expect(pieces(text)).toEqual(expected);
  });
});
