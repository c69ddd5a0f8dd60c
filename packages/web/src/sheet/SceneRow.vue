<script setup lang="ts">
import { countBy } from 'lodash-es'
import { Flag as FlagIcon, GripVertical, Play, Volume2 } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Item } from '@tidy-reel/core/pictures/item'
import type { FrameRate } from '@tidy-reel/core/time/time'
import type { SearchWord } from '@tidy-reel/core/words/search-words'
import SceneText from './SceneText.vue'
import { markedPieces } from './search-word-marks.ts'
import type { SheetRow } from './sheet-rows.ts'
import ShotStrip from './ShotStrip.vue'

const props = defineProps<{
  row: SheetRow
  fps: FrameRate
  words: readonly SearchWord[]
  looked: boolean
  spoken: boolean
  current: boolean
  selected: boolean
  selectedShot: number
  playing: boolean
  writing: number | undefined
}>()
const emit = defineEmits<{
  select: [shot: number, extend: boolean]
  play: []
  write: [caret: number]
  search: [words: string]
  show: []
  draft: [text: string]
  done: [text: string | null]
  split: [text: string, caret: number]
  mergeBefore: [text: string]
  mergeAfter: [text: string]
  leave: [text: string, way: 1 | -1]
  undo: []
  cut: [shot: number, word: number]
  drop: [shot: number, item: Item]
  file: [shot: number, file: File]
  lift: []
}>()
/** Lighter words are looked for too, but underlining them would underline everything. */
const MARKED = 0.25
const seconds = computed(() =>
  props.row.scene ? (props.row.scene.endSample - props.row.scene.startSample) / 48_000 : 0,
)
const start = computed(() => {
  if (!props.row.scene) return ''
  const tenths = Math.floor(props.row.scene.startSample / 4800)
  return `${Math.floor(tenths / 600)}:${String(Math.floor(tenths / 10) % 60).padStart(2, '0')}.${tenths % 10}`
})
const pieces = computed(() =>
  markedPieces(
    props.row.text,
    props.words.filter(({ weight }) => weight > MARKED),
  ),
)
const notes = computed(() => [
  ...(props.row.speaker ? [props.row.speaker] : []),
  ...props.row.directions.map((d) =>
    d.kind === 'pause' ? `pause: ${d.seconds} s` : `${d.kind}: ${d.text}`,
  ),
])
/** Each thing that is the matter once, with how many pictures it is said of. */
const flags = computed(() => Object.entries(countBy(props.row.flags, 'text')))
const label = computed(() => {
  const { id, kind, number } = props.row
  if (kind === 'card') return `${id === 'opening' ? 'Opening' : 'Closing'} card`
  return kind === 'new' ? 'New scene' : `Scene ${number}`
})

/** The row as a screen reader tells it. */
const read = computed(() => {
  const { text, shots, scene, hidden } = props.row
  const titles = shots.map(({ item }) => item?.title ?? 'no picture')
  return [
    `${label.value}: ${text}`,
    titles.length ? `Pictures: ${titles.join(', ')}` : '',
    ...notes.value,
    ...flags.value.map(([flag]) => flag),
    hidden ? 'left out of the film' : '',
    scene ? `${seconds.value.toFixed(1)} seconds` : '',
  ]
    .filter(Boolean)
    .map((said) => said.replace(/\.$/, ''))
    .join('. ')
})

/** Clicked text is opened where it was clicked. */
function open(event: MouseEvent) {
  if (event.shiftKey) return emit('select', 0, true)
  const place = document.caretRangeFromPoint(event.clientX, event.clientY)
  const shown = event.currentTarget as HTMLElement
  if (!place || !shown.contains(place.startContainer)) return emit('write', Infinity)
  const before = document.createRange()
  before.setStart(shown, 0)
  before.setEnd(place.startContainer, place.startOffset)
  emit('write', before.toString().length)
}
function lift(event: DragEvent) {
  event.dataTransfer!.setData('application/x-tidy-scenes', props.row.id)
  event.dataTransfer!.effectAllowed = 'move'
  emit('lift')
}
</script>

<template>
  <div
    v-if="row.kind === 'card' && row.hidden"
    :id="`row-${row.id}`"
    class="row absent"
    :class="{ selected, current }"
    role="row"
    :aria-selected="selected"
    :aria-current="current"
    :aria-label="`${label}: not shown`"
    @click="emit('select', 0, $event.shiftKey)"
  >
    <span class="serif" role="gridcell">{{ label }}: not shown.</span>
    <span role="gridcell"
      ><button class="plain link" tabindex="-1" @click.stop="emit('show')">Show it</button></span
    >
  </div>
  <div
    v-else
    :id="`row-${row.id}`"
    class="row"
    :class="{ selected, current, playing, out: row.hidden }"
    role="row"
    :aria-selected="selected"
    :aria-current="current"
    :aria-label="read"
    @click="emit('select', 0, $event.shiftKey)"
  >
    <div class="margin" role="rowheader">
      <span
        v-if="row.kind === 'scene'"
        class="number"
        draggable="true"
        title="Drag to move the selected scenes"
        @dragstart="lift"
        ><GripVertical class="grip" :size="13" :stroke-width="1.6" />{{ row.number }}</span
      >
      <span v-else class="number">{{ row.kind === 'new' ? '+' : '' }}</span>
      <span class="mono">{{ start }}</span>
      <button
        v-if="row.kind === 'scene'"
        class="plain play"
        tabindex="-1"
        :aria-label="`Play scene ${row.number}`"
        :title="spoken ? 'Play this scene' : 'Not spoken yet'"
        :disabled="!spoken"
        @click.stop="emit('play')"
      >
        <Volume2 v-if="playing" :size="15" :stroke-width="1.6" /><Play
          v-else
          :size="15"
          :stroke-width="1.6"
        />
      </button>
    </div>
    <div class="narration serif" role="gridcell">
      <SceneText
        v-if="writing !== undefined"
        :text="row.text"
        :caret="writing"
        :label="
          row.kind === 'new' ? 'Narration of the new scene' : `Narration of ${label.toLowerCase()}`
        "
        :placeholder="row.kind === 'new' ? 'Write a new scene' : ''"
        @draft="(text) => emit('draft', text)"
        @done="(text) => emit('done', text)"
        @split="(text, caret) => emit('split', text, caret)"
        @merge-before="(text) => emit('mergeBefore', text)"
        @merge-after="(text) => emit('mergeAfter', text)"
        @leave="(text, way) => emit('leave', text, way)"
        @undo="emit('undo')"
      />
      <p v-else title="Click to write" @click.stop="open">
        <template v-for="(piece, i) in pieces" :key="i"
          ><u
            v-if="piece.mark"
            :title="`Look for pictures of “${piece.text}”`"
            @click.stop="emit('search', piece.text)"
            >{{ piece.text }}</u
          ><template v-else>{{ piece.text }}</template></template
        >
      </p>
      <span v-for="note in notes" :key="note" class="note">{{ note }}</span>
      <span v-for="[text, times] in flags" :key="text" class="flag"
        ><FlagIcon :size="12" :stroke-width="1.8" /> {{ text
        }}{{ times > 1 ? ` (${times} of ${row.shots.length})` : '' }}</span
      >
      <span v-if="row.hidden" class="note">left out of the film</span>
    </div>
    <div class="pictures" role="gridcell">
      <ShotStrip
        v-if="row.scene"
        :scene="row.scene"
        :fps="fps"
        :selected="current"
        :selected-shot="selectedShot"
        :looked="looked"
        @select="(shot) => emit('select', shot, false)"
        @cut="(shot, word) => emit('cut', shot, word)"
        @drop="(shot, item) => emit('drop', shot, item)"
        @file="(shot, file) => emit('file', shot, file)"
      />
      <span v-if="row.scene" class="length"
        >{{ seconds.toFixed(1) }}<span class="hidden"> seconds</span></span
      >
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr) 352px;
  gap: 20px;
  padding: 8px 20px 8px 0;
  border-bottom: 1px solid var(--hair);
  border-left: 3px solid transparent;
  min-height: 79px;
}
.selected {
  background: var(--wash);
}
.current {
  border-left-color: var(--blue);
}
.absent {
  display: flex;
  gap: 12px;
  align-items: baseline;
  min-height: 0;
  padding: 7px 20px 7px 81px;
  color: var(--soft);
  font-size: 14px;
}
.absent .serif {
  font-style: italic;
}
.out .narration,
.out .pictures {
  opacity: 0.45;
}
.margin {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
  gap: 2px;
  padding-top: 3px;
}
.number {
  font-weight: 600;
  font-size: 13.5px;
  display: flex;
  align-items: center;
  cursor: grab;
}
.grip {
  opacity: 0;
  color: var(--soft);
}
.row:hover .grip {
  opacity: 1;
}
.play {
  color: var(--soft);
  padding: 3px;
  opacity: 0;
}
.row:hover .play,
.current .play,
.play:focus-visible {
  opacity: 1;
}
.current .play:disabled,
.row:hover .play:disabled {
  opacity: 0.35;
  cursor: default;
}
.narration {
  font-size: 17px;
  line-height: 1.36;
}
.narration p {
  cursor: text;
  min-height: 1.36em;
}
u {
  cursor: pointer;
  text-decoration-color: var(--blue);
  text-decoration-thickness: 1px;
  text-underline-offset: 3px;
}
.note,
.flag {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  font: 12.5px/1.35 var(--sans);
  color: var(--soft);
  margin: 4px 12px 0 0;
}
.note {
  border-left: 2px solid var(--blue);
  padding-left: 6px;
}
.flag {
  color: var(--red);
}
.pictures {
  display: flex;
  gap: 6px;
  align-self: start;
}
.length {
  align-self: end;
  font: 12px var(--mono);
  color: var(--soft);
  min-width: 28px;
  text-align: right;
}
</style>
