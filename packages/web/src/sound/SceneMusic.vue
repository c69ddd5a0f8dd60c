<script setup lang="ts">
import { ElInputNumber } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import { type AskedMusic, LEAD_TEXT } from '@tidy-reel/core/film/music/asked-music'
import { moodIn } from '@tidy-reel/core/film/music/music-words'
import type { AskedStretch } from '@tidy-reel/core/script/asked-pieces'
import { type Instrumentation, INSTRUMENTATIONS } from '@tidy-reel/core/style/film-choices'
import { defined } from '@tidy-reel/core/text/defined'
import { useEpisode } from '../episode/episode-store.ts'
import ChoiceField from '../styles/ChoiceField.vue'
import { MOOD_CHOICES } from './mood-choices.ts'
import { musicChange, saidMusic } from './music-change.ts'
import { useOwnMusic } from './own-music.ts'

/** What is played under a scene, its chapter or from it on, where that is not the film's music. */
const props = defineProps<{ sceneId: string; number: number }>()
const emit = defineEmits<{ run: [command: Command] }>()
const episode = useEpisode()
const own = useOwnMusic()
onMounted(own.load)

const stretch = ref<AskedStretch>('chapter')
const planned = computed(() => episode.plan.scenes.find(({ id }) => id === props.sceneId))
const chapter = computed(() => episode.plan.chapters[planned.value?.chapter ?? -1]?.title)
const STRETCHES = computed(
  () =>
    [
      ['chapter', chapter.value ? `“${chapter.value}”` : 'this chapter'],
      ['scene', `scene ${props.number} only`],
      ['film', `scene ${props.number} to the end`],
    ] as const,
)
const asked = computed(
  (): AskedMusic =>
    saidMusic(episode.plan.scenes, props.sceneId, stretch.value)?.asked ?? { words: '' },
)
const piece = computed(() =>
  own.music.find(({ title }) => title.toLowerCase() === asked.value.words.toLowerCase()),
)
const chosen = computed(() => (piece.value ? piece.value.title : (moodIn(asked.value.words) ?? '')))
const choices = computed(() => [
  ['', 'as in the film'] as const,
  ...own.music.map(({ title }) => [title, `“${title}”`] as const),
  ...MOOD_CHOICES,
])
const LED = [
  ['', 'what suits the film'] as const,
  ...INSTRUMENTATIONS.map((led) => [led, LEAD_TEXT[led]] as const),
]
function change(set: { [Key in keyof AskedMusic]?: AskedMusic[Key] | undefined }) {
  const command = musicChange(episode.plan.scenes, props.sceneId, stretch.value, (now) =>
    defined({ ...now, ...set }),
  )
  if (command) emit('run', command)
}
const levelSaid = computed(() => {
  const { db = 0 } = asked.value
  if (!db) return 'dB, as in the film'
  return db < 0 ? 'dB, softer' : 'dB, louder'
})
/** Where the film's music lies, more or less. */
const MOST_DB = 20
</script>

<template>
  <section aria-label="Music here" class="panel">
    <h2 class="serif">Music here</h2>
    <div class="fields">
      <span>Where</span>
      <ChoiceField
        :value="stretch"
        label="Where the music is another"
        :choices="STRETCHES"
        @change="(one) => (stretch = one)"
      />
      <span>Plays</span>
      <ChoiceField
        :value="chosen"
        label="What is played there"
        :choices
        @change="(words) => change({ words })"
      />
      <template v-if="chosen && chosen !== 'none' && !piece">
        <span>Led by</span>
        <ChoiceField
          :value="asked.led ?? ''"
          label="Who leads there"
          :choices="LED"
          @change="(led: Instrumentation | '') => change({ led: led || undefined })"
        />
      </template>
      <template v-if="chosen !== 'none'">
        <span>Level</span>
        <span
          ><ElInputNumber
            :model-value="asked.db ?? 0"
            :min="-MOST_DB"
            :max="MOST_DB"
            :step="1"
            size="small"
            controls-position="right"
            aria-label="Decibels the music is louder there"
            @change="(db) => change({ db: db || undefined })"
          />
          {{ levelSaid }}</span
        >
      </template>
    </div>
    <p v-if="asked.words && !chosen" class="red">
      No music fits “{{ asked.words }}”. Choose one above, or bring one of your own.
    </p>
  </section>
</template>

<style scoped>
.panel {
  padding: 12px 16px 16px;
  display: grid;
  gap: 12px;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
.fields {
  display: grid;
  grid-template-columns: 78px minmax(0, 1fr);
  gap: 7px 10px;
  align-items: center;
}
.fields :deep(.el-input-number) {
  width: 84px;
}
</style>
