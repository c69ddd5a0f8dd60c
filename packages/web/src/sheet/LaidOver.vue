<script setup lang="ts">
import { ElCheckbox, ElInputNumber } from 'element-plus'
import { computed, ref } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import type { Scene } from '@tidy-reel/core/document/document'
import {
  type Inlay,
  type InlayEntrance,
  INLAYS_LIMIT,
  PLAIN_INLAY,
} from '@tidy-reel/core/pictures/inlay'
import { isOurs, type Item } from '@tidy-reel/core/pictures/item'
import { wordsOf } from '@tidy-reel/core/text/written-words'
import ItemThumb from '../pictures/ItemThumb.vue'
import PictureChooser from '../pictures/PictureChooser.vue'
import ChoiceField from '../styles/ChoiceField.vue'
import PlaceField from '../styles/PlaceField.vue'

/** Stills laid over a scene's picture. */
const props = defineProps<{ scene: Scene; offers: readonly Item[] }>()
const emit = defineEmits<{
  run: [command: Command]
  /** Of the narration, the word from which something is to be seen. */
  see: [word: number]
}>()
const ENTRANCES: readonly (readonly [InlayEntrance, string])[] = [
  ['none', 'at once'],
  ['fade', 'faded in'],
  ['slide', 'from its side'],
  ['grow', 'growing'],
]
const inlays = computed(() => props.scene.inlays ?? [])
/** Which one is open; one past the last is being chosen. */
const open = ref<number>()
const words = computed(() => wordsOf(props.scene.text))
const comesWith = computed(() =>
  words.value.map((word, i) => [i, i === 0 ? 'the scene' : `“${word}”`] as const),
)
const write = (now: readonly Inlay[]) =>
  emit('run', {
    type: 'adjustScenes',
    target: [props.scene.id],
    set: { inlays: now.length ? [...now] : null },
  })
const change = (at: number, set: Partial<Inlay>) =>
  write(inlays.value.map((inlay, i) => (i === at ? { ...inlay, ...set } : inlay)))
function comeWith(at: number, word: number) {
  emit('see', word)
  write(
    inlays.value.map((inlay, i) => {
      if (i !== at) return inlay
      const { word: _, ...rest } = inlay
      return word > 0 ? { ...rest, word } : rest
    }),
  )
}
function lay(item: Item) {
  const at = open.value ?? inlays.value.length
  if (at < inlays.value.length) return change(at, { item })
  // What is one's own is most often a sticker or a drawing with nothing around it.
  const plain = isOurs(item.id) ? { ...PLAIN_INLAY, edge: 0, shade: false } : PLAIN_INLAY
  write([...inlays.value, { ...plain, item }])
  emit('see', 0)
}
function toggle(at: number) {
  open.value = open.value === at ? undefined : at
  if (open.value !== undefined) emit('see', inlays.value[at]?.word ?? 0)
}
function takeAway(at: number) {
  open.value = undefined
  write(inlays.value.filter((_, i) => i !== at))
}
const percent = (share: number) => Math.round(share * 100)
const placeNamed = ({ at }: Inlay) => (typeof at === 'string' ? at : undefined)
const spot = ({ at }: Inlay) =>
  typeof at === 'string' ? '' : `${percent(at.across)} % across, ${percent(at.down)} % down`
</script>

<template>
  <section class="laid" aria-label="Laid over the picture">
    <h3 class="serif">Laid over its picture</h3>
    <ul v-if="inlays.length">
      <li v-for="(inlay, i) in inlays" :key="i">
        <button
          class="plain which"
          :aria-expanded="open === i"
          :title="`${inlay.item.title}: its place, size and edge`"
          @click="toggle(i)"
        >
          <ItemThumb :id="inlay.item.id" /><span>{{ inlay.item.title }}</span>
        </button>
        <button
          class="plain link"
          :aria-label="`Take ${inlay.item.title} away`"
          @click="takeAway(i)"
        >
          Take away
        </button>
        <div v-if="open === i" class="fields">
          <span>Place</span>
          <span class="row"
            ><PlaceField
              :label="`Place of ${inlay.item.title}`"
              :place="placeNamed(inlay)"
              @change="(at) => change(i, { at })"
            /><span class="soft">{{ spot(inlay) || 'or drag it on the monitor' }}</span></span
          >
          <span>Size</span>
          <span class="row"
            ><ElInputNumber
              :model-value="percent(inlay.size)"
              :min="5"
              :max="160"
              :step="5"
              size="small"
              controls-position="right"
              aria-label="Size, in per cent of the picture’s height"
              @change="(size) => size && change(i, { size: size / 100 })"
            />
            % turned
            <ElInputNumber
              :model-value="inlay.turn"
              :min="-180"
              :max="180"
              :step="5"
              size="small"
              controls-position="right"
              aria-label="Turned by, in degrees"
              @change="(turn) => change(i, { turn: turn ?? 0 })"
            />
            °</span
          >
          <span>Corners</span>
          <span class="row"
            ><ElInputNumber
              :model-value="percent(inlay.round)"
              :min="0"
              :max="50"
              :step="5"
              size="small"
              controls-position="right"
              aria-label="Round corners, in per cent"
              @change="(round) => change(i, { round: (round ?? 0) / 100 })"
            />
            % edge
            <ElInputNumber
              :model-value="Math.round(inlay.edge * 1080)"
              :min="0"
              :max="54"
              :step="2"
              size="small"
              controls-position="right"
              aria-label="Edge, in pixels of a picture 1,080 high"
              @change="(edge) => change(i, { edge: (edge ?? 0) / 1080 })"
            />
            px</span
          >
          <span>Comes</span>
          <span class="row"
            ><ChoiceField
              label="How it comes"
              :value="inlay.comes"
              :choices="ENTRANCES"
              @change="(comes) => change(i, { comes })" />
            with
            <ChoiceField
              label="The word it comes with"
              :value="Math.min(inlay.word ?? 0, words.length - 1)"
              :choices="comesWith"
              @change="(word) => comeWith(i, word)"
          /></span>
          <span />
          <ElCheckbox :model-value="inlay.shade" @change="(shade) => change(i, { shade: !!shade })"
            >A soft shade behind it</ElCheckbox
          >
          <PictureChooser
            class="wide"
            label="Another picture"
            stickers
            :offers="offers"
            :chosen="inlay.item.id"
            @choose="lay"
          />
        </div>
      </li>
    </ul>
    <PictureChooser
      v-if="open === inlays.length && inlays.length < INLAYS_LIMIT"
      label="A picture to lay over it"
      stickers
      :offers="offers"
      @choose="lay"
    />
    <button
      v-else-if="inlays.length < INLAYS_LIMIT"
      class="plain link more"
      @click="open = inlays.length"
    >
      Lay a picture over it
    </button>
  </section>
</template>

<style scoped>
.laid {
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--hair);
  padding-top: 10px;
}
h3 {
  font-size: 17px;
  font-weight: 600;
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px 12px;
  align-items: center;
}
.which {
  display: flex;
  gap: 10px;
  align-items: center;
  min-width: 0;
  text-align: left;
}
.which span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.which img {
  width: 64px;
  aspect-ratio: 16 / 9;
  object-fit: contain;
  background: var(--deep);
}
.fields {
  grid-column: 1 / 3;
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr);
  gap: 8px 12px;
  align-items: center;
  padding-bottom: 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.row .el-select {
  width: 124px;
}
.el-input-number {
  width: 84px;
}
.wide {
  grid-column: 1 / 3;
}
.more {
  justify-self: start;
}
</style>
