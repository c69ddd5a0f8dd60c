import type { FilmMusic } from '../film/music/film-music.ts'
import type { SoundCue } from '../film/sound/effects/sound-cue.ts'
import { licenceFacts } from '../pictures/licences.ts'
import { csv } from '../text/csv.ts'
import { secondsFromSamples } from '../time/time.ts'

/** Music of a film, as a cue sheet tells of it. */
export interface MusicCue {
  title: string
  maker: string
  licence: string
  /** Samples of the film. */
  start: number
  end: number
}

/**
 * A film's music as a cue sheet tells of it: a row for each stretch.
 *
 * @param title of the film
 */
export const musicCues = (title: string, music: FilmMusic | undefined): MusicCue[] =>
  (music?.parts ?? []).map(({ from, to, music: played }) => ({
    start: from,
    end: to,
    ...(played.kind === 'own'
      ? {
          title: played.title,
          maker: played.author || 'not said',
          licence: licenceFacts(played.licence).name,
        }
      : {
          title: `Bed “${title}”, ${played.mood}`,
          maker: 'Tidy Reel, played by FluidSynth',
          licence: 'Made for this channel',
        }),
  }))

/** Whose music a film has, in words for its credits; each once. */
export function musicCredits(music: FilmMusic | undefined): string {
  const said = (music?.parts ?? []).map(({ music: played }) =>
    played.kind === 'own'
      ? played.credit ||
        [`“${played.title}”`, played.author && `by ${played.author}`].filter(Boolean).join(' ')
      : 'made for this film, played by FluidSynth',
  )
  return [...new Set(said)].join('; ') || 'none'
}

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
