<script setup lang="ts">
import { ElButton } from 'element-plus'
import { onMounted, ref } from 'vue'
import type { OfferedChannel, WatchedChannel } from '@tidy-reel/core/topics/topic-views'
import { topicsApi } from '../api/topics.ts'

const props = defineProps<{ channels: readonly WatchedChannel[] }>()
const emit = defineEmits<{ changed: []; close: [] }>()
const offered = ref<OfferedChannel[]>()
const problem = ref('')
const told = ref('')
const busy = ref('')
onMounted(async () => {
  offered.value = await topicsApi.offeredChannels().catch((cause: Error) => {
    problem.value = cause.message
    return []
  })
})
async function run(what: string, done: () => Promise<unknown>) {
  busy.value = what
  problem.value = told.value = ''
  try {
    await done()
    emit('changed')
  } catch (cause) {
    problem.value = (cause as Error).message
  } finally {
    busy.value = ''
  }
}
const take = (file: File | undefined) =>
  file &&
  run(file.name, async () => {
    const { films, skipped } = await topicsApi.importFilms(file)
    told.value = `${films} ${films === 1 ? 'film' : 'films'} from “${file.name}”.${leftOut(skipped)}`
  })
function leftOut(skipped: readonly { row: number; reason: string }[]): string {
  const [first] = skipped
  if (!first) return ''
  const rows = skipped.length === 1 ? 'row' : 'rows'
  return ` Left out: ${skipped.length} ${rows}, the first because in row ${first.row} ${first.reason}.`
}
const followed = (name: string) => props.channels.some((channel) => channel.name === name)
const percent = (trend: number) => `${trend > 0 ? '+' : '−'}${Math.abs(trend).toFixed(1)} % a month`
</script>

<template>
  <section
    class="follow"
    aria-label="Channels that are followed"
    @dragover.prevent
    @drop.prevent="(event: DragEvent) => take(event.dataTransfer?.files[0])"
  >
    <div>
      <h2 class="serif">Followed</h2>
      <p v-if="!channels.length" class="soft">
        No channel yet. Import the films of yours, and of those you learn from.
      </p>
      <ul>
        <li v-for="channel in channels" :key="channel.id">
          <span class="serif">{{ channel.name }}</span>
          <span class="soft"
            >{{ channel.own ? 'yours' : '' }} {{ channel.films }} films<template
              v-if="channel.trend !== undefined"
              >, {{ percent(channel.trend) }}</template
            ></span
          >
          <span class="row"
            ><button
              v-if="!channel.own"
              class="plain link"
              @click="run(channel.name, () => topicsApi.makeChannelOwn(channel.id))"
            >
              It is mine</button
            ><button
              class="plain link"
              @click="run(channel.name, () => topicsApi.unfollowChannel(channel.id))"
            >
              Stop following
            </button></span
          >
        </li>
      </ul>
    </div>
    <div>
      <h2 class="serif">Add</h2>
      <label class="file"
        ><input
          type="file"
          accept=".csv,.tsv,.json"
          aria-label="A list of films"
          @change="(event) => take((event.target as HTMLInputElement).files?.[0])"
        /><span><b>Choose a list</b>, or drop it here</span
        ><span class="soft"
          >CSV or JSON with the columns title, published, views and length; its name is the
          channel's.</span
        ></label
      >
      <p v-if="busy" class="soft" role="status">Reading {{ busy }} …</p>
      <p v-if="told" role="status">{{ told }}</p>
      <p v-if="problem" class="red" role="alert">{{ problem }}</p>
      <h3>From the channel statistics</h3>
      <ul>
        <li v-for="channel in offered" :key="channel.id">
          <span class="serif">{{ channel.name }}</span><span class="soft"
            >{{ channel.films }} films</span
          ><button
            class="plain link"
            @click="run(channel.name, () => topicsApi.followChannel(channel))"
          >
            {{ followed(channel.name) ? 'Take its figures anew' : 'Follow' }}
          </button>
        </li>
      </ul>
      <ElButton class="close" @click="emit('close')">Done</ElButton>
    </div>
  </section>
</template>

<style scoped>
.follow {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 40px;
  padding: 28px 32px;
  overflow: auto;
  background: var(--paper);
  grid-column: 1 / -1;
}
h2 {
  font-size: 22px;
  margin-bottom: 10px;
}
h3 {
  font-weight: 600;
  font-size: 14px;
  margin: 18px 0 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 1px solid var(--hair);
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 4px 18px;
  align-items: baseline;
  border-bottom: 1px solid var(--hair);
  padding: 8px 0;
}
li .serif {
  font-size: 17px;
}
.row {
  display: flex;
  gap: 14px;
}
.file {
  display: grid;
  gap: 4px;
  border: 1px dashed var(--soft);
  padding: 20px;
  cursor: pointer;
}
.file:hover,
.file:focus-within {
  border-color: var(--blue);
  background: var(--wash);
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.close {
  margin-top: 20px;
}
</style>
