import {
  type AskedStretch,
  decibelText,
  type PieceReader,
  readDecibels,
  readPieces,
  STRETCH_TEXT,
  STRETCH_WORDS,
} from '../../script/asked-pieces.ts'
import type { Instrumentation } from '../../style/film-choices.ts'

/** Music as a direction asks for it; what is left out stays as it is in the film. */
export interface AskedMusic {
  /** What is to be played: a mood, `none`, or what own music is found by; empty, what plays goes on. */
  words: string
  /** Decibels it lies nearer to the voice; below 0 farther from it. */
  db?: number
  /** Left out, to the end of its chapter. */
  lasts?: AskedStretch
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

/** What one piece between commas asks for. */
const READERS: PieceReader<AskedMusic>[] = [
  (text) => {
    const db = LEVEL_WORDS[text.toLowerCase()]
    return db === undefined ? undefined : { db }
  },
  (text) => {
    const lasts = STRETCH_WORDS[text.toLowerCase()]
    return lasts && { lasts }
  },
  readDecibels,
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
  const { words, asked } = readPieces(text, READERS)
  return { words, ...asked }
}

/**
 * Music as it is written in a direction; `readMusic` reads it as it is.
 *
 * @returns empty where nothing is asked for
 */
export function musicText({ words, db, lasts, led }: AskedMusic): string {
  const pieces = [
    words,
    led && `led by ${LEAD_TEXT[led]}`,
    decibelText(db),
    lasts && lasts !== 'chapter' && STRETCH_TEXT[lasts],
  ]
  return words || led || db ? pieces.filter(Boolean).join(', ') : ''
}
