import {
  decibelText,
  figure,
  type PieceReader,
  readDecibels,
  readPieces,
  STRETCH_TEXT,
  STRETCH_WORDS,
  within,
} from './asked-pieces.ts'

/** How loud a sound is asked to be, in words. */
export const SOUND_LEVELS = ['faint', 'low', 'usual', 'loud'] as const
export type SoundLevel = (typeof SOUND_LEVELS)[number]

/** How long it is heard: once, as long as its scene, to the end of its chapter or of the film. */
export const SOUND_STRETCHES = ['once', 'scene', 'chapter', 'film'] as const
export type SoundStretch = (typeof SOUND_STRETCHES)[number]

/** A sound as a direction asks for it; what is left out is as the sound has it by itself. */
export interface AskedSound {
  /** What it is found by. */
  words: string
  level?: SoundLevel
  /** Decibels more or less than its level has. */
  db?: number
  /** Seconds, or a stretch of the film. */
  lasts?: number | SoundStretch
  /** Seconds it begins after its place among the words; below 0 before it. */
  after?: number
  /** Seconds of the sound left out at its beginning. */
  from?: number
  /** Seconds it comes and goes in. */
  fadeIn?: number
  fadeOut?: number
  /** 1 = as it is. */
  speed?: number
}

const LEVEL_WORDS: Record<string, SoundLevel> = {
  faint: 'faint',
  'very low': 'faint',
  'very quiet': 'faint',
  low: 'low',
  quiet: 'low',
  soft: 'low',
  softly: 'low',
  loud: 'loud',
  high: 'loud',
}
const SECONDS = String.raw`(\d+(?:\.\d+)?)\s*(?:s|sec|seconds?)`
const rule = (text: string) => new RegExp(`^${text}$`, 'i')
const LASTS = rule(`(?:for\\s+)?${SECONDS}`)
const AFTER = rule(`${SECONDS}\\s+(later|earlier)`)
const FROM = rule(`from\\s+${SECONDS}`)
const FADE = rule(`fade(?:\\s+(in|out))?\\s+${SECONDS}`)
const SPEED = rule(String.raw`(?:×|x)\s*(\d+(?:\.\d+)?)|(slow|fast)`)

/** Limits of what can be asked for. */
const MOST_SECONDS = 3600
const MOST_FADE = 30
const SPEEDS = { least: 0.5, most: 2, slow: 0.8, fast: 1.25 }

/** What one piece between commas asks for. */
const READERS: PieceReader<AskedSound>[] = [
  (text) => {
    const level = LEVEL_WORDS[text.toLowerCase()]
    return level && { level }
  },
  (text) => {
    const lasts = /^once$/i.test(text) ? 'once' : STRETCH_WORDS[text.toLowerCase()]
    return lasts && { lasts }
  },
  (text) => {
    const found = LASTS.exec(text)
    return found ? { lasts: within(Number(found[1]), 0.05, MOST_SECONDS) } : undefined
  },
  (text) => {
    const found = AFTER.exec(text)
    if (!found) return undefined
    const seconds = within(Number(found[1]), 0, MOST_SECONDS)
    return { after: found[2]?.toLowerCase() === 'earlier' ? -seconds : seconds }
  },
  (text) => {
    const found = FROM.exec(text)
    return found ? { from: within(Number(found[1]), 0, MOST_SECONDS) } : undefined
  },
  (text) => {
    const found = FADE.exec(text)
    if (!found) return undefined
    const seconds = within(Number(found[2]), 0, MOST_FADE)
    const way = found[1]?.toLowerCase()
    return {
      ...(way === 'out' ? {} : { fadeIn: seconds }),
      ...(way === 'in' ? {} : { fadeOut: seconds }),
    }
  },
  readDecibels,
  (text) => {
    const found = SPEED.exec(text)
    if (!found) return undefined
    if (found[2]) return { speed: found[2].toLowerCase() === 'slow' ? SPEEDS.slow : SPEEDS.fast }
    return { speed: within(Number(found[1]), SPEEDS.least, SPEEDS.most) }
  },
]

/**
 * Reads what stands in `[sound: …]`: words, and how it is to be heard, parted by commas.
 *
 * @example readSound('rain on glass, low, 4 s, fade 1 s')
 * // => { words: 'rain on glass', level: 'low', lasts: 4, fadeIn: 1, fadeOut: 1 }
 * @returns the whole text as words where all of it says how; figures out of reach are brought back
 */
export function readSound(text: string): AskedSound {
  const { words, asked } = readPieces(text, READERS)
  return { words: words || text.trim(), ...asked }
}

/** A sound as it is written in a direction; `readSound` reads it as it is. */
export function soundText(asked: AskedSound): string {
  const { words, level, db, lasts, after, from, fadeIn, fadeOut, speed } = asked
  const isOneFade = fadeIn !== undefined && fadeIn === fadeOut
  const pieces = [
    words,
    level && level !== 'usual' && level,
    decibelText(db),
    typeof lasts === 'number' && `${figure(lasts)} s`,
    typeof lasts === 'string' && (lasts === 'once' ? lasts : STRETCH_TEXT[lasts]),
    after && `${figure(Math.abs(after))} s ${after > 0 ? 'later' : 'earlier'}`,
    from && `from ${figure(from)} s`,
    isOneFade && `fade ${figure(fadeIn)} s`,
    !isOneFade && fadeIn !== undefined && `fade in ${figure(fadeIn)} s`,
    !isOneFade && fadeOut !== undefined && `fade out ${figure(fadeOut)} s`,
    speed && speed !== 1 && `× ${figure(speed)}`,
  ]
  return pieces.filter(Boolean).join(', ')
}
