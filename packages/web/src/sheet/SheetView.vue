<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { watchDebounced } from '@vueuse/core'
import { TabsContent, TabsList, TabsRoot, TabsTrigger } from 'reka-ui'
import { computed, nextTick, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router'
import type { Command, Target } from '@tidy-reel/core/document/command'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { moveOf } from '@tidy-reel/core/film/shots'
import type { Item } from '@tidy-reel/core/pictures/item'
import { FILM_SHAPES, SHAPE_NAMES, type ShapeName } from '@tidy-reel/core/render/shapes'
import { libraryApi } from '../api/library.ts'
import { drawingSteps } from '../controls/drawing-steps.ts'
import { inTheEnd } from '../controls/in-the-end.ts'
import { laterPart } from '../controls/later-part.ts'
import { whenTrue } from '../controls/when-true.ts'
import { useEpisode } from '../episode/episode-store.ts'
import { focusKind } from '../keys/focus-kind.ts'
import { overRoom, useRoomKeys } from '../keys/room-keys.ts'
import FilmMonitor from '../monitor/FilmMonitor.vue'
import type { Moved } from '../monitor/movable.ts'
import { useLights } from '../monitor/use-lights.ts'
import { usePlayer } from '../monitor/use-player.ts'
import { sheetCommands } from './commands/sheet-commands.ts'
import { WRITING_KEYS } from './commands/writing-keys.ts'
import { keepDraft } from './draft.ts'
import FilmMap from './FilmMap.vue'
import ScenePictures from './ScenePictures.vue'
import SceneRow from './SceneRow.vue'
import { useClipboard } from './use-clipboard.ts'
import { useSheet } from './use-sheet.ts'

/** Fetched when it is opened. */
const VersionsPanel = laterPart(() => import('./VersionsPanel.vue'))
/** A key opens them, and what is typed next goes into their first field: they may not come late. */
const panels = shallowRef<typeof import('./panels.ts')>()
onMounted(async () => (panels.value = await inTheEnd(() => import('./panels.ts'))))

const episode = useEpisode()
const drawn = drawingSteps(2)
const router = useRouter()
const route = useRoute()
const player = usePlayer(() => episode.sound)
const sheet = useSheet(episode, player)
const { rows, row, scene, cursor, selectedIds, shot, writing } = sheet
const PANELS = [
  ['pictures', 'Pictures', 'P'],
  ['shot', 'Shot', 'F'],
  ['look', 'Look', 'Y'],
  ['scene', 'Scene', 'E'],
  ['drawn', 'Drawn', 'B'],
  ['sounds', 'Sounds', 'U'],
] as const
const panel = ref(PANELS.find(([name]) => name === route.query['panel'])?.[0] ?? 'pictures')
const over = ref<'versions'>()
const guides = ref(false)
const which = ref<'these' | 'chapter' | 'all'>('these')
const candidates = ref<InstanceType<typeof ScenePictures>>()
const monitor = ref<InstanceType<typeof FilmMonitor>>()
const list = ref<HTMLElement>()

/** How the selected picture is seen: worked out when the film changes, not with every frame. */
const { lights } = useLights(() => episode.proxies)
const shape = ref<ShapeName>('wide')
const nextShape = () =>
  (shape.value = SHAPE_NAMES[(SHAPE_NAMES.indexOf(shape.value) + 1) % SHAPE_NAMES.length] ?? 'wide')
const seen = computed(() => {
  if (!scene.value) return undefined
  const { width, height } = FILM_SHAPES[shape.value]
  return moveOf(
    episode.film,
    { sceneId: scene.value.id, shot: shot.value },
    { aspect: width / height, lights: lights.value },
  )
})
const unprepared = computed(() =>
  episode.document.scenes.some(
    (each) =>
      !each.hidden &&
      (!each.shots.length || !episode.data.takes[each.id] || !episode.data.candidates[each.id]),
  ),
)
onMounted(() => {
  sheet.takeUpDrafts()
  const asked = rows.value.findIndex(({ id }) => id === route.query['scene'])
  if (asked >= 0) sheet.select(asked)
  else if (!episode.selected) sheet.select(episode.document.cards.opening.shown ? 0 : 1)
  if (episode.document.scenes.length) void episode.prepare(unprepared.value)
  list.value?.focus()
})

const virtual = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => list.value ?? null,
    estimateSize: () => 92,
    overscan: 3,
    getItemKey: (i: number) => itemAt(rows.value, i).id,
  })),
)
const measure = (element: unknown) =>
  element instanceof Element && virtual.value.measureElement(element)
watch(
  [cursor, writing],
  () =>
    void nextTick(() =>
      virtual.value.scrollToIndex(cursor.value <= 1 ? 0 : cursor.value, { align: 'auto' }),
    ),
)
watch(player.sceneIndex, (index) => {
  const id = episode.film.scenes[index]?.id
  if (player.playing.value && id && id !== episode.selected && !writing.value)
    sheet.select(
      rows.value.findIndex((each) => each.id === id),
      { follow: false },
    )
})

const target = computed((): Target => {
  if (which.value === 'all') return 'all'
  const inChapter = which.value === 'chapter' && scene.value
  return inChapter ? { chapterOf: inChapter.id } : selectedIds.value
})
const run = (command: Command) => void sheet.run(command)
/** So long after something has come it is there whole, in samples. */
const COME = 24_000
/** Shows what comes with a word of the scene, once it has come. */
function see(word: number) {
  const here = scene.value?.scene
  if (!here || player.playing.value) return
  const from = word > 0 ? (here.words[word]?.start ?? here.startSample) : here.startSample
  player.seek(Math.min(from + COME, here.endSample - 1))
}
/** Something on the picture is to stand where it was dragged to. */
async function move(moved: Moved) {
  const { movedCommand } = await import('./commands/moved.ts')
  const command = movedCommand(episode.document, moved)
  if (command) run(command)
}
const offered = computed(() => episode.candidatesOf(scene.value?.id))

function choose(item: Item, at = shot.value) {
  if (scene.value)
    run({
      type: 'setShot',
      sceneId: scene.value.id,
      shot: Math.min(at, scene.value.shots.length),
      item,
    })
}
/** A file from the desktop becomes a picture of the person's own, then the shot's. */
async function chooseFile(sceneId: string, at: number, file: File) {
  try {
    const item = await libraryApi.takeOwnFile(file)
    run({ type: 'setShot', sceneId, shot: at, item })
  } catch (cause) {
    sheet.refused.value = (cause as Error).message
  }
}
/** So long a panel may take to come, in ms. */
const PANEL_MS = 2000
function open(which: typeof panel.value) {
  panel.value = which
  void toFirstField()
}
async function toFirstField() {
  const field = () =>
    document.querySelector<HTMLElement>('.below input:not([type="radio"]):not([type="range"])')
  await nextTick()
  // A panel that is fetched when it is first opened comes a little later.
  if (!field()) await whenTrue(() => field() !== null, PANEL_MS)
  field()?.focus()
}
function searchFor(words?: string) {
  panel.value = 'pictures'
  void nextTick(() => candidates.value?.look(words))
}

const commands = sheetCommands({
  sheet,
  episode,
  player,
  desk: {
    open,
    search: searchFor,
    choose: (n) => offered.value.picks[n] && choose(offered.value.picks[n].item),
    contactSheet: () => void router.push({ name: 'contact' }),
    pickRun: () => void router.push({ name: 'picks' }),
    versions: () => (over.value = 'versions'),
    fullscreen: () => void monitor.value?.fullscreen(),
    guides: () => (guides.value = !guides.value),
    shape: nextShape,
  },
})
useRoomKeys(() => commands, WRITING_KEYS)
/**
 * The address says where one is: a reload and the way back lead there again. Who is on the way to
 * another room, whose code is still coming, is not called back.
 */
let isLeaving = false
onBeforeRouteLeave(() => void (isLeaving = true))
onUnmounted(router.onError(() => (isLeaving = false)))
watchDebounced(
  [() => episode.selected, panel],
  ([scene, open]) =>
    !isLeaving && void router.replace({ query: { ...(scene ? { scene } : {}), panel: open } }),
  { debounce: 400 },
)
/** Out of a panel's field and back to the rows. */
function leaveField(event: KeyboardEvent) {
  ;(event.target as HTMLElement).blur()
  list.value?.focus()
}
useClipboard(sheet, (target) => focusKind(target) === 'field')

function select(index: number, which: number, extend: boolean) {
  sheet.select(index, { shot: which, extend })
  if (!writing.value) list.value?.focus({ preventScroll: true })
}
function done(id: string, text: string | null) {
  sheet.stopWritingOf(id, text)
  if (!writing.value) list.value?.focus({ preventScroll: true })
}
function leave(id: string, text: string, way: 1 | -1) {
  sheet.stopWritingOf(id, text)
  sheet.select(rows.value.findIndex((each) => each.id === id) + way)
  if (row.value && !(row.value.kind === 'card' && row.value.hidden))
    sheet.write(row.value.id, way < 0 ? Infinity : 0)
}
/** The rows in view, with where they stand. */
const lines = computed(() =>
  virtual.value.getVirtualItems().flatMap(({ index, start, key }) => {
    const row = rows.value[index]
    return row ? [{ row, index, start, key }] : []
  }),
)
/** All that a row's look hangs on: rows of which none of it has changed are not drawn again. */
function lookOf(index: number, start: number) {
  const here = itemAt(rows.value, index)
  const current = index === cursor.value
  return [
    here,
    start,
    index,
    current,
    current ? shot.value : 0,
    current || selectedIds.value.includes(here.id),
    player.playing.value && playingId.value === here.id,
    writing.value?.id === here.id ? writing.value : undefined,
    dropAt.value === index,
    episode.data.candidates[here.id],
    episode.data.takes[here.id]?.hash,
  ]
}
const playingId = computed(() => episode.film.scenes[player.sceneIndex.value]?.id)
/** Selected scenes dropped on a row go before it. */
const dropAt = ref(-1)
function dragOver(event: DragEvent, index: number) {
  if (!event.dataTransfer?.types.includes('application/x-tidy-scenes')) return
  event.preventDefault()
  dropAt.value = index
}
function dropScenes(index: number) {
  dropAt.value = -1
  const before = rows.value[index]
  const ids = selectedIds.value
  if (before && ids.length && !ids.includes(before.id))
    run({
      type: 'moveScenes',
      sceneIds: ids,
      place: before.kind === 'scene' ? { before: before.id } : 'end',
    })
}
</script>

<template>
  <main class="desk">
    <p v-if="!episode.document.scenes.length" class="rows empty serif">
      There is nothing on the sheet yet.
      <RouterLink :to="{ name: 'script' }">Write or paste a script</RouterLink> first.
    </p>
    <div
      v-else
      ref="list"
      class="rows"
      role="grid"
      aria-label="Scenes"
      aria-multiselectable="true"
      :aria-rowcount="rows.length"
      :aria-activedescendant="row ? `row-${row.id}` : undefined"
      tabindex="0"
      data-room-keys
    >
      <div :style="{ height: `${virtual.getTotalSize()}px`, position: 'relative' }">
        <div
          v-for="{ row: line, index, start, key } in lines"
          :key="String(key)"
          :ref="measure"
          v-memo="lookOf(index, start)"
          :data-index="index"
          class="line"
          :class="{ target: dropAt === index }"
          :style="{ transform: `translateY(${start}px)` }"
          @dragover="dragOver($event, index)"
          @dragleave="dropAt = -1"
          @drop.prevent="dropScenes(index)"
        >
          <div v-if="line.heading" role="row">
            <div role="rowheader">
              <h2
                class="chapter serif"
                title="Rename the chapter"
                @click="(sheet.select(index), open('scene'))"
              >
                {{ line.heading }}
              </h2>
            </div>
          </div>
          <SceneRow
            :aria-rowindex="index + 1"
            :row="line"
            :fps="episode.film.fps"
            :words="episode.data.candidates[line.id]?.words ?? []"
            :looked="!!episode.data.candidates[line.id]"
            :spoken="!!episode.data.takes[line.id]"
            :current="index === cursor"
            :selected="index === cursor || selectedIds.includes(line.id)"
            :selected-shot="shot"
            :playing="player.playing.value && playingId === line.id"
            :writing="writing?.id === line.id ? writing.caret : undefined"
            @select="(which, extend) => select(index, which, extend)"
            @play="player.playScene(episode.film.scenes.findIndex(({ id }) => id === line.id))"
            @write="(caret) => sheet.write(line.id, caret)"
            @search="(words) => (sheet.select(index), searchFor(words))"
            @show="run({ type: 'setCard', card: line.id as 'opening', set: { shown: true } })"
            @draft="
              (text) =>
                keepDraft(episode.data.id, {
                  rowId: line.id,
                  text,
                  ...(writing ? { base: writing.base } : {}),
                  ...(sheet.writingAfter.value ? { after: sheet.writingAfter.value } : {}),
                })
            "
            @done="(text) => done(line.id, text)"
            @split="(text, caret) => sheet.splitAt(line.id, text, caret)"
            @merge-before="(text) => sheet.mergeBefore(line.id, text)"
            @merge-after="(text) => sheet.mergeAfter(line.id, text)"
            @leave="(text, way) => leave(line.id, text, way)"
            @undo="(done(line.id, null), episode.step('undo'))"
            @cut="(at, word) => run({ type: 'setCut', sceneId: line.id, shot: at, word })"
            @drop="(at, item) => (sheet.select(index, { shot: at }), choose(item, at))"
            @file="(at, file) => chooseFile(line.id, at, file)"
            @lift="selectedIds.includes(line.id) || sheet.select(index)"
          />
        </div>
      </div>
    </div>
    <aside>
      <FilmMonitor
        ref="monitor"
        :film="episode.film"
        :plan="episode.plan"
        :player="player"
        :proxies="episode.proxies"
        :guides="guides"
        :shape="FILM_SHAPES[shape]"
        :ratio="FILM_SHAPES[shape].ratio"
        movable
        @guides="guides = !guides"
        @shape="nextShape"
        @move="move"
      />
      <p v-if="sheet.refused.value" class="refused red" role="alert">
        {{ sheet.refused.value }}
        <button class="plain" @click="sheet.refused.value = ''">Dismiss</button>
      </p>
      <ul v-if="episode.preparing?.remarks.length" class="remarks red" role="alert">
        <li v-for="remark in episode.preparing.remarks" :key="remark">{{ remark }}</li>
      </ul>
      <TabsRoot v-model="panel" class="panels">
        <div class="tabs">
          <TabsList class="names" aria-label="What is selected">
            <TabsTrigger
              v-for="[name, label, key] in PANELS"
              :key="name"
              class="plain"
              :value="name"
              :title="`${label} (${key})`"
            >
              {{ label }}
            </TabsTrigger>
          </TabsList>
          <RouterLink
            class="all link"
            :to="{ name: 'picks' }"
            title="One pass through all pictures, weak ones first (Shift P)"
            >Pick run</RouterLink
          >
          <RouterLink
            class="link also words"
            :to="{ name: 'shown' }"
            title="What each scene shows, in words: to read and change before pictures are chosen"
            >In words</RouterLink
          >
          <RouterLink
            class="link also"
            :to="{ name: 'contact' }"
            title="All pictures of the film at once (C)"
            >Contact sheet</RouterLink
          >
          <button
            class="plain"
            aria-label="F2: all commands"
            title="All commands (F2); sheet of keys (F1)"
            @click="overRoom = 'commands'"
          >
            <kbd>F2</kbd>
          </button>
        </div>
        <TabsContent
          v-if="scene && drawn >= 1"
          :value="panel"
          class="below"
          @keydown.esc="leaveField"
        >
          <ScenePictures
            v-if="panel === 'pictures'"
            ref="candidates"
            :scene-id="scene.id"
            :number="scene.number"
            :shot="shot"
            @run="run"
            @shot="shot = $event"
          />
          <component
            :is="panels.ShotPanel"
            v-else-if="panels && panel === 'shot'"
            :number="scene.number"
            :index="shot"
            :shot="scene.shots[shot]"
            :target="target"
            :single="which === 'these' && selectedIds.length === 1"
            :seen="seen"
            :film="episode.document.transition"
            :aspect="FILM_SHAPES[shape].width / FILM_SHAPES[shape].height"
            :offers="offered.picks.map(({ item }) => item)"
            :clip-sounds="episode.data.clipSounds"
            @run="run"
            @target="which = $event"
          />
          <component
            :is="panels.LookPanel"
            v-else-if="panels && panel === 'look'"
            :index="shot"
            :shot="scene.shots[shot]"
            :scene-id="scene.id"
            :selected="selectedIds"
            :film="episode.document.grade"
            @run="run"
          />
          <component
            :is="panels.DrawnPanel"
            v-else-if="panels && panel === 'drawn'"
            :row="scene"
            @run="run"
            @see="see"
          />
          <component
            :is="panels.SceneSounds"
            v-else-if="panels && panel === 'sounds'"
            :scene-id="scene.id"
            :number="scene.number"
            @run="run"
          />
          <component
            :is="panels.ScenePanel"
            v-else-if="panels"
            :row="scene"
            :count="selectedIds.length"
            :target="target"
            @run="run"
            @target="which = $event"
          />
        </TabsContent>
        <p v-if="row?.kind === 'card'" class="soft hint">
          A card with words in place of a picture. Press Enter to word it; an empty one takes the
          film's own words.
          <button
            class="plain link"
            @click="run({ type: 'setCard', card: row.id as 'opening', set: { shown: row.hidden } })"
          >
            {{ row.hidden ? 'Show it' : 'Leave it out' }}
          </button>
        </p>
      </TabsRoot>
    </aside>
    <FilmMap
      v-if="drawn >= 2"
      class="map"
      :film="episode.film"
      :at="player.at.value"
      :selected="selectedIds"
      :flags="sheet.flags.value"
      :takes="episode.data.takes"
      @go="player.seek"
    />
    <VersionsPanel
      v-if="over === 'versions'"
      :episode-id="episode.data.id"
      @close="over = undefined"
      @restored="over = undefined"
    />
  </main>
</template>

<style scoped>
.desk {
  --screen-most: 36vh;
  display: grid;
  grid-template: minmax(0, 1fr) 74px / minmax(0, 1fr) 474px;
}
.rows {
  background: var(--paper);
  border-right: 1px solid var(--hair);
  overflow: auto;
  outline: 0;
  contain: strict;
}
.line {
  position: absolute;
  top: 0;
  left: 0;
  width: 100%;
  contain: layout style;
}
.target {
  box-shadow: 0 -2px 0 var(--blue);
}
.chapter {
  font-size: 17px;
  font-weight: 600;
  padding: 16px 20px 4px 84px;
  display: flex;
  align-items: center;
  gap: 14px;
  cursor: pointer;
}
.chapter::after {
  content: '';
  flex: 1;
  border-top: 1px solid var(--hair);
}
.empty {
  padding: 60px 84px;
  font-size: 20px;
}
aside {
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: hidden;
  contain: strict;
}
aside > * {
  flex: none;
}
aside > .panels {
  flex: 1;
  min-height: 160px;
  display: flex;
  flex-direction: column;
}
.below {
  flex: 1;
  min-height: 120px;
  overflow: auto;
}
.names {
  display: flex;
  gap: 10px;
}
.refused {
  padding: 7px 16px;
  border-bottom: 1px solid var(--hair);
}
.refused button {
  border-bottom: 1px solid currentColor;
  margin-left: 8px;
}
.remarks {
  margin: 0;
  padding: 8px 16px 8px 32px;
  border-bottom: 1px solid var(--hair);
}
.tabs {
  display: flex;
  gap: 9px;
  font-size: 13.5px;
  white-space: nowrap;
  padding: 0 16px;
  border-bottom: 1px solid var(--hair);
}
.tabs button {
  padding: 7px 0 5px;
  border-bottom: 2px solid transparent;
  color: var(--soft);
}
.tabs [aria-selected='true'] {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--blue);
}
.tabs .also {
  align-self: center;
}
.tabs .all {
  margin-left: auto;
  align-self: center;
}
/* In a narrow window it is reached from the contact sheet and by F2. */
@media (max-width: 1420px) {
  .tabs .words {
    display: none;
  }
}
@media (max-width: 1150px) {
  .tabs {
    flex-wrap: wrap;
  }
}
kbd {
  font: 11.5px var(--mono);
  border: 1px solid var(--hair);
  padding: 0 5px;
}
.hint {
  padding: 16px;
}
.map {
  grid-column: 1 / 3;
  border-top: 1px solid var(--hair);
}
</style>
