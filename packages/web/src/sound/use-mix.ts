import { computed } from 'vue'
import { belowSpeech, type CurvePoint, musicCurve } from '@tidy-reel/core/film/sound/mix'
import { spokenSpans } from '@tidy-reel/core/film/sound/spoken-spans'
import type { FilmSound } from '../monitor/film-sound.ts'

/** How music and voice of a film stand to each other, by the curve they are mixed by. */
export function useMix(sound: () => FilmSound) {
  const spoken = computed(() => {
    const { film, takes } = sound()
    return spokenSpans(film.scenes, (id) => id in takes)
  })
  const curve = computed<CurvePoint[]>(() => {
    const { film, bed, mixing } = sound()
    return bed ? musicCurve(film.samples, spoken.value, bed, mixing) : []
  })
  /** Decibels of the music below each scene that is spoken, by its id. */
  const below = computed(() => {
    const { bed } = sound()
    return new Map(
      bed
        ? spoken.value.map((span) => [span.sceneId, belowSpeech(curve.value, bed, span)] as const)
        : [],
    )
  })
  return { curve, below }
}
