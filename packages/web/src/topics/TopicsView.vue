<script setup lang="ts">
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import type { RankedSubject } from '@tidy-reel/core/topics/rank-subjects'
import type { Idea } from '@tidy-reel/core/topics/topic-views'
import { topicsApi } from '../api/topics.ts'
import ChannelHeader from '../channel/ChannelHeader.vue'
import FilmTable from './FilmTable.vue'
import FollowPanel from './FollowPanel.vue'
import IdeaList from './IdeaList.vue'
import SubjectList from './SubjectList.vue'
import { AGES, useTopics, WHOSE } from './use-topics.ts'
import ViewsChart from './ViewsChart.vue'

const router = useRouter()
const topics = useTopics()
const { data, fault, subject, words, whose, age, ofSubject, films, listed, subjects } = topics
const following = ref(false)
const suggested = shallowRef<{ title: string; subject: string; notes: string }>()
const own = computed(() => data.value?.channels.find((channel) => channel.own)?.name ?? '')
onMounted(async () => {
  await topics.load()
  following.value = data.value?.channels.length === 0
})

/** An idea begins with what is known of its subject. */
function suggest({ name, why, own: mine, others }: RankedSubject) {
  const best = (data.value?.films ?? [])
    .filter(({ id }) => [...mine, ...others].includes(id))
    .sort((a, b) => b.above - a.above)
    .slice(0, 3)
  suggested.value = {
    title: `A film about ${name}`,
    subject: name,
    notes: [
      ...why,
      '',
      'Films that did well:',
      ...best.map(({ title, channel }) => `- ${title} (${channel})`),
    ].join('\n'),
  }
}
async function begin({ id }: Idea) {
  const made = await topicsApi
    .beginEpisode(id)
    .catch((cause: Error) => void (fault.value = cause.message))
  if (made) await router.push({ name: 'script', params: { id: made.id } })
}
</script>

<template>
  <div class="topics">
    <ChannelHeader class="head"
      ><ElButton @click="following = !following">{{
        following ? 'Back to the topics' : 'Channels'
      }}</ElButton></ChannelHeader
    >
    <p v-if="fault" class="fault red" role="alert">
      {{ fault }} <button class="plain link" @click="topics.load">Try again</button>
    </p>
    <p v-if="!data && !fault" class="soft loading">Reading the figures …</p>
    <main v-else-if="data">
      <h1 class="hidden">Topics</h1>
      <FollowPanel
        v-if="following"
        :channels="data.channels"
        @changed="topics.load"
        @close="following = false"
      />
      <template v-else>
        <section class="ranking" aria-label="Subjects, the ones most worth a film first">
          <p v-if="!subjects.length" class="soft none">
            Nothing to rank with these filters. Follow more channels, or take a filter away.
          </p>
          <SubjectList
            :subjects="subjects"
            :chosen="subject"
            @choose="(name) => (subject = name)"
            @idea="suggest"
          />
        </section>
        <section class="middle">
          <div class="filters">
            <ElInput
              v-model="words"
              size="small"
              aria-label="Words in the title"
              placeholder="Words in the title"
              clearable
            />
            <ElSelect v-model="whose" size="small" aria-label="Whose films"
              ><ElOption
                v-for="name in [...WHOSE, ...data.channels.map((channel) => channel.name)]"
                :key="name"
                :value="name"
            /></ElSelect>
            <ElSelect v-model="age" size="small" aria-label="Published"
              ><ElOption v-for="name in Object.keys(AGES)" :key="name" :value="name"
            /></ElSelect>
            <span class="soft"
              >{{ listed.length }} {{ listed.length === 1 ? 'film' : 'films'
              }}<template v-if="subject">
                about {{ subject }}
                <button class="plain link" @click="subject = ''">show all</button></template
              ></span
            >
          </div>
          <ViewsChart :films="films" :marked="ofSubject" :own="own" />
          <div class="table"><FilmTable :films="listed" /></div>
        </section>
        <IdeaList
          :ideas="data.ideas"
          :suggested="suggested"
          @add="topics.addIdea"
          @change="topics.changeIdea"
          @remove="topics.removeIdea"
          @begin="begin"
        />
      </template>
    </main>
  </div>
</template>

<style scoped>
.topics {
  height: 100%;
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
}
.head {
  padding: 0 20px;
}
.fault {
  grid-row: 2;
  padding: 8px 20px;
  background: var(--paper);
  border-bottom: 1px solid var(--red);
}
main {
  grid-row: 3;
  display: grid;
  grid-template-columns: 322px minmax(0, 1fr) 276px;
  min-height: 0;
}
.ranking {
  overflow: auto;
  border-right: 1px solid var(--hair);
}
.none,
.loading {
  padding: 20px;
}
.middle {
  background: var(--paper);
  display: grid;
  grid-template-rows: auto 55% minmax(0, 1fr);
  min-height: 0;
  border-right: 1px solid var(--hair);
}
.filters {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 8px 20px;
  border-bottom: 1px solid var(--hair);
  font-size: 14px;
  white-space: nowrap;
}
.filters .el-input {
  width: 160px;
}
.filters .el-select {
  width: 132px;
}
.table {
  overflow: auto;
  padding: 0 20px;
  border-top: 1px solid var(--hair);
}
</style>
