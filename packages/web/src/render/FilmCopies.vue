<script setup lang="ts">
import { ElButton, ElInputNumber, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { Document } from '@tidy-reel/core/document/document'
import {
  COPY_KINDS,
  COPY_LINES,
  COPY_NAMES,
  copyKind,
  type CopyKindName,
  CopyWish,
  type FilmCopy,
} from '@tidy-reel/core/export/copies'
import { savedName } from '@tidy-reel/core/export/saved-name'
import type { RenderView } from '@tidy-reel/core/views/episode'
import { episodesApi } from '../api/episodes.ts'
import { copyFile } from '../api/media.ts'
import { useOnce } from '../controls/use-once.ts'
import { copyTitle, megabytesText } from './copy-words.ts'

/** The finished film as other kinds of file: what there is of them, and a new one. */
const props = defineProps<{ render: RenderView; document: Document }>()
const isOpen = ref(false)
const kind = ref<CopyKindName>('webm')
const lines = ref(0)
const from = ref(0)
const to = ref(6)
const megabytes = ref<number>()
const own = computed(() => copyKind(kind.value))
const shorter = computed(() => Math.min(props.render.shape.width, props.render.shape.height))
const smaller = computed(() => COPY_LINES.filter((one) => one < shorter.value))
const seconds = computed(() => props.render.report?.seconds ?? 0)
/** Undefined while the fields do not make one. */
const wish = computed(() => {
  const { longest, isStill, isSound, fits } = own.value
  return CopyWish.safeParse({
    kind: kind.value,
    ...(lines.value && !isSound ? { lines: lines.value } : {}),
    ...(longest || isStill ? { from: from.value } : {}),
    ...(longest ? { to: Math.min(to.value, from.value + longest) } : {}),
    ...(fits && megabytes.value ? { megabytes: megabytes.value } : {}),
  }).data
})
const isMade = ({ state }: FilmCopy) => state === 'done' || state === 'failed'
const removing = useOnce((name: string) => episodesApi.removeCopy(props.render.id, name))
const asking = useOnce(async () => {
  if (wish.value) await episodesApi.copyRender(props.render.id, wish.value)
})
</script>

<template>
  <section class="copies" aria-label="Other kinds of file">
    <ul v-if="render.copies.length">
      <li v-for="copy in render.copies" :key="copy.name">
        <a
          v-if="copy.state === 'done'"
          :href="copyFile(render.id, copy.name, savedName(document, render, copy.name))"
          download
          >{{ copyTitle(copy.wish) }}</a
        >
        <span v-else :class="{ red: copy.state === 'failed' }">{{ copyTitle(copy.wish) }}</span>
        <span v-if="copy.bytes" class="soft mono">{{ megabytesText(copy.bytes) }}</span>
        <span v-else-if="copy.state === 'failed'" class="red" role="alert">{{ copy.fault }}</span>
        <span v-else class="soft" role="status">{{
          copy.state === 'queued' ? 'waits for its turn' : `${Math.round(copy.done * 100)} %`
        }}</span>
        <button
          class="plain link"
          :aria-label="`${isMade(copy) ? 'Remove' : 'Stop'}: ${copyTitle(copy.wish)}`"
          @click="removing.run(copy.name)"
        >
          {{ isMade(copy) ? 'Remove' : 'Stop' }}
        </button>
      </li>
    </ul>
    <button class="plain link" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      {{ isOpen ? 'Close' : 'Another kind of file …' }}
    </button>
    <form v-if="isOpen" @submit.prevent="asking.run()">
      <ElSelect v-model="kind" class="kind" aria-label="Kind of file">
        <ElOption
          v-for="name in COPY_NAMES"
          :key="name"
          :value="name"
          :label="COPY_KINDS[name].label"
        />
      </ElSelect>
      <ElSelect v-if="!own.isSound" v-model="lines" class="lines" aria-label="Lines">
        <ElOption :value="0" label="as large as the film" />
        <ElOption v-for="one in smaller" :key="one" :value="one" :label="`${one} lines`" />
      </ElSelect>
      <label v-if="own.fits" class="pair"
        >no larger than
        <ElInputNumber
          v-model="megabytes"
          :min="0.1"
          :max="100000"
          :controls="false"
          placeholder="any"
          aria-label="Megabytes at most"
        />
        MB</label
      >
      <label v-if="own.longest || own.isStill" class="pair"
        >{{ own.isStill ? 'at' : 'from' }}
        <ElInputNumber
          v-model="from"
          :min="0"
          :max="seconds"
          :precision="1"
          :controls="false"
          aria-label="Seconds into the film"
        />
        s</label
      >
      <label v-if="own.longest" class="pair"
        >to
        <ElInputNumber
          v-model="to"
          :min="0"
          :max="seconds"
          :precision="1"
          :controls="false"
          aria-label="Seconds into the film at which it ends"
        />
        s</label
      >
      <ElButton native-type="submit" :disabled="!wish || asking.doing.value">Make it</ElButton>
      <p v-if="!wish" class="soft">
        A stretch ends after it begins<template v-if="own.longest"
          >, at most {{ own.longest }} seconds later</template
        >.
      </p>
      <p v-if="asking.problem.value" class="red" role="alert">{{ asking.problem.value }}</p>
    </form>
  </section>
</template>

<style scoped>
.copies {
  display: grid;
  gap: 6px;
  justify-items: start;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  gap: 10px;
}
li a {
  text-decoration-color: var(--blue);
  text-underline-offset: 3px;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
}
form p {
  flex-basis: 100%;
}
.kind {
  width: 228px;
}
.lines {
  width: 168px;
}
.pair {
  display: flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
}
.pair .el-input-number {
  width: 72px;
}
</style>
