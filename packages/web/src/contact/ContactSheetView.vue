<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import { alikePictures } from '@tidy-reel/core/match/alike-pictures'
import { useKeys } from '../controls/use-keys.ts'
import { useEpisode } from '../episode/episode-store.ts'
import ItemThumb from '../pictures/ItemThumb.vue'
import ScenePictures from '../sheet/ScenePictures.vue'
import PickingMenu from './PickingMenu.vue'

/** Pixels: the least a picture is wide, what lies between two, what its caption needs. */
const SIZES = { least: 150, gap: 14, caption: 40 }

const episode = useEpisode()
const desk = ref<HTMLElement>()
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
const shown = computed(() =>
  episode.document.scenes.flatMap(({ id, text, shots, hidden }, scene) =>
    hidden
      ? []
      : (shots.length ? shots : [undefined]).map((shot, at) => ({
          id,
          text,
          scene,
          at,
          item: shot?.item ?? null,
        })),
  ),
)
const offered = computed(() =>
  Object.values(episode.data.candidates).flatMap(({ picks }) => picks.map(({ item }) => item)),
)
const pairs = computed(() => alikePictures(shown.value, (id) => episode.data.hashes[id]))
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
  desk.value?.focus()
  at.value = Math.max(
    0,
    shown.value.findIndex(({ id }) => id === episode.selected),
  )
})
watch(current, async (now) => {
  if (now) episode.selected = now.id
  await nextTick()
  sheet.value?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' })
})

function run(command: Command) {
  episode.run(command)
  desk.value?.focus()
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
useKeys(
  () => ({
    ArrowRight: move(1),
    ArrowLeft: move(-1),
    ArrowDown: move(columns.value),
    ArrowUp: move(-columns.value),
    n: nextPair,
    1: offer(0),
    2: offer(1),
    3: offer(2),
    4: offer(3),
  }),
  { buttons: true },
)
</script>

<template>
  <div ref="desk" class="contact" tabindex="-1">
    <main ref="sheet">
      <p class="soft head">
        <b class="serif">{{ shown.length }} pictures</b
        ><span v-if="pairs.length" class="red"
          >{{ pairs.length }} {{ pairs.length === 1 ? 'pair looks' : 'pairs look' }} alike</span
        ><span v-else>none look alike</span
        ><span class="keys"
          ><kbd>N</kbd>next alike <kbd>1</kbd>–<kbd>4</kbd>another picture; drag to swap</span
        ><PickingMenu
          :picking="episode.document.picking"
          :shown="shown.flatMap(({ item }) => item ?? [])"
          :offered="offered"
          @change="(set) => episode.run({ type: 'setPicking', set })"
        /><RouterLink class="link" :to="{ name: 'sheet' }">Back to the sheet</RouterLink>
      </p>
      <ol :style="{ height: `${height}px` }" aria-label="Pictures of the film">
        <li
          v-for="(one, i) in shown"
          :key="`${one.id} ${one.at}`"
          :style="{ left: `${placeOf(i).x}px`, top: `${placeOf(i).y}px`, width: `${cell.wide}px` }"
          :aria-current="i === at"
          :class="{ on: i === at, paired: paired.has(i) }"
          draggable="true"
          @dragstart="lifted = i"
          @dragover.prevent
          @drop.prevent="swap(lifted, i)"
        >
          <button
            class="plain"
            tabindex="-1"
            :title="one.item?.title ?? 'No picture'"
            @click="((at = i), desk?.focus())"
          >
            <ItemThumb v-if="one.item" :id="one.item.id" :alt="one.item.title" />
            <span v-else class="none soft">no picture</span>
            <span class="said"
              ><span class="mono">{{ one.scene + 1 }}</span> {{ one.text }}</span
            >
          </button>
        </li>
        <svg :width="columns * cell.width" :height="height" aria-hidden="true">
          <path
            v-for="pair in pairs"
            :key="`${pair.a} ${pair.b}`"
            :d="line(pair)"
            :class="[pair.kind, { on: pair.a === at || pair.b === at }]"
          />
        </svg>
      </ol>
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
  margin: 0 5px 0 0;
  background: var(--paper);
  color: var(--ink);
}
ol {
  position: relative;
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  position: absolute;
}
li button {
  display: grid;
  width: 100%;
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
