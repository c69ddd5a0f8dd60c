<script setup lang="ts">
import { Pause, Play } from 'lucide-vue-next'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import type { SoundCue } from '@tidy-reel/core/film/sound/effects/sound-cue'
import { SPEECH_LUFS } from '@tidy-reel/core/film/sound/mix'
import { soundText } from '@tidy-reel/core/script/asked-sound'
import { clockText, secondsFromSamples } from '@tidy-reel/core/time/time'
import { sceneIndexAt } from '@tidy-reel/core/timeline/timeline'
import ToggleWords from '../controls/ToggleWords.vue'
import { useEpisode } from '../episode/episode-store.ts'
import { commandsUnder } from '../keys/key-command.ts'
import { useRoomKeys } from '../keys/room-keys.ts'
import { type FilmSound, type Lane, LANES } from '../monitor/film-sound.ts'
import type { Metered } from '../monitor/live-meter.ts'
import { usePlayer } from '../monitor/use-player.ts'
import LoudnessFigures from './LoudnessFigures.vue'
import MixStrip from './MixStrip.vue'
import { musicChange } from './music-change.ts'
import { useMix } from './use-mix.ts'

/** The film as it will sound, from the scene that is chosen on. */
const props = defineProps<{ sound: FilmSound; selected: string }>()
const emit = defineEmits<{
  select: [sceneId: string]
  play: []
  stopped: []
  run: [command: Command]
}>()
/** Heard as it is mixed, or as it would be without that. */
const isMixed = ref(true)
const player = usePlayer(() => (isMixed.value ? props.sound : { ...props.sound, unmixed: true }))
const episode = useEpisode()
/** Music can be so much louder or softer than in the film. */
const MOST_DB = 20
const metered = shallowRef<Metered>()
player.listen((now) => (metered.value = now))
const { curve, below } = useMix(() => props.sound)
const playing = computed(() => player.playing.value)
const foot = computed(
  () => SPEECH_LUFS - props.sound.mixing.below - (props.sound.bed?.lufs ?? SPEECH_LUFS),
)
const said = computed(() => {
  const distance = below.value.get(props.selected)
  if (!props.sound.bed) return 'no music yet'
  return distance === undefined ? 'nobody speaks here' : `music ${distance.toFixed(0)} dB below`
})
const lanes = ref<ReadonlySet<Lane>>(new Set(LANES))
const LANE_NAMES: readonly (readonly [Lane | 'mix', string])[] = [
  ['voice', 'Voice'],
  ['music', 'Music'],
  ['sounds', 'Sounds'],
  ['mix', 'Mix'],
]
function hear(lane: Lane | 'mix') {
  if (lane === 'mix') {
    isMixed.value = !isMixed.value
    if (playing.value) player.seek(player.at.value)
    return
  }
  lanes.value = new Set(LANES.filter((one) => (one === lane) !== lanes.value.has(one)))
  player.hear(lanes.value)
}
function hint(name: string, isOn: boolean) {
  if (name === 'Mix') return isOn ? 'Hear it without the mix' : 'Hear it as it is mixed'
  return `${name}: ${isOn ? 'heard' : 'not heard'} here; the film keeps it`
}
/** Moved to another word it begins there, whatever was said of later or earlier. */
function move({ sceneId, index, asked }: SoundCue, to: { sceneId: string; word: number }) {
  const { after: _after, ...rest } = asked
  emit('run', { type: 'setSound', sceneId, index, text: soundText(rest), to })
}
/** Music drawn up or down under a scene is said in the script. */
function level(sceneId: string, by: number) {
  const command = musicChange(episode.plan.scenes, sceneId, 'scene', (asked) => ({
    ...asked,
    db: Math.min(MOST_DB, Math.max(-MOST_DB, (asked.db ?? 0) + by)),
  }))
  if (command) emit('run', command)
}
function toggle() {
  if (!playing.value) emit('play')
  player.toggle()
}
function go(sample: number) {
  player.seek(sample)
  const scene = props.sound.film.scenes[sceneIndexAt(props.sound.film, sample)]
  if (scene) emit('select', scene.id)
}
watch(player.sceneIndex, (index) => {
  const scene = props.sound.film.scenes[index]
  if (scene && playing.value && scene.id !== props.selected) emit('select', scene.id)
})
watch(
  () => props.selected,
  (id) => {
    const scene = props.sound.film.scenes.find((one) => one.id === id)
    const here = props.sound.film.scenes[player.sceneIndex.value]
    if (scene && scene !== here) player.seek(scene.startSample)
  },
  { immediate: true },
)
onBeforeUnmount(() => player.stop())
defineExpose({ stop: player.stop, play: (from: number) => player.play(from) })
watch(playing, (on) => !on && emit('stopped'))
useRoomKeys(() => [commandsUnder('Sound')('Hear the film from here', [' '], toggle)])
</script>

<template>
  <footer>
    <div class="controls">
      <button
        class="plain play"
        :aria-label="playing ? 'Stop the film' : 'Hear the film from here'"
        title="Voice and music, as they will be in the film"
        @click="toggle"
      >
        <Pause v-if="playing" :size="16" fill="currentColor" /><Play
          v-else
          :size="16"
          fill="currentColor"
        />
      </button>
      <span
        ><span class="mono">{{ clockText(secondsFromSamples(player.at.value)) }}</span
        ><br /><span class="soft">{{ said }}</span></span
      >
      <LoudnessFigures class="figures" :metered />
      <ToggleWords
        class="lanes"
        label="What is heard"
        :choices="LANE_NAMES"
        :on="(lane) => (lane === 'mix' ? isMixed : lanes.has(lane))"
        :hint="hint"
        @toggle="hear"
      />
    </div>
    <MixStrip
      :film="sound.film"
      :at="player.at.value"
      :parts="sound.bed?.parts ?? []"
      :curve
      :foot
      :cues="sound.cues"
      :selected
      @go="go"
      @select="(id) => emit('select', id)"
      @move="move"
      @level="level"
      @remove="
        ({ sceneId, index }) => emit('run', { type: 'setSound', sceneId, index, text: null })
      "
    />
  </footer>
</template>

<style scoped>
footer {
  display: grid;
  grid-template-columns: 188px minmax(0, 1fr);
  align-items: end;
  border-top: 1px solid var(--ink);
  background: var(--ground);
}
.controls {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 12px;
  align-items: center;
  padding: 0 0 14px 20px;
}
.play {
  width: 34px;
  height: 34px;
  display: grid;
  place-items: center;
  border: 1px solid var(--ink);
}
.figures,
.lanes {
  grid-column: 1 / 3;
}
.lanes {
  font-size: 13.5px;
}
</style>
