<script setup lang="ts">
import type { Metered } from '../monitor/live-meter.ts'

/** How loud it is that is heard, as it is played. */
defineProps<{ metered: Metered | undefined }>()
const FIGURES = [
  ['momentary', 'now', 'Momentary loudness, over 0.4 s, in LUFS'],
  ['shortTerm', '3 s', 'Short-term loudness, over 3 s, in LUFS'],
  ['integrated', 'whole', 'Integrated loudness of what was played, in LUFS'],
  ['truePeak', 'peak', 'Highest true peak of what was played, in dBTP'],
] as const
/** Below, nothing is heard. */
const SILENT = -70
const said = (value: number | undefined) =>
  value === undefined || value < SILENT ? '\u2013' : value.toFixed(1).replace('-', '\u2212')
</script>

<template>
  <dl aria-label="Loudness of what is heard">
    <div v-for="[key, name, meaning] in FIGURES" :key="key" :title="meaning">
      <dt class="soft">{{ name }}</dt>
      <dd class="mono">{{ said(metered?.[key]) }}</dd>
    </div>
  </dl>
</template>

<style scoped>
dl {
  display: flex;
  justify-content: space-between;
  margin: 0;
  font-size: 12.5px;
}
dt {
  font-size: 12px;
}
dd {
  margin: 0;
}
</style>
