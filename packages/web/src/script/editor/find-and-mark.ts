import { type Diagnostic, lintKeymap, setDiagnostics } from '@codemirror/lint'
import {
  highlightSelectionMatches,
  openSearchPanel,
  search,
  searchKeymap,
} from '@codemirror/search'
import type { Extension } from '@codemirror/state'
import { type EditorView, keymap } from '@codemirror/view'

/** What the editor can do besides writing: fetched once the text stands. */
export const findAndMark: Extension = [
  search({ top: true }),
  highlightSelectionMatches({ minSelectionLength: 3 }),
  keymap.of([...searchKeymap, ...lintKeymap]),
]

/** Marks what is found in the text; what lies beyond its end was found in an older one. */
export function mark(view: EditorView, diagnostics: readonly Diagnostic[]) {
  const inText = diagnostics.filter(({ to }) => to <= view.state.doc.length)
  view.dispatch(setDiagnostics(view.state, inText))
}

export { openSearchPanel }
