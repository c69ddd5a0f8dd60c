import { type EditorState, type Range, StateEffect, StateField } from '@codemirror/state'
import { Decoration, type DecorationSet, EditorView, WidgetType } from '@codemirror/view'

/**
 * A stretch of the script to be seen as something; positions follow the text while it is written.
 */
export interface Seen {
  from: number
  to: number
  name: string
  title?: string
  /** Words shown after it, as they would be put in. */
  put?: string
}

class Put extends WidgetType {
  constructor(readonly text: string) {
    super()
  }
  override eq(other: Put) {
    return other.text === this.text
  }
  override toDOM() {
    const span = document.createElement('span')
    span.className = 'cm-in'
    span.textContent = this.text
    return span
  }
}

/** A layer of stretches that can be set anew without touching the others. */
function layer() {
  const set = StateEffect.define<readonly Seen[]>()
  const field = StateField.define<DecorationSet>({
    create: () => Decoration.none,
    update(decorations, { changes, effects, state }) {
      let next = decorations.map(changes)
      for (const effect of effects)
        if (effect.is(set))
          next = Decoration.set(
            effect.value.flatMap((seen) => ranges(state, seen)),
            true,
          )
      return next
    },
    provide: (own) => EditorView.decorations.from(own),
  })
  return { field, set }
}

function ranges(state: EditorState, { from, to, name, title, put }: Seen): Range<Decoration>[] {
  const end = Math.min(to, state.doc.length)
  const marks =
    from < end
      ? [Decoration.mark({ class: name, attributes: title ? { title } : {} }).range(from, end)]
      : []
  return put
    ? [
        ...marks,
        Decoration.widget({ widget: new Put(put), side: 1 }).range(Math.min(end, state.doc.length)),
      ]
    : marks
}

/** What stands there twice, what the open panel speaks of, and what is being read aloud. */
export const versionsLayer = layer()
export const panelLayer = layer()
export const readingLayer = layer()
