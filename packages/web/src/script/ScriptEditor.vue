<script setup lang="ts">
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands'
import type { Diagnostic } from '@codemirror/lint'
import { Compartment, EditorState, Transaction } from '@codemirror/state'
import { drawSelection, EditorView, keymap, placeholder } from '@codemirror/view'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { certain } from '@tidy-reel/core/faults/certain'
import { changesBetween } from '@tidy-reel/core/text/text-changes'
import { inTheEnd } from '../controls/in-the-end.ts'
import { editorTheme } from './editor/editor-theme.ts'
import { markup } from './editor/markup.ts'
import { panelLayer, readingLayer, type Seen, versionsLayer } from './editor/ranges.ts'
import { sceneMargin, type SceneStart, setSceneStarts } from './editor/scene-margin.ts'

const props = defineProps<{
  text: string
  /** What stands there twice, to be settled. */
  versions: readonly Seen[]
  scenes: readonly SceneStart[]
  seen: readonly Seen[]
  aloud: readonly Seen[]
  diagnostics: readonly Diagnostic[]
  reading: boolean
}>()
const emit = defineEmits<{
  'update:text': [text: string]
  cursor: [at: number, selected: string]
  leave: []
}>()
const HINT =
  'Paste or type your narration here.\n\n# A line like this starts a chapter\n\nEach sentence ' +
  'becomes a scene with its own picture.'
const host = ref<HTMLElement>()
const locked = new Compartment()
const later = new Compartment()
let view: EditorView
let isGone = false
let fetched: Promise<typeof import('./editor/find-and-mark.ts')>

onMounted(() => {
  view = new EditorView({
    parent: certain(host.value),
    state: EditorState.create({
      doc: props.text,
      extensions: [
        history(),
        drawSelection(),
        EditorView.lineWrapping,
        later.of([]),
        keymap.of([...historyKeymap, ...defaultKeymap]),
        locked.of(EditorState.readOnly.of(props.reading)),
        // The browser's own spelling would mark the words of the channel.
        EditorView.contentAttributes.of({
          'aria-label': 'Script',
          spellcheck: 'false',
          autocapitalize: 'sentences',
        }),
        placeholder(HINT),
        markup,
        sceneMargin,
        panelLayer.field,
        readingLayer.field,
        versionsLayer.field,
        editorTheme,
        EditorView.updateListener.of((update) => {
          if (update.docChanged) emit('update:text', update.state.doc.toString())
          if (update.docChanged || update.selectionSet) {
            const { from, to, head } = update.state.selection.main
            emit('cursor', head, update.state.sliceDoc(from, to))
          }
        }),
        EditorView.domEventHandlers({ blur: () => emit('leave') }),
      ],
    }),
  })
  view.dispatch({
    effects: [
      setSceneStarts.of(props.scenes),
      panelLayer.set.of(props.seen),
      versionsLayer.set.of(props.versions),
    ],
  })
  fetched = inTheEnd(
    () => import('./editor/find-and-mark.ts'),
    () => !isGone,
  )
  void fetched.then(({ findAndMark, mark }) => {
    if (isGone) return
    view.dispatch({ effects: later.reconfigure(findAndMark) })
    mark(view, props.diagnostics)
  })
})
onBeforeUnmount(() => {
  isGone = true
  view.destroy()
})
watch(
  () => props.text,
  (text) => {
    const now = view.state.doc.toString()
    if (text !== now) view.dispatch({ changes: changesBetween(now, text) })
  },
)
/** Takes over a text that came from elsewhere; who writes here cannot undo that. */
function adopt(text: string) {
  view.dispatch({
    changes: changesBetween(view.state.doc.toString(), text),
    annotations: Transaction.addToHistory.of(false),
  })
}
watch(
  () => props.scenes,
  (scenes) => view.dispatch({ effects: setSceneStarts.of(scenes) }),
)
watch(
  () => props.seen,
  (seen) => view.dispatch({ effects: panelLayer.set.of(seen) }),
)
watch(
  () => props.versions,
  (versions) => view.dispatch({ effects: versionsLayer.set.of(versions) }),
  // The text comes first.
  { flush: 'post' },
)
watch(
  () => props.aloud,
  (seen) =>
    view.dispatch({
      effects: [
        readingLayer.set.of(seen),
        ...(seen[0]
          ? [EditorView.scrollIntoView(seen[0].from, { y: 'nearest', yMargin: 80 })]
          : []),
      ],
    }),
)
watch(
  () => props.diagnostics,
  async () => {
    const { mark } = await fetched
    if (!isGone) mark(view, props.diagnostics)
  },
)
watch(
  () => props.reading,
  (reading) => view.dispatch({ effects: locked.reconfigure(EditorState.readOnly.of(reading)) }),
)

/** Selects a stretch and brings it into sight. */
function show(from: number, to = from) {
  const end = view.state.doc.length
  view.dispatch({
    selection: { anchor: Math.min(from, end), head: Math.min(to, end) },
    effects: EditorView.scrollIntoView(Math.min(from, end), { y: 'center' }),
  })
  view.focus()
}
async function find() {
  const { openSearchPanel } = await fetched
  openSearchPanel(view)
}
defineExpose({ adopt, show, find, focus: () => view.focus() })
</script>

<template>
  <div ref="host" class="editor" :class="{ reading }" />
</template>

<style scoped>
.editor {
  height: 100%;
  min-height: 0;
}
.reading :deep(.cm-scroller) {
  font-size: 22px;
  line-height: 1.7;
}
.reading :deep(.cm-content) {
  max-width: 560px;
}
.reading :deep(.cm-chapter) {
  text-indent: -0.24em;
}
.reading :deep(.cm-direction),
.reading :deep(.cm-cut),
.reading :deep(.cm-sign),
.reading :deep(.cm-scene-margin) {
  display: none;
}
</style>
