<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import { heldScenes } from '@tidy-reel/core/document/film-scenes'
import { alikePictures } from '@tidy-reel/core/match/alike-pictures'
import { filmPictures } from '@tidy-reel/core/timeline/pictures'
import { useEpisode } from '../episode/episode-store.ts'
import { commandsUnder } from '../keys/key-command.ts'
import { useRoomKeys } from '../keys/room-keys.ts'
import ItemThumb from '../pictures/ItemThumb.vue'
import ScenePictures from '../sheet/ScenePictures.vue'
import PickingMenu from './PickingMenu.vue'

/** Pixels: the least a picture is wide, what lies between two, what its caption needs. */
const SIZES = { least: 150, gap: 14, caption: 40 }

const episode = useEpisode()
const cells = ref<HTMLElement>()
/** The list hears the keys. */
const toKeys = () => cells.value?.focus({ preventScroll: true })
const sheet = ref<HTMLElement>()
const { width } = useElementSize(sheet)
const columns = computed(() =>
  Math.max(1, Math.floor((width.value + SIZES.gap) / (SIZES.least + SIZES.gap))),
)
const cell = computed(() => {
  const picture = Math.max(1, (width.value + SIZES.gap) / columns.value - SIZES.gap)
  return {
    width: picture + SIZES.gap,
    wide: picture,
    high: (picture * 9) / 16,
    height: (picture * 9) / 16 + SIZES.caption,
  }
})
const goingOn = computed(() => heldScenes(episode.plan))
/** A picture that goes on over other scenes is shown once. */
const shown = computed(() =>
  episode.document.scenes.flatMap(({ id, text, shots, hidden }, scene) => {
    if (hidden) return []
    const all = (shots.length ? shots : [undefined]).map((shot, at) => ({
      id,
      text,
      scene,
      at,
      item: shot?.item ?? null,
    }))
    return goingOn.value.has(id) ? all.slice(1) : all
  }),
)
const offered = computed(() =>
  Object.values(episode.data.candidates).flatMap(({ picks }) => picks.map(({ item }) => item)),
)
const pairs = computed(() => alikePictures(shown.value, (id) => episode.data.hashes[id]))
/** Seconds a picture stands, by the middle one. */
const middle = computed(() => {
  const { fps } = episode.film
  const lengths = filmPictures(episode.film)
    .map(({ frames }) => (frames * fps[1]) / fps[0])
    .sort((a, b) => a - b)
  return lengths[Math.floor(lengths.length / 2)] ?? 0
})
const at = ref(0)
const current = computed(() => shown.value[at.value])
const scene = computed(() => episode.document.scenes[current.value?.scene ?? -1])
const paired = computed(() => new Set(pairs.value.flatMap(({ a, b }) => [a, b])))
const height = computed(() => Math.ceil(shown.value.length / columns.value) * cell.value.height)
const placeOf = (i: number) => ({
  x: (i % columns.value) * cell.value.width,
  y: Math.floor(i / columns.value) * cell.value.height,
})
/** From the foot of one picture to the foot of the other, hanging a little between them. */
function line({ a, b }: { a: number; b: number }): string {
  const [from, to] = [placeOf(a), placeOf(b)].map(({ x, y }) => ({
    x: x + cell.value.wide / 2,
    y: y + cell.value.high,
  })) as [{ x: number; y: number }, { x: number; y: number }]
  return `M${from.x} ${from.y} Q${(from.x + to.x) / 2} ${Math.max(from.y, to.y) + 26} ${to.x} ${to.y}`
}
onMounted(() => {
  toKeys()
  at.value = Math.max(
    0,
    shown.value.findIndex(({ id }) => id === episode.selected),
  )
})
watch(current, async (now) => {
  if (now) episode.selected = now.id
  await nextTick()
  sheet.value?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' })
})

function run(command: Command) {
  episode.run(command)
  toKeys()
}
/** Two pictures change places. */
function swap(from: number, to: number) {
  const [one, other] = [shown.value[from], shown.value[to]]
  if (!one?.item || !other?.item || from === to) return
  episode.run({
    type: 'swapShots',
    a: { sceneId: one.id, shot: one.at },
    b: { sceneId: other.id, shot: other.at },
  })
  at.value = to
}
function nextPair() {
  const next = pairs.value.find(({ b }) => b > at.value) ?? pairs.value[0]
  if (next) at.value = next.b
}
const lifted = ref(-1)
const move = (by: number) => () =>
  (at.value = Math.min(shown.value.length - 1, Math.max(0, at.value + by)))
const offer = (n: number) => () => {
  const pick = episode.candidatesOf(current.value?.id).picks[n]
  if (pick && current.value)
    run({ type: 'setShot', sceneId: current.value.id, shot: current.value.at, item: pick.item })
}
/** The picture that is to change places with another. */
const held = ref(-1)
const spokenOf = ({ scene: number, text, item }: (typeof shown.value)[number], i: number) =>
  [
    `Scene ${number + 1}: ${text}`,
    item?.title ?? 'no picture',
    paired.value.has(i) ? 'looks like another' : '',
    i === held.value ? 'held, to change places' : '',
  ]
    .filter(Boolean)
    .join('. ')
function hold() {
  if (held.value < 0) return void (held.value = at.value)
  if (held.value !== at.value) swap(held.value, at.value)
  held.value = -1
}
const command = commandsUnder('Contact sheet')
useRoomKeys(() => [
  command('Next picture', ['ArrowRight'], move(1)),
  command('Picture before', ['ArrowLeft'], move(-1)),
  command('Picture below', ['ArrowDown'], move(columns.value)),
  command('Picture above', ['ArrowUp'], move(-columns.value)),
  command('Next pair that looks alike', ['n'], nextPair),
  ...[0, 1, 2, 3].map((n) => command(`Take offered picture ${n + 1}`, [`${n + 1}`], offer(n))),
  command('Change places: hold this picture, then press again at the other', ['s'], hold),
  command('Hold no picture any more', ['Escape'], () => (held.value = -1)),
])
</script>

<template>
  <div class="contact">
    <main ref="sheet">
      <p class="soft head">
        <b class="serif">{{ shown.length }} pictures</b
        ><span v-if="pairs.length" class="red"
          >{{ pairs.length }} {{ pairs.length === 1 ? 'pair looks' : 'pairs look' }} alike</span
        ><span v-else>none look alike</span
        ><span class="keys"
          ><kbd>N</kbd>next alike <kbd>1</kbd>–<kbd>4</kbd>another picture <kbd>S</kbd>swap two; or
          drag</span
        ><PickingMenu
          :picking="episode.document.picking"
          :shown="shown.flatMap(({ item }) => item ?? [])"
          :offered="offered"
          :middle="middle"
          @change="(set) => episode.run({ type: 'setPicking', set })"
        /><RouterLink class="link" :to="{ name: 'shown' }">In words</RouterLink
        ><RouterLink class="link" :to="{ name: 'sheet' }">Back to the sheet</RouterLink>
      </p>
      <div
        ref="cells"
        class="cells"
        :style="{ height: `${height}px` }"
        role="listbox"
        tabindex="0"
        aria-label="Pictures of the film"
        :aria-activedescendant="`picture-${at}`"
        data-room-keys
      >
        <div
          v-for="(one, i) in width ? shown : []"
          :id="`picture-${i}`"
          :key="`${one.id} ${one.at}`"
          class="cell"
          :style="{ left: `${placeOf(i).x}px`, top: `${placeOf(i).y}px`, width: `${cell.wide}px` }"
          role="option"
          :aria-selected="i === at"
          :aria-setsize="shown.length"
          :aria-posinset="i + 1"
          :aria-label="spokenOf(one, i)"
          :title="one.item?.title ?? 'No picture'"
          :class="{ on: i === at, paired: paired.has(i), held: i === held }"
          draggable="true"
          @click="((at = i), toKeys())"
          @dragstart="lifted = i"
          @dragover.prevent
          @drop.prevent="swap(lifted, i)"
        >
          <ItemThumb v-if="one.item" :id="one.item.id" alt="" />
          <span v-else class="none soft">no picture</span>
          <span class="said"
            ><span class="mono">{{ one.scene + 1 }}</span> {{ one.text }}</span
          >
        </div>
        <svg :width="columns * cell.width" :height="height" aria-hidden="true">
          <path
            v-for="pair in pairs"
            :key="`${pair.a} ${pair.b}`"
            :d="line(pair)"
            :class="[pair.kind, { on: pair.a === at || pair.b === at }]"
          />
        </svg>
      </div>
    </main>
    <aside v-if="current && scene">
      <p class="serif sentence">{{ scene.text }}</p>
      <ScenePictures
        :scene-id="current.id"
        :number="current.scene + 1"
        :shot="current.at"
        @run="run"
        @shot="
          (shot) =>
            (at = shown.findIndex(({ id, at: place }) => id === current!.id && place === shot))
        "
      />
    </aside>
  </div>
</template>

<style scoped>
.contact {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 420px;
  outline: none;
  min-height: 0;
}
main {
  overflow: auto;
  padding: 12px 20px;
  min-height: 0;
}
.head {
  display: flex;
  gap: 18px;
  align-items: baseline;
  padding-bottom: 12px;
}
.head b {
  font-size: 17px;
  color: var(--ink);
}
.keys {
  flex: 1;
  font-size: 13px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
kbd {
  font: 12px var(--mono);
  border: 1px solid var(--hair);
  padding: 0 5px;
  margin: 0 5px;
  background: var(--paper);
  color: var(--ink);
}
.cells {
  position: relative;
}
.cell {
  position: absolute;
  display: grid;
  cursor: pointer;
}
img,
.none {
  width: 100%;
  aspect-ratio: 16 / 9;
  object-fit: cover;
  display: block;
  background: var(--deep);
}
.none {
  display: grid;
  place-content: center;
}
.paired img {
  outline: 1px solid var(--red);
}
.held img {
  outline: 3px dashed var(--blue);
  outline-offset: 3px;
}
.on img,
.on .none {
  outline: 3px solid var(--blue);
}
.said {
  font-size: 12.5px;
  line-height: 1.3;
  margin-top: 3px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
svg {
  position: absolute;
  left: 0;
  top: 0;
  pointer-events: none;
}
path {
  fill: none;
  stroke: var(--red);
  stroke-width: 1.5;
  opacity: 0.4;
}
.same {
  stroke-width: 2.5;
}
path.on {
  opacity: 1;
}
aside {
  border-left: 1px solid var(--hair);
  background: var(--paper);
  overflow: auto;
  min-height: 0;
}
.sentence {
  font-size: 20px;
  line-height: 1.3;
  padding: 16px 16px 6px;
}
</style>
