import { RangeSet, StateEffect, StateField, type Extension, type Text } from '@codemirror/state';
import { EditorView, gutter, GutterMarker } from '@codemirror/view';
import type { QueryMark } from './editor.js';

/** Queries to show; their lines belong to the text as it is now. */
export const showQueries = StateEffect.define<readonly QueryMark[]>();

/** The numbers of the queries that stand at a line. */
class NumbersMarker extends GutterMarker {
  constructor(readonly mark: QueryMark) {
    super();
  }

  override eq({ mark }: NumbersMarker): boolean {
    return mark.words === this.mark.words && mark.open === this.mark.open;
  }

  override toDOM(): Node {
    const { words, open } = this.mark;
    const sign = document.createElement('span');
    sign.className = open ? 'query-mark' : 'query-mark settled';
    sign.textContent = words;
    sign.title = `Query ${words}${open ? '' : ', settled'}`;
    return sign;
  }
}

const field = StateField.define<RangeSet<NumbersMarker>>({
  create: () => RangeSet.of<NumbersMarker>([]),
  update(markers, transaction) {
    for (const effect of transaction.effects)
      if (effect.is(showQueries)) return markersOf(effect.value, transaction.state.doc);
    return markers.map(transaction.changes);
  },
});

function markersOf(marks: readonly QueryMark[], doc: Text): RangeSet<NumbersMarker> {
  return RangeSet.of(
    marks.flatMap((mark) => (mark.line <= doc.lines ? [new NumbersMarker(mark).range(doc.line(mark.line).from)] : [])),
    true,
  );
}

/** A narrow column between the text and its figures, with the numbers of the queries at each line. */
export function queryMarks(): Extension {
  return [
    field,
    gutter({ class: 'query-marks', side: 'after', markers: (view: EditorView) => view.state.field(field) }),
  ];
}
