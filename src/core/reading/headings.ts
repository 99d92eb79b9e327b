import { SECTION_NAMES, type SectionKind } from '../vocabulary/sections.js';
import { countOf, maySayQuantity, quantityIn, type Quantity } from './quantity.js';

/** A line that names what follows. */
export interface Heading {
  readonly name: string;
  readonly make: number;
  /** How many are to be made is said in so many words. */
  readonly saysMake: boolean;
  readonly section: SectionKind | null;
  /** 1 to 6 for Markdown, 0 for all others. */
  readonly level: number;
  /** What stands on the line after the name: "CLOUD, Milk". */
  readonly rest: string;
}

const DECOR_LINE = /^\s*([~=*_#+•·\-–—]{1,6})\s*(.*?)\s*\1?\s*$/u;

/** The section that a name stands for, or null: "What you need" is materials. */
export function sectionOf(name: string): SectionKind | null {
  // A quick look, since most headings are names of parts.
  if (!FIRST_WORDS.has((FIRST_WORD.exec(name)?.[1] ?? '').toLowerCase())) return null;
  const plain = name
    .toLowerCase()
    .replace(/[’]/g, "'")
    .replace(/[^\p{L}' ]+/gu, ' ')
    .replace(/\b(?:the|a|an|of|your)\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  if (plain.length > 40) return null;
  // The name itself, or the name and a few words more: "materials and tools".
  for (let end = plain.length; end > 0 && plain.length <= end + 12; end = plain.lastIndexOf(' ', end - 1)) {
    const kind = SECTIONS.get(plain.slice(0, end));
    if (kind) return kind;
  }
  return null;
}

/** "Hook: 2.5 mm": the section that begins in a line, and its name with the sign behind it. */
export function inlineSection(text: string): { kind: SectionKind | null; match: RegExpExecArray | null } {
  if (!/[:–—]/.test(text)) return { kind: null, match: null };
  const match = /^[^\p{L}]{0,4}(\p{L}[\p{L}' ’]{1,28}?)\s*(?:\*\*|__)?\s*[:–—]/u.exec(text);
  return { kind: match?.[1] ? sectionOf(match[1]) : null, match };
}

/** "The yarn": without what a section's name leaves out. */
const FIRST_WORD = /^[^\p{L}'’]*(?:(?:the|an?|of|your)[^\p{L}'’]+)*([\p{L}'’]+)/iu;
const FIRST_WORDS: ReadonlySet<string> = new Set(
  Object.values(SECTION_NAMES)
    .flat()
    .flatMap((name) => [name.split(' ')[0] ?? '', (name.split(' ')[0] ?? '').replace("'", '’')]),
);
const SECTIONS: ReadonlyMap<string, SectionKind> = new Map(
  (Object.entries(SECTION_NAMES) as [SectionKind, readonly string[]][]).flatMap(([kind, names]) =>
    names.map((name) => [name, kind] as const),
  ),
);

/**
 * The heading that a line is by its own look, whatever stands around it: Markdown, rules on both
 * sides, capitals, or a number to make. Null where the line could as well be a sentence.
 */
export function headingByLook(line: string): Heading | null {
  const text = withoutNumber(onlyCell(line).trim());
  if (text.length === 0 || text.length > 90 || MAKES_STITCHES.test(text)) return null;
  const told = text.length < 50 && text.includes('. ') ? MAKE_SAID.exec(text) : null;
  if (told?.[1]) return { ...named(text, 0), name: told[1] };
  // A sentence, most often: without ornament, capitals or a number to make.
  const plain = isSmallLetter(text.charCodeAt(1)) && isLetter(text.charCodeAt(0));
  if (plain && isSentence(text)) return null;
  if ((plain || (/[.,;]$/.test(text) && !text.startsWith('.'))) && !maySayQuantity(text) && !text.startsWith('#'))
    return null;
  const ornate = isLetter(text.charCodeAt(0)) ? null : inOrnament(text);
  if (ornate) return ornate;
  // "Arm (make 2): with Oatmeal."
  const made = /^([^:]{2,50}):\s*(.*)$/.exec(text);
  if (made?.[1] && /\(|make|[x×]\s?\d/i.test(made[1]) && quantityIn(made[1]) && !/[.!?]/.test(made[1])) {
    return { ...named(made[1], 0), rest: made[2] ?? '' };
  }
  const capitals = inCapitals(text);
  if (capitals) return capitals;
  if (!quantityIn(text) || text.length > 60 || /[.!?]$/.test(text.replace(/pcs?\.\)?/, ''))) return null;
  const heading = named(text, 0);
  // "18 x 2 rows" names nothing.
  return /\p{L}/u.test(heading.name) && !LEADS_YARN.test(heading.name) ? heading : null;
}

/** "Make 4 chain and join in a ring.": no piece. */
export const MAKES_STITCHES =
  /^\W*(?:make|work|crochet)\s+(?:\d{1,3}|\p{L}+)\s+(?:ch|chains?|sts?|stitch(?:es)?)(?!\p{L})/iu;

/** "| EARS | | |": of a row of a table what its only filled cell holds, and any other line as it is. */
export function onlyCell(line: string): string {
  const filled = line.includes('|') ? line.split('|').filter((cell) => cell.trim() !== '') : [];
  return filled.length === 1 ? (filled[0] ?? line) : line;
}

/** Too long for a name with a number to make, or ended like a sentence, and without a colon that a name could stand before. */
function isSentence(text: string): boolean {
  const colon = text.indexOf(':');
  return (colon < 0 || colon > 50) && (text.length > 60 || (/[.!?]$/.test(text) && !/pcs?\.$/.test(text)));
}

/** "## Head", "**Body**", "[2] Arms", "~ Tail ~", "=== EARS ===". */
function inOrnament(text: string): Heading | null {
  const markdown = /^(#{1,6})\s+(.+?)\s*#*$/.exec(text);
  if (markdown) return named(markdown[2] ?? '', markdown[1]?.length ?? 1);
  const bold = /^(?:\*\*|__)([^*_]{2,60})(?:\*\*|__)\s*:?$/.exec(text);
  if (bold) return named(bold[1] ?? '', 0);
  const boxed =
    /^[[【](?!photo|pic|image|fig|see)(\p{L}[^[\]【】]{1,50})[\]】]\s*(?:\(?[x×]?\s?(\d{1,2})\s?[x×]?\)?)?:?$/iu.exec(
      text,
    );
  if (boxed?.[1]) return named(boxed[2] ? `${boxed[1]} (x${boxed[2]})` : boxed[1], 0);
  const numbered = /^\[\d+\]\s*(.+)$/.exec(text);
  if (numbered) return named(numbered[1] ?? '', 0);
  const mirrored = /^([^\p{L}\d\s(\[{"'“|]{1,6})\s*(\p{L}[^\n]{1,50}?)\s*([^\p{L}\d\s)\]}.!?:;,"'”]{1,6})$/u.exec(text);
  if (mirrored?.[2] && mirrored[1]?.length === mirrored[3]?.length) return named(mirrored[2], 0);
  // ".: POT :."
  const turned = /^([^\p{L}\d\s]{2,4})\s+(\p{L}[^\n]{1,50}?)\s+([^\p{L}\d\s]{2,4})$/u.exec(text);
  if (turned?.[2] && mirrors(turned[1] ?? '', turned[3] ?? '')) return named(turned[2], 0);
  const decor = DECOR_LINE.exec(text);
  if (
    decor &&
    decor[2] &&
    !/[*_]/.test(decor[2]) &&
    text.endsWith(decor[1] ?? '') &&
    /\p{L}{2}/u.test(decor[2]) &&
    text.length > (decor[1]?.length ?? 0) + decor[2].length + 1
  )
    return named(decor[2], 0);
  return null;
}

/** ".:" and ":." */
function mirrors(left: string, right: string): boolean {
  let same = left.length === right.length;
  for (let i = 0; i < left.length; i += 1) same &&= left.charAt(i) === right.charAt(right.length - 1 - i);
  return same;
}

function isSmallLetter(code: number): boolean {
  return code >= 97 && code <= 122;
}

function isLetter(code: number): boolean {
  return isSmallLetter(code | 32);
}

/** "BODY lagoon, spiral", "LEGS - you need two of them", "MAKING UP". */
function inCapitals(text: string): Heading | null {
  const match = /^[^\p{L}\d]{0,4}((?:[\p{Lu}\d'’&+/-]+(?:\s+(?:[–—]\s+(?=\p{Lu}{2}))?|(?=[,:;.(]|$)))+)/u.exec(text);
  const capitals = match?.[1]?.trim() ?? '';
  const letters = capitals.replace(/[^\p{L}]/gu, '');
  if (letters.length < 3 || /^(?:RNDS?|ROUNDS?|ROWS?|RDS?|R)\s*\d/.test(capitals)) return null;
  const rest = text.slice((match?.index ?? 0) + (match?.[0].length ?? 0));
  // A sentence that begins with a word in capitals ("CAUTION. Safety eyes …") is none.
  if (
    (/^[.:]\s*\S/.test(rest) && !/^[.:]\s*(?:make|need)\s+\w+[.)]?$/i.test(rest)) ||
    /[.!?]$/.test(rest.replace(/pcs?\.\)?,?.*|(?:make|need)\s+\w+\.$/i, '')) ||
    rest.length > 45
  )
    return null;
  if (/^[=:–-]?\s*\d*\s*(?:st|sts)\b/i.test(rest)) return null;
  return named(text, 0, capitals);
}

/** "PART TWO: THE BODY", "Piece: Body", "Step 2 – Body", "II. Body", "2. BODY": what it is called by stands behind. */
const NUMBER_OF_PART =
  /^\W{0,3}(?:(?:part|piece|step|section)\s+(?:\d{1,2}|one|two|three|four|five|six|[IVX]{1,4})\s*[-–—:.]\s*|(?:part|piece|section)\s*[:=]\s*|[IVX]{1,4}[.)]\s+|\d{1,2}[.)]\s+)(?=\p{L})/iu;
/** "Antler. Make 2." */
const MAKE_SAID = /^(\p{L}[\p{L} ]{1,30})\.\s+make\s+(?:\d{1,2}|\p{L}{3,5})\.?$/iu;
/** "♥ Head ♥" */
const SYMBOLS = /^[\p{So}•◦▪●○]+\uFE0F?\s*|\s*[\p{So}•◦▪●○]+\uFE0F?$/gu;
function withoutSymbols(text: string): string {
  return text.charCodeAt(0) > 127 || text.charCodeAt(text.length - 1) > 127 ? text.replace(SYMBOLS, '') : text;
}

/** "2 arms:", "Two ears" */
const FIGURE_BEFORE = /^(\d{1,2}|two|three|four|five|six)\s+(?!pieces)(\p{L}{3,14}s):?$/iu;

/** "body   yarn: taupe" */
const YARN_IN_COLUMN = /\s{2,}(?:yarn|colou?r)\s*:.*$/iu;

/** What a line calls a piece by: without the number of the piece, and without its yarn in a column of its own. */
export function withoutNumber(line: string): string {
  const text = line.includes('  ') ? line.replace(YARN_IN_COLUMN, '') : line;
  const first = text.charAt(0).toLowerCase();
  // A quick look: "Part", "Step", "Section", a Roman figure, or no letter at all.
  return 'psivx'.includes(first) || !isLetter(first.charCodeAt(0)) ? text.replace(NUMBER_OF_PART, '') : text;
}

/** "EARS (2)" */
function figureBehind(text: string): Quantity | null {
  const match = /^\D+?\s*[([](\d{1,2})[)\]]:?$/u.exec(text);
  const index = match ? text.search(/\s*[([]\d/u) : 0;
  return match && Number(match[1]) > 0 ? { make: Number(match[1]), index, end: text.length } : null;
}

/** "First, the body", "And then his ears": words that only lead on to the name. */
const LEADS_ON =
  /^(?:(?:first(?: of all)?|then|now|and|next|finally|lastly)(?:,\s+|\s+(?=(?:(?:then|now)\s+)?(?:the|a|an|his|her|its|their)\s)))+(?:(?:the|a|an|his|her|its|their)\s+)?(?=\p{L})/iu;

function named(written: string, level: number, capitals: string | null = null): Heading {
  const text = (capitals ? written : written.replace(LEADS_ON, '')).replace(/\*\*|__/g, '');
  const quantity = quantityIn(text) ?? figureBehind(text);
  // "Make 5 body balls, each in another color:"
  const first = /^(?:make|crochet|work)\s+(?:\d+|\p{L}+)\s+(?=\p{L})/iu.exec(text);
  let name =
    capitals ??
    (quantity ? (quantity.index === 0 && first ? text.slice(first[0].length) : text.slice(0, quantity.index)) : text);
  if (capitals && quantity && quantity.index < capitals.length) name = text.slice(0, quantity.index);
  name = name.replace(/:\s*$/, '');
  const comma = name.indexOf(',');
  if (comma > 0) name = name.slice(0, comma);
  // "Head — use shade A"
  name = name.replace(LEADS_YARN_BEHIND, '');
  // "Cap: in Russet"
  const colon = name.indexOf(': ');
  if (colon > 0) name = name.slice(0, colon);
  name = name
    .replace(/\s*(?:\([^)]*\)?|\[[^\]]*\]?)\s*$/u, '')
    .replace(/^[^\p{L}\d]+|[^\p{L}\d)'’"”!?]+$/gu, '')
    .replace(/^\d{1,2}[.)]\s+(?=\p{L})/u, '')
    .replace(/^(?:the|a|an|his|her|its|their)\s+(?=\p{L})/iu, '');
  if ((name.match(/["“”]/g)?.length ?? 0) === 1) name = name.replace(/["“”]/, '');
  if (!/\p{Ll}/u.test(name) && name.length > 1) name = name.charAt(0) + name.slice(1).toLowerCase();
  // "Make two alike:" says how many, and of what the title says.
  if (quantity && /^(?:alike|the same|of (?:them|these|those))$/i.test(name)) name = '';
  const rest = text.slice(Math.max(quantity?.end ?? 0, capitals ? capitals.length : 0));
  return { name, make: quantity?.make ?? 1, saysMake: quantity !== null, section: sectionOf(name), level, rest };
}

const LEADS_YARN_BEHIND = /\s+[-–—]\s+(?:with|using|use|in|work|from|colou?r)(?!\p{L}).*$/iu;
const LEADS_YARN =
  /^(?:yarn colou?r|with|using|use|in|start|starting|begin|work|from|change|switch|now|join|colou?r|col|clr|shade)(?![\p{L}])/iu;

/** "Pattern language: English (US)", "Skill level: easy": said of the whole pattern. */
const SAYS_OF_ALL =
  /^(?:pattern\s+)?(?:language|terms?|terminology|(?:skill\s+)?level|skill|difficulty|size|height|designer|author|hook|yarn|gauge|tension)(?:\s+used)?\s*:/iu;

/** A short line that could be a heading if rounds follow: "Head", "First leg", "Body:". */
export function headingByPlace(line: string): Heading | null {
  const text = withoutNumber(withoutSymbols(onlyCell(line).trim()).replace(/^(?:\*\*|__)|(?:\*\*|__)$/g, ''));
  const counted = FIGURE_BEFORE.exec(text);
  const pieces = counted?.[2] ? headingByPlace(counted[2]) : null;
  if (pieces && counted) {
    const make = countOf(counted[1]);
    const name = pieces.name.charAt(0).toUpperCase() + pieces.name.slice(1);
    return { ...pieces, name, make, saysMake: true };
  }
  // "Ears (2, brown)", "Wings (2)"
  const several = !/\):?$/.test(text)
    ? null
    : /^([^()]{2,30}?)\s*\((\d{1,2}|two|three|four|five|six)(?:,\s[^()\d]{2,20})?\):?$/iu.exec(text);
  const one = several?.[1] ? headingByPlace(several[1]) : null;
  if (one) return { ...one, make: Math.max(1, countOf(several?.[2])), saysMake: true };
  if (SAYS_OF_ALL.test(text) || MAKES_STITCHES.test(text)) return null;
  if (
    text.length === 0 ||
    text.length > 40 ||
    /[.!?;=,]$/.test(text) ||
    /\d/.test(text.replace(/^\d+[.)]\s*|(?<=\p{L}{3}\s)\d{1,2}(?=\s*\(|:?$)/gu, ''))
  )
    return null;
  // "X = sc" explains a letter.
  if (text.includes('=')) return null;
  if (text.replace(/\([^()]*\)/g, '').split(/\s+/).length > 5 || !/^[\p{L}\d"'“(]/u.test(text)) return null;
  const name = text.replace(/^\d+[.)]\s*/, '');
  // "With Brick:", "Using Canvas:" name a yarn.
  return LEADS_YARN.test(name) ? null : named(name, 0);
}

/** "ch 12, sl st in 2nd ch", "With red chain 8.", "Make 2 ch., and work 6 dc into the first" */
export const BEGINS_IN_CHAIN =
  /^\W*(?:(?:with|in|using) \p{L}+,? |\p{L}+, )?(?:(?:make|work|begin with|start with) )?(?:ch(?:ain)?s?\.?\s?\d|\d+\s?ch(?!\p{L}))/iu;
const FOUNDATION = /(?<!\p{L})(?:foundation|base|chain|rows?|rounds?|rnds?|edging)(?!\p{L})/iu;

/** "Foundation chain: ch 9": what names the chain, and no piece. */
export function isFoundation({ name }: Heading): boolean {
  return FOUNDATION.test(name);
}

/** "THE TAIL.—Make 5 ch.", "THE EARS (both alike).—With White work 1st to 3rd rounds of Body." */
const RUNS_IN = /^\s*((\p{L}[\p{L}\d '’&-]{2,30}?)\s?(?:\([^()\n]{1,30}\))?)\.\s?[–—]\s*/u;

/**
 * A name and how its piece begins, right above the first round: "HEAD: Starting at the nose, with gray,", "Strap: with Ginger,
 * ch 17.".
 */
export function headingWithLead(line: string): Heading | null {
  const runsIn = /\.\s?[–—]/u.test(line) ? RUNS_IN.exec(line) : null;
  if (runsIn?.[1] && runsIn[2] && (runsIn[2] === runsIn[2].toUpperCase() || namesPart(runsIn[2])))
    return { ...named(runsIn[1], 0), rest: line.slice(runsIn[0].length) };
  const several = line.includes(')') ? NAME_AND_LEAD.exec(line) : null;
  if (several?.[1]) {
    const make = countOf(several[2]);
    return { ...named(several[1], 0), make, saysMake: true, rest: line.slice(several[0].length) };
  }
  if (!line.includes(': ')) return null;
  const match =
    /^\s*(\p{L}[\p{L}\d '’&-]{2,30}):\s+(?=(?:start|beg[iu]n|with|using|in|make|work|ch(?:ain)?)(?:\P{L}|ing))/iu.exec(
      line,
    );
  if (!match?.[1]) return null;
  const heading = { ...named(match[1], 0), rest: line.slice(match[0].length) };
  if (match[1] === match[1].toUpperCase()) return heading;
  return BEGINS_IN_CHAIN.test(heading.rest) && !ORDERS.test(match[1]) && !isFoundation(heading) ? heading : null;
}

/** What most toys have, alone or with a word before it: "Body", "Left ear". */
const PART_NAMED =
  /^(?:the\s)?(?:\p{L}+\s)?(?:head|body|torso|arms?|legs?|ears?|tail|feet|foot|paws?|wings?|beak|nose|snout|muzzle|neck|hat|hair|belly|fins?|horns?|base|skirt)$/iu;

/** Whether a name is that of a part which most toys have: "Body", "Left ear". */
export function namesPart(name: string): boolean {
  return PART_NAMED.test(name);
}

/** "3 ch, ss in 2nd ch": an instruction, whatever stands before it. */
const STITCHES =
  /\d\s?(?:sc|dc|hdc|htr|tr|ss|single|double|half|treble|st(?:itche)?s)(?!\p{L})|(?<!\p{L})(?:sc|dc|hdc|htr|tr|ss|sl st)\s?(?:\d|in(?!\p{L}))/iu;
/** "Right leg. We start with white yarn.", "Tail, brown then white at the tip": the name of a part, and more about it. */
export function headingOfPart(line: string): Heading | null {
  const match = /^\W{0,4}(\p{Lu}[\p{L} ]{2,20}?)(?:[.:]|,|\s[-–—])(?:\s|$)/u.exec(line);
  if (!match?.[1] || !namesPart(match[1]) || STITCHES.test(line)) return null;
  const heading = named(match[1], 0);
  const quantity = quantityIn(line);
  return { ...heading, make: quantity?.make ?? 1, saysMake: quantity !== null, rest: line.slice(match[0].length) };
}

/** "Head and body. Coffee.", "Wing (2 details). Sand": a name with a full stop, and a few words more. */
const NAME_AND_MORE =
  /^\W{0,4}(\p{Lu}[\p{L}'’-]{1,20}(?: [\p{L}'’-]{1,20}){0,3}(?: \([^()]{1,30}\))?)\.\s+\p{L}[\p{L}, -]{1,30}\.?$/u;

/** A name and what it is made of, in a line of its own right above its first round; null for an order. */
export function headingWithMore(line: string): Heading | null {
  const match = STITCHES.test(line) || ORDERS.test(line) ? null : NAME_AND_MORE.exec(line.trim());
  return match?.[1] ? { ...named(match[1], 0), rest: line.slice(match[1].length) } : null;
}

/** "Wings (2). With brown, make a ring.", "Wings (two). Work as rounds 1 to 3 of the body.": a piece and how it begins. */
const NAME_AND_LEAD =
  /^\s*(\p{L}[\p{L} '’-]{2,30}?)\s*\((?:make\s+)?(\d{1,2}|two|three|four|five|six)\)(?:[.:]\s+|\.\s?[–—]\s?)(?=(?:with|using|start|begin|in|make|ch|work|as|like|same|the same)(?!\p{L}))/iu;

/** "Beak. With yellow, 3ch, ss in 2nd ch from hook, dc in last ch.": a part that is one line. */
export function partInLine(line: string): Heading | null {
  const match = /^\s*(\p{Lu}[\p{L} ]{2,20}?)\.\s+/u.exec(line);
  if (!match?.[1] || !namesPart(match[1]) || !STITCHES.test(line)) return null;
  return { ...named(match[1], 0), rest: line.slice(match[0].length) };
}

/** What begins so tells the maker to do something. */
const ORDERS =
  /^(?:stuff|fill|fasten|cut|close|turn|join|beg[iu]n|start|repeat|finish|sew|make|work|crochet|continue|weave|break|pull|place|put|insert|attach|embroider|change|note)(?!\p{L})/iu;
/** "Torso.", "Head (flat panels, make six).": in the line of the first round. */
const NAME_RUN_IN = /^(\p{Lu}[\p{L}'’-]{1,20}(?: [\p{L}'’-]{1,20}){0,3}(?: \([^()]{1,40}\))?)\.$/u;
/** "Nose, in pink." */
const NAME_AND_COLOUR = /^(\p{Lu}[\p{L} ]{1,20}), (?:in|with) [^.,:\d]{2,20}\.$/u;

/** "After row 7 do not turn" */
const OF_A_ROUND = /(?<!\p{L})(?:rows?|rounds?|rnds?|rds?)\s\d/iu;

/** A heading that stands before the first label on the same line: "Head: work with Cocoa. R1: …", "Arm (make 2) – R1: …". */
export function headingBeforeLabel(words: string): Heading | null {
  const text = withoutNumber(words.trim().replace(/^[^\p{L}\d]+/u, ''));
  const told = NAME_AND_COLOUR.exec(text)?.[1] ?? (ORDERS.test(text) ? undefined : NAME_RUN_IN.exec(text)?.[1]);
  if (told) return { ...named(told, 0), rest: '' };
  const match =
    /^([\p{L}\d][\p{L}\d '’&-]{1,30}?(?:\s*\([^()\n:]{1,40}\)?|\s*[x×]\s?\d+|(?:,[^,:.\n]{1,20}){1,2}(?=:))?)(?:\*\*|__)?(?:\.(?=[–—]))?\s*[:–—-]\s*/u.exec(
      text,
    );
  if (!match?.[1] || LEADS_YARN.test(match[1]) || OF_A_ROUND.test(match[1])) return null;
  const rest = text.slice(match[0].length);
  // "Ears: Make 2 in white. …"
  const sentence = MAKES_STITCHES.test(rest) ? '' : (/^make\s[^.\n]{1,30}\.\s*/iu.exec(rest)?.[0] ?? '');
  const quantity = quantityIn(sentence);
  const heading = named(match[1], 0);
  return quantity
    ? { ...heading, make: quantity.make, saysMake: true, rest: rest.slice(sentence.length) }
    : { ...heading, rest };
}
