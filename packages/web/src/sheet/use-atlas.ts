import { onMounted, type ShallowRef, shallowRef } from 'vue'
import type { Atlas } from '@tidy-reel/core/film/maps/atlas'

/** The world's places, loaded beside what is seen first; undefined until they are there. */
export function useAtlas(): Readonly<ShallowRef<Atlas | undefined>> {
  const atlas = shallowRef<Atlas>()
  onMounted(async () => {
    atlas.value = (await import('@tidy-reel/core/film/maps/world')).WORLD
  })
  return atlas
}
