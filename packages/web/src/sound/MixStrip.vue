<script setup lang="ts">
import { computed } from 'vue'
import type { SoundCue } from '@tidy-reel/core/film/sound/effects/sound-cue'
import type { CurvePoint } from '@tidy-reel/core/film/sound/mix'
import { LEVELS_A_SECOND } from '@tidy-reel/core/speech/levels'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import type { FilmSound } from '../monitor/film-sound.ts'
import FilmTrack from '../monitor/FilmTrack.vue'
import CueBlocks from './CueBlocks.vue'
import MusicLane from './MusicLane.vue'

/** Voice, music and sounds of the whole film: how loud each is, where the music steps aside. */
const props = defineProps<{
  film: Timeline
  at: number
  parts: NonNullable<FilmSound['bed']>['parts']
  curve: readonly CurvePoint[]
  /** Where the music lies under a voice, in decibels of gain: the foot of its rise. */
  foot: number
  cues: readonly SoundCue[]
  selected: string
}>()
const emit = defineEmits<{
  go: [sample: number]
  select: [sceneId: string]
  move: [cue: SoundCue, to: { sceneId: string; word: number }]
  remove: [cue: SoundCue]
  level: [sceneId: string, by: number]
}>()
/** Columns it is drawn in; finer than most screens, coarser than a film. */
const COLUMNS = 1200
const VOICE_HEIGHT = 44

const voice = computed(() => {
  const loudest = new Uint8Array(COLUMNS)
  const step = SAMPLE_RATE / LEVELS_A_SECOND
  for (const { levels = '', speechStart } of props.film.scenes)
    for (let i = 0; i < levels.length; i++) {
      const column = Math.floor(((speechStart + i * step) * COLUMNS) / props.film.samples)
      const level = Number(levels[i])
      if (level > (loudest[column] ?? 0)) loudest[column] = level
    }
  return [...loudest]
    .map((level, x) => {
      const half = (level / 9) * (VOICE_HEIGHT / 2 - 1)
      return level ? `M${x} ${VOICE_HEIGHT / 2 - half}V${VOICE_HEIGHT / 2 + half}` : ''
    })
    .join('')
})
</script>

<template>
  <FilmTrack
    class="mix"
    :class="{ sounding: cues.length }"
    label="Voice, music and sounds of the whole film"
    :film
    :at
    @go="(sample) => emit('go', sample)"
  >
    <svg :viewBox="`0 0 ${COLUMNS} ${VOICE_HEIGHT}`" preserveAspectRatio="none" class="voice">
      <path :d="voice" />
    </svg>
    <MusicLane :film :parts :curve :foot @level="(sceneId, by) => emit('level', sceneId, by)" />
    <CueBlocks
      v-if="cues.length"
      :film
      :cues
      :selected
      @select="(id) => emit('select', id)"
      @move="(cue, to) => emit('move', cue, to)"
      @remove="(cue) => emit('remove', cue)"
    />
  </FilmTrack>
</template>

<style scoped>
.mix {
  --track-height: 76px;
}
.sounding {
  --track-height: 113px;
}
svg {
  position: absolute;
  left: 0;
  width: 100%;
  pointer-events: none;
}
.voice {
  top: 2px;
  height: 44px;
}
.voice path {
  stroke: var(--ink);
  stroke-width: 1;
  opacity: 0.75;
  vector-effect: non-scaling-stroke;
}
</style>
