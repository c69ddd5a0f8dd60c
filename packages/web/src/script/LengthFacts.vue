<script setup lang="ts">
import { ElInputNumber } from 'element-plus'
import { computed } from 'vue'
import { LENGTH_TOLERANCE, lengthAdvice } from '@tidy-reel/core/checks/length-advice'
import type { ParsedScript } from '@tidy-reel/core/script/parse'

const props = defineProps<{
  parsed: ParsedScript
  seconds: number
  wanted: number | null
  speed: number
}>()
const emit = defineEmits<{
  wish: [minutes: number | null]
  show: [scene: number]
  cut: [scene: number]
  chapter: [chapter: number]
}>()
const SHOWN = 5
const words = computed(() =>
  props.parsed.scenes.reduce((sum, { text }) => sum + text.split(/\s+/).length, 0),
)
const minutes = computed(() => (props.parsed.scenes.length ? (props.seconds / 60).toFixed(1) : '0'))
const advice = computed(() =>
  props.wanted && props.parsed.scenes.length
    ? lengthAdvice(props.parsed, props.wanted, props.speed)
    : undefined,
)
const verdict = computed(() => {
  if (!advice.value) return ''
  const { seconds, wantedSeconds } = advice.value
  const off = seconds - wantedSeconds
  if (Math.abs(off) <= wantedSeconds * LENGTH_TOLERANCE) return 'As long as wished, within 5 %.'
  const size =
    Math.abs(off) < 90 ? `${Math.round(Math.abs(off))} s` : `${(Math.abs(off) / 60).toFixed(1)} min`
  return off > 0 ? `${size} too long. First to go:` : `${size} too short. Room for more in:`
})
</script>

<template>
  <dl aria-label="Length of the script">
    <div>
      <dt>words</dt>
      <dd>{{ words }}</dd>
    </div>
    <div>
      <dt>scenes</dt>
      <dd>{{ parsed.scenes.length }}</dd>
    </div>
    <div>
      <dt>minutes</dt>
      <dd>{{ minutes }}</dd>
    </div>
  </dl>
  <div class="wish">
    <label for="wish">Wanted minutes</label>
    <ElInputNumber
      id="wish"
      :model-value="wanted"
      :min="0.5"
      :max="60"
      :step="0.5"
      :precision="1"
      :value-on-clear="null"
      controls-position="right"
      placeholder="any"
      @change="(minutes: number | null | undefined) => emit('wish', minutes ?? null)"
    />
  </div>
  <div v-if="verdict && advice" class="advice">
    <p :class="{ red: advice.cut.length || advice.widen.length }">{{ verdict }}</p>
    <ol v-if="advice.cut.length">
      <li v-for="{ scene, seconds: s, why } in advice.cut.slice(0, SHOWN)" :key="scene">
        <button class="plain serif" :title="why" @click="emit('show', scene)">
          {{ parsed.scenes[scene]!.text }}
        </button>
        <span class="soft"
          >{{ s.toFixed(1) }} s, {{ why }}
          <button class="plain link" @click="emit('cut', scene)">Cut it</button></span
        >
      </li>
    </ol>
    <p v-if="advice.cut.length > SHOWN" class="soft">
      and {{ advice.cut.length - SHOWN }} more after these
    </p>
    <ul v-if="advice.widen.length">
      <li v-for="{ chapter, title, seconds: s } in advice.widen.slice(0, SHOWN)" :key="chapter">
        <button class="plain" @click="emit('chapter', chapter)">{{ title }}</button>
        <span class="soft">about {{ Math.round(s) }} s</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  margin: 0;
  border: solid var(--ink);
  border-width: 1px 0;
}
dl div {
  display: flex;
  flex-direction: column-reverse;
  padding: 8px 0;
}
dd {
  margin: 0;
  font: 400 27px/1.1 var(--serif);
  font-variant-numeric: lining-nums;
}
dt {
  color: var(--soft);
  font-size: 13px;
}
.wish {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
.wish label {
  color: var(--soft);
}
.el-input-number {
  width: 116px;
}
.advice {
  display: grid;
  gap: 6px;
  font-size: 14px;
}
ol,
ul {
  margin: 0;
  padding-left: 18px;
  display: grid;
  gap: 6px;
}
li .serif {
  display: block;
  font-size: 15.5px;
  line-height: 1.3;
}
</style>
