import { RangeSet, StateEffect, StateField, type Extension, type Text } from '@codemirror/state';
import { gutter, GutterMarker, type EditorView } from '@codemirror/view';
import type { Report, ReportRound } from '../../core/index.js';
import { MARKS, MARK_WORDS } from '../components/marks.js';

/** A report to show; its places belong to the text as it is now. */
export const showReport = StateEffect.define<Report>();

/** What one round uses, makes and states, beside its first line. */
class RoundMarker extends GutterMarker {
  constructor(readonly round: ReportRound) {
    super();
  }

  override eq(other: RoundMarker): boolean {
    const a = this.round;
    const b = other.round;
    return (
      a.into === b.into && a.edge === b.edge && a.made === b.made && a.stated === b.stated && a.verdict === b.verdict
    );
  }

  override toDOM(): Node {
    const { into, edge, made, stated, verdict } = this.round;
    const row = document.createElement('div');
    row.className = `rail-row ${verdict}`;
    row.title = railWords(this.round);
    const starts = into === null && edge === null && made !== null;
    row.append(
      cell('uses', starts ? 'start' : figure(into)),
      cell('edge', starts ? '' : `/ ${figure(edge)}`),
      cell('made', made === null ? '–' : `→ ${made}`),
      cell('stated', stated === null ? '' : String(stated)),
      markOf(verdict),
    );
    return row;
  }
}

/** A round's label as a name of its own: a bare number becomes "Round 7". */
export function roundName({ label, kind }: Pick<ReportRound, 'label' | 'kind'>): string {
  return /^\d/.test(label) ? `${kind === 'row' ? 'Row' : 'Round'} ${label}` : label;
}

/** The rail's row in words: "Rnd 5: uses 24 of 24, makes 30, states 30; agrees". */
export function railWords(round: ReportRound): string {
  const { into, edge, made, stated, verdict } = round;
  const uses = into === null ? '' : edge === null ? `uses ${into}, ` : `uses ${into} of ${edge}, `;
  const makes = made === null ? 'not counted' : `makes ${made}`;
  return `${roundName(round)}: ${uses}${makes}${stated === null ? '' : `, states ${stated}`}; ${MARK_WORDS[verdict]}`;
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

/** Markers stay with their lines while one types, and are replaced when a new report arrives. */
const rounds = StateField.define<RangeSet<RoundMarker>>({
  create: () => RangeSet.empty,
  update(markers, transaction) {
    for (const effect of transaction.effects)
      if (effect.is(showReport)) return markersOf(effect.value, transaction.state.doc);
    return transaction.docChanged ? markers.map(transaction.changes) : markers;
  },
});

function markersOf(report: Report, doc: Text): RangeSet<RoundMarker> {
  const ranges = report.parts
    .flatMap((part) => part.rounds)
    .filter(({ line }) => line <= doc.lines)
    .map((round) => new RoundMarker(round).range(doc.line(round.line).from));
  return RangeSet.of(ranges, true);
}

/** The rail: a column to the right of the manuscript that keeps step with its lines. */
export function rail(): Extension {
  return [
    rounds,
    gutter({
      class: 'rail',
      side: 'after',
      markers: (view: EditorView) => view.state.field(rounds),
      initialSpacer: () =>
        new RoundMarker({
          label: '',
          from: 0,
          to: 0,
          kind: 'round',
          line: 1,
          endLine: 1,
          edge: 888,
          into: 888,
          made: 888,
          stated: 888,
          verdict: 'off',
          key: '',
        }),
    }),
  ];
}
