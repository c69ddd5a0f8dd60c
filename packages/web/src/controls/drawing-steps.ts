import { onMounted, type Ref, ref } from 'vue'

/**
 * How many steps of a room's first drawing have been made: 0 while it is drawn first, then one
 * more in each task until `last`. What is shown from a step on is drawn in a task of its own, and
 * the page answers in between.
 */
export function drawingSteps(last: number): Ref<number> {
  const steps = ref(0)
  const next = () => {
    steps.value++
    if (steps.value < last) setTimeout(next)
  }
  onMounted(() => setTimeout(next))
  return steps
}
