<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import { thumbnail } from './api.ts'

/** An item's thumbnail; while the library is still at it, it is asked for again. */
const props = withDefaults(defineProps<{ id: string; alt?: string }>(), { alt: '' })
const AGAIN_MS = { first: 500, most: 4000 }
const TRIES = 40
const tries = ref(0)
const come = ref(false)
let waiting = 0
watch(() => props.id, () => {
  tries.value = 0
  come.value = false
})
function again() {
  if (tries.value < TRIES) waiting = window.setTimeout(() => tries.value++, Math.min(AGAIN_MS.most, AGAIN_MS.first * 1.5 ** tries.value))
}
onBeforeUnmount(() => clearTimeout(waiting))
</script>

<template>
  <img :src="thumbnail(id, tries)" :alt="come ? alt : ''" loading="lazy" draggable="false" @load="come = true" @error="again" />
</template>
