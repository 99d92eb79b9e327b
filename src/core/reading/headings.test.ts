import { describe, expect, it } from 'vitest';
import {
  headingBeforeLabel,
  headingByLook,
  headingByPlace,
  headingOfPart,
  headingWithLead,
  headingWithMore,
  namesPart,
  partInLine,
  sectionOf,
  withoutNumber,
  type Heading,
} from './headings.js';

/** A heading in a few words: its name, how many are made where that is said, and its section. */
function told(heading: Heading | null): string | null {
  if (!heading) return null;
  const { name, make, saysMake, section, level } = heading;
  return `${name}${saysMake ? ` ×${make}` : ''}${section ? ` [${section}]` : ''}${level > 0 ? ` #${level}` : ''}`;
}

describe('a line that looks like a heading wherever it stands', () => {
  it.each([
    // ornament
    ['# Bear', 'Bear #1'],
    ['## Head', 'Head #2'],
    ['### Ears (make 2) ###', 'Ears ×2 #3'],
    ['**Body**', 'Body'],
    ['__Tail__:', 'Tail'],
    ['[2] Arms', 'Arms'],
    ['[Body]', 'Body'],
    ['[Leg] x2', 'Leg ×2'],
    ['【EARS】 (2)', 'Ears ×2'],
    ['~ Tail ~', 'Tail'],
    ['=== EARS ===', 'Ears'],
    ['.: POT :.', 'Pot'],
    ['--- Leaf ---', 'Leaf'],
    ['[photo of the head]', null],
    // capitals
    ['BODY', 'Body'],
    ['BODY lagoon, spiral', 'Body'],
    ['LEGS - you need two of them', 'Legs ×2'],
    ['EARS (2)', 'Ears ×2'],
    ['MAKING UP', 'Making up [assembly]'],
    ['MATERIALS', 'Materials [materials]'],
    ['EYE STALKS (make 2)', 'Eye stalks ×2'],
    ['CAUTION. Safety eyes are small parts.', null],
    ['RND 1', null],
    ['OK', null],
    // a number to make
    ['Ears (make 2)', 'Ears ×2'],
    ['Arm (x2)', 'Arm ×2'],
    ['Leg x 4', 'Leg ×4'],
    ['Fin, make two', 'Fin ×2'],
    ['Antler. Make 2.', 'Antler ×2'],
    ['Make 5 body balls, each in another color:', 'body balls ×5'],
    ['Arm (make 2): with Oatmeal.', 'Arm ×2'],
    ['Wings – make a pair', 'Wings ×2'],
    ['Petals (make 999)', 'Petals ×999'],
    ['Petals (make 1000)', null],
    ['18 x 2 rows', null],
    ['30 x 5', null],
    // numbers of parts
    ['PART TWO: THE BODY', 'Body'],
    ['Step 2 – BODY', 'Body'],
    // rows of a table
    ['| **EARS (make 2)** | | |', 'Ears ×2'],
    ['| sc around | 6 | |', null],
    ['II. BODY', 'Body'],
    // so many of each yarn
    ['Scoops – one in vanilla, one in plum, one in cocoa', 'Scoops ×3'],
    ['Petals (2 in red and three in white)', 'Petals ×5'],
    ['Petals: 2 in red & 3 in white:', 'Petals ×5'],
    ['Petals: 2 in red', null],
    // sentences
    ['Now make 2 of them and sew them on.', null],
    ['Fasten off, and leave a long tail.', null],
    ['Head', null],
    ['', null],
    [`## ${'A'.repeat(95)}`, null],
  ])('%j', (line, expected) => {
    expect(told(headingByLook(line))).toBe(expected);
  });
});

describe('a line that is a heading where rounds follow', () => {
  it.each([
    ['Head', 'Head'],
    ['First leg', 'First leg'],
    ['Body:', 'Body'],
    ['The tail', 'tail'],
    ['1. Head', 'Head'],
    ['♥ Head ♥', 'Head'],
    ['Two ears', 'Ears ×2'],
    ['2 arms:', 'Arms ×2'],
    ['3 ears with a long tail', null],
    ['3 dcs', null],
    ['Ears (2, brown)', 'Ears ×2'],
    ['Wings (two)', 'Wings ×2'],
    ['Wings (2)', 'Wings ×2'],
    ['| Wings (2) | | |', 'Wings ×2'],
    ['First, the body', 'body'],
    ['And then his ears', 'ears'],
    ['Head — use shade A', 'Head'],
    ['Materials', 'Materials [materials]'],
    ['What you need', 'What you need [materials]'],
    ['Skill level: easy', null],
    ['With Brick:', null],
    ['Stuff the head.', null],
    ['X = sc', null],
    ['Rows 3 and 4', null],
    ['a line of more than five words here', null],
    ['Made of forty letters or more, it is none', null],
    ['Make 4 chain and join', null],
  ])('%j', (line, expected) => {
    expect(told(headingByPlace(line))).toBe(expected);
  });
});

describe('a name and how to begin', () => {
  it.each([
    ['HEAD: Starting at the nose, with gray,', 'Head'],
    ['Wings (2). With brown, make a ring.', 'Wings ×2'],
    ['Paws (four): using white', 'Paws ×4'],
    ['Strap: ch 17', 'Strap'],
    ['Side strap: with Ginger, ch 17.', 'Side strap'],
    ['Foundation: ch 17', null],
    ['Strap: sc in ch 17', null],
    ['Start: ch 17', null],
    ['Head: Starting at the nose', null],
    ['HEAD', null],
  ])('%j', (line, expected) => {
    expect(told(headingWithLead(line))).toBe(expected);
  });

  it.each([
    ['Right leg. We start with white yarn.', 'Right leg'],
    ['Tail, brown then white at the tip', 'Tail'],
    ['Ears – make 2, in pink', 'Ears ×2'],
    ['Leg. Sc 6 in the ring.', null],
    ['Moon. We start with white yarn.', null],
  ])('%j', (line, expected) => {
    expect(told(headingOfPart(line))).toBe(expected);
  });

  it.each([
    ['Beak. With yellow, 3ch, ss in 2nd ch from hook, dc in last ch.', 'Beak'],
    ['Beak. With yellow, as above.', null],
  ])('%j', (line, expected) => {
    expect(told(partInLine(line))).toBe(expected);
  });

  it.each([
    ['Head: work with Cocoa. ', 'Head', 'work with Cocoa. '],
    ['Arm (make 2) – ', 'Arm ×2', ''],
    ['Ears: Make 2 in white. ', 'Ears ×2', ''],
    ['With Cocoa: ', null, undefined],
  ])('before a label in its line: %j', (words, expected, rest) => {
    const heading = headingBeforeLabel(words);
    expect(told(heading)).toBe(expected);
    expect(heading?.rest.trim()).toBe(rest?.trim());
  });
});

it.each([
  ['Body', true],
  ['Left ear', true],
  ['the head', true],
  ['Moon', false],
  ['My left ear', false],
])('"%s" is what most toys have: %s', (name, expected) => {
  expect(namesPart(name)).toBe(expected);
});

describe('the sections of a pattern', () => {
  it.each([
    ['You will need', 'materials'],
    ['What you’ll need', null],
    ["You'll need", 'materials'],
    ['The yarn', 'materials'],
    ['Materials and tools', 'materials'],
    ['Tension', 'gauge'],
    ['Finished size', 'gauge'],
    ['Abbreviations', 'legend'],
    ['Special stitches', 'legend'],
    ['Pattern notes', 'notes'],
    ['CAUTION', 'notes'],
    ['Making up', 'assembly'],
    ['Assembly of the bear', 'assembly'],
    ['Finishing touches', 'assembly'],
    ['Head', null],
    ['Yarn over and over the whole of the long road', null],
  ])('"%s" is %s', (name, section) => {
    expect(sectionOf(name)).toBe(section);
  });
});

describe('a name and a full stop in the line of the first round', () => {
  it.each([
    ['Torso. ', 'Torso'],
    ['Left arm. ', 'Left arm'],
    ['Arm (prepare two). ', 'Arm ×2'],
    ['Head (flat panels, prepare six). ', 'Head ×6'],
    ['Ear (make 2). ', 'Ear ×2'],
    ['Back of the shell. ', 'Back of the shell'],
    ['Part: Wing. ', 'Wing'],
    ['Stuff. ', null],
    ['Fasten off. ', null],
    ['Begin with Moss. ', null],
    ['torso. ', null],
    ['After row 7. ', null],
    ['A piece that nobody would ever call by so many words. ', null],
  ])('%s', (words, expected) => {
    expect(told(headingBeforeLabel(words))).toBe(expected);
  });
});

describe('what a line calls a piece by', () => {
  it.each([
    ['Part: Body', 'Body'],
    ['piece = wing', 'wing'],
    ['Part 2: Body', 'Body'],
    ['Step two – Body', 'Body'],
    ['II. Body', 'Body'],
    ['body   yarn: taupe', 'body'],
    ['part: wing (2)  colour: cream', 'wing (2)'],
    ['Partridge', 'Partridge'],
    ['Body: yarn', 'Body: yarn'],
  ])('%s', (line, expected) => {
    expect(withoutNumber(line)).toBe(expected);
  });
});

describe('a name and what it is made of, in a line of its own', () => {
  it.each([
    ['Head and body. Coffee.', 'Head and body'],
    ['Wing (2 details). Sand.', 'Wing ×2'],
    ['Ears (make 2). Brown, then cream', 'Ears ×2'],
    ['Stuff the head. Close.', null],
    ['Put the eyes in. Well done', null],
    ['Tail. 6 sc in a ring', null],
    ['Nose. Black, 12 rounds', null],
    ['Body. Work on both loops of the chain, going all around', null],
  ])('%s → %s', (line, heading) => {
    expect(told(headingWithMore(line))).toBe(heading);
  });
});
