import type { Instrumentation } from '../../style/film-choices.ts'

/** How long music is other than the film's: as its scene, to the end of its chapter, or the film. */
export const MUSIC_STRETCHES = ['scene', 'chapter', 'film'] as const
export type MusicStretchName = (typeof MUSIC_STRETCHES)[number]

/** Music as a direction asks for it; what is left out stays as it is in the film. */
export interface AskedMusic {
  /** What is to be played: a mood, `none`, or what own music is found by; empty, what plays goes on. */
  words: string
  /** Decibels it lies nearer to the voice; below 0 farther from it. */
  db?: number
  /** Left out, to the end of its chapter. */
  lasts?: MusicStretchName
  led?: Instrumentation
}

const LEVEL_WORDS: Record<string, number> = {
  'much softer': -8,
  softer: -4,
  quieter: -4,
  soft: -4,
  low: -4,
  louder: 4,
  loud: 4,
  'much louder': 8,
}
const STRETCH_WORDS: Record<string, MusicStretchName> = {
  'under the scene': 'scene',
  'under the chapter': 'chapter',
  'to the end of the chapter': 'chapter',
  'under the film': 'film',
  'to the end': 'film',
  'to the end of the film': 'film',
}
const STRETCH_TEXT: Record<MusicStretchName, string> = {
  scene: 'under the scene',
  chapter: 'under the chapter',
  film: 'to the end',
}
/** What a person calls who leads. */
export const LEADS: Record<string, Instrumentation> = {
  piano: 'keys',
  keys: 'keys',
  guitar: 'plucked',
  plucked: 'plucked',
  harp: 'plucked',
  strings: 'strings',
  violins: 'strings',
}
/** How each is written. */
export const LEAD_TEXT: Record<Instrumentation, string> = {
  keys: 'piano',
  plucked: 'guitar',
  strings: 'strings',
}
const LED = /^(?:led by\s+)?(?:the\s+)?(\p{L}+)$/iu
const LEVEL = /^([+−-]?\d+(?:\.\d+)?)\s*dB$/i
const MOST_DB = 20

type Reader = (text: string) => Partial<AskedMusic> | undefined

/** What one piece between commas asks for. */
const READERS: Reader[] = [
  (text) => {
    const db = LEVEL_WORDS[text.toLowerCase()]
    return db === undefined ? undefined : { db }
  },
  (text) => {
    const lasts = STRETCH_WORDS[text.toLowerCase()]
    return lasts && { lasts }
  },
  (text) => {
    const found = LEVEL.exec(text)
    const db = Number(found?.[1]?.replace('−', '-'))
    return found ? { db: Math.min(MOST_DB, Math.max(-MOST_DB, db)) } : undefined
  },
  (text) => {
    const led = LEADS[LED.exec(text)?.[1]?.toLowerCase() ?? '']
    return led && { led }
  },
]

/**
 * Reads what stands in `[music: …]`: what is played from here on and how, parted by commas.
 *
 * @example readMusic('tense, led by strings, softer, under the scene')
 * // => { words: 'tense', led: 'strings', db: -4, lasts: 'scene' }
 */
export function readMusic(text: string): AskedMusic {
  const asked: Partial<AskedMusic> = {}
  const words: string[] = []
  for (const piece of text.split(/[,;،、]/).map((part) => part.trim())) {
    if (!piece) continue
    const read = READERS.map((reader) => reader(piece)).find((found) => found !== undefined)
    if (read) Object.assign(asked, read)
    else words.push(piece)
  }
  return { words: words.join(', '), ...asked }
}

const figure = (value: number) => String(Math.round(value * 100) / 100)

/**
 * Music as it is written in a direction; `readMusic` reads it as it is.
 *
 * @returns empty where nothing is asked for
 */
export function musicText({ words, db, lasts, led }: AskedMusic): string {
  const pieces = [
    words,
    led && `led by ${LEAD_TEXT[led]}`,
    db && `${db > 0 ? '+' : ''}${figure(db)} dB`,
    lasts && lasts !== 'chapter' && STRETCH_TEXT[lasts],
  ]
  return words || led || db ? pieces.filter(Boolean).join(', ') : ''
}
