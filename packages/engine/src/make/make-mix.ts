import { mkdir, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Document } from '@tidy-reel/core/document/document'
import { cueSheet, musicCues } from '@tidy-reel/core/export/cue-sheet'
import { musicLevels } from '@tidy-reel/core/film/music/music-wishes'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { soundSamples, timeline } from '@tidy-reel/core/timeline/timeline'
import { type EngineConfig, folders } from '../config.ts'
import { filmEffects } from '../sound/effects/film-effects.ts'
import { mixFilm } from '../sound/film-sound.ts'
import { type MixFacts, type Stem, STEMS } from '../sound/mixdown.ts'
import { plannedMusic } from '../sound/music/planned-music.ts'
import { savedSound, type SoundFormat } from '../sound/saved-sound.ts'
import { speechPlace } from '../speech/take.ts'
import { takeAll } from '../speech/take-all.ts'
import { pictureLibrary } from '../stock/library.ts'
import { silentScenes } from './film-report.ts'
import { takesOf } from './film-steps.ts'
import { filmable, takeRequests } from './filmable.ts'
import { workName } from './making.ts'

/** What was made and measured of a mix. */
interface MixReport extends MixFacts {
  seconds: number
  /** Names in the folder. */
  files: string[]
  /** Scenes that nobody speaks, and why. */
  remarks: string[]
}

/**
 * The sound of a film without its pictures: `mix`, and where stems are asked for `voice`, `music`
 * and `effects`, which add up to it.
 *
 * @throws TidyError what `filmable` throws, `disk_full`, `cancelled`
 */
export async function makeMix(
  document: Document,
  out: string,
  { format, stems }: { format: SoundFormat; stems: boolean },
  { config, signal }: { config: EngineConfig; signal: AbortSignal },
): Promise<MixReport> {
  const film = filmable(document)
  const place = folders(config)
  const work = join(place.work, workName())
  await mkdir(work, { recursive: true })
  try {
    const spoken = await takeAll(speechPlace(config), takeRequests(document, film), { signal })
    const takes = takesOf(spoken)
    const plan = timeline(film, takes, [30, 1])
    const { mixing } = document
    const planned = await plannedMusic(place, document, film, plan)
    const { music } = planned
    const samples = soundSamples(plan)
    const asked = stems ? stemFiles(work) : undefined
    const library = pictureLibrary(config)
    const effects = await filmEffects(place.sounds, { plan, film, library }, signal)
    const nearer = musicLevels(plan, film)
    const request = { music, mixing, nearer, scenes: plan.scenes, takes, samples, effects }
    const { file, ...facts } = await mixFilm({ ...place, work }, request, asked, signal)
    const made = Object.entries({ mix: file, ...asked })
    const files = made.map(([name]) => `${name}.${format}`)
    for (const [name, from] of made)
      await savedSound(from, join(out, `${name}.${format}`), format, signal)
    await writeFile(join(out, 'cues.csv'), cueSheet(musicCues(document.title, music), effects.cues))
    files.push('cues.csv')
    return {
      seconds: samples / SAMPLE_RATE,
      ...facts,
      files,
      remarks: [...silentScenes(spoken), ...effects.remarks, ...planned.remarks],
    }
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

const stemFiles = (work: string) =>
  Object.fromEntries(STEMS.map((stem) => [stem, join(work, `stem-${stem}.wav`)])) as Record<
    Stem,
    string
  >
