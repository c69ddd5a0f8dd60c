<script setup lang="ts">
import { ElInput } from 'element-plus'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import type { RefusalReason } from '@tidy-reel/core/document/document'
import { certain } from '@tidy-reel/core/faults/certain'
import { clockText } from '@tidy-reel/core/time/time'
import { useEpisode } from '../episode/episode-store.ts'
import { commandsUnder, type KeyCommand } from '../keys/key-command.ts'
import { useRoomKeys } from '../keys/room-keys.ts'
import MovingThumb from '../pictures/MovingThumb.vue'
import { REASONS } from './reasons.ts'
import RefusalList from './RefusalList.vue'
import SenseList from './SenseList.vue'
import { usePickRun } from './use-pick-run.ts'

const episode = useEpisode()
const pass = usePickRun(episode)
const {
  at,
  left,
  secondsLeft,
  place,
  number,
  scene,
  before,
  after,
  offered,
  current,
  shown,
  page,
  pages,
  focus,
  found,
  problem,
} = pass
const desk = ref<HTMLElement>()
const four = ref<HTMLElement>()
const field = ref<InstanceType<typeof ElInput>>()
const asked = ref('')
const refusing = ref(false)
const total = computed(() => pass.places.value.length)
const chapter = computed(() =>
  scene.value
    ? episode.plan.chapters[
        episode.plan.scenes.find(({ id }) => id === certain(scene.value).id)?.chapter ?? -1
      ]?.title
    : undefined,
)
const SAID = { sure: 'sure', look: 'look at it', weak: 'weak' }
/** The pictures hear the keys; where there are none, the page does. */
const toKeys = () => void nextTick(() => (four.value ?? desk.value)?.focus())
onMounted(async () => {
  toKeys()
  if (episode.document.scenes.some(({ id, hidden }) => !hidden && !episode.data.candidates[id]))
    await episode.prepare()
})
/** A film that is opened here first gets its pictures while the page is already open. */
watch(
  () => Object.keys(episode.data.candidates).length,
  (now, then) => {
    if (now && !then) pass.begin()
  },
)
watch(place, () => {
  asked.value = ''
  refusing.value = false
  toKeys()
})

function refuse(reason: RefusalReason) {
  refusing.value = false
  pass.refuse(reason)
  toKeys()
}
function move(by: number) {
  focus.value = Math.min(shown.value.length - 1, Math.max(0, focus.value + by))
}
const command = commandsUnder('Pick run')
const marks = [0, 1, 2, 3]
const choosing = (): KeyCommand[] => [
  ...marks.map((n) => command(`Choose picture ${n + 1}`, [`${n + 1}`], () => pass.choose(n))),
  command('Choose the marked picture', ['Enter'], () => pass.choose(focus.value)),
  command('Mark the next picture', ['ArrowRight'], () => move(1)),
  command('Mark the picture before', ['ArrowLeft'], () => move(-1)),
  command('Leave this scene for later', ['ArrowDown'], () => pass.go(1)),
  command('Back to the scene before', ['ArrowUp'], () => pass.go(-1)),
  command('Four more pictures', [' '], () => pass.more()),
  command('Search all pictures', ['/'], () => field.value?.focus()),
  command('Turn the marked picture down', ['x'], () => (refusing.value = shown.value.length > 0)),
]
const reasons = (): KeyCommand[] => [
  command('Keep it after all', ['Escape'], () => (refusing.value = false)),
  ...REASONS.map(({ key, label, reason }) =>
    command(`Turn it down: ${label}`, [key], () => refuse(reason)),
  ),
]
useRoomKeys(() => (refusing.value ? reasons() : choosing()))
async function search() {
  await pass.search(asked.value)
  toKeys()
}
</script>

<template>
  <div ref="desk" class="run" tabindex="-1">
    <main v-if="scene">
      <section class="words">
        <p class="soft line">{{ before?.text }}</p>
        <p class="serif now">
          <span class="mono">{{ number + 1 }}</span>{{ scene.text }}
        </p>
        <p class="soft line">{{ after?.text }}</p>
      </section>
      <p v-if="problem" class="red" role="alert">{{ problem }}</p>
      <p v-if="!shown.length && !problem" class="soft none">
        {{
          episode.preparing && episode.preparing.step !== 'done'
            ? 'Looking for pictures …'
            : 'Nothing is left to offer. Search with /, or go on with ↓.'
        }}
      </p>
      <div
        v-if="shown.length"
        ref="four"
        class="four"
        role="listbox"
        tabindex="0"
        :aria-label="`Pictures offered for scene ${number + 1}`"
        :aria-activedescendant="`offer-${focus}`"
        data-room-keys
      >
        <div
          v-for="(pick, i) in shown"
          :id="`offer-${i}`"
          :key="pick.item.id"
          class="offer"
          role="option"
          :aria-selected="i === focus"
          :class="{ focus: i === focus }"
          @mouseenter="focus = i"
          @click="pass.choose(i)"
        >
          <MovingThumb
            class="frame"
            :item="pick.item"
            :moving="true"
            :after="i === focus ? 350 : 900"
          />
          <span class="key mono">{{ i + 1 }}</span>
          <span class="name"
            ><b v-if="pick.item.id === current?.id">There now: </b>{{ pick.item.title }}</span
          >
          <span class="soft why"
            ><i v-if="!pick.found" :class="pick.sure">{{ SAID[pick.sure] }}</i
            >{{ pick.why
            }}<template v-if="pick.item.seconds">
              · clip {{ pick.item.seconds.toFixed(1) }} s</template
            ></span
          >
        </div>
      </div>
      <footer v-if="refusing" class="reasons" role="group" aria-label="Why not this one?">
        <span>Why not “{{ shown[focus]?.item.title }}”?</span>
        <button
          v-for="each in REASONS"
          :key="each.reason"
          class="plain"
          @click="refuse(each.reason)"
        >
          <kbd>{{ each.key.toUpperCase() }}</kbd>{{ each.label }}
        </button>
        <button class="plain soft" @click="((refusing = false), toKeys())">
          <kbd>Esc</kbd>keep it
        </button>
      </footer>
      <footer v-else>
        <form @submit.prevent="search">
          <ElInput
            ref="field"
            v-model="asked"
            clearable
            placeholder="Search all pictures"
            aria-label="Search pictures"
            @clear="search"
            @keydown.esc="toKeys"
          />
        </form>
        <span class="keys soft"
          ><kbd>1</kbd>–<kbd>4</kbd> choose <kbd>Enter</kbd> the marked one <kbd>Space</kbd> four
          more<template v-if="pages > 1"> ({{ page + 1 }} of {{ pages }})</template>
          <kbd>X</kbd> turn down <kbd>/</kbd> search <kbd>↓</kbd> later</span
        >
      </footer>
    </main>
    <main v-else class="end">
      <p class="serif now">
        {{
          total
            ? 'Every picture has been looked at.'
            : 'Nothing is left to choose: a person has chosen every picture.'
        }}
      </p>
      <p><RouterLink class="link" :to="{ name: 'sheet' }">Back to the sheet</RouterLink></p>
    </main>
    <aside>
      <section>
        <p class="count serif">
          {{ left }} <span class="soft">of {{ total }} to look at</span>
        </p>
        <p class="mono">
          {{
            secondsLeft === undefined ? 'weak ones first' : `about ${clockText(secondsLeft)} left`
          }}
        </p>
        <div class="bar"><i :style="{ width: `${total ? (at / total) * 100 : 100}%` }" /></div>
        <p v-if="chapter" class="soft">{{ chapter }}</p>
      </section>
      <SenseList
        v-if="offered.meanings.length && !found"
        :meanings="offered.meanings"
        :pinned="episode.document.matching.senses"
        @pin="(noun, sense) => (episode.run({ type: 'pinSense', noun, sense }), toKeys())"
      />
      <RefusalList
        v-if="episode.document.matching.refusals.length"
        :refusals="episode.document.matching.refusals"
        @back="(item) => (episode.run({ type: 'refusePicture', item, refusal: null }), toKeys())"
      />
      <p class="out">
        <RouterLink class="link" :to="{ name: 'sheet' }">Back to the sheet</RouterLink>
      </p>
    </aside>
  </div>
</template>

<style scoped>
.run {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 288px;
  outline: none;
  min-height: 0;
}
main {
  display: grid;
  grid-template: auto auto minmax(0, 1fr) auto / minmax(0, 1fr);
  gap: 10px;
  padding: 16px 28px 12px;
  min-height: 0;
}
.words {
  display: grid;
  gap: 3px;
  max-width: 900px;
}
.line {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  min-height: 21px;
}
.now {
  font-size: 27px;
  line-height: 1.22;
  text-wrap: pretty;
}
.now .mono {
  margin-right: 12px;
  vertical-align: 4px;
}
.none {
  grid-row: 3;
  align-self: center;
  text-align: center;
  font-size: 17px;
}
.four {
  grid-row: 3;
  padding: 3px;
  display: grid;
  grid-template: minmax(0, 1fr) minmax(0, 1fr) / minmax(0, 1fr) minmax(0, 1fr);
  gap: 10px 18px;
  min-height: 0;
}
.offer {
  min-height: 0;
  position: relative;
  display: grid;
  grid-template: minmax(0, 1fr) auto auto / minmax(0, 1fr);
  cursor: pointer;
}
.frame {
  min-height: 0;
}
.focus .frame {
  outline: 3px solid var(--blue);
}
.key {
  position: absolute;
  left: 0;
  top: 0;
  background: var(--paper);
  color: var(--ink);
  padding: 3px 9px;
  font-size: 14px;
}
.name {
  margin-top: 4px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.why {
  font-size: 13px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.why i {
  font-style: normal;
  margin-right: 8px;
  color: var(--ink);
}
.why .weak {
  color: var(--red);
}
.why i::after {
  content: ' ·';
  color: var(--soft);
}
footer {
  grid-row: 4;
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 36px;
  border-top: 1px solid var(--hair);
  padding-top: 8px;
}
footer form {
  width: 210px;
}
.keys {
  font-size: 13px;
  white-space: nowrap;
}
.reasons {
  gap: 12px;
}
.reasons button {
  white-space: nowrap;
}
.reasons kbd {
  margin-left: 0;
}
.reasons span {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
kbd {
  font: 12px var(--mono);
  border: 1px solid var(--hair);
  padding: 1px 5px;
  margin: 0 6px 0 8px;
  background: var(--paper);
  color: var(--ink);
}
.end {
  place-content: center;
  text-align: center;
  grid-template: auto auto / auto;
}
aside {
  border-left: 1px solid var(--hair);
  background: var(--paper);
  padding: 18px 20px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 22px;
  align-content: start;
  overflow: auto;
  min-height: 0;
}
aside section {
  display: grid;
  gap: 6px;
}
.count {
  font-size: 30px;
  line-height: 1;
}
.count span {
  font: 15px var(--sans);
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
.out {
  border-top: 1px solid var(--hair);
  padding-top: 14px;
}
</style>
