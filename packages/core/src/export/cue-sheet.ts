import type { Document } from '../document/document.ts'
import type { SoundCue } from '../film/sound/effects/sound-cues.ts'
import { licenceFacts } from '../pictures/licences.ts'
import { csv } from '../text/csv.ts'
import { secondsFromSamples } from '../time/time.ts'
import type { Timeline } from '../timeline/timeline.ts'

/** Music of a film, as a cue sheet tells of it. */
export interface MusicCue {
  title: string
  maker: string
  licence: string
  /** Samples of the film. */
  start: number
  end: number
}

/** The bed of a film as a cue sheet tells of it; `[]` where there is none. */
export const musicCues = (
  { mood, title }: Pick<Document, 'mood' | 'title'>,
  plan: Timeline,
): MusicCue[] =>
  mood === 'none'
    ? []
    : [
        {
          title: `Bed “${title}”, ${mood}`,
          maker: 'Tidy Reel, played by FluidSynth',
          licence: 'Made for this channel',
          start: 0,
          end: plan.samples,
        },
      ]

/** Minutes, seconds and thousandths from the film's start. */
function place(samples: number): string {
  const ms = Math.round(secondsFromSamples(samples) * 1000)
  const [hours, minutes] = [Math.floor(ms / 3_600_000), Math.floor(ms / 60_000) % 60]
  const two = (n: number) => String(n).padStart(2, '0')
  return `${two(hours)}:${two(minutes)}:${((ms % 60_000) / 1000).toFixed(3).padStart(6, '0')}`
}

/** How a sound is used: under what is said as long as it goes on, or heard once. */
const useOf = ({ sound }: SoundCue) => (sound.goesOn ? 'background' : 'effect')

/**
 * What is heard beside the voice: a row for each stretch of music and each sound, by their places.
 *
 * @returns the head alone where nothing is heard
 */
export function cueSheet(music: readonly MusicCue[], cues: readonly SoundCue[]): string {
  const rows = [
    ...music.map((one) => ({ ...one, use: 'music', source: '' })),
    ...cues.map((cue) => ({
      title: cue.sound.title,
      maker: cue.sound.author,
      licence: licenceFacts(cue.sound.licence).name,
      source: cue.sound.source,
      start: cue.start,
      end: cue.end,
      use: useOf(cue),
    })),
  ].sort((a, b) => a.start - b.start)
  return csv([
    ['cue', 'title', 'maker', 'in', 'out', 'use', 'licence', 'source'],
    ...rows.map(({ title, maker, start, end, use, licence, source }, i) => [
      i + 1,
      title,
      maker,
      place(start),
      place(end),
      use,
      licence,
      source,
    ]),
  ])
}

/** Credits that the sounds of a film ask for, each once; `[]` where none does. */
export function soundCredits(cues: readonly SoundCue[]): string[] {
  const credits = cues.flatMap(({ sound: { title, author, source, licence } }) => {
    const { name, link, use } = licenceFacts(licence)
    if (use === 'free') return []
    return [`“${title}” by ${author}, ${source}, ${name}${link ? ` (${link})` : ''}`]
  })
  return [...new Set(credits)]
}
