import { groupBy } from 'lodash-es'
import { computed, type ComputedRef } from 'vue'
import { doubtedClaims } from '@tidy-reel/core/checks/claims'
import { filmFlags } from '@tidy-reel/core/checks/flags'
import { certain } from '@tidy-reel/core/faults/certain'
import type { Episode } from '../episode/episode-store.ts'

export type Flags = ReturnType<typeof filmFlags>

/** What on the sheet needs a look, by the scene's id. */
export function useFlags(episode: Episode): ComputedRef<Flags> {
  const doubted = computed(() => {
    const { script, claims, scenes } = certain(episode.document)
    const found = doubtedClaims(script, episode.parsed, claims)
    return groupBy(found, ({ scene }) => scenes[scene]?.id)
  })
  const unheard = computed(() => groupBy(episode.sounding.unmet, 'sceneId'))
  const unplayed = computed(() => groupBy(episode.data.unmetMusic, 'sceneId'))
  const shotOf = (id: string, at: number) =>
    episode.document.scenes.find((scene) => scene.id === id)?.shots[at]
  return computed(() =>
    filmFlags(episode.film, {
      unheard: (id) => unheard.value[id] ?? [],
      unplayed: (id) => unplayed.value[id] ?? [],
      doubted: (id) => doubted.value[id] ?? [],
      spoken: (id) => !!episode.data.takes[id],
      picks: (id) => episode.data.candidates[id]?.picks,
      byHand: (id, at) => shotOf(id, at)?.by === 'hand',
    }),
  )
}
