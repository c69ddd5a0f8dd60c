<script setup lang="ts">
import { computed, ref } from 'vue'
import { isFaulty } from '@tidy-reel/core/render/film-finding'
import { type FilmReport, isHeldBack } from '@tidy-reel/core/render/report'
import { clockText } from '@tidy-reel/core/time/time'
import { findingFrame } from '../api/media.ts'
import TakeAnyway from './TakeAnyway.vue'

/** What a film's check found: the frame, the place and the scene of each thing. */
const props = defineProps<{ render: string; report: FilmReport }>()
const emit = defineEmits<{ taken: [reason: string] }>()
const findings = computed(() => props.report.check ?? [])
const isHeld = computed(() => isHeldBack(props.report))
const isOpen = ref(isHeld.value)
const head = computed(() => {
  const many = findings.value.length
  if (!many) return 'Checked: it is what it should be.'
  const things = `${many} ${many === 1 ? 'thing' : 'things'}`
  return isFaulty(findings.value)
    ? `This film failed its check: ${things} to see to.`
    : `Checked: ${things} to look at.`
})
</script>

<template>
  <section v-if="report.check" class="check" aria-label="What the check found">
    <p :class="isHeld ? 'red' : 'soft'">
      {{ head }}
      <button
        v-if="findings.length"
        class="plain link"
        :aria-expanded="isOpen"
        @click="isOpen = !isOpen"
      >
        {{ isOpen ? 'hide' : 'show' }}
      </button>
    </p>
    <ol v-if="isOpen">
      <li v-for="({ grade, says, seconds, scene, sceneId }, i) in findings" :key="i">
        <img v-if="seconds !== undefined" :src="findingFrame(render, i)" alt="" loading="lazy" />
        <span v-else class="no-frame" />
        <span :class="{ red: grade === 'wrong' }"
          >{{ says }}
          <span v-if="seconds !== undefined" class="soft place"
            ><span class="mono">{{ clockText(seconds) }}</span
            ><template v-if="sceneId"
              >,
              <RouterLink class="link" :to="{ name: 'sheet', query: { scene: sceneId } }"
                >scene {{ scene }} in the Sheet</RouterLink
              ></template
            ></span
          ></span
        >
      </li>
    </ol>
    <TakeAnyway v-if="isHeld" @taken="(reason) => emit('taken', reason)" />
    <p v-else-if="report.taken" class="soft">Taken all the same: “{{ report.taken.reason }}”</p>
  </section>
</template>

<style scoped>
.check {
  display: grid;
  gap: 6px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
  max-height: 260px;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  line-height: 1.35;
}
img,
.no-frame {
  width: 96px;
  display: block;
}
.place {
  display: block;
}
</style>
