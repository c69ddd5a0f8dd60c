<script setup lang="ts">
import { ElButton, ElInput, ElMessage } from 'element-plus'
import { h, onMounted, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { UNTITLED } from '@tidy-reel/core/document/document'
import type { EpisodeRow } from '@tidy-reel/core/views/episode'
import { episodesApi } from '../api/episodes.ts'
import ChannelHeader from '../channel/ChannelHeader.vue'
import PanelDialog from '../controls/PanelDialog.vue'
import { useOnce } from '../controls/use-once.ts'
import EpisodeLine from './EpisodeLine.vue'

const router = useRouter()
const episodes = ref<EpisodeRow[]>()
const fault = ref('')
const asking = ref(false)
const title = ref('')
const field = useTemplateRef<InstanceType<typeof ElInput>>('field')
/**
 * The dialog takes the focus itself just after it says so: what is typed next belongs to the title.
 */
const toTitle = () => setTimeout(() => field.value?.focus())

const load = async () => {
  try {
    episodes.value = await episodesApi.episodes()
    fault.value = ''
  } catch (cause) {
    fault.value = `The episodes could not be loaded. ${(cause as Error).message}`
  }
}
onMounted(load)

const creating = useOnce(async (importing: boolean) => {
  const { id } = await episodesApi.createEpisode(title.value.trim() || UNTITLED)
  await router.push({ name: 'script', params: { id }, query: importing ? { import: '' } : {} })
})

async function remove(episode: EpisodeRow) {
  await episodesApi.removeEpisode(episode.id)
  await load()
  const undo = async () => {
    await episodesApi.restoreEpisode(episode.id)
    note.close()
    await load()
  }
  const note = ElMessage({
    duration: 12_000,
    showClose: true,
    customClass: 'undo',
    message: h('span', [
      '“',
      episode.title,
      '” was deleted. ',
      h(
        'button',
        {
          class: 'plain',
          style: 'color: var(--blue); font-weight: 600; text-decoration: underline',
          onClick: undo,
        },
        'Undo',
      ),
    ]),
  })
}
</script>

<template>
  <div class="page">
    <ChannelHeader
      ><ElButton type="primary" @click="asking = true">New episode</ElButton></ChannelHeader
    >
    <main>
      <h1 class="serif heading">Episodes</h1>
      <p v-if="fault" class="red" role="alert">
        {{ fault }} <button class="plain" @click="load">Try again</button>
      </p>
      <p v-else-if="!episodes" class="soft">Loading …</p>
      <section v-else-if="episodes.length === 0" class="empty">
        <p class="serif">No episode yet.</p>
        <p class="soft">
          An episode is one film in the making. Begin with a title, then paste your narration.
        </p>
        <ElButton type="primary" @click="asking = true">New episode</ElButton>
      </section>
      <ul v-else>
        <EpisodeLine
          v-for="episode in episodes"
          :key="episode.id"
          :episode="episode"
          @remove="remove(episode)"
        />
      </ul>
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
  justify-content: flex-end;
  margin-top: 14px;
}
</style>
