<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import type { Item } from '@tidy-reel/core/match/item'
import { useEpisode } from '../episode/episode-store.ts'
import CandidatePanel from './CandidatePanel.vue'
import FilmMap from './FilmMap.vue'
import FilmMonitor from './FilmMonitor.vue'
import SceneRow from './SceneRow.vue'
import { usePlayer } from './use-player.ts'

const episode = useEpisode()
const shot = ref(0)
const player = usePlayer(() => episode.film, () => episode.data!.takes, () => episode.document!.scenes.map(({ id }) => id))

const unprepared = computed(() => episode.document!.scenes.some((scene) => !scene.shots.length || !episode.data!.takes[scene.id] || !episode.data!.candidates[scene.id]))
onMounted(() => {
  if (unprepared.value && episode.document!.scenes.length) void episode.prepare()
})

const scene = computed(() => episode.document!.scenes[episode.selected])
const status = computed(() => {
  const now = episode.preparing
  if (!now || now.step === 'done') return ''
  return now.step === 'match' ? 'Choosing pictures …' : `Speaking: ${now.done} of ${now.all} scenes`
})

function select(index: number, which = 0) {
  episode.selected = Math.max(0, Math.min(episode.document!.scenes.length - 1, index))
  shot.value = which
  if (!player.playing.value) player.seek(episode.film.scenes[episode.selected]?.startSample ?? 0)
  void nextTick(() => document.getElementById(`scene-${episode.selected}`)?.scrollIntoView({ block: 'nearest' }))
}
watch(player.sceneIndex, (index) => {
  if (!player.playing.value || index === episode.selected) return
  episode.selected = index
  shot.value = 0
  document.getElementById(`scene-${index}`)?.scrollIntoView({ block: 'nearest' })
})

function choose(item: Item) {
  if (scene.value) episode.run({ type: 'setShot', sceneId: scene.value.id, shot: Math.min(shot.value, scene.value.shots.length), item })
}

function edit(sceneId: string, text: string) {
  episode.run({ type: 'editNarration', sceneId, text })
  void episode.prepare()
}

const typing = (target: EventTarget | null) => target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
useEventListener('keydown', (event: KeyboardEvent) => {
  if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return
  const candidates = scene.value ? (episode.data!.candidates[scene.value.id]?.picks ?? []) : []
  if (event.key === 'ArrowDown') select(episode.selected + 1)
  else if (event.key === 'ArrowUp') select(episode.selected - 1)
  else if (event.key === ' ') player.toggle(episode.selected)
  else if (/^[1-4]$/.test(event.key) && candidates[Number(event.key) - 1]) choose(candidates[Number(event.key) - 1]!.item)
  else return
  event.preventDefault()
})
</script>

<template>
  <main class="desk">
    <section class="rows" aria-label="Scenes">
      <p v-if="!episode.document!.scenes.length" class="empty serif">There is nothing on the sheet yet. <RouterLink :to="{ name: 'script' }">Write or paste a script</RouterLink> first.</p>
      <template v-for="(row, i) in episode.film.scenes" :key="row.id">
        <h2 v-if="row.chapter >= 0 && row.chapter !== episode.film.scenes[i - 1]?.chapter" class="chapter serif">{{ episode.parsed.chapters[row.chapter]?.title }}</h2>
        <SceneRow
          :id="`scene-${i}`" :number="i + 1" :scene="row" :shots="episode.document!.scenes[i]?.shots ?? []" :words="episode.data!.candidates[row.id]?.words ?? []"
          :directions="episode.parsed.scenes[i]?.directions ?? []" :spoken="!!episode.data!.takes[row.id]" :selected="i === episode.selected" :selected-shot="shot"
          :playing="player.playing.value && i === player.sceneIndex.value" @select="(which) => select(i, which)" @play="player.playScene(i)" @edit="(text) => edit(row.id, text)"
        />
      </template>
    </section>
    <aside>
      <FilmMonitor :film="episode.film" :cues="episode.cues" :player="player" @toggle="player.toggle(episode.selected)" />
      <p v-if="status" class="status" role="status">{{ status }}</p>
      <ul v-if="episode.preparing?.remarks.length" class="remarks red" role="alert"><li v-for="remark in episode.preparing.remarks" :key="remark">{{ remark }}</li></ul>
      <CandidatePanel v-if="scene" :key="scene.id" :number="episode.selected + 1" :shot="shot" :shots="scene.shots" :candidates="episode.data!.candidates[scene.id]?.picks ?? []" :words="episode.data!.candidates[scene.id]?.words ?? []" @choose="choose" @shot="shot = $event" />
    </aside>
    <FilmMap class="map" :film="episode.film" :at="player.at.value" :selected="episode.selected" @go="select" />
  </main>
</template>

<style scoped>
.desk { display: grid; grid-template: minmax(0, 1fr) 74px / minmax(0, 1fr) 474px; }
.rows { background: var(--paper); border-right: 1px solid var(--hair); overflow: auto; scroll-padding: 60px; }
.chapter { font-size: 17px; font-weight: 600; padding: 16px 20px 4px 84px; display: flex; align-items: center; gap: 14px; }
.chapter::after { content: ''; flex: 1; border-top: 1px solid var(--hair); }
.empty { padding: 60px 84px; font-size: 20px; }
aside { display: flex; flex-direction: column; min-height: 0; overflow: auto; }
.status { padding: 8px 16px; border-bottom: 1px solid var(--hair); color: var(--blue); font-weight: 600; }
.remarks { margin: 0; padding: 8px 16px 8px 32px; border-bottom: 1px solid var(--hair); }
.map { grid-column: 1 / 3; border-top: 1px solid var(--hair); }
</style>
