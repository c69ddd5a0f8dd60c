<script setup lang="ts">
import { ElCheckbox, ElInputNumber, ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import { type Picking } from '@tidy-reel/core/document/document'
import { type ChosenItem, sourceName } from '@tidy-reel/core/pictures/item'
import { type Rhythm, RHYTHMS } from '@tidy-reel/core/style/film-choices'
import PopPanel from '../controls/PopPanel.vue'

/**
 * How pictures are chosen for the film; `offered` are those matching found, whether shown or not.
 */
const props = defineProps<{
  picking: Picking
  shown: readonly Pick<ChosenItem, 'kind' | 'source'>[]
  offered: readonly Pick<ChosenItem, 'source'>[]
  /** Seconds a picture stands, by the middle one. */
  middle: number
}>()
const emit = defineEmits<{ change: [set: Partial<Picking>] }>()
const MIXES = [
  ['fit', 'whichever fit best'],
  [0, 'clips only'],
  [0.25, 'mostly clips'],
  [0.5, 'half and half'],
  [0.75, 'mostly stills'],
  [1, 'stills only'],
] as const
const clips = computed(() => props.shown.filter(({ kind }) => kind === 'clip').length)
const sources = computed(() => {
  const names = new Set(
    [...props.offered, ...props.shown]
      .map(({ source }) => sourceName(source))
      .concat(props.picking.without),
  )
  return [...names]
    .filter(Boolean)
    .sort()
    .map((name) => ({
      name,
      count: props.shown.filter(({ source }) => sourceName(source) === name).length,
    }))
})
const changed = computed(
  () =>
    props.picking.rhythm !== 'usual' ||
    props.picking.stills !== null ||
    props.picking.without.length > 0,
)
const use = (name: string, wanted: boolean) =>
  emit('change', {
    without: wanted
      ? props.picking.without.filter((other) => other !== name)
      : [...props.picking.without, name],
  })
</script>

<template>
  <PopPanel label="How they are chosen" :width="380" :on="changed">
    <template #label>How they are chosen</template>
    <form class="picking" aria-label="How pictures are chosen" @submit.prevent>
      <label class="row"
        ><span>Rhythm</span>
        <ElSelect
          :model-value="picking.rhythm"
          size="small"
          :teleported="false"
          aria-label="Rhythm"
          @change="(rhythm: Rhythm) => emit('change', { rhythm })"
          ><ElOption v-for="rhythm in RHYTHMS" :key="rhythm" :value="rhythm" :label="rhythm"
        /></ElSelect>
      </label>
      <p class="soft">
        Half of them stand longer than {{ middle.toFixed(1) }} s. Short sentences share a picture.
      </p>
      <label class="row"
        ><span>Clips and stills</span>
        <ElSelect
          :model-value="picking.stills ?? 'fit'"
          size="small"
          :teleported="false"
          aria-label="Clips and stills"
          @change="
            (value: string | number) =>
              emit('change', { stills: typeof value === 'number' ? value : null })
          "
          ><ElOption v-for="[value, said] in MIXES" :key="value" :value="value" :label="said"
        /></ElSelect>
      </label>
      <p class="soft">
        Now {{ clips }} {{ clips === 1 ? 'clip' : 'clips' }} and {{ shown.length - clips }}
        {{ shown.length - clips === 1 ? 'still' : 'stills' }}; as far as there are others to choose.
      </p>
      <label class="row"
        ><span>One picture for</span>
        <span
          ><ElInputNumber
            :model-value="picking.longest"
            size="small"
            :min="2"
            :max="30"
            :step="1"
            controls-position="right"
            aria-label="Seconds one picture is shown at most"
            @change="(seconds) => seconds && emit('change', { longest: seconds })"
          />
          s at most</span
        >
      </label>
      <fieldset>
        <legend>Taken from</legend>
        <ElCheckbox
          v-for="{ name, count } in sources"
          :key="name"
          :model-value="!picking.without.includes(name)"
          size="small"
          @change="(wanted) => use(name, !!wanted)"
          >{{ name }} <span class="soft">{{ count || 'none' }} shown</span></ElCheckbox
        >
        <p v-if="!sources.length" class="soft">
          Where pictures come from will be here when they have been looked for.
        </p>
      </fieldset>
      <p class="soft">Pictures you chose yourself stay as they are.</p>
    </form>
  </PopPanel>
</template>

<style scoped>
.picking {
  display: grid;
  gap: 8px;
}
.row {
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr);
  align-items: center;
}
.picking > p {
  font-size: 13px;
  margin: 0;
}
.el-input-number {
  width: 96px;
}
fieldset {
  border: 0;
  border-top: 1px solid var(--hair);
  margin: 0;
  padding: 6px 0 0;
  display: grid;
}
legend {
  padding: 0;
  float: left;
}
</style>
