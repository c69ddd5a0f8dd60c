import type { Document } from '@tidy-reel/core/document/document'
import type { FilmScene } from '@tidy-reel/core/document/film-scenes'
import { voiceOf } from '@tidy-reel/core/speech/take-request'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import { spokenText } from '@tidy-reel/core/text/spoken'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { VoiceView } from '@tidy-reel/core/views/speech'

/** A scene as the Sound room shows it. */
export interface SpokenScene {
  id: string
  number: number
  text: string
  /** What its voice is given. */
  spoken: string
  speaker: string
  voice: string
  voiceName: string
  /** It has a voice of its own, or its speaker has. */
  ownVoice: boolean
  /** Of its take; undefined before it has one. */
  seconds: number | undefined
  hash: string | undefined
  /** What is set for this scene alone, in short words. */
  notes: string[]
}

/** The film's scenes with what is said of each and by whom. */
export function spokenScenes(
  document: Document,
  scenes: readonly FilmScene[],
  takes: Readonly<
    Record<string, { hash: string; samples: number; noises?: { breaths: number; fillers: number } }>
  >,
  voices: ReadonlyMap<string, VoiceView>,
  pronunciations: readonly Pronunciation[],
): SpokenScene[] {
  return scenes
    .filter(({ card }) => card === undefined)
    .map((scene, i) => {
      const voice = voiceOf(document, scene)
      const take = takes[scene.id]
      return {
        id: scene.id,
        number: i + 1,
        text: scene.text,
        speaker: scene.speaker ?? '',
        voice,
        spoken: spokenText(scene.text, {
          language: voices.get(voice)?.language ?? 'en-US',
          pronunciations,
        }),
        voiceName: scene.take ? 'chosen take' : (voices.get(voice)?.name ?? voice),
        ownVoice: !!scene.take || voice !== document.voice,
        seconds: take && take.samples / SAMPLE_RATE,
        hash: take?.hash,
        notes: [
          take?.noises?.fillers ? `“um” × ${take.noises.fillers}` : '',
          take?.noises?.breaths ? `breath × ${take.noises.breaths}` : '',
          scene.emphasis && scene.emphasis !== 'plain' ? scene.emphasis : '',
          scene.pace && scene.pace !== 1 ? `${Math.round(scene.pace * 100)} %` : '',
        ].filter(Boolean),
      }
    })
}
