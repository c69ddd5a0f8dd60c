import { type Film, sceneNumber } from '@tidy-reel/core/document/film-scenes'
import { isFault } from '@tidy-reel/core/faults/fault'
import type { SilentClip } from '@tidy-reel/core/film/sound/effects/clip-cues'
import { soundCues, type UnmetSound } from '@tidy-reel/core/film/sound/effects/sound-cues'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import type { PictureFiles } from '../../stock/contract.ts'
import { clipSound, type ClipSounds, heardClips } from './clip-sounds.ts'
import type { Effects } from './effects-mixer.ts'
import { filmSounds, listedSounds } from './sound-library.ts'

/** The sounds of a film at their places, and a sentence for each that nothing fits. */
export interface FilmEffects extends Effects {
  remarks: string[]
}

/**
 * Finds and makes what a film's directions ask for, takes the sound of its clips that is let
 * through, and lays it all along its timeline.
 */
export async function filmEffects(
  folder: string,
  { plan, film, library }: { plan: Timeline; film: Film; library: PictureFiles },
  signal?: AbortSignal,
): Promise<FilmEffects> {
  const sounds = await filmSounds(folder, film, await listedSounds(folder), signal)
  const clips = await clipSounds(folder, library, plan, signal)
  const { cues, unmet, silent } = soundCues(plan, film, {
    ofWords: (words) => sounds[words],
    ofClip: (id) => clips.found[id],
  })
  return {
    cues,
    folder,
    remarks: [
      ...unmet.map((one) => unmetText(film, one)),
      ...silent.map((one) => silentText(film, one)),
      ...clips.faults,
    ],
  }
}

/** A clip that cannot be had is silent, and does not keep the film from being made. */
async function clipSounds(
  folder: string,
  library: PictureFiles,
  plan: Timeline,
  signal?: AbortSignal,
): Promise<{ found: ClipSounds; faults: string[] }> {
  const found: ClipSounds = {}
  const faults: string[] = []
  for (const item of heardClips(plan)) {
    try {
      found[item.id] = await clipSound(folder, library, item, signal)
    } catch (cause) {
      if (!isFault(cause) || cause.code === 'cancelled' || cause.code === 'disk_full') throw cause
      faults.push(`“${item.title}” is not heard: ${cause.message}`)
    }
  }
  return { found, faults }
}

const silentText = (film: Film, { sceneId, title }: SilentClip) =>
  `Scene ${sceneNumber(film, sceneId)}: “${title}” has no sound of its own.`

const unmetText = (film: Film, { sceneId, words }: UnmetSound) =>
  `Scene ${sceneNumber(film, sceneId)}: no sound fits “${words}”. Say it in other words, or bring a sound of your own.`
