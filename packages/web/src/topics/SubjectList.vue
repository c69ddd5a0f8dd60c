<script setup lang="ts">
import type { RankedSubject } from '@tidy-reel/core/topics/rank-subjects'

defineProps<{ subjects: readonly RankedSubject[]; chosen: string }>()
defineEmits<{ choose: [name: string]; idea: [subject: RankedSubject] }>()
const gain = (above: number | undefined) =>
  above === undefined ? '–' : `${above >= 10 ? Math.round(above) : above.toFixed(1)}×`
</script>

<template>
  <p class="soft legend"><span>Subject</span><span>yours · others, times the usual</span></p>
  <ol>
    <li
      v-for="(subject, i) in subjects"
      :key="subject.name"
      :class="{ on: subject.name === chosen }"
    >
      <button
        class="plain head"
        :aria-pressed="subject.name === chosen"
        @click="$emit('choose', subject.name === chosen ? '' : subject.name)"
      >
        <span class="mono">{{ i + 1 }}</span>
        <span class="name serif"
          >{{ subject.name }}
          <span class="soft">{{
            [...subject.terms, ...subject.neighbours]
              .filter((word) => !subject.name.includes(word))
              .slice(0, 3)
              .join(', ')
          }}</span></span
        >
        <span
          class="mono"
          :title="'Gain of your films, and of others\' films, against what is usual at their age'"
          >{{ gain(subject.aboveOwn) }} · {{ gain(subject.aboveOthers) }}</span
        >
      </button>
      <div v-if="subject.name === chosen || i < 3" class="why">
        <p v-for="reason in subject.why" :key="reason" class="soft">{{ reason }}</p>
        <button v-if="subject.name === chosen" class="plain link" @click="$emit('idea', subject)">
          Note an idea on it
        </button>
      </div>
    </li>
  </ol>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
.legend {
  display: flex;
  justify-content: space-between;
  padding: 10px 20px 8px;
  font-size: 13px;
  border-bottom: 1px solid var(--ink);
}
li {
  border-bottom: 1px solid var(--hair);
  padding: 8px 20px;
}
li.on {
  background: var(--wash);
  box-shadow: inset 3px 0 0 var(--blue);
}
.head {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) auto;
  gap: 8px;
  width: 100%;
  align-items: baseline;
}
.name {
  font-size: 17px;
  line-height: 1.25;
}
.name .soft {
  font: 13.5px var(--sans);
}
.why {
  padding: 2px 0 2px 30px;
  font-size: 13.5px;
  line-height: 1.35;
  display: grid;
  gap: 2px;
  justify-items: start;
}
</style>
