import { chunk } from 'lodash-es'
import { ref, shallowRef, watch } from 'vue'
import type { Light } from '@tidy-reel/core/pictures/light'
import { lightsApi } from '../api/lights.ts'

/** So many are asked for at once. */
const AT_ONCE = 50

/** Of pictures looked at before, in any room: it never changes. */
const lights = shallowRef<ReadonlyMap<string, Light>>(new Map())
/** Of each that was asked for, by whichever room: until it has come. */
const coming = new Map<string, Promise<void>>()

async function fetched(ids: readonly string[]) {
  const found = await lightsApi.lights(ids).catch(() => {
    // Asked for again as soon as another picture is there.
    for (const id of ids) coming.delete(id)
    return {}
  })
  const more = Object.entries(found)
  if (more.length) lights.value = new Map([...lights.value, ...more])
}

function load(ids: readonly string[]): Promise<unknown> {
  const wanted = ids.filter((id) => !coming.has(id))
  for (const some of chunk(wanted, AT_ONCE)) {
    const answer = fetched(some)
    for (const id of some) coming.set(id, answer)
  }
  return Promise.all(ids.flatMap((id) => coming.get(id) ?? []))
}

/**
 * How light the pictures are that are there, and where in them there is something to see: what is
 * written on them is set by it, and how they are framed. All rooms share what is known.
 */
export function useLights(there: () => ReadonlySet<string>) {
  /** Those that are there are known. */
  const isWhole = ref(false)
  let asking = 0
  watch(
    there,
    (ids) => {
      isWhole.value = false
      asking++
      void load([...ids]).then(() => (isWhole.value = --asking === 0))
    },
    { immediate: true },
  )
  return { lights, isWhole }
}
