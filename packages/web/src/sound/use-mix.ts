import { computed } from 'vue'
import { cueCurve, cueLoudness } from '@tidy-reel/core/film/sound/effects/cue-gain'
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
    const { film, bed, mixing, nearer } = sound()
    return bed ? musicCurve(film.samples, spoken.value, bed, mixing, nearer) : []
  })
  /** Sounds that go on, which count as background. */
  const lasting = computed(() =>
    sound()
      .cues.filter((cue) => cue.sound.goesOn)
      .map((cue) => ({ cue, curve: cueCurve(cue, spoken.value) })),
  )
  /** Decibels of music and lasting sounds together below each scene that is spoken, by its id. */
  const below = computed(() => {
    const { bed } = sound()
    if (!bed && !lasting.value.length) return new Map<string, number>()
    return new Map(
      spoken.value.map((span) => {
        const music = bed ? -belowSpeech(curve.value, bed, span) : -Infinity
        const sounds = lasting.value.map((one) => cueLoudness(one.cue, one.curve, span) - span.lufs)
        const power = [music, ...sounds].reduce((sum, db) => sum + 10 ** (db / 10), 0)
        return [span.sceneId, -10 * Math.log10(power)] as const
      }),
    )
  })
  return { curve, below }
}
