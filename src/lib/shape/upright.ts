const TOP =
  /top[\s-]down|from (?:the )?top|(?:begin|start)\p{L}*[^.\n]{0,40}(?:at|from) the (?:top|head|nose|crown)|top of the head|head first/iu;
const BOTTOM = /bottom[\s-]up|from (?:the )?bottom/iu;

/**
 * Whether the words of a part, or of the pattern before its parts, say that it is worked from the top down.
 * @param part its line, and that of its first round.
 * @param first the line of the first part.
 */
export function beginsAtTop(text: string, part: { line: number; firstRound: number }, first: number): boolean {
  const lines = text.split('\n');
  const own = lines.slice(part.line - 1, part.firstRound).join('\n');
  const front = lines.slice(0, Math.max(0, first - 1)).join('\n');
  return TOP.test(own) || (TOP.test(front) && !BOTTOM.test(own));
}
