<script setup lang="ts">
import { ElSwitch } from 'element-plus'
import { computed, ref } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import type { Shot } from '@tidy-reel/core/document/document'
import {
  type Grade,
  gradeAnew,
  type GradeLook,
  type GradeSettings,
} from '@tidy-reel/core/pictures/grade/grade'
import KeptSlider from '../controls/KeptSlider.vue'
import ColourField from '../styles/ColourField.vue'
import { useStyleWriting } from '../styles/use-style-writing.ts'
import { FOR_GRADES, type ForLooks } from './for-which.ts'
import ForWhich from './ForWhich.vue'
import GradeSliders from './GradeSliders.vue'
import LookChips from './LookChips.vue'

/** How pictures look: this one, those of its scene or chapter, all of the film or of the channel. */
const props = defineProps<{
  index: number
  shot: Shot | undefined
  sceneId: string
  selected: readonly string[]
  film: Grade
}>()
const emit = defineEmits<{ run: [command: Command] }>()
const which = ref<ForLooks>('these')
const isFilm = computed(() => which.value === 'all' || which.value === 'style')
const grade = computed(() => (isFilm.value ? props.film : (props.shot?.grade ?? {})))
/** Whether there is a look to have more or less of. */
const look = computed(() => grade.value.look ?? (isFilm.value ? undefined : props.film.look))
const style = useStyleWriting((command) => emit('run', command))

function set(change: GradeSettings) {
  if (isFilm.value) {
    emit('run', { type: 'setGrade', set: change })
    const film = gradeAnew(props.film, change)
    if (which.value === 'style')
      void style.write((now) => ({ ...now, film: { ...now.film, grade: film } }))
    return
  }
  const isOne = which.value === 'these' && props.selected.length === 1
  emit('run', {
    type: 'adjustShots',
    target: which.value === 'chapter' ? { chapterOf: props.sceneId } : [...props.selected],
    shot: isOne ? props.index : null,
    set: { grade: change },
  })
}
const choose = (chosen: GradeLook | 'none' | null) => set({ look: chosen, strength: null })
const TONES = { dark: '#20303f', light: '#f3e7d3' }
const tones = computed(() => grade.value.twoTone)
function back() {
  const all = Object.keys(grade.value).map((name) => [name, null])
  set(Object.fromEntries(all) as GradeSettings)
}
</script>

<template>
  <section class="panel" aria-label="Look">
    <ForWhich :choices="FOR_GRADES" @change="(one) => (which = one)" />
    <p v-if="!isFilm && !shot?.item" class="soft">
      There is no picture here yet that could take a look.
    </p>
    <LookChips
      :picture="shot?.item?.id"
      :chosen="grade.look"
      v-bind="isFilm ? {} : { film }"
      @choose="choose"
    />
    <div v-if="look && look !== 'none'" class="row">
      <span>How much of it</span>
      <KeptSlider
        :value="grade.strength ?? 100"
        :min="0"
        :max="100"
        size="small"
        aria-label="How much of the look, in per cent"
        :format-tooltip="(value: number) => `${value} %`"
        @keep="(value) => set({ strength: value === 100 ? null : value })"
      />
    </div>
    <GradeSliders :grade="grade" @set="(name, value) => set({ [name]: value })" />
    <div class="row tones">
      <label for="grade-grey">Black and white</label>
      <ElSwitch
        id="grade-grey"
        :model-value="!!grade.grey"
        size="small"
        @change="(is) => set({ grey: is ? true : null })"
      />
      <label for="grade-tones">Two tones</label>
      <ElSwitch
        id="grade-tones"
        :model-value="!!tones"
        size="small"
        @change="(is) => set({ twoTone: is ? TONES : null })"
      />
      <template v-if="tones">
        <ColourField
          :colour="tones.dark"
          label="Dark tone"
          @change="(dark) => set({ twoTone: { ...tones!, dark } })"
        />
        <ColourField
          :colour="tones.light"
          label="Light tone"
          @change="(light) => set({ twoTone: { ...tones!, light } })"
        />
      </template>
    </div>
    <p class="links">
      <button v-if="Object.keys(grade).length" class="plain link" @click="back">
        {{ isFilm ? 'Pictures as they are' : 'As the film looks' }}
      </button>
      <span class="soft" role="status">{{ style.told.value }}</span>
    </p>
  </section>
</template>

<style scoped>
.panel {
  padding: 10px 16px;
  display: grid;
  gap: 11px;
  align-content: start;
}
.row {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  font-size: 13.5px;
  padding-right: 10px;
}
.tones {
  grid-template-columns: auto auto auto auto 1fr;
  justify-content: start;
}
.tones .colour {
  grid-column: 1 / -1;
}
.links {
  display: flex;
  gap: 18px;
}
</style>
