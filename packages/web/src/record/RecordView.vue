<script setup lang="ts">
import { ElButton } from 'element-plus'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { certain } from '@tidy-reel/core/faults/certain'
import type { ReadSentence, RecordedView, RecordingView } from '@tidy-reel/core/views/recording'
import { speechApi } from '../api/speech.ts'
import { useEpisode } from '../episode/episode-store.ts'
import { commandsUnder } from '../keys/key-command.ts'
import { useRoomKeys } from '../keys/room-keys.ts'
import PlayButton from '../sound/PlayButton.vue'
import { useSay } from '../sound/use-say.ts'
import { useRecorder } from './use-recorder.ts'
import WholeRecording from './WholeRecording.vue'

const episode = useEpisode()
const id = episode.data.id
const { state, count, level, clipped, problem: microphone, open, start, stop } = useRecorder()
const { saying, heard, problem: playing, say, stop: quiet } = useSay()
const scenes = computed(() => episode.plan.scenes.filter(({ card }) => card === undefined))
const at = computed(() =>
  Math.max(
    0,
    scenes.value.findIndex((scene) => scene.id === episode.selected),
  ),
)
const scene = computed(() => scenes.value[at.value])
const next = computed(() => scenes.value[at.value + 1])
/** What came of the recordings made here, by scene. */
const done = ref<Record<string, RecordedView>>({})
const chosen = computed(() => scenes.value.filter(({ take }) => take).length)
const sending = ref('')
const problem = ref('')
const list = ref<HTMLElement>()
const desk = ref<HTMLElement>()
/** After a click the keys are for the reading again, not for what was clicked. */
const toKeys = () => desk.value?.focus()
const now = computed(() => (scene.value ? done.value[scene.value.id] : undefined))

function show(index: number) {
  if (state.value === 'recording' || state.value === 'counting') stop()
  quiet()
  const target = scenes.value[Math.min(scenes.value.length - 1, Math.max(0, index))]
  if (target) episode.selected = target.id
  toKeys()
}
async function finish() {
  toKeys()
  const sound = stop()
  const { id: sceneId } = certain(scene.value)
  if (!sound) return
  sending.value = sceneId
  problem.value = ''
  try {
    const made = await speechApi.recordSentence(id, sceneId, sound)
    done.value = { ...done.value, [sceneId]: made }
    episode.run({ type: 'useTakes', takes: [{ sceneId, take: made.take }] })
  } catch (cause) {
    problem.value = (cause as Error).message
  } finally {
    if (sending.value === sceneId) sending.value = ''
  }
}
function press() {
  if (state.value === 'recording') return finish()
  return state.value === 'counting' ? void stop() : begin()
}
function begin() {
  quiet()
  toKeys()
  problem.value = ''
  return start()
}
async function onward() {
  if (state.value === 'recording') void finish()
  if (!next.value) return
  show(at.value + 1)
  await begin()
}
const hear = (text: string, take: string, key: string) =>
  void say(key, episode.sayRequest({ text }, { take, voice: episode.document.voice }))
const hearNow = () => scene.value?.take && hear(scene.value.text, scene.value.take, 'now')
const command = commandsUnder('Recording')
useRoomKeys(() => [
  command('Record this scene, or stop', [' '], press),
  command('Go on to the next scene and record it', ['Enter'], onward),
  command('Record it again', ['r'], begin),
  command('Hear what there is', ['p'], hearNow),
  command('Next scene', ['ArrowDown'], () => show(at.value + 1)),
  command('Scene before', ['ArrowUp'], () => show(at.value - 1)),
])
watch(
  at,
  async () => {
    await nextTick()
    list.value?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' })
  },
  { immediate: true },
)

const whole = shallowRef<RecordingView>()
const brought = ref('')
const wholeProblem = ref('')
async function bring(file: File) {
  whole.value = undefined
  wholeProblem.value = ''
  episode.listening = { id: '', share: 0 }
  try {
    await episode.settled()
    brought.value = (await speechApi.bringRecording(id, file)).id
    await look()
  } catch (cause) {
    brought.value = ''
    wholeProblem.value = (cause as Error).message
  }
}
async function look() {
  const result = await speechApi.recording(id, brought.value)
  if (result) whole.value = result
}
watch(
  () => episode.listening?.share,
  (share) => {
    if (share === 1 && brought.value) void look()
  },
)
const useAll = (sentences: ReadSentence[]) =>
  episode.run({
    type: 'useTakes',
    takes: sentences.map(({ sceneId, take }) => ({ sceneId, take })),
  })
</script>

<template>
  <div class="record">
    <nav aria-label="Sentences">
      <ol ref="list">
        <li
          v-for="(one, i) in scenes"
          :key="one.id"
          :aria-current="i === at"
          :class="{ on: i === at }"
          @click="show(i)"
        >
          <span class="mono">{{ i + 1 }}</span><button class="plain serif" @click="show(i)">
            {{ one.text }}</button
          ><span v-if="one.take" class="dot" title="A take is chosen" />
        </li>
      </ol>
    </nav>
    <main v-if="scene" ref="desk" tabindex="-1">
      <p class="soft progress">
        {{ chosen }} of {{ scenes.length }} with a take of their own
        <RouterLink class="link" :to="{ name: 'sound' }">Back to the voices</RouterLink>
      </p>
      <div class="words">
        <p v-if="scene.speaker" class="mono speaker">{{ scene.speaker }}</p>
        <p class="now serif" :class="{ live: state === 'recording' }">{{ scene.text }}</p>
        <p v-if="next" class="next serif">{{ next.text }}</p>
      </div>
      <div class="foot">
        <p v-if="microphone || problem || playing" class="red" role="alert">
          {{ microphone || problem || playing }}
        </p>
        <p v-else-if="sending === scene.id" role="status" class="soft">
          Trimming and finding the words …
        </p>
        <p v-else-if="now" role="status">
          <template v-if="now.missing.length"
            ><span class="red">Not heard: {{ now.missing.join(', ') }}.</span> Say it again, or keep
            it.</template
          ><template v-else>Kept, every word heard.</template>
          <span v-for="remark in now.remarks" :key="remark" class="red">{{ remark }}</span>
        </p>
        <p v-else-if="clipped" class="red">
          Too loud: go back from the microphone or turn it down.
        </p>
        <p v-else class="soft">
          {{
            state === 'closed'
              ? 'Space opens the microphone and counts in.'
              : 'Speak in your own time; silence at both ends is trimmed.'
          }}
        </p>
        <div
          class="meter"
          role="meter"
          aria-label="Level of the microphone"
          :aria-valuenow="Math.round(level * 60 - 60)"
          aria-valuemin="-60"
          aria-valuemax="0"
        >
          <i :style="{ width: `${level * 100}%` }" :class="{ loud: level > 0.95 }" /><b
            title="Speak about here"
          />
        </div>
        <div class="acts">
          <ElButton :type="state === 'recording' ? 'danger' : 'primary'" @click="press()">{{
            state === 'recording'
              ? 'Stop'
              : state === 'counting'
                ? `${count} …`
                : scene.take
                  ? 'Record again'
                  : 'Record'
          }}</ElButton>
          <PlayButton
            v-if="scene.take"
            label="Hear the chosen take"
            name="now"
            :saying
            :heard
            @play="hearNow"
          />
          <ElButton :disabled="!next" @click="onward">Next, and record</ElButton>
          <ElButton v-if="state === 'closed'" @click="open()">Try the microphone</ElButton>
        </div>
        <p class="keys soft">
          <kbd>Space</kbd> record, stop <kbd>Enter</kbd> next <kbd>R</kbd> again <kbd>P</kbd> hear
          <kbd>↑</kbd> <kbd>↓</kbd> other sentences
        </p>
      </div>
    </main>
    <main v-else class="empty soft">Nothing to read yet. Write or bring a script first.</main>
    <aside>
      <WholeRecording
        :result="whole"
        :share="brought ? (episode.listening?.share ?? 0) : undefined"
        :problem="wholeProblem"
        :saying
        :heard
        @bring="bring"
        @use="useAll"
        @hear="(sentence) => hear(sentence.text, sentence.take!, `read ${sentence.sceneId}`)"
        @show="(sceneId) => (episode.selected = sceneId)"
      />
    </aside>
  </div>
</template>

<style scoped>
.record {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr) 320px;
  min-height: 0;
}
nav {
  overflow: auto;
  border-right: 1px solid var(--hair);
  background: var(--paper);
  min-height: 0;
}
nav ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
nav li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) 8px;
  gap: 8px;
  align-items: baseline;
  padding: 7px 12px;
  border-bottom: 1px solid var(--hair);
  cursor: pointer;
}
nav li.on {
  background: var(--select);
}
nav li button {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
nav .mono {
  text-align: right;
}
.dot {
  width: 8px;
  height: 8px;
  background: var(--blue);
  align-self: center;
}
main {
  outline: none;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  padding: 22px 44px;
  min-height: 0;
}
.progress {
  display: flex;
  justify-content: space-between;
}
.words {
  align-self: center;
  display: grid;
  gap: 26px;
  overflow: auto;
  max-height: 100%;
}
.now {
  font-size: 38px;
  line-height: 1.25;
  font-weight: 500;
  text-wrap: pretty;
}
.now.live {
  color: var(--red);
}
.next {
  font-size: 22px;
  line-height: 1.35;
  color: var(--soft);
}
.speaker {
  color: var(--blue);
}
.foot {
  display: grid;
  gap: 12px;
}
.meter {
  position: relative;
  height: 12px;
  border: 1px solid var(--hair);
  background: var(--paper);
}
.meter i {
  display: block;
  height: 100%;
  background: var(--ink);
}
.meter .loud {
  background: var(--red);
}
.meter b {
  position: absolute;
  left: 80%;
  top: -4px;
  bottom: -4px;
  border-left: 1px solid var(--soft);
}
.acts {
  display: flex;
  align-items: center;
  gap: 12px;
  flex-wrap: wrap;
}
.acts .el-button {
  margin: 0;
}
.keys {
  font-size: 13px;
}
kbd {
  font: 12px var(--mono);
  border: 1px solid var(--hair);
  padding: 1px 5px;
  margin-left: 8px;
  background: var(--paper);
}
kbd:first-child {
  margin-left: 0;
}
aside {
  border-left: 1px solid var(--hair);
  background: var(--paper);
  overflow: auto;
  min-height: 0;
}
.empty {
  padding: 60px;
}
</style>
