<script setup lang="ts">
import { whenever } from '@vueuse/core'
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { onBeforeRouteLeave, useRouter } from 'vue-router'
import { UNTITLED } from '@tidy-reel/core/document/document'
import { BIN_DAYS, type EpisodeRow } from '@tidy-reel/core/views/episode'
import { episodesApi } from '../api/episodes.ts'
import ChannelHeader from '../channel/ChannelHeader.vue'
import PanelDialog from '../controls/PanelDialog.vue'
import UndoLine from '../controls/UndoLine.vue'
import { useInTurn } from '../controls/use-in-turn.ts'
import { useOnce } from '../controls/use-once.ts'
import { kept } from './episode-list.ts'
import EpisodeLine from './EpisodeLine.vue'
import { ORDERS, type Place, PLACES, shownEpisodes } from './shown-episodes.ts'

const router = useRouter()
/** As they were when they were last seen: on the way back the list stands where it stood. */
const episodes = shallowRef<readonly EpisodeRow[] | undefined>(kept.rows)
const fault = ref('')
const asking = ref(false)
const title = ref('')
const place = ref<Place>('work')
const words = ref('')
const order = ref<keyof typeof ORDERS>('changed')
const removed = ref<EpisodeRow>()
const field = useTemplateRef<InstanceType<typeof ElInput>>('field')
const shown = computed(() =>
  shownEpisodes(episodes.value ?? [], place.value, words.value, order.value),
)
const counts = computed(() =>
  PLACES.map((each) => ({
    ...each,
    count: shownEpisodes(episodes.value ?? [], each.name, '', 'changed').length,
  })),
)
/**
 * The dialog takes the focus itself just after it says so: what is typed next belongs to the title.
 */
const toTitle = () => setTimeout(() => field.value?.focus())

const load = async () => {
  try {
    episodes.value = kept.rows = await episodesApi.episodes()
    fault.value = ''
  } catch (cause) {
    fault.value = `The episodes could not be loaded. ${(cause as Error).message}`
  }
}
onMounted(load)

/** So many lines are drawn in one go; the page answers in between. */
const AT_ONCE = 40
const most = ref(AT_ONCE)
const drawnEpisodes = computed(() => shown.value.slice(0, most.value))
watch(
  () => most.value < shown.value.length && most.value,
  (more) => more && setTimeout(() => (most.value += AT_ONCE)),
  { immediate: true },
)

/** On the way back the focus stands where one left. */
const { into } = kept
const leftFrom = computed(() => drawnEpisodes.value.some(({ id }) => id === into))
whenever(leftFrom, () => into && focusLine(into), { flush: 'post', once: true, immediate: true })
onBeforeRouteLeave((to) => {
  kept.into = typeof to.params['id'] === 'string' ? to.params['id'] : undefined
})

const creating = useOnce(async (importing: boolean) => {
  const { id } = await episodesApi.createEpisode(title.value.trim() || UNTITLED)
  await router.push({ name: 'script', params: { id }, query: importing ? { import: '' } : {} })
})
/** What a line asks for; the list is read anew afterwards. */
const changes = useInTurn()
const change = (what: string, episode: EpisodeRow, act: () => Promise<unknown>) =>
  changes.run(`${what} ${episode.id}`, async () => {
    await act()
    await load()
  })
async function remove(episode: EpisodeRow) {
  if (!(await change('remove', episode, () => episodesApi.removeEpisode(episode.id)))) return
  removed.value = episode
}
const focusLine = (id: string) =>
  document.getElementById(`episode-${id}`)?.focus({ preventScroll: true })
async function bringBack(episode: EpisodeRow) {
  removed.value = undefined
  await change('restore', episode, () => episodesApi.restoreEpisode(episode.id))
  await nextTick()
  focusLine(episode.id)
}
const duplicate = (episode: EpisodeRow) =>
  change('duplicate', episode, () => episodesApi.duplicateEpisode(episode.id))
const archive = (episode: EpisodeRow, away: boolean) =>
  change(`archive ${away}`, episode, () => episodesApi.archiveEpisode(episode.id, away))
const rename = (episode: EpisodeRow, name: string) =>
  change(`rename ${name}`, episode, () =>
    episodesApi.command(
      episode.id,
      0,
      { type: 'setTitle', title: name },
      `title ${episode.id} ${Date.now()}`,
    ),
  )
</script>

<template>
  <div class="page">
    <ChannelHeader
      ><ElButton type="primary" @click="asking = true">New episode</ElButton></ChannelHeader
    >
    <main>
      <h1 class="serif heading">Episodes</h1>
      <p v-if="fault || changes.problem.value" class="red" role="alert">
        {{ fault || changes.problem.value }}
        <button class="plain link" @click="load">Try again</button>
      </p>
      <p v-if="!episodes && !fault" class="soft">Loading …</p>
      <section v-else-if="episodes?.length === 0" class="empty">
        <p class="serif">No episode yet.</p>
        <p class="soft">
          An episode is one film in the making. Begin with a title, then paste your narration.
        </p>
        <ElButton type="primary" @click="asking = true">New episode</ElButton>
      </section>
      <template v-else-if="episodes">
        <div class="asked">
          <span class="places" role="group" aria-label="Which episodes">
            <button
              v-for="{ name, label, count } in counts"
              :key="name"
              class="plain"
              :aria-pressed="place === name"
              @click="place = name"
            >
              {{ label }} <span class="soft">{{ count }}</span>
            </button>
          </span>
          <ElInput
            v-model="words"
            clearable
            placeholder="Search titles"
            aria-label="Search titles"
          />
          <ElSelect v-model="order" aria-label="Order">
            <ElOption v-for="(said, name) in ORDERS" :key="name" :value="name" :label="said" />
          </ElSelect>
        </div>
        <UndoLine
          v-if="removed"
          :key="removed.id"
          :said="`“${removed.title}” is in the bin, for ${BIN_DAYS} days.`"
          action="Undo"
          @undo="bringBack(removed)"
        />
        <p v-if="!shown.length" class="soft none">
          {{ words ? 'No title has these words.' : PLACES.find((p) => p.name === place)?.empty }}
        </p>
        <ul v-else>
          <EpisodeLine
            v-for="episode in drawnEpisodes"
            :key="episode.id"
            :episode="episode"
            @remove="remove(episode)"
            @restore="bringBack(episode)"
            @rename="(name) => rename(episode, name)"
            @duplicate="duplicate(episode)"
            @archive="(away) => archive(episode, away)"
          />
        </ul>
      </template>
    </main>
    <PanelDialog
      v-model="asking"
      title="New episode"
      width="460px"
      :show-close="false"
      @open-auto-focus="toTitle"
    >
      <form @submit.prevent="creating.run(false)">
        <label for="new-title" class="soft">Title, as a viewer would read it</label>
        <ElInput
          id="new-title"
          ref="field"
          v-model="title"
          maxlength="200"
          placeholder="How a lighthouse throws its light"
        />
        <p v-if="creating.problem.value" class="red" role="alert">{{ creating.problem.value }}</p>
        <div class="foot">
          <ElButton @click="asking = false">Not now</ElButton
          ><ElButton @click="creating.run(true)">From a file or page</ElButton
          ><ElButton type="primary" native-type="submit">Create</ElButton>
        </div>
      </form>
    </PanelDialog>
  </div>
</template>

<style scoped>
.page {
  max-width: 1120px;
  min-height: 100%;
  margin: 0 auto;
  padding: 0 56px 64px;
  background: var(--paper);
  border: solid var(--hair);
  border-width: 0 1px;
}
.heading {
  font-size: 34px;
  line-height: 1.1;
  margin: 40px 0 20px;
}
.asked {
  display: flex;
  align-items: center;
  gap: 14px;
  padding-bottom: 12px;
}
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  flex: 1;
}
.places button {
  padding: 4px 0;
  border-bottom: 2px solid transparent;
}
.places [aria-pressed='true'] {
  font-weight: 600;
  border-color: var(--blue);
}
.asked .el-input {
  width: 220px;
}
.asked .el-select {
  width: 170px;
}
.none {
  padding: 28px 8px;
  border-top: 1px solid var(--hair);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 1px solid var(--hair);
}
.empty {
  padding: 40px 0;
  display: grid;
  gap: 10px;
  justify-items: start;
}
.empty .serif {
  font-size: 22px;
}
form {
  display: grid;
  gap: 8px;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 8px 0;
  margin-top: 14px;
}
</style>
