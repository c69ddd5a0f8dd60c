import { useLocalStorage } from '@vueuse/core'
import { computed, type Ref, shallowRef } from 'vue'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { type TidyChange, withChanges } from '@tidy-reel/core/tidy/change'
import { unasked } from '@tidy-reel/core/tidy/kinds'
import type { ScriptReading } from './script-reading.ts'

/** Known again by its words and those around it, wherever they have moved. */
const keyOf = (script: string, { kind, edits, before }: TidyChange) =>
  `${kind}|${before}|${script.slice(Math.max(0, itemAt(edits, 0).from - 24), itemAt(edits, 0).from)}`

/** What the tidy pass proposes, without what a person has chosen to leave. */
export function useTidyChoice(episodeId: string, looked: Ref<ScriptReading>, text: Ref<string>) {
  /** What was last accepted, as long as nothing else was written since. */
  const done = shallowRef<{ before: string; after: string; count: number }>()
  const left = useLocalStorage<string[]>(`tidy-left-${episodeId}`, [])
  const known = computed(() => new Set(left.value))
  const proposed = computed(() =>
    looked.value.tidy.filter((change) => !known.value.has(keyOf(looked.value.script, change))),
  )
  const leftCount = computed(() => looked.value.tidy.length - proposed.value.length)
  return {
    proposed,
    leftCount,
    leave: (changes: readonly TidyChange[]) =>
      (left.value = [
        ...left.value,
        ...changes.map((change) => keyOf(looked.value.script, change)),
      ]),
    showAgain: () => (left.value = []),
    /**
     * Positions are of the text that was read: while it is being written on, nothing is accepted.
     */
    accept(changes: readonly TidyChange[]) {
      if (text.value !== looked.value.script) return
      const before = text.value
      text.value = withChanges(before, changes)
      done.value = { before, after: text.value, count: changes.length }
    },
    made: computed(() => (done.value?.after === text.value ? done.value.count : 0)),
    undo() {
      if (done.value?.after === text.value) text.value = done.value.before
    },
    tidied: computed(() => withChanges(looked.value.script, unasked(proposed.value))),
  }
}
