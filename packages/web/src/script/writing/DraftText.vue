<script setup lang="ts">
import { computed, ref } from 'vue'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { Brief, Draft, Outline } from '@tidy-reel/core/writing/brief'

const props = defineProps<{ draft: Draft; outline: Outline; brief: Brief; seconds: number }>()
const at = ref(-1)
const titles = computed(() => new Map(props.brief.sources.map(({ id, title }) => [id, title])))
const off = computed(() => (props.seconds / 60 / props.brief.minutes - 1) * 100)
const opens = (i: number) =>
  i === 0
    ? itemAt(props.draft.sentences, 0).chapter >= 0
    : itemAt(props.draft.sentences, i).chapter !== itemAt(props.draft.sentences, i - 1).chapter
</script>

<template>
  <p>
    {{ (seconds / 60).toFixed(1) }} of {{ brief.minutes }} min<template v-if="Math.abs(off) <= 5"
      >: as long as wished, within 5 %.</template
    ><span v-else class="red"
      >: {{ Math.abs(Math.round(off)) }} % too {{ off > 0 ? 'long' : 'short' }}.</span
    >
  </p>
  <ul v-if="draft.limits.length" class="limits">
    <li v-for="line in draft.limits" :key="line">{{ line }}</li>
  </ul>
  <div class="text serif">
    <template v-for="(sentence, i) in draft.sentences" :key="i">
      <h3 v-if="opens(i)">{{ outline[sentence.chapter]?.title }}</h3>
      <span
        class="said"
        role="button"
        tabindex="0"
        :class="{ on: at === i, bare: !sentence.from.length }"
        :aria-expanded="at === i"
        title="Where it is from"
        @click="at = at === i ? -1 : i"
        @keydown.enter.prevent="at = at === i ? -1 : i"
        >{{ sentence.text }}</span>{{ ' ' }}
      <span v-if="at === i" class="from"
        ><template v-if="sentence.from.length"
          ><span v-for="(origin, n) in sentence.from" :key="n"
            ><b>{{ titles.get(origin.source) ?? 'a source that was taken out' }}</b>
            {{ origin.words }}</span
          ></template
        ><span v-else class="red">It stands on nothing that was given.</span></span
      >
    </template>
  </div>
</template>

<style scoped>
.limits {
  margin: 0;
  padding-left: 18px;
  color: var(--soft);
  font-size: 14px;
}
.text {
  font-size: 17.5px;
  line-height: 1.5;
}
.said {
  cursor: pointer;
}
.said:hover {
  color: var(--blue);
}
.text .on {
  background: var(--wash);
}
.bare {
  text-decoration: underline wavy var(--red) 1px;
  text-underline-offset: 4px;
}
h3 {
  font-weight: 600;
  font-size: 19px;
  margin: 14px 0 4px;
}
.from {
  display: block;
  font: 14px/1.4 var(--sans);
  border-left: 2px solid var(--blue);
  padding-left: 10px;
  margin: 4px 0 8px;
}
.from > span {
  display: block;
}
</style>
