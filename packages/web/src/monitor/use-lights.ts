import { chunk } from 'lodash-es'
import { ref, shallowRef, watch } from 'vue'
import type { Light } from '@tidy-reel/core/pictures/light'
import { lightsApi } from '../api/lights.ts'

/** So many are asked for at once. */
const AT_ONCE = 50

/** Of pictures looked at before, in any room: it never changes. */
const known = new Map<string, Light>()
const asked = new Set<string>()

/** How light the pictures are that are there: what is written on them is set by it. */
export function useLights(there: () => ReadonlySet<string>) {
  const lights = shallowRef<ReadonlyMap<string, Light>>(new Map(known))
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
        for (const [id, light] of Object.entries(found)) known.set(id, light)
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
        if (lights.value.size < known.size) lights.value = new Map(known)
        isWhole.value = --asking === 0
      })
    },
    { immediate: true },
  )
  return { lights, isWhole }
}
