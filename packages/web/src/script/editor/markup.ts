import { RangeSetBuilder } from '@codemirror/state'
import {
  Decoration,
  type DecorationSet,
  type EditorView,
  ViewPlugin,
  type ViewUpdate,
} from '@codemirror/view'
import { itemAt } from '@tidy-reel/core/faults/certain'

const HEADING = /^\s{0,3}(#{1,6})\s*\S/
const SPEAKER = /^\s*\p{Lu}[\p{Lu}\p{N} .'’-]{1,30}:(?=\s|$)/u
const INLINE = /\[[^[\]\n]*(?:\]|$)|(?<=^|\s)[|~](?=\s|$)/g

const chapter = Decoration.line({ class: 'cm-chapter' })
const mark = (name: string) => Decoration.mark({ class: name })
const [sign, direction, speaker] = [mark('cm-sign'), mark('cm-direction'), mark('cm-speaker')]

/** Colours our markup quietly, in the lines that are seen. */
export const markup = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet
    constructor(view: EditorView) {
      this.decorations = marksOf(view)
    }
    update(update: ViewUpdate) {
      if (update.docChanged || update.viewportChanged) this.decorations = marksOf(update.view)
    }
  },
  { decorations: (plugin) => plugin.decorations },
)

function marksOf(view: EditorView): DecorationSet {
  const builder = new RangeSetBuilder<Decoration>()
  for (const range of view.visibleRanges) {
    for (let at = range.from; at <= range.to;) {
      const line = view.state.doc.lineAt(at)
      markLine(builder, line.from, line.text)
      at = line.to + 1
    }
  }
  return builder.finish()
}

/** Of a line as long as a book only its beginning is looked at. */
const LONGEST = 20_000

function markLine(builder: RangeSetBuilder<Decoration>, from: number, text: string) {
  const heading = HEADING.exec(text)
  if (heading) {
    builder.add(from, from, chapter)
    const at = text.indexOf('#')
    builder.add(from + at, from + at + itemAt(heading, 1).length, sign)
    return
  }
  const label = SPEAKER.exec(text)?.[0]
  if (label) builder.add(from, from + label.length, speaker)
  for (const found of text.slice(0, LONGEST).matchAll(INLINE))
    if (found.index >= (label?.length ?? 0))
      builder.add(
        from + found.index,
        from + found.index + found[0].length,
        found[0].startsWith('[') ? direction : sign,
      )
}
