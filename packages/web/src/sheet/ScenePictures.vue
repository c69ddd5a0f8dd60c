<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import { SHOTS_LIMIT } from '@tidy-reel/core/document/document'
import { isDrawn } from '@tidy-reel/core/script/parse'
import { goesOnIn } from '@tidy-reel/core/timeline/pictures'
import { useEpisode } from '../episode/episode-store.ts'
import CandidatePanel from './CandidatePanel.vue'

/** The pictures that may be chosen for a scene of the open episode. */
const props = defineProps<{ sceneId: string; number: number; shot: number }>()
const emit = defineEmits<{ run: [command: Command]; shot: [index: number] }>()
const episode = useEpisode()
const panel = ref<InstanceType<typeof CandidatePanel>>()
const shots = computed(
  () => episode.document.scenes.find(({ id }) => id === props.sceneId)?.shots ?? [],
)
const goesOn = computed(() => {
  const scene = episode.film.scenes.find(({ id }) => id === props.sceneId)
  return props.shot === 0 && scene ? goesOnIn(scene)?.item : undefined
})
const offered = computed(() => episode.candidatesOf(props.sceneId))
const lettered = computed(
  () =>
    episode.plan.scenes
      .find(({ id }) => id === props.sceneId)
      ?.directions.filter(isDrawn)
      .map(({ text }) => text)
      .join(', ') ?? '',
)
defineExpose({ look: (words?: string) => panel.value?.look(words) })
</script>

<template>
  <CandidatePanel
    ref="panel"
    :scene-id="sceneId"
    :number="number"
    :shot="shot"
    :shots="shots"
    :goes-on="goesOn"
    :candidates="offered.picks"
    :words="offered.words"
    :numbers="offered.numbers"
    :lettered="lettered"
    :film="episode.items"
    :description="episode.descriptionOf(sceneId)"
    :making="episode.document.making"
    @choose="
      (item) => emit('run', { type: 'setShot', sceneId, shot: Math.min(shot, shots.length), item })
    "
    @lay="(items) => emit('run', { type: 'layShots', sceneId, items: items.slice(0, SHOTS_LIMIT) })"
    @own="emit('run', { type: 'adjustScenes', target: [sceneId], set: { begins: 'cut' } })"
    @shot="emit('shot', $event)"
    @letter="
      (words) =>
        emit('run', {
          type: 'adjustScenes',
          target: [sceneId],
          set: { drawn: words ? [{ form: 'super', text: words }] : null },
        })
    "
    @making="(set) => emit('run', { type: 'setMaking', set })"
  />
</template>
