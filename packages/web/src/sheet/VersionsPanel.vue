<script setup lang="ts">
import { ElButton, ElInput } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import type { Comparison } from '@tidy-reel/core/document/compare'
import type { VersionView } from '@tidy-reel/core/views/episode'
import { episodesApi } from '../api/episodes.ts'
import PanelDialog from '../controls/PanelDialog.vue'
import ItemThumb from '../pictures/ItemThumb.vue'

const props = defineProps<{ episodeId: string }>()
const emit = defineEmits<{ close: []; restored: [] }>()
const versions = ref<VersionView[]>([])
const name = ref('')
const chosen = ref<VersionView>()
const comparison = ref<Comparison>()
const problem = ref('')
const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
const same = computed(
  () => comparison.value && !comparison.value.film.length && !comparison.value.scenes.length,
)

async function attempt(act: () => Promise<unknown>) {
  problem.value = ''
  try {
    await act()
  } catch (cause) {
    problem.value = (cause as Error).message
  }
}
const load = () =>
  attempt(async () => (versions.value = await episodesApi.versions(props.episodeId)))
onMounted(load)
const keep = () =>
  name.value.trim() &&
  attempt(async () => {
    await episodesApi.keepVersion(props.episodeId, name.value)
    name.value = ''
    await load()
  })
const compare = (version: VersionView) =>
  attempt(async () => {
    chosen.value = version
    comparison.value = await episodesApi.compareVersion(props.episodeId, version.id)
  })
const remove = (version: VersionView) =>
  attempt(async () => {
    await episodesApi.removeVersion(props.episodeId, version.id)
    if (chosen.value?.id === version.id) chosen.value = comparison.value = undefined
    await load()
  })
const restore = () =>
  attempt(async () => {
    await episodesApi.restoreVersion(props.episodeId, chosen.value!.id)
    emit('restored')
  })
</script>

<template>
  <PanelDialog model-value title="Versions" width="980" top="6vh" @close="emit('close')">
    <div class="versions">
      <nav>
        <form @submit.prevent="keep">
          <ElInput
            v-model="name"
            placeholder="Name the film as it is"
            aria-label="Name of the version"
            maxlength="120"
          /><ElButton native-type="submit" :disabled="!name.trim()">Keep</ElButton>
        </form>
        <p v-if="problem" class="red" role="alert">{{ problem }}</p>
        <p v-if="!versions.length" class="soft">
          No version is kept yet. Name the film as it is now, then try something else: you can
          always come back.
        </p>
        <ul>
          <li
            v-for="version in versions"
            :key="version.id"
            :class="{ on: version.id === chosen?.id }"
          >
            <button class="plain" @click="compare(version)">
              <strong>{{ version.name }}</strong><span class="soft"
                >{{ time.format(new Date(version.createdAt)) }}, {{ version.scenes }} scenes</span
              ></button
            ><button
              class="plain soft"
              :aria-label="`Forget the version ${version.name}`"
              @click="remove(version)"
            >
              Forget
            </button>
          </li>
        </ul>
      </nav>
      <section v-if="comparison && chosen" aria-label="What has changed">
        <header>
          <span>{{
            same
              ? `Nothing has changed since “${chosen.name}”.`
              : `Changed since “${chosen.name}”${comparison.film.length ? `: ${comparison.film.join(', ')}` : ''}`
          }}</span><ElButton v-if="!same" type="primary" @click="restore">Bring it back</ElButton>
        </header>
        <table v-if="comparison.scenes.length">
          <thead>
            <tr>
              <th>Then</th>
              <th>Now</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="scene in comparison.scenes" :key="scene.id">
              <td v-for="(look, side) in [scene.before, scene.after]" :key="side">
                <template v-if="look"
                  ><span class="mono">{{ look.number }}</span>
                  <span class="serif">{{ look.text }}</span>
                  <div v-if="scene.changes.includes('pictures')" class="pictures">
                    <ItemThumb v-for="id in look.pictures" :id="id" :key="id" /></div
                ></template>
                <span v-else class="soft">not there</span>
                <span v-if="side === 1 || !scene.after" class="red what">{{
                  side === 1 ? scene.changes.join(', ') : ''
                }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <p v-else class="soft hint">
        Choose a version to see what has changed since, scene by scene.
      </p>
    </div>
  </PanelDialog>
</template>

<style scoped>
.versions {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 26px;
  height: 60vh;
}
nav {
  display: flex;
  flex-direction: column;
  gap: 12px;
  border-right: 1px solid var(--hair);
  padding-right: 20px;
  overflow: auto;
}
form {
  display: flex;
  gap: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 10px;
  padding: 7px 8px;
  border-bottom: 1px solid var(--hair);
  border-left: 3px solid transparent;
}
li.on {
  border-left-color: var(--blue);
  background: var(--wash);
}
li .plain:first-child {
  display: grid;
}
section {
  overflow: auto;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 20px;
  padding-bottom: 10px;
}
table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}
th {
  text-align: left;
  font-weight: 600;
  border-bottom: 1px solid var(--ink);
  padding: 4px 10px 4px 0;
}
td {
  vertical-align: top;
  padding: 8px 14px 8px 0;
  border-bottom: 1px solid var(--hair);
  font-size: 16px;
  line-height: 1.35;
}
.what {
  display: block;
  font-size: 13px;
}
.pictures {
  display: flex;
  gap: 4px;
  margin-top: 4px;
}
.pictures img {
  width: 92px;
  aspect-ratio: 16 / 9;
  object-fit: cover;
}
.hint {
  padding: 20px;
}
</style>
