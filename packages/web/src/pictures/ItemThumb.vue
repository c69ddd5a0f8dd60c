<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import { thumbnail } from '../api/media.ts'

/** An item's thumbnail; while the library is still at it, it is asked for again. */
const props = withDefaults(defineProps<{ id: string; alt?: string }>(), { alt: '' })
const AGAIN_MS = { first: 500, most: 4000 }
const TRIES = 40
const tries = ref(0)
const come = ref(false)
/** Between two tries nothing is shown: a browser marks a picture that did not come as broken. */
const resting = ref(false)
const BLANK = 'data:image/gif;base64,R0lGODlhAQABAAAAACH5BAEKAAEALAAAAAABAAEAAAICTAEAOw=='
let waiting = 0
watch(
  () => props.id,
  () => {
    clearTimeout(waiting)
    tries.value = 0
    come.value = resting.value = false
  },
)
function again() {
  resting.value = true
  if (tries.value < TRIES)
    waiting = window.setTimeout(
      () => {
        tries.value++
        resting.value = false
      },
      Math.min(AGAIN_MS.most, AGAIN_MS.first * 1.5 ** tries.value),
    )
}
onBeforeUnmount(() => clearTimeout(waiting))
</script>

<template>
  <img
    :src="resting ? BLANK : thumbnail(id, tries)"
    :alt="come ? alt : ''"
    loading="lazy"
    draggable="false"
    @load="come = !resting"
    @error="again"
  />
</template>
