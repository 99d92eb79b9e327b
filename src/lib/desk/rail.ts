import { RangeSet, StateEffect, StateField, type Extension, type Range, type Text } from '@codemirror/state';
import { Decoration, EditorView, gutter, GutterMarker, type DecorationSet } from '@codemirror/view';
import type { Report, ReportRound } from '../../core/index.js';
import { MARKS, MARK_WORDS } from '../components/marks.js';
import { changeOf, roundName } from './rounds.js';

/** A report to show; its places belong to the text as it is now. */
export const showReport = StateEffect.define<Report>();
/** The keys of the rounds that are ticked. */
export const showTicks = StateEffect.define<ReadonlySet<string>>();

/** What one round uses, makes and states, beside its first line. */
class RoundMarker extends GutterMarker {
  constructor(
    readonly round: ReportRound,
    readonly ticked: boolean,
  ) {
    super();
  }

  override eq(other: RoundMarker): boolean {
    const a = this.round;
    const b = other.round;
    return (
      this.ticked === other.ticked &&
      a.key === b.key &&
      a.label === b.label &&
      a.stated === b.stated &&
      a.verdict === b.verdict &&
      a.doubt === b.doubt
    );
  }

  override toDOM(): Node {
    const { into, edge, made, stated, verdict, doubt, key } = this.round;
    const row = document.createElement('div');
    row.className = `rail-row ${verdict}${doubt === 'none' ? '' : ' doubted'}${this.ticked ? ' ticked' : ''}`;
    row.title = railWords(this.round);
    row.dataset.key = key;
    const starts = into === null && edge === null && made !== null;
    row.append(
      cell('uses', starts ? 'start' : into === edge ? figure(into) : `${figure(into)}/${figure(edge)}`),
      cell('made', made === null ? '–' : String(made)),
      cell('change', changeOf(this.round)),
      cell('stated', stated === null ? '' : String(stated)),
      markOf(verdict),
      cell('tick', ''),
    );
    return row;
  }
}

/** The rail's row in words: "Rnd 5: uses 24 of 24, makes 30, states 30; agrees". */
export function railWords(round: ReportRound): string {
  const { into, edge, made, stated, verdict, why } = round;
  const uses = into === null ? '' : edge === null ? `uses ${into}, ` : `uses ${into} of ${edge}, `;
  const makes = made === null ? 'not counted' : `makes ${made}`;
  return `${roundName(round)}: ${uses}${makes}${stated === null ? '' : `, states ${stated}`}; ${MARK_WORDS[verdict]}${why.length > 0 ? `. Taken so: ${why.join('; ')}` : ''}`;
}

function figure(value: number | null): string {
  return value === null ? '–' : String(value);
}

function cell(name: string, text: string): HTMLElement {
  const span = document.createElement('span');
  span.className = name;
  span.textContent = text;
  return span;
}

const SVG = 'http://www.w3.org/2000/svg';

function markOf(verdict: ReportRound['verdict']): SVGElement {
  const svg = document.createElementNS(SVG, 'svg');
  svg.setAttribute('viewBox', '0 0 16 16');
  svg.setAttribute('class', 'rail-mark');
  for (const shape of MARKS[verdict]) {
    const path = document.createElementNS(SVG, 'path');
    path.setAttribute('d', shape);
    svg.append(path);
  }
  return svg;
}

interface Rail {
  readonly report: Report | null;
  readonly ticks: ReadonlySet<string>;
  readonly markers: RangeSet<RoundMarker>;
  /** Lines that hold several rounds are made as high as their rows in the rail. */
  readonly high: DecorationSet;
}

/** Markers stay with their lines while one types, and are replaced when a new report arrives. */
const railField = StateField.define<Rail>({
  create: () => ({ report: null, ticks: new Set(), markers: RangeSet.of<RoundMarker>([]), high: Decoration.none }),
  update(rail, transaction) {
    let { report, ticks } = rail;
    let fresh = false;
    for (const effect of transaction.effects) {
      if (effect.is(showReport)) report = effect.value;
      else if (effect.is(showTicks)) ticks = effect.value;
      else continue;
      fresh = true;
    }
    // Rows of a report on an older text must not be set anew on this one.
    if (fresh && report && (report !== rail.report || !transaction.docChanged))
      return { report, ticks, ...rowsOf(report, ticks, transaction.state.doc) };
    // Ticks are known before the first report.
    if (!transaction.docChanged) return fresh ? { ...rail, report, ticks } : rail;
    return {
      report,
      ticks,
      markers: rail.markers.map(transaction.changes),
      high: rail.high.map(transaction.changes),
    };
  },
  provide: (field) => EditorView.decorations.from(field, ({ high }) => high),
});

function rowsOf(report: Report, ticks: ReadonlySet<string>, doc: Text): Pick<Rail, 'markers' | 'high'> {
  const markers: Range<RoundMarker>[] = [];
  const high: Range<Decoration>[] = [];
  const inLine = new Map<number, number>();
  for (const round of report.parts.flatMap((part) => part.rounds)) {
    if (round.line > doc.lines) continue;
    const { from } = doc.line(round.line);
    markers.push(new RoundMarker(round, ticks.has(round.key)).range(from));
    inLine.set(from, (inLine.get(from) ?? 0) + 1);
  }
  for (const [from, rows] of inLine)
    if (rows > 1)
      high.push(Decoration.line({ attributes: { style: `min-height:calc(${rows} * var(--leading))` } }).range(from));
  return { markers: RangeSet.of(markers, true), high: Decoration.set(high, true) };
}

/**
 * The rail: a column to the right of the manuscript that keeps step with its lines.
 * @param tick called when the tick of a row is clicked.
 */
export function rail(tick: (key: string) => void): Extension {
  return [
    railField,
    gutter({
      class: 'rail',
      side: 'after',
      markers: (view) => view.state.field(railField).markers,
      initialSpacer: () =>
        new RoundMarker(
          {
            label: '',
            from: 0,
            to: 0,
            kind: 'round',
            line: 1,
            column: 1,
            endLine: 1,
            edge: 888,
            into: 777,
            made: 888,
            stated: 888,
            verdict: 'off',
            doubt: 'none',
            why: [],
            key: '',
          },
          false,
        ),
      domEventHandlers: {
        mousedown(_, __, event) {
          const target = event.target instanceof HTMLElement ? event.target : null;
          const key = target?.classList.contains('tick') ? target.closest<HTMLElement>('.rail-row')?.dataset.key : null;
          if (!key) return false;
          tick(key);
          event.preventDefault();
          return true;
        },
      },
    }),
  ];
}
