import { chunk } from 'lodash-es'
import { ref, shallowRef, watch } from 'vue'
import type { Light } from '@tidy-reel/core/pictures/light'
import { lightsApi } from '../api/lights.ts'

/** So many are asked for at once. */
const AT_ONCE = 50

/** Of pictures looked at before, in any room: it never changes. */
const lights = shallowRef<ReadonlyMap<string, Light>>(new Map())
const asked = new Set<string>()

/**
 * How light the pictures are that are there, and where in them there is something to see: what is
 * written on them is set by it, and how they are framed. All rooms share what is known.
 */
export function useLights(there: () => ReadonlySet<string>) {
  /** Those that are there are known. */
  const isWhole = ref(false)
  let asking = 0
  const load = async (ids: string[]) => {
    await Promise.all(
      chunk(ids, AT_ONCE).map(async (some) => {
        for (const id of some) asked.add(id)
        const found = await lightsApi.lights(some).catch(() => {
          // Asked for again as soon as another picture is there.
          for (const id of some) asked.delete(id)
          return {}
        })
        if (Object.keys(found).length)
          lights.value = new Map([...lights.value, ...Object.entries(found)])
      }),
    )
  }
  watch(
    there,
    (ids) => {
      const wanted = [...ids].filter((id) => !asked.has(id))
      isWhole.value = false
      asking++
      void load(wanted).then(() => {
        isWhole.value = --asking === 0
      })
    },
    { immediate: true },
  )
  return { lights, isWhole }
}
