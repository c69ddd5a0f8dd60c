import { type Film, sceneNumber } from '@tidy-reel/core/document/film-scenes'
import { soundCues, type UnmetSound } from '@tidy-reel/core/film/sound/effects/sound-cues'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import type { Effects } from './effects-mixer.ts'
import { filmSounds, listedSounds } from './sound-library.ts'

/** The sounds of a film at their places, and a sentence for each that nothing fits. */
export interface FilmEffects extends Effects {
  remarks: string[]
}

/** Finds and makes what a film's directions ask for, and lays it along its timeline. */
export async function filmEffects(
  folder: string,
  { plan, film }: { plan: Timeline; film: Film },
  signal?: AbortSignal,
): Promise<FilmEffects> {
  const sounds = await filmSounds(folder, film, await listedSounds(folder), signal)
  const { cues, unmet } = soundCues(plan, film, (words) => sounds[words])
  return { cues, folder, remarks: unmet.map((one) => unmetText(film, one)) }
}

const unmetText = (film: Film, { sceneId, words }: UnmetSound) =>
  `Scene ${sceneNumber(film, sceneId)}: no sound fits “${words}”. Say it in other words, or bring a sound of your own.`
