<script setup lang="ts">
import { useEventListener, useTitle } from '@vueuse/core'
import { ElButton } from 'element-plus'
import { Redo2, Undo2 } from 'lucide-vue-next'
import { computed, onUnmounted, watch } from 'vue'
import { useRouter } from 'vue-router'
import { clockText } from '@tidy-reel/core/time/time'
import { useRoomKeys } from '../keys/room-keys.ts'
import { tellWhenDone, useIsTold } from '../render/tell-when-done.ts'
import AsideEdits from './AsideEdits.vue'
import { useEpisode } from './episode-store.ts'
import TwoVersions from './TwoVersions.vue'

const props = defineProps<{ id: string }>()
const episode = useEpisode()
const router = useRouter()
watch(
  () => props.id,
  (id) => void episode.open(id),
  { immediate: true },
)
onUnmounted(episode.close)
useEventListener('beforeunload', (event: BeforeUnloadEvent) => {
  if (episode.saving !== 'saved') event.preventDefault()
})
tellWhenDone(
  () => episode.renders,
  () => episode.document.title,
  {
    isTold: useIsTold(),
    onOpen: () => void router.push({ name: 'render', params: { id: props.id } }),
  },
)
const ROOMS = [
  { name: 'script', label: 'Script' },
  { name: 'sheet', label: 'Sheet' },
  { name: 'sound', label: 'Sound' },
  { name: 'render', label: 'Render' },
]
/** Also those that no link of the header leads to. */
const WAYS = [
  ...ROOMS.map(({ name, label }) => [name, `Go to ${label}`] as const),
  ['shown', 'Go to what is shown'],
  ['subtitles', 'Go to the subtitles'],
  ['picks', 'Go to the pick run'],
  ['contact', 'Go to the contact sheet'],
  ['record', 'Go to recording'],
  ['episodes', 'Go to all episodes'],
] as const
const STEPS = [
  { way: 'undo', label: 'Undo', icon: Undo2 },
  { way: 'redo', label: 'Redo', icon: Redo2 },
] as const
const SAVED = { saved: 'Saved', saving: 'Saving …', offline: 'Not saved yet, trying again' }
/** As in every editor; inside a field the browser's own undo stays in force. */
useRoomKeys(() => [
  { group: 'Film', name: 'Undo', keys: ['Ctrl+z'], run: () => episode.step('undo') },
  {
    group: 'Film',
    name: 'Redo',
    keys: ['Ctrl+y', 'Ctrl+Shift+z'],
    run: () => episode.step('redo'),
  },
  ...WAYS.map(([name, label]) => ({
    group: 'Rooms',
    name: label,
    keys: [],
    run: () => router.push({ name, params: { id: props.id } }),
  })),
])
const doing = computed(() => {
  const now = episode.preparing
  if (!now || now.step === 'done') {
    const left = episode.picturesComing
    return left ? `${left} ${left === 1 ? 'picture' : 'pictures'} still to come` : ''
  }
  return {
    match: 'Choosing pictures …',
    speak: `Speaking ${now.done} of ${now.all}`,
    music: 'Making the music …',
  }[now.step]
})
/** For who does not see it: that it began, is half done, has ended. */
const told = computed(() => {
  const now = episode.preparing
  if (!now) return ''
  if (now.step === 'done') return 'Everything is chosen and spoken'
  if (now.step !== 'speak') return 'Choosing pictures and speaking'
  return now.done * 2 < now.all ? 'Speaking' : 'Half of it is spoken'
})
useTitle(() =>
  [episode.document.title, router.currentRoute.value.meta.title, 'Tidy Reel']
    .filter((part) => part && part !== '-')
    .join(' – '),
)
const length = computed(() => clockText(episode.film.samples / 48_000))
</script>

<template>
  <div class="shell">
    <header>
      <RouterLink to="/" class="brand serif" title="All episodes">Tidy Reel</RouterLink>
      <h1 class="title serif" :title="episode.isOpen ? episode.document.title : ''">
        {{ episode.isOpen ? episode.document.title : ''
        }}<span class="hidden">: {{ router.currentRoute.value.meta.title }}</span>
      </h1>
      <nav aria-label="Rooms">
        <RouterLink
          v-for="room in ROOMS"
          :key="room.name"
          :to="{ name: room.name, params: { id } }"
          >{{ room.label }}</RouterLink
        >
      </nav>
      <span class="steps">
        <button
          v-for="{ way, label, icon } in STEPS"
          :key="way"
          class="plain"
          :disabled="!episode.data.history[way]"
          :aria-label="episode.data.history[way] ? `${label}: ${episode.data.history[way]}` : label"
          :title="
            episode.data.history[way]
              ? `${label}: ${episode.data.history[way]}`
              : `Nothing to ${way}`
          "
          @click="episode.step(way)"
        >
          <component :is="icon" :size="17" :stroke-width="1.6" />
        </button>
      </span>
      <span v-if="doing" class="doing">{{ doing }}</span>
      <span class="hidden" role="status">{{ told }}</span>
      <span class="mono">{{ length }}</span>
      <span class="saved" :class="{ red: episode.saving === 'offline' }" role="status">{{
        SAVED[episode.saving]
      }}</span>
      <ElButton type="primary" @click="router.push({ name: 'render', params: { id } })"
        >Render</ElButton
      >
    </header>
    <p v-if="episode.fault" class="fault red" role="alert">
      {{ episode.fault }}
      <button v-if="episode.isOpen" class="plain link" @click="episode.fault = ''">Dismiss</button>
      <template v-else>
        <button class="plain link" @click="episode.open(id)">Try again</button> or go to
        <RouterLink class="link" to="/">all episodes</RouterLink>.
      </template>
    </p>
    <AsideEdits
      v-if="episode.aside.length"
      class="aside"
      :edits="episode.aside"
      @let-go="episode.letGo"
    />
    <TwoVersions
      v-if="episode.document.conflicts.length"
      class="aside"
      :conflicts="episode.document.conflicts"
      :script="episode.document.script"
      @settle="(id, keep) => episode.run({ type: 'settleConflict', id, keep })"
    />
    <RouterView v-if="episode.isOpen" class="room" />
    <p v-else-if="!episode.fault" class="soft loading">Loading …</p>
  </div>
</template>

<style scoped>
.shell {
  height: 100%;
  display: grid;
  grid-template-rows: 44px auto auto minmax(0, 1fr);
  grid-template-columns: minmax(0, 1fr);
}
header {
  position: relative;
  grid-row: 1;
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 0 20px;
  border-bottom: 1px solid var(--hair);
}
.brand {
  font-size: 18px;
  font-weight: 600;
  text-decoration: none;
}
.title {
  font-style: italic;
  font-size: 17px;
  color: var(--soft);
  /* What only screen readers hear stays inside it too. */
  position: relative;
  flex: 0 1 auto;
  min-width: 60px;
  max-width: 330px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
nav {
  display: flex;
  gap: 24px;
  flex: 1;
  justify-content: center;
  align-self: stretch;
}
nav a {
  display: flex;
  align-items: center;
  text-decoration: none;
  color: var(--soft);
  border-bottom: 2px solid transparent;
  margin-bottom: -1px;
}
nav a.router-link-active {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--blue);
}

.steps {
  display: flex;
  gap: 12px;
}
.steps button {
  display: flex;
  padding: 4px;
}
.steps button:disabled {
  color: var(--hair);
  cursor: default;
}
.doing {
  color: var(--blue);
  white-space: nowrap;
}
.saved {
  color: var(--soft);
  min-width: 52px;
}
.fault {
  grid-row: 2;
  padding: 8px 20px;
  background: var(--paper);
  border-bottom: 1px solid var(--red);
}
.aside {
  grid-row: 3;
}
.room {
  grid-row: 4;
  min-height: 0;
}
.loading {
  grid-row: 4;
  padding: 40px;
}
</style>
