<script setup lang="ts">
import { MergeView } from '@codemirror/merge'
import { EditorState } from '@codemirror/state'
import { EditorView } from '@codemirror/view'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { certain } from '@tidy-reel/core/faults/certain'
import { editorTheme } from './editor/editor-theme.ts'
import { markup } from './editor/markup.ts'

const props = defineProps<{
  before: string
  after: string
  beforeName: string
  afterName: string
}>()
defineEmits<{ close: [] }>()
const host = ref<HTMLElement>()
let view: MergeView
const side = (doc: string, name: string) => ({
  doc,
  extensions: [
    EditorView.lineWrapping,
    EditorState.readOnly.of(true),
    EditorView.editable.of(false),
    markup,
    editorTheme,
    EditorView.contentAttributes.of({ 'aria-label': name }),
  ],
})
onMounted(() => {
  view = new MergeView({
    parent: certain(host.value),
    a: side(props.before, props.beforeName),
    b: side(props.after, props.afterName),
    collapseUnchanged: { margin: 3, minSize: 8 },
    gutter: true,
  })
})
onBeforeUnmount(() => view.destroy())
</script>

<template>
  <section class="compare" aria-label="Two texts side by side">
    <header>
      <span>{{ beforeName }}</span><span
        >{{ afterName }} <slot />
        <button class="plain link" @click="$emit('close')">Close</button></span
      >
    </header>
    <div ref="host" class="both" />
  </section>
</template>

<style scoped>
.compare {
  height: 100%;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
}
header {
  display: grid;
  grid-template-columns: 1fr 1fr;
  padding: 10px 20px;
  border-bottom: 1px solid var(--hair);
  font-weight: 600;
}
header span:last-child {
  display: flex;
  gap: 16px;
  padding-left: 20px;
}
header button {
  margin-left: auto;
  font-weight: 400;
}
.both {
  overflow: auto;
  min-height: 0;
}
.both :deep(.cm-scroller) {
  font-size: 16.5px;
  line-height: 1.5;
}
.both :deep(.cm-content) {
  margin: 0;
  padding: 16px 20px;
}
.both :deep(.cm-changedLine) {
  background: none;
}
.both :deep(.cm-merge-a .cm-changedText) {
  background: none;
  text-decoration: line-through;
  text-decoration-color: var(--red);
}
.both :deep(.cm-merge-b .cm-changedText) {
  background: none;
  color: var(--blue);
  border-bottom: 1px solid var(--blue);
}
.both :deep(.cm-deletedChunk) {
  background: var(--wash);
}
.both :deep(.cm-changeGutter) {
  width: 2px;
  padding: 0;
}
.both :deep(.cm-changedLineGutter) {
  background: var(--blue);
}
.both :deep(.cm-collapsedLines) {
  background: var(--ground);
  color: var(--soft);
  font: 13px var(--sans);
  padding: 4px 20px;
  border: solid var(--hair);
  border-width: 1px 0;
}
</style>
