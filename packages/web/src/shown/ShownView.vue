<script setup lang="ts">
import { ElButton } from 'element-plus'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useEpisode } from '../episode/episode-store.ts'
import { commandsUnder } from '../keys/key-command.ts'
import { useRoomKeys } from '../keys/room-keys.ts'
import WriterChoice from '../script/writing/WriterChoice.vue'
import { shownRows } from './shown-rows.ts'
import ShownLine from './ShownLine.vue'
import { useDepictions } from './use-depictions.ts'

const props = defineProps<{ id: string }>()
const episode = useEpisode()
const { read, problem, limits, asking, ask, stop } = useDepictions(
  () => props.id,
  () => episode.document.script,
)
const rows = computed(() => shownRows(episode.document, episode.parsed, read.value))
const service = ref<string>()
const list = ref<HTMLElement>()
const at = ref(0)
const current = computed(() => rows.value[at.value])
onMounted(() => {
  at.value = Math.max(
    0,
    rows.value.findIndex(({ id }) => id === episode.selected),
  )
  toKeys()
})
const toKeys = () => list.value?.focus({ preventScroll: true })
watch(current, async (now) => {
  if (now) episode.selected = now.id
  await nextTick()
  list.value?.querySelector('.on')?.scrollIntoView({ block: 'nearest' })
})

/** How many scenes show what a person wrote, and how many have nothing of their own to show. */
const told = computed(() => {
  const asked = rows.value.filter((row) => row.asked).length
  const around = rows.value.filter((row) => !row.asked && row.read?.from === 'around').length
  return [
    asked ? `${asked} as you wrote` : '',
    around === 1 ? '1 shows nothing of its own' : '',
    around > 1 ? `${around} show nothing of their own` : '',
  ].filter(Boolean)
})
const offers = computed(() => rows.value.filter(({ offered }) => offered))
const finding = computed(() => offers.value.filter(({ offered }) => offered?.finds))

const write = (sceneId: string, text: string) =>
  episode.run({ type: 'adjustScenes', target: [sceneId], set: { picture: text || null } })
const take = (ids: string[]) => ids.length && episode.run({ type: 'takeDepictions', sceneIds: ids })
function leave(ids: string[]) {
  const leaving = rows.value.filter(({ id }) => ids.includes(id))
  if (!leaving.length) return
  episode.run({
    type: 'offerDepictions',
    scenes: leaving.map(({ id, text }) => ({ sceneId: id, text, depiction: null })),
  })
}
const ofCurrent = () => (current.value?.offered ? [current.value.id] : [])
const move = (by: number) => () =>
  (at.value = Math.min(rows.value.length - 1, Math.max(0, at.value + by)))
/** To the next scene for which something is offered. */
function nextOffer() {
  const next = rows.value.findIndex(({ offered }, i) => i > at.value && offered)
  at.value = next < 0 ? rows.value.findIndex(({ offered }) => offered) : next
}
/** Out of the field, which hands over what it holds, and on. */
function written({ target }: KeyboardEvent, on: 0 | 1) {
  if (!(target instanceof HTMLInputElement)) return
  toKeys()
  move(on)()
}
const field = () => list.value?.querySelector<HTMLElement>('.on input')
const command = commandsUnder('What is shown')
useRoomKeys(() => [
  command('Next scene', ['ArrowDown'], move(1)),
  command('Scene before', ['ArrowUp'], move(-1)),
  command('Write what this scene shows', ['Enter'], () => field()?.focus()),
  command('Take what is offered', ['t'], () => take(ofCurrent())),
  command('Leave what is offered', ['l'], () => leave(ofCurrent())),
  command('Next scene with an offer', ['n'], nextOffer),
])
</script>

<template>
  <main class="shown">
    <div class="head">
      <b class="serif">What the film shows</b>
      <span class="soft told">{{ told.join(' · ') }}</span>
      <template v-if="offers.length">
        <ElButton size="small" @click="take(finding.map(({ id }) => id))"
          >Take all {{ finding.length }} that find pictures</ElButton
        >
        <ElButton size="small" @click="leave(offers.map(({ id }) => id))"
          >Leave {{ offers.length === 1 ? 'it' : `all ${offers.length}` }}</ElButton
        >
      </template>
      <ElButton v-if="asking" size="small" @click="stop">Stop asking</ElButton>
      <ElButton v-else-if="service" size="small" @click="ask">Ask the service</ElButton>
      <RouterLink class="link" :to="{ name: 'sheet' }">Back to the sheet</RouterLink>
    </div>
    <p v-if="asking" class="soft note" role="status">
      Asking {{ service }} what each scene shows. You can go on meanwhile.
    </p>
    <p v-if="problem" class="red note" role="alert">{{ problem }}</p>
    <p v-for="limit in limits" :key="limit" class="soft note">{{ limit }}</p>
    <div
      ref="list"
      class="list"
      tabindex="-1"
      data-room-keys
      @keydown.enter="written($event, 1)"
      @keydown.esc="written($event, 0)"
    >
      <p v-if="!rows.length" class="soft note">
        Nothing is spoken yet. Write or paste a script, and what each sentence shows stands here.
      </p>
      <template v-for="(row, i) in rows" :key="row.id">
        <h2 v-if="row.heading" class="serif">{{ row.heading }}</h2>
        <ShownLine
          :row="row"
          :on="i === at"
          @click="at = i"
          @focusin="at = i"
          @write="(text) => write(row.id, text)"
          @take="take([row.id])"
          @leave="leave([row.id])"
        />
      </template>
    </div>
    <div class="foot">
      <WriterChoice
        reads="Read from your sentences by"
        built-in="the built-in rules"
        @set="(address) => (service = address)"
      />
    </div>
  </main>
</template>

<style scoped>
.shown {
  display: grid;
  grid-template-rows: auto auto 1fr auto;
  min-height: 0;
}
.head {
  display: flex;
  gap: 14px;
  align-items: baseline;
  padding: 12px 20px 10px 37px;
  border-bottom: 1px solid var(--hair);
}
.head :deep(.el-button) {
  margin: 0;
}
.head b {
  font-size: 17px;
}
.told {
  flex: 1;
}
.note {
  padding: 8px 20px 8px 37px;
}
.list {
  overflow: auto;
  background: var(--paper);
  outline: none;
}
h2 {
  font-size: 20px;
  padding: 18px 20px 8px 55px;
  border-bottom: 1px solid var(--hair);
}
.foot {
  border-top: 1px solid var(--hair);
  padding: 8px 20px 8px 37px;
}
</style>
