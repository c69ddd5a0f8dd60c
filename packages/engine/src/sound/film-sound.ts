import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { FilmMusic } from '@tidy-reel/core/film/music/film-music'
import type { Nearer } from '@tidy-reel/core/film/sound/mix'
import { spokenSpans } from '@tidy-reel/core/film/sound/spoken-spans'
import type { Mixing } from '@tidy-reel/core/style/film-choices'
import type { TimelineScene } from '@tidy-reel/core/timeline/timeline'
import { runProgram } from '../run/program.ts'
import type { Take } from '../speech/take.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import { makeBed, type MusicPlace } from './bed.ts'
import type { Effects } from './effects/effects-mixer.ts'
import { type Mixdown, mixdown, MixFacts, type Stem } from './mixdown.ts'
import { voiceTrack } from './voice-track.ts'

/** All that a film's sound is made from. */
export interface SoundRequest {
  /** Undefined where there is no music. */
  music: FilmMusic | undefined
  mixing: Mixing
  /** Where the music lies nearer to the voice than in the film. */
  nearer: Nearer
  scenes: readonly TimelineScene[]
  /** One a scene; undefined where nobody speaks. */
  takes: readonly (Take | undefined)[]
  samples: number
  effects: Effects
}

/** Raised when the mix changes, so that earlier ones are made anew. */
const VERSION = 5

/** Where somebody is heard. */
function spokenIn({ scenes, takes }: SoundRequest) {
  const heard = new Set(scenes.flatMap(({ id }, i) => (takes[i] ? [id] : [])))
  return spokenSpans(scenes, (id) => heard.has(id))
}

/**
 * Voice, music and sounds of a film, mixed: 48 kHz stereo WAV of 32-bit floats.
 *
 * @param stems files that each of them is written to as well
 */
export async function mixFilm(
  folders: MusicPlace & { work: string },
  request: SoundRequest,
  stems: Record<Stem, string> | undefined,
  signal: AbortSignal,
): Promise<Mixdown> {
  const { music, mixing, nearer, scenes, takes, samples, effects } = request
  const voice = join(folders.work, 'voice.wav')
  await voiceTrack(
    voice,
    scenes,
    takes.map((take) => take?.file),
    samples,
  )
  const bed = music && (await makeBed(folders, music, { signal }))
  const spoken = spokenIn(request)
  return mixdown(
    folders.work,
    { voice, spoken, bed, effects, samples, mixing, nearer, ...(stems ? { stems } : {}) },
    signal,
  )
}

/**
 * The sound of a film as it goes into it, AAC at 192 kbit/s; made once for the same takes at the
 * same places, so that a render after a change of picture has none to make.
 *
 * @param folders where mixes and beds are kept, and a folder for what lies between
 */
export async function filmSound(
  folders: MusicPlace & { mixes: string; work: string },
  request: SoundRequest,
  signal: AbortSignal,
): Promise<Mixdown> {
  const { music, mixing, nearer, scenes, takes, samples, effects } = request
  const spoken = spokenIn(request)
  const hash = contentHash({
    VERSION,
    music,
    mixing,
    nearer,
    samples,
    takes: scenes.map(({ speechStart }, i) => [speechStart, takes[i]?.hash ?? null]),
    spoken,
    cues: effects.cues,
  })
  const file = join(folders.mixes, `${hash}.m4a`)
  const facts = await keptFile(join(folders.mixes, `${hash}.json`), async (half) => {
    const { file: mix, ...measured } = await mixFilm(folders, request, undefined, signal)
    await keptFile(file, async (part) => {
      await runProgram(
        'ffmpeg',
        [
          '-v',
          'error',
          '-nostdin',
          '-y',
          '-i',
          mix,
          '-c:a',
          'aac',
          '-aac_coder',
          'fast',
          '-b:a',
          '192k',
          part,
        ],
        { signal },
      )
    })
    await writeFile(half, JSON.stringify(measured))
  })
  return { file, ...(await keptJson(facts, MixFacts)) }
}
