<script setup lang="ts">
import { Archive, ArchiveRestore, Copy, PenLine, Trash2, Undo2 } from 'lucide-vue-next'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { clockText } from '@tidy-reel/core/time/time'
import { BIN_DAYS, type EpisodeRow } from '@tidy-reel/core/views/episode'
import { dayAndTime } from '../controls/day-and-time.ts'
import ItemThumb from '../pictures/ItemThumb.vue'

const props = defineProps<{ episode: EpisodeRow }>()
const emit = defineEmits<{
  remove: []
  restore: []
  rename: [title: string]
  duplicate: []
  archive: [away: boolean]
}>()
const STATES = {
  empty: 'no script yet',
  script: 'script written',
  matched: 'pictures chosen',
  rendered: 'film rendered',
}
const room = computed(
  () =>
    ({ empty: 'script', script: 'script', matched: 'sheet', rendered: 'render' })[
      props.episode.state
    ],
)
const dayOf = (time: string) => dayAndTime.format(new Date(time))
const said = computed(() => {
  const { deletedAt, state, updatedAt } = props.episode
  if (!deletedAt) return `${STATES[state]} · changed ${dayOf(updatedAt)}`
  const left = BIN_DAYS - Math.floor((Date.now() - Date.parse(deletedAt)) / 86_400_000)
  return `deleted ${dayOf(deletedAt)} · kept ${left} more ${left === 1 ? 'day' : 'days'}`
})

/** The title while it is being changed. */
const title = ref<string>()
const field = useTemplateRef<HTMLInputElement>('field')
const pen = useTemplateRef<HTMLButtonElement>('pen')
async function write() {
  title.value = props.episode.title
  await nextTick()
  field.value?.select()
}
async function written(keep: boolean) {
  const name = title.value?.trim()
  title.value = undefined
  if (keep && name && name !== props.episode.title) emit('rename', name)
  await nextTick()
  pen.value?.focus()
}
</script>

<template>
  <li>
    <form v-if="title !== undefined" class="line" @submit.prevent="written(true)">
      <span class="blank serif" aria-hidden="true">¶</span>
      <input
        ref="field"
        v-model="title"
        class="serif title"
        maxlength="200"
        :aria-label="`New title of ${episode.title}`"
        @keydown.esc="written(false)"
      />
      <span class="acts">
        <button class="plain link">Rename</button>
        <button class="plain link" type="button" @click="written(false)">Leave it</button>
      </span>
    </form>
    <component
      :is="episode.deletedAt ? 'div' : 'RouterLink'"
      v-else
      :id="`episode-${episode.id}`"
      v-bind="episode.deletedAt ? {} : { to: { name: room, params: { id: episode.id } } }"
      class="line"
    >
      <ItemThumb v-if="episode.picture" :id="episode.picture" width="144" height="81" alt="" />
      <span v-else class="blank serif" aria-hidden="true">¶</span>
      <span class="what">
        <span class="serif title">{{ episode.title }}</span>
        <span class="soft">{{ said }}</span>
      </span>
      <span class="mono facts"
        >{{ episode.words }} words<br />{{ episode.scenes }} scenes<br />about
        {{ clockText(episode.seconds) }} min</span
      >
    </component>
    <span class="tools">
      <button
        v-if="episode.deletedAt"
        class="plain"
        title="Bring it back"
        :aria-label="`Bring back ${episode.title}`"
        @click="emit('restore')"
      >
        <Undo2 :size="17" :stroke-width="1.5" />
      </button>
      <template v-else>
        <button
          ref="pen"
          class="plain"
          title="Rename"
          :aria-label="`Rename ${episode.title}`"
          @click="write"
        >
          <PenLine :size="17" :stroke-width="1.5" />
        </button>
        <button
          class="plain"
          title="Make another one like it"
          :aria-label="`Duplicate ${episode.title}`"
          @click="emit('duplicate')"
        >
          <Copy :size="17" :stroke-width="1.5" />
        </button>
        <button
          class="plain"
          :title="episode.archived ? 'Take it up again' : 'Put it away in the archive'"
          :aria-label="`${episode.archived ? 'Take up' : 'Put away'} ${episode.title}`"
          @click="emit('archive', !episode.archived)"
        >
          <component
            :is="episode.archived ? ArchiveRestore : Archive"
            :size="17"
            :stroke-width="1.5"
          />
        </button>
        <button
          class="plain bin"
          title="Delete this episode"
          :aria-label="`Delete ${episode.title}`"
          @click="emit('remove')"
        >
          <Trash2 :size="17" :stroke-width="1.5" />
        </button>
      </template>
    </span>
  </li>
</template>

<style scoped>
li {
  display: flex;
  align-items: center;
  border-bottom: 1px solid var(--hair);
}
li:hover {
  background: var(--wash);
}
.line {
  flex: 1;
  display: grid;
  grid-template-columns: 144px minmax(0, 1fr) 130px;
  min-width: 0;
  gap: 22px;
  align-items: center;
  padding: 14px 8px;
  text-decoration: none;
}
img,
.blank {
  display: block;
  width: 144px;
  height: 81px;
  object-fit: cover;
}
.blank {
  border: 1px solid var(--hair);
  color: var(--hair);
  font-size: 30px;
  display: grid;
  place-items: center;
}
.what {
  display: grid;
  gap: 3px;
}
.title {
  overflow-wrap: anywhere;
  font-size: 23px;
  line-height: 1.2;
}
.facts {
  line-height: 1.5;
}
input.title {
  width: 100%;
  min-width: 0;
  padding: 6px 8px;
  background: var(--paper);
  color: var(--ink);
  border: 1px solid var(--edge);
}
.acts {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.tools {
  display: grid;
  grid-template-columns: auto auto;
  color: var(--soft);
}
.tools button {
  padding: 10px;
  display: flex;
}
.bin:hover {
  color: var(--red);
}
</style>
