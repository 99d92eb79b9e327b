import type { Overview } from '../../core/index.js';

/** What the first of two patterns ends with. */
const ENDS: ReadonlySet<Overview['lines'][number]> = new Set(['round', 'goes-on', 'assembly']);

/**
 * Where a second pattern begins in a text, as a line from 0; null where there is one only. Two patterns have each materials
 * of its own, and parts behind them.
 */
export function secondPattern({ sections, parts, lines }: Overview): number | null {
  const needs = sections.filter(({ kind }) => kind === 'materials').map(({ line }) => line);
  const again = needs
    .slice(1)
    .find((line) => parts.some((part) => part.line < line) && parts.some((part) => part.line > line));
  if (again === undefined) return null;
  const last = lines.findLastIndex((taken, line) => line < again - 1 && ENDS.has(taken));
  const gap = lines.findIndex((taken, line) => line > last && taken === 'blank');
  const start = lines.findIndex((taken, line) => line > gap && taken !== 'blank');
  return last >= 0 && gap > last && start > gap && start < again ? start : null;
}
