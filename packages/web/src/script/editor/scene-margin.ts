import { RangeSetBuilder, StateEffect, StateField } from '@codemirror/state'
import {
  Decoration,
  type DecorationSet,
  EditorView,
  type PluginValue,
  ViewPlugin,
  type ViewUpdate,
  WidgetType,
} from '@codemirror/view'

/** Where a scene begins, and what it will take. */
export interface SceneStart {
  from: number
  seconds: number
  /** It takes longer than a scene should. */
  over: boolean
  opensParagraph: boolean
}

export const setSceneStarts = StateEffect.define<readonly SceneStart[]>()

const starts = StateField.define<readonly SceneStart[]>({
  create: () => [],
  update(value, { changes, effects }) {
    for (const effect of effects) if (effect.is(setSceneStarts)) return effect.value
    // Until the script is read again, scenes move with their text.
    return changes.empty
      ? value
      : value.map((start) => ({ ...start, from: changes.mapPos(start.from, 1) }))
  },
})

class Cut extends WidgetType {
  override eq() {
    return true
  }
  override toDOM() {
    const cut = document.createElement('span')
    cut.className = 'cm-cut'
    return cut
  }
}
const cut = Decoration.widget({ widget: new Cut(), side: -1 })

/** A hairline where one scene ends and the next begins inside a paragraph. */
const cuts = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet
    constructor(view: EditorView) {
      this.decorations = cutsIn(view)
    }
    update(update: ViewUpdate) {
      if (
        update.docChanged ||
        update.viewportChanged ||
        update.startState.field(starts) !== update.state.field(starts)
      )
        this.decorations = cutsIn(update.view)
    }
  },
  { decorations: (plugin) => plugin.decorations },
)

function cutsIn(view: EditorView): DecorationSet {
  const builder = new RangeSetBuilder<Decoration>()
  for (const { from, opensParagraph } of seen(view))
    if (!opensParagraph && from <= view.state.doc.length) builder.add(from, from, cut)
  return builder.finish()
}

const seen = (view: EditorView) =>
  view.state
    .field(starts)
    .filter(({ from }) => from >= view.viewport.from && from <= view.viewport.to)

const MARGIN_PX = 74

/** Seconds of every scene in the margin, beside the line it begins in. */
class Margin implements PluginValue {
  private readonly dom = document.createElement('div')
  constructor(private readonly view: EditorView) {
    this.dom.className = 'cm-scene-margin'
    this.dom.setAttribute('aria-hidden', 'true')
    view.scrollDOM.append(this.dom)
    this.draw()
  }
  update(update: ViewUpdate) {
    if (
      update.docChanged ||
      update.viewportChanged ||
      update.geometryChanged ||
      update.startState.field(starts) !== update.state.field(starts)
    )
      this.draw()
  }
  destroy() {
    this.dom.remove()
  }
  private draw() {
    this.view.requestMeasure({
      key: this,
      read: (view) => {
        const top = view.scrollDOM.getBoundingClientRect().top - view.scrollDOM.scrollTop
        const left =
          view.contentDOM.getBoundingClientRect().left - view.scrollDOM.getBoundingClientRect().left
        const rows = new Map<number, SceneStart[]>()
        for (const start of seen(view)) {
          const place = view.coordsAtPos(start.from, 1)
          if (!place) continue
          const y = Math.round((place.top + place.bottom) / 2 - top)
          rows.set(y, [...(rows.get(y) ?? []), start])
        }
        return { rows, left }
      },
      write: ({ rows, left }) => {
        this.dom.replaceChildren(
          ...[...rows].map(([y, scenes]) => {
            const label = document.createElement('span')
            label.style.top = `${y - 6}px`
            label.style.left = `${left - MARGIN_PX}px`
            label.className = scenes.some(({ over }) => over) ? 'over' : ''
            label.textContent =
              scenes
                .slice(0, 2)
                .map(({ seconds }) => seconds.toFixed(1))
                .join(' ') + (scenes.length > 2 ? '…' : '')
            return label
          }),
        )
      },
    })
  }
}

export const sceneMargin = [starts, cuts, ViewPlugin.fromClass(Margin)]
