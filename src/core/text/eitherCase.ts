/** What an expression is made of, as far as its letters are concerned: escapes, the heads of groups, classes, and letters. */
const PIECE =
  /\\(?:[pPu]\{[^}]*\}|u[\da-fA-F]{4}|x[\da-fA-F]{2}|[^])|\(\?(?:<\w+>)?|\[\^?((?:\\[^]|[^\]\\])*)\]|[a-zA-Z]+|\p{L}/gu;
/** What a class is made of: escapes, ranges, and single signs. */
const MEMBER = /\\(?:[pPu]\{[^}]*\}|u[\da-fA-F]{4}|x[\da-fA-F]{2}|[^])|([^\\])-([^\\\]])|([^\\])/gu;
/** What the flag makes of these no class can say, or only one that isn't meant. */
const NOT_TAKEN = /^\\(?:[1-9k]|p\{L[ul]\})/u;

/**
 * An expression that takes its letters in either case without the flag that says so. With `i` beside `u` an engine works out the
 * other case of every letter of every class anew, for each expression in each process: with a class of all letters in it that is
 * ten times the work that the rest of the expression is.
 * @param source of an expression in the mode of `u`. Its ranges beyond ASCII are taken to hold both cases already.
 * @returns what to use without `i`. It takes the same, but for "ſ" and the signs of kelvin and ångström, which `i` takes for letters.
 * @throws Error where it refers back to a group, or asks for letters of one case.
 */
export function eitherCase(source: string): string {
  return source.replace(PIECE, (piece, members?: string) => {
    if (NOT_TAKEN.test(piece)) throw new Error(`"${piece}" can't be taken in either case: ${source}`);
    if (members !== undefined) return `${piece.startsWith('[^') ? '[^' : '['}${withOthers(members)}]`;
    if (ASCII_LETTER.test(piece)) {
      let both = '';
      for (let i = 0; i < piece.length; i += 1) both += BOTH[piece.charCodeAt(i) % 32] as string;
      return both;
    }
    const also = piece.length > 1 ? '' : otherCase(piece);
    return also ? `[${piece}${also}]` : piece;
  });
}

const ASCII_LETTER = /^[a-zA-Z]/;
/** The letters of ASCII in both cases, by their place in the alphabet, which begins with 1. */
const BOTH = ['', ...Array.from('abcdefghijklmnopqrstuvwxyz', (small) => `[${small}${small.toUpperCase()}]`)];

/** The members of a class with what it lacks, their other cases. */
function withOthers(members: string): string {
  // A class with ranges beyond ASCII holds both cases there: only its signs of ASCII are looked at.
  const own = /-[^ -~]/u.test(members) ? members.replace(/[^ -~](?:-[^ -~])?/gu, '') : members;
  let others = '';
  const add = (other: string) => {
    if (!members.includes(other)) others += other;
  };
  for (const [member, from, to, one] of own.matchAll(MEMBER)) {
    if (NOT_TAKEN.test(member)) throw new Error(`"${member}" can't be taken in either case: [${members}]`);
    if (one !== undefined) add(otherCase(one));
    else if (from !== undefined && to !== undefined && to <= 'z') add(otherRange(from, to));
  }
  // Behind a hyphen that stands for itself they would make a range.
  return members.endsWith('-') ? others + members : members + others;
}

/** The letters between two signs of ASCII, in the other case. */
function otherRange(from: string, to: string): string {
  const small = from >= 'a' && from <= to;
  const large = from >= 'A' && to <= 'Z';
  return small || large ? `${otherCase(from)}-${otherCase(to)}` : '';
}

function otherCase(sign: string): string {
  const other = sign === sign.toLowerCase() ? sign.toUpperCase() : sign.toLowerCase();
  return other === sign || other.length > sign.length ? '' : other;
}

/** An expression in the mode of `u` that takes its letters in either case; see `eitherCase`. @param flags but for `i` and `u` */
// @__NO_SIDE_EFFECTS__
export function inEitherCase(source: string, flags = ''): RegExp {
  return new RegExp(eitherCase(source), `${flags}u`);
}
