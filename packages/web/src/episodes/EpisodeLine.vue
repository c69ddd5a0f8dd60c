<script setup lang="ts">
import { ElTooltip } from 'element-plus'
import { Trash2 } from 'lucide-vue-next'
import { computed } from 'vue'
import { clockText } from '@tidy-reel/core/time/time'
import type { EpisodeRow } from '@tidy-reel/core/views/episode'
import ItemThumb from '../pictures/ItemThumb.vue'

const props = defineProps<{ episode: EpisodeRow }>()
defineEmits<{ remove: [] }>()
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
const day = computed(() =>
  new Date(props.episode.updatedAt).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
  }),
)
</script>

<template>
  <li>
    <RouterLink :to="{ name: room, params: { id: episode.id } }" class="line">
      <ItemThumb v-if="episode.picture" :id="episode.picture" width="144" height="81" />
      <span v-else class="blank serif" aria-hidden="true">¶</span>
      <span class="what">
        <span class="serif title">{{ episode.title }}</span>
        <span class="soft">{{ STATES[episode.state] }} · changed {{ day }}</span>
      </span>
      <span class="mono facts"
        >{{ episode.words }} words<br />{{ episode.scenes }} scenes<br />about
        {{ clockText(episode.seconds) }} min</span
      >
    </RouterLink>
    <ElTooltip content="Delete this episode" placement="left">
      <button class="plain bin" :aria-label="`Delete ${episode.title}`" @click="$emit('remove')">
        <Trash2 :size="17" :stroke-width="1.5" />
      </button>
    </ElTooltip>
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
  grid-template-columns: 144px 1fr 130px;
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
  font-size: 23px;
  line-height: 1.2;
}
.facts {
  line-height: 1.5;
}
.bin {
  padding: 14px;
  color: var(--soft);
}
.bin:hover {
  color: var(--red);
}
</style>
