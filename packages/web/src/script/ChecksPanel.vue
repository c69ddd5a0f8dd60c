<script setup lang="ts">
import { computed } from 'vue'
import type { Finding } from '@tidy-reel/core/checks/finding'
import type { Hook } from '@tidy-reel/core/checks/hook'
import { THINGS_PER_THOUSAND } from '@tidy-reel/core/checks/pace'
import { easeName } from '@tidy-reel/core/checks/reading-ease'
import type { ScriptChecks } from '@tidy-reel/core/views/checks'
import type { ScriptReading } from './script-reading.ts'

const props = defineProps<{
  hook: Hook
  looked: ScriptReading
  checks: ScriptChecks | undefined
  unanswered: boolean
  findings: readonly Finding[]
  words: readonly string[]
}>()
const emit = defineEmits<{
  show: [from: number, to: number]
  scene: [scene: number]
  forget: [word: string]
}>()
const TITLES: Record<Finding['kind'], string> = {
  long: 'Long sentences',
  repeated: 'Said before',
  opening: 'Sentences that open alike',
  name: 'Names',
  unit: 'Units',
  numeral: 'Numbers',
  spelling: 'Spelling',
  balance: 'Chapters',
}
const groups = computed(() =>
  Object.entries(TITLES)
    .map(([kind, title]) => ({
      title,
      found: props.findings.filter((finding) => finding.kind === kind),
    }))
    .filter(({ found }) => found.length),
)
const quote = ({ from, to }: Finding) => props.looked.script.slice(from, to).replace(/\s+/g, ' ')
const short = (text: string) => (text.length > 70 ? `${text.slice(0, 66)} …` : text)
const things = computed(() => props.checks?.things)
</script>

<template>
  <section>
    <h2>The first ten seconds</h2>
    <blockquote v-if="hook.text" class="serif">{{ hook.text }}</blockquote>
    <p v-else class="soft">Nothing is spoken yet.</p>
    <ul class="points">
      <li v-for="point in hook.points" :key="point.text" :class="point.good ? 'good' : 'red'">
        {{ point.text }}
      </li>
    </ul>
  </section>
  <section>
    <h2>Ease and pictures</h2>
    <dl>
      <dt>Reading ease (Flesch)</dt>
      <dd>
        {{
          looked.ease
            ? `${Math.round(looked.ease.flesch)}, ${easeName(looked.ease.flesch)}`
            : 'nothing to read yet'
        }}
      </dd>
      <dt>New things to show</dt>
      <dd v-if="things" :class="{ red: things.rate > 0 && things.rate < THINGS_PER_THOUSAND }">
        {{ Math.round(things.rate) }} in 1,000 words
      </dd>
      <dd v-else class="soft">{{ unanswered ? 'the server does not answer' : 'reading …' }}</dd>
      <template v-if="things?.drought && things.drought.words >= 60">
        <dt>Longest stretch without</dt>
        <dd>
          <button class="plain link" @click="emit('scene', things.drought.first)">
            {{ things.drought.words }} words
          </button>
        </dd>
      </template>
    </dl>
  </section>
  <section v-for="{ title, found } in groups" :key="title" :aria-label="title">
    <h2>
      {{ title }} <span class="soft">{{ found.length }}</span>
    </h2>
    <ul>
      <li v-for="finding in found.slice(0, 40)" :key="finding.from">
        <button class="plain" @click="emit('show', finding.from, finding.to)">
          <span class="serif">{{ short(quote(finding)) }}</span>
          <span class="soft">{{ finding.text }}</span>
        </button>
      </li>
    </ul>
    <p v-if="found.length > 40" class="soft">and {{ found.length - 40 }} more</p>
  </section>
  <section v-if="words.length">
    <h2>
      Words of the channel <span class="soft">{{ words.length }}</span>
    </h2>
    <p class="soft known">
      <button
        v-for="word in words"
        :key="word"
        class="plain"
        :title="`Take “${word}” out`"
        @click="emit('forget', word)"
      >
        {{ word }} ×
      </button>
    </p>
  </section>
  <p v-if="!groups.length && hook.text">Nothing else to look at.</p>
</template>

<style scoped>
section {
  border-top: 1px solid var(--hair);
  padding-top: 8px;
  display: grid;
  gap: 6px;
}
section:first-child {
  border-top: 0;
  padding-top: 0;
}
h2 {
  font-weight: 600;
  font-size: 14px;
}
blockquote {
  margin: 0;
  padding-left: 10px;
  border-left: 2px solid var(--blue);
  font-size: 17px;
  line-height: 1.4;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 7px;
  font-size: 14px;
}
.points {
  gap: 3px;
}
.points li {
  padding-left: 16px;
  text-indent: -16px;
}
.points li::before {
  display: inline-block;
  width: 16px;
  text-indent: 0;
  content: '+';
  font-family: var(--mono);
}
.points .red::before {
  content: '–';
}
li .serif {
  font-size: 15.5px;
}
.known {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  font-size: 14px;
}
dl {
  display: grid;
  grid-template-columns: auto auto;
  justify-content: space-between;
  gap: 3px 12px;
  margin: 0;
  font-size: 14px;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  text-align: right;
}
</style>
