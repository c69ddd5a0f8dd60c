<script setup lang="ts">
import { Sparkle, Star } from 'lucide-vue-next'
import { computed, onMounted, ref, watch } from 'vue'
import type { Making, Shot } from '@tidy-reel/core/document/document'
import type { OfferedPicture as Candidate } from '@tidy-reel/core/match/pick'
import type { ChosenItem, Item } from '@tidy-reel/core/pictures/item'
import type { SearchWord } from '@tidy-reel/core/words/search-words'
import { laterPart } from '../controls/later-part.ts'
import FilterButton from '../pictures/FilterButton.vue'
import { chipsOf } from '../pictures/filters.ts'
import MovingThumb from '../pictures/MovingThumb.vue'
import { type CandidatePlace, useCandidates } from './use-candidates.ts'

/** Fetched when it is opened. */
const MakePanel = laterPart(() => import('./MakePanel.vue'))
const props = defineProps<{
  sceneId: string
  number: number
  shot: number
  shots: readonly Shot[]
  /** The picture of the scene before, where it goes on here. */
  goesOn?: ChosenItem | null | undefined
  candidates: readonly Candidate[]
  words: readonly SearchWord[]
  numbers: readonly string[]
  lettered: string
  film: readonly Item[]
  description: string
  making: Making
}>()
const emit = defineEmits<{
  choose: [item: Item]
  lay: [items: Item[]]
  own: []
  shot: [index: number]
  making: [set: Partial<Making>]
  letter: [words: string | null]
}>()
const PLACES: readonly (readonly [place: CandidatePlace, label: string])[] = [
  ['found', 'Found'],
  ['favourites', 'Favourites'],
  ['recent', 'Recent'],
  ['film', 'In this film'],
  ['make', 'Make'],
]
const ORDINAL = ['first', 'second', 'third', 'fourth']
const SAID = { sure: 'sure', look: 'look at it', weak: 'weak' }

const offer = useCandidates(
  () => ({ id: props.sceneId, words: props.words, picks: props.candidates }),
  () => props.film,
)
const { place, words: sought, chips, filter, shown, remarks, more, busy, favourites } = offer
const field = ref<HTMLInputElement>()
const typed = ref('')
/** Which is under the pointer, and which are held to be laid on the scene together. */
const over = ref('')
const held = ref<Item[]>([])
const chosen = computed(() => (props.goesOn ?? props.shots[props.shot]?.item)?.id)
const filters = computed(() => chipsOf(filter.value))
onMounted(() => void offer.loadFavourites())
watch(
  () => props.sceneId,
  () => {
    typed.value = ''
    held.value = []
  },
)

function add() {
  if (!typed.value.trim()) return
  offer.search([...(sought.value ?? []), typed.value])
  typed.value = ''
}
function hold(item: Item) {
  held.value = held.value.some(({ id }) => id === item.id)
    ? held.value.filter(({ id }) => id !== item.id)
    : [...held.value, item]
}
function press(event: MouseEvent, item: Item) {
  if (event.shiftKey || event.ctrlKey || event.metaKey || held.value.length) hold(item)
  else emit('choose', item)
}
function lay() {
  emit('lay', held.value)
  held.value = []
}
function backspace() {
  if (!typed.value && sought.value) offer.search(sought.value.slice(0, -1))
}
function lift(event: DragEvent, item: Item) {
  event.dataTransfer!.setData('application/x-tidy-item', JSON.stringify(item))
  event.dataTransfer!.effectAllowed = 'copy'
}
/** Looks for words, or waits for them in the field. */
function look(asked?: string) {
  if (asked) return offer.search([asked])
  place.value = 'found'
  field.value?.focus()
}
defineExpose({ look })
</script>

<template>
  <section class="panel" aria-label="Pictures for this scene">
    <header>
      <h2 class="serif">
        Scene {{ number
        }}<template v-if="shots.length > 1">, {{ ORDINAL[shot] ?? `${shot + 1}.` }}</template>
      </h2>
      <span v-if="shots.length > 1" class="shots"
        ><button
          v-for="(_, i) in shots"
          :key="i"
          class="plain"
          :class="{ on: i === shot }"
          :aria-label="`Picture ${i + 1}`"
          @click="emit('shot', i)"
        >
          {{ i + 1 }}
        </button></span
      >
      <nav aria-label="Where pictures come from">
        <button
          v-for="[name, label] in PLACES"
          :key="name"
          class="plain"
          :aria-pressed="place === name"
          @click="place = name"
        >
          {{ label }}
        </button>
      </nav>
    </header>
    <p v-if="goesOn" class="soft">
      The picture before goes on here.
      <button class="plain link" title="O" @click="emit('own')">Show its own</button>
    </p>
    <MakePanel
      v-if="place === 'make'"
      :key="sceneId"
      :description="description"
      :making="making"
      :chosen="chosen"
      @choose="emit('choose', $event)"
      @making="emit('making', $event)"
    />
    <template v-else>
      <div v-if="place !== 'film'" class="asked">
        <form @submit.prevent="add">
          <button
            v-for="(word, i) in chips"
            :key="word"
            type="button"
            class="plain chip"
            :class="{ offered: !sought }"
            :title="sought ? `Without “${word}”` : `Look for “${word}” alone`"
            @click="offer.search(sought ? sought.filter((_, at) => at !== i) : [word])"
          >
            {{ word }}<span v-if="sought" aria-hidden="true"> ×</span>
          </button>
          <button
            v-for="{ key, said } in filters"
            :key="key"
            type="button"
            class="plain chip"
            :title="`Not only ${said}`"
            @click="offer.setFilter({ ...filter, [key]: undefined })"
          >
            {{ said }}<span aria-hidden="true"> ×</span>
          </button>
          <input
            ref="field"
            v-model="typed"
            :placeholder="sought ? 'and …' : 'Search all pictures'"
            aria-label="Search pictures"
            @keydown.backspace="backspace"
          />
        </form>
        <button
          v-if="sought && place === 'found'"
          class="plain link"
          title="Back to what was matched"
          @click="offer.search(undefined)"
        >
          Matched
        </button>
        <FilterButton :filter="filter" @change="offer.setFilter" />
      </div>
      <p v-if="place === 'found' && !sought && numbers.length" class="soft worth">
        Worth showing in words:
        <button
          v-for="figure in numbers"
          :key="figure"
          class="plain chip"
          :aria-pressed="lettered === figure"
          :title="
            lettered === figure ? 'Take it off the picture' : `Show “${figure}” on the picture`
          "
          @click="emit('letter', lettered === figure ? null : figure)"
        >
          {{ figure }}
        </button>
      </p>
      <p v-for="remark in remarks" :key="remark" class="red" role="alert">{{ remark }}</p>
      <p v-if="!shown.length && !busy" class="soft none">
        <template v-if="place === 'favourites'"
          >Nothing is marked yet. The star on a picture keeps it here, and matching looks among
          them.</template
        >
        <template v-else-if="place === 'recent'"
          >Pictures you choose, in this film and in others, will be here.</template
        >
        <template v-else-if="place === 'film'">This film has no pictures yet.</template>
        <template v-else>{{
          sought
            ? `Nothing for “${sought.join(' ')}”. Try a plainer word.`
            : 'Pictures will be here when they have been looked for.'
        }}</template>
      </p>
      <ul>
        <li
          v-for="({ item, why, sure }, i) in shown"
          :key="item.id"
          @mouseenter="over = item.id"
          @mouseleave="over = ''"
        >
          <button
            class="plain pick"
            draggable="true"
            :title="`${item.title}: choose it, or drag it onto a picture; with Shift, hold it`"
            :aria-pressed="item.id === chosen || held.some(({ id }) => id === item.id)"
            @dragstart="lift($event, item)"
            @click="press($event, item)"
          >
            <MovingThumb class="frame" :item="item" :moving="over === item.id" />
            <span v-if="!sought && place === 'found' && i < 4" class="key">{{ i + 1 }}</span>
            <span v-if="item.kind === 'clip'" class="seconds mono"
              >{{ item.seconds?.toFixed(1) }} s</span
            >
            <span class="name">{{ item.title }}</span>
            <span class="soft why"
              ><i v-if="sure" :class="sure">{{ SAID[sure] }} · </i>{{ why }}</span
            >
          </button>
          <span class="acts" :class="{ open: over === item.id }">
            <button
              class="plain"
              :aria-pressed="favourites.has(item.id)"
              :aria-label="
                favourites.has(item.id)
                  ? `No favourite any more: ${item.title}`
                  : `Favourite: ${item.title}`
              "
              title="Favourite"
              @click="offer.favour(item)"
            >
              <Star :size="14" :fill="favourites.has(item.id) ? 'currentColor' : 'none'" />
            </button>
            <button
              class="plain"
              :aria-label="`More like ${item.title}`"
              title="More like this"
              @click="offer.search([item.title])"
            >
              <Sparkle :size="14" />
            </button>
            <button
              class="plain"
              :aria-pressed="held.some(({ id }) => id === item.id)"
              :aria-label="`Hold ${item.title}`"
              title="Hold, to lay several on the scene"
              @click="hold(item)"
            >
              +
            </button>
          </span>
        </li>
      </ul>
      <p v-if="more" class="soft">
        <button class="plain link" :disabled="busy" @click="offer.next()">
          {{ busy ? 'Looking …' : 'More pictures' }}
        </button>
      </p>
    </template>
    <footer v-if="held.length" class="held">
      <span>{{ held.length }} {{ held.length === 1 ? 'picture' : 'pictures' }} held</span>
      <button class="plain link" @click="lay">
        Lay {{ held.length === 1 ? 'it' : 'them' }} on the scene
      </button>
      <button class="plain link" @click="held = []">Let go</button>
    </footer>
  </section>
</template>

<style scoped>
.panel {
  padding: 9px 16px 8px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  align-content: start;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
}
h2 {
  font-size: 17px;
  font-weight: 600;
  white-space: nowrap;
}
.shots {
  display: flex;
  gap: 6px;
}
.shots button {
  padding: 0 5px;
  font: 13px var(--mono);
}
.on {
  box-shadow: 0 2px 0 var(--blue);
}
nav {
  margin-left: auto;
  display: flex;
  gap: 12px;
  font-size: 13.5px;
  white-space: nowrap;
}
nav button {
  color: var(--soft);
}
nav [aria-pressed='true'] {
  color: var(--ink);
  box-shadow: 0 2px 0 var(--blue);
}
.asked {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
form {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 6px;
  border: 1px solid var(--hair);
  background: var(--paper);
  padding: 3px 6px;
}
form:focus-within {
  box-shadow: 0 0 0 2px var(--blue) inset;
}
.chip {
  border: 1px solid var(--hair);
  background: var(--ground);
  font-size: 13.5px;
  line-height: 22px;
  padding: 0 6px;
  white-space: nowrap;
  max-width: 160px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.worth {
  font-size: 13px;
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.worth [aria-pressed='true'] {
  border-color: var(--blue);
  box-shadow: 0 0 0 1px var(--blue) inset;
}
.offered {
  border-color: transparent;
  border-bottom-color: var(--blue);
  background: none;
  padding: 0 2px;
}
input {
  flex: 1;
  min-width: 118px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-size: 14.5px;
  line-height: 24px;
  padding: 0 2px;
  outline: none;
}
input::placeholder {
  color: var(--soft);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
}
li {
  position: relative;
  min-width: 0;
}
.pick {
  display: grid;
  width: 100%;
  position: relative;
}
.frame {
  width: 100%;
  aspect-ratio: 16 / 6.1;
}
.pick[aria-pressed='true'] .frame {
  outline: 2px solid var(--blue);
  outline-offset: 1px;
}
.key {
  position: absolute;
  left: 0;
  top: 0;
  background: var(--paper);
  color: var(--ink);
  font: 12px/20px var(--mono);
  width: 20px;
  text-align: center;
}
.seconds {
  position: absolute;
  right: 0;
  top: 0;
  background: var(--paper);
  padding: 0 5px;
  font-size: 11.5px;
  line-height: 18px;
}
.name {
  font-size: 14px;
  line-height: 1.25;
  margin-top: 4px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.why {
  font-size: 12.5px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.why i {
  font-style: normal;
  color: var(--ink);
}
.why .weak {
  color: var(--red);
}
.acts {
  position: absolute;
  right: 0;
  top: 20px;
  display: flex;
  flex-direction: column;
  background: var(--paper);
  opacity: 0;
}
.acts.open,
.acts:focus-within {
  opacity: 1;
}
.acts button {
  width: 24px;
  height: 22px;
  display: grid;
  place-content: center;
}
.acts [aria-pressed='true'] {
  color: var(--blue);
}
.held {
  position: sticky;
  bottom: -8px;
  background: var(--paper);
  border-top: 1px solid var(--ink);
  display: flex;
  gap: 16px;
  padding: 8px;
}
</style>
