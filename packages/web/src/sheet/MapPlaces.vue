<script setup lang="ts">
import { computed } from 'vue'
import { type AtlasPlace, placesCalled } from '@tidy-reel/core/film/maps/atlas'
import { readDrawn } from '@tidy-reel/core/script/drawn'
import { useAtlas } from './use-atlas.ts'

/** Which places a map's names stand for, and others of the same name. */
const props = defineProps<{ text: string; about: string }>()
const emit = defineEmits<{ mean: [text: string] }>()
/** Namesakes that are offered. */
const OTHERS = 3

const atlas = useAtlas()
const whole = ({ name, country }: AtlasPlace) => (country ? `${name}, ${country}` : name)
const bareName = (name: string) => name.split(/[,(]/)[0]?.trim() ?? name
const places = computed(() => {
  const world = atlas.value
  const drawn = readDrawn('map', props.text)
  if (!world || drawn?.form !== 'map') return []
  return drawn.places.map((name, i) => {
    const bare = bareName(name)
    const [meant] = placesCalled(world, name, props.about)
    const others = placesCalled(world, bare, props.about)
      .filter((other) => meant && whole(other) !== whole(meant))
      .slice(0, OTHERS)
    const instead = (other: AtlasPlace) =>
      drawn.places.map((one, n) => (n === i ? whole(other) : one)).join(' to ')
    return { name, meant, others, instead }
  })
})
</script>

<template>
  <p v-if="places.length">
    <template v-for="{ name, meant, others, instead } in places" :key="name">
      <span v-if="meant" class="soft">{{ whole(meant) }}</span>
      <span v-else class="red"
        >No place called “{{ name }}” is known. Say where it lies: “{{ bareName(name) }} (47.33,
        -2.43)”, degrees north and east.</span
      >
      <button
        v-for="other in others"
        :key="other.country"
        class="plain link"
        @click="emit('mean', instead(other))"
      >
        rather {{ other.country ? `the one in ${other.country}` : `the country ${other.name}` }}
      </button>
    </template>
  </p>
</template>
