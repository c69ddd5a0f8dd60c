<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ElButton, ElInput } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'
import { clockText } from '@tidy-reel/core/time/time'
import { MOST_FOUND, type PictureView, type Shelf } from '@tidy-reel/core/views/library'
import { libraryApi } from '../api/library.ts'
import ChannelHeader from '../channel/ChannelHeader.vue'
import UndoLine from '../controls/UndoLine.vue'
import { commandsUnder } from '../keys/key-command.ts'
import { useRoomKeys } from '../keys/room-keys.ts'
import ChipList from '../pictures/ChipList.vue'
import FilterButton from '../pictures/FilterButton.vue'
import { chipsOf } from '../pictures/filters.ts'
import PictureDetails from './PictureDetails.vue'
import PictureGrid from './PictureGrid.vue'
import { chosenFiles, droppedFiles, useBringing } from './use-bringing.ts'
import { pictureAt, useLibrary } from './use-library.ts'

const SHELVES: readonly (readonly [shelf: Shelf, label: string, empty: string])[] = [
  [
    'all',
    'Everything',
    'Nothing is here yet. Drop pictures, clips or a whole folder onto this page; what you ' +
      'choose for a film comes here by itself.',
  ],
  [
    'own',
    'Own files',
    'Drop pictures, clips or a whole folder onto this page. What they carry with them (title, words, author) is read.',
  ],
  ['made', 'Made', 'Pictures the picture maker painted for your films will be here.'],
  ['favourites', 'Favourites', 'Mark a picture with the star beside the sheet, or here.'],
  ['recent', 'Recently chosen', 'Pictures you choose for films will be here, the newest first.'],
  ['untagged', 'Without words', 'Every file has words. Matching finds them all.'],
  ['alike', 'Look the same', 'No two pictures look the same.'],
  [
    'refused',
    'Turned down',
    'Pictures turned down in a film as ugly, or not your style, will be here: no later film ' +
      'is offered them, nor much of the same hand.',
  ],
]
/** So many problems are shown without being asked for. */
const FEW = 3
const library = useLibrary()
const { shelf, collection, words, filter, count, pages, collections, problem } = library
/** What was taken out last, to be put back. */
const removed = ref<string[]>([])
const removedSaid = computed(() =>
  removed.value.length === 1
    ? 'A picture is out of the library; films that show it go on.'
    : `${removed.value.length} pictures are out of the library; films that show them go on.`,
)
const bringing = useBringing(() => {
  void library.reload()
})
const asked = ref('')
const at = ref(-1)
const columns = ref(1)
/** Ids of those that are selected, with their faces. */
const selected = ref(new Map<string, PictureView>())
const details = ref<InstanceType<typeof PictureDetails>>()
const files = ref<HTMLInputElement>()
const folder = ref<HTMLInputElement>()
const over = ref(false)
const chosen = computed(() => [...selected.value.values()])
const ids = computed(() => [...selected.value.keys()])
const search = useDebounceFn(() => (words.value = asked.value), 200)
onMounted(() => {
  void library.reload()
  void library.loadCollections()
})
watch([shelf, collection, words, filter], () => {
  at.value = -1
  selected.value = new Map()
})

function pick(place: number, extend: 'one' | 'more' | 'range' = 'one') {
  const picture = pictureAt(pages.value, place)
  if (!picture) return
  const next = extend === 'one' ? new Map<string, PictureView>() : new Map(selected.value)
  const range =
    extend === 'range' && at.value >= 0
      ? ([Math.min(at.value, place), Math.max(at.value, place)] as const)
      : undefined
  if (range) {
    for (let i = range[0]; i <= range[1]; i++) {
      const each = pictureAt(pages.value, i)
      if (each) next.set(each.item.id, each)
    }
  } else if (extend === 'more' && next.has(picture.item.id)) next.delete(picture.item.id)
  else next.set(picture.item.id, picture)
  selected.value = next
  at.value = place
}
function press(place: number, event: MouseEvent) {
  const more = event.ctrlKey || event.metaKey ? 'more' : 'one'
  return pick(place, event.shiftKey ? 'range' : more)
}
const move = (by: number) => () =>
  pick(Math.min((count.value ?? 1) - 1, Math.max(0, at.value + by)))
const command = commandsUnder('Library')
useRoomKeys(() => [
  command('Next picture', ['ArrowRight'], move(1)),
  command('Picture before', ['ArrowLeft'], move(-1)),
  command('Picture below', ['ArrowDown'], move(columns.value)),
  command('Picture above', ['ArrowUp'], move(-columns.value)),
  command('Write tags', ['t'], () => details.value?.write()),
  command(
    'Favourite, or none any more',
    ['f'],
    () => chosen.value.length && favour(!chosen.value.every(({ favourite }) => favourite)),
  ),
])

/** Shows a change at once, in the grid and beside it. */
function face(change: (picture: PictureView) => PictureView) {
  for (const picture of chosen.value) {
    const changed = change(picture)
    selected.value.set(picture.item.id, changed)
    library.replace(changed)
  }
  selected.value = new Map(selected.value)
}
async function trying(run: () => Promise<unknown>) {
  try {
    await run()
  } catch (cause) {
    problem.value = (cause as Error).message
    void library.reload()
  }
}
function tag(add: string[], remove: string[]) {
  const now = ids.value
  face((picture) => ({
    ...picture,
    item: {
      ...picture.item,
      tags: [...new Set([...picture.item.tags, ...add])].filter((word) => !remove.includes(word)),
    },
  }))
  void trying(() => libraryApi.tagPictures(now, add, remove))
}
function describe(said: Parameters<typeof libraryApi.describePicture>[1]) {
  const [id] = ids.value
  if (id)
    void trying(async () => {
      const picture = await libraryApi.describePicture(id, said)
      if (selected.value.has(id)) face(() => picture)
    })
}
function collect(name: string, inside: boolean) {
  const now = ids.value
  face((picture) => ({
    ...picture,
    collections: [...new Set([...picture.collections, ...(inside ? [name] : [])])]
      .filter((known) => inside || known !== name)
      .sort(),
  }))
  void trying(async () => {
    await libraryApi.collect(now, name, inside)
    await library.loadCollections()
  })
}
function favour(favourite: boolean) {
  const items = chosen.value.map(({ item }) => item)
  face((picture) => ({ ...picture, favourite }))
  void trying(() => Promise.all(items.map((item) => libraryApi.setFavourite(item, favourite))))
}
function wantAgain() {
  const items = chosen.value.map(({ item }) => item)
  void trying(async () => {
    await Promise.all(items.map((item) => libraryApi.refuseForChannel(item, null)))
    await library.reload()
  })
}
async function remove() {
  const now = ids.value
  selected.value = new Map()
  await trying(async () => {
    await libraryApi.removePictures(now, true)
    removed.value = now
  })
  void library.reload()
}
async function putBack() {
  const now = removed.value
  removed.value = []
  await trying(() => libraryApi.removePictures(now, false))
  void library.reload()
}
async function drop(event: DragEvent) {
  over.value = false
  if (event.dataTransfer?.items.length)
    void bringing.bring(await droppedFiles(event.dataTransfer.items))
}
function chose(event: Event) {
  const input = event.target as HTMLInputElement
  if (input.files) void bringing.bring(chosenFiles(input.files))
  input.value = ''
}
function go(to: Shelf, name?: string) {
  shelf.value = to
  collection.value = name
}
</script>

<template>
  <div
    class="room"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave.self="over = false"
    @drop.prevent="drop"
  >
    <ChannelHeader
      ><ElButton @click="folder?.click()">Bring a folder</ElButton
      ><ElButton type="primary" @click="files?.click()">Bring files</ElButton></ChannelHeader
    >
    <div class="desk">
      <nav aria-label="Parts of the library">
        <button
          v-for="[name, label] in SHELVES"
          :key="name"
          class="plain"
          :aria-current="shelf === name && !collection"
          @click="go(name)"
        >
          {{ label }}
        </button>
        <h2 v-if="collections.length" class="soft">Collections</h2>
        <button
          v-for="{ name, pictures: many } in collections"
          :key="name"
          class="plain"
          :aria-current="collection === name"
          @click="go('all', name)"
        >
          {{ name }} <span class="soft">{{ many }}</span>
        </button>
        <a
          v-if="count"
          class="list link"
          :href="libraryApi.libraryList"
          download
          title="All pictures with their words, as CSV. Changed in a spreadsheet and dropped here, it describes them"
          >As a list</a
        >
      </nav>
      <main>
        <h1 class="hidden">Library</h1>
        <input
          ref="files"
          class="hidden"
          type="file"
          multiple
          accept="image/*,video/*,.xmp,.csv,.json"
          tabindex="-1"
          aria-label="Bring files"
          @change="chose"
        />
        <input
          ref="folder"
          class="hidden"
          type="file"
          webkitdirectory
          tabindex="-1"
          aria-label="Bring a folder"
          @change="chose"
        />
        <div class="asked">
          <ElInput
            v-model="asked"
            clearable
            placeholder="Search the library"
            aria-label="Search the library"
            @input="search"
          />
          <ChipList
            :chips="chipsOf(filter).map(({ key, said }) => ({ id: key, said }))"
            about="Filters"
            @remove="(key) => (filter = { ...filter, [key]: undefined })"
          />
          <FilterButton :filter="filter" @change="filter = $event" />
          <span class="soft many">{{
            count === undefined
              ? ''
              : words && count >= MOST_FOUND
                ? `the best ${MOST_FOUND} pictures`
                : `${count.toLocaleString('en-GB')} ${count === 1 ? 'picture' : 'pictures'}`
          }}</span>
        </div>
        <div
          v-if="bringing.busy.value || bringing.failed.value || bringing.told.value.length"
          class="bringing"
          role="status"
        >
          <p v-if="bringing.busy.value">
            <span
              >{{ bringing.done.value.toLocaleString('en-GB') }} of
              {{ bringing.all.value.toLocaleString('en-GB') }} files<template
                v-if="bringing.secondsLeft.value"
                >, about {{ clockText(bringing.secondsLeft.value) }} left</template
              ></span
            ><button class="plain link" @click="bringing.stop()">Stop</button>
          </p>
          <p v-else>
            <span
              >{{ bringing.taken.value.toLocaleString('en-GB') }}
              {{ bringing.taken.value === 1 ? 'file' : 'files' }} brought<template
                v-if="bringing.stopped.value"
                >, the rest left</template
              >.</span
            ><button class="plain link" @click="bringing.forget">Close</button>
          </p>
          <div v-if="bringing.busy.value" class="bar">
            <i :style="{ width: `${bringing.share.value * 100}%` }" />
          </div>
          <p v-for="said in bringing.told.value" :key="said">{{ said }}</p>
          <details v-if="bringing.failed.value" class="red" :open="bringing.failed.value <= FEW">
            <summary>
              {{ bringing.failed.value.toLocaleString('en-GB') }}
              {{ bringing.failed.value === 1 ? 'file' : 'files' }} could not be used
            </summary>
            <ul>
              <li v-for="(said, i) in bringing.problems.value" :key="i">{{ said }}</li>
            </ul>
          </details>
        </div>
        <UndoLine
          v-if="removed.length"
          :key="removed.join(' ')"
          :said="removedSaid"
          action="Put back"
          @undo="putBack"
        />
        <p v-if="problem" class="red" role="alert">{{ problem }}</p>
        <p v-else-if="count === 0" class="empty serif">
          {{
            words || Object.keys(filter).length
              ? 'Nothing in the library is like that.'
              : (SHELVES.find(([name]) => name === shelf)?.[2] ?? '')
          }}
        </p>
        <PictureGrid
          v-if="count"
          :count="count"
          :pages="pages"
          :selected="new Set(ids)"
          :at="at"
          @need="library.need"
          @press="press"
          @columns="columns = $event"
        />
      </main>
      <PictureDetails
        v-if="chosen.length"
        ref="details"
        :pictures="chosen"
        :collections="collections"
        @tag="tag"
        @describe="describe"
        @collect="collect"
        @favour="favour"
        @remove="remove"
        @wanted="wantAgain"
        @next="move(1)()"
        @show="(title) => (asked = words = title)"
      />
    </div>
  </div>
</template>

<style scoped>
.room {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  height: 100vh;
  padding: 0;
}
.room > :first-child {
  padding: 0 28px;
}
.over {
  box-shadow: inset 0 0 0 4px var(--blue);
}
.desk {
  display: grid;
  grid-template-columns: 176px minmax(0, 1fr) auto;
  min-height: 0;
}
.desk > :nth-child(3) {
  width: 320px;
}
nav {
  border-right: 1px solid var(--hair);
  padding: 18px 20px 18px 28px;
  display: grid;
  gap: 9px;
  align-content: start;
  overflow: auto;
}
.list {
  margin-top: 14px;
  justify-self: start;
}
nav h2 {
  font-size: 13.5px;
  margin-top: 12px;
}
nav [aria-current='true'] {
  font-weight: 600;
  box-shadow:
    -3px 0 0 var(--paper),
    -6px 0 0 var(--blue);
}
main {
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
  min-height: 0;
  padding: 14px 20px 0;
  gap: 12px;
  background: var(--paper);
}
.asked {
  display: flex;
  gap: 14px;
  align-items: center;
}
.asked .el-input {
  width: 260px;
}
.many {
  margin-left: auto;
}
.bringing {
  border: 1px solid var(--hair);
  padding: 8px 12px;
  display: grid;
  gap: 6px;
  max-height: 180px;
  overflow: auto;
}
.bringing p {
  display: flex;
  gap: 14px;
}
.bringing ul {
  margin: 0;
  padding-left: 18px;
  font-size: 13.5px;
}
.bar {
  height: 4px;
  background: var(--deep);
}
.bar i {
  display: block;
  height: 100%;
  background: var(--ink);
}
.grid {
  grid-row: 3;
}
.empty {
  grid-row: 3;
  font-size: 20px;
  max-width: 560px;
  padding: 60px 20px;
}
</style>
