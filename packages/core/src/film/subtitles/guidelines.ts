import type { GuidelineName, Subtitling } from '../../document/subtitling.ts'

/** Numbers that subtitles keep to; times in seconds. */
export interface Guideline {
  charactersPerLine: number
  charactersPerSecond: number
  wordsPerMinute: number
  shortest: number
  longest: number
  /** A shorter gap between two is closed. */
  closedGap: number
}

/** Guidelines with numbers of their own; where they come from is said to who chooses. */
export const GUIDELINE_NUMBERS: Record<Exclude<GuidelineName, 'own'>, Guideline> = {
  common: {
    charactersPerLine: 42,
    charactersPerSecond: 20,
    wordsPerMinute: Infinity,
    shortest: 5 / 6,
    longest: 7,
    closedGap: 0.5,
  },
  // BBC subtitle guidelines, from memory: 37 letters as on teletext, 160 to 180 words a minute,
  // about 0.3 s a word, gaps under a second and a half closed.
  bbc: {
    charactersPerLine: 37,
    charactersPerSecond: Infinity,
    wordsPerMinute: 180,
    shortest: 1,
    longest: 8,
    closedGap: 1,
  },
  // Captioning Key of the Described and Captioned Media Program, from memory: 32 letters, 40 frames
  // to 6 seconds, 160 words a minute at the upper level.
  dcmp: {
    charactersPerLine: 32,
    charactersPerSecond: Infinity,
    wordsPerMinute: 160,
    shortest: 4 / 3,
    longest: 6,
    closedGap: 0.5,
  },
}

export const GUIDELINE_LABELS: Record<GuidelineName, { name: string; source: string }> = {
  common: { name: 'Common practice', source: 'what most of the trade keeps to' },
  bbc: { name: 'BBC subtitle guidelines', source: 'numbers from memory' },
  dcmp: { name: 'DCMP Captioning Key', source: 'numbers from memory' },
  own: { name: 'My own numbers', source: '' },
}

/** The numbers a film keeps to. */
export const guidelineOf = ({ guideline, own }: Subtitling): Guideline =>
  guideline === 'own'
    ? { ...own, wordsPerMinute: Infinity, closedGap: 0.5 }
    : GUIDELINE_NUMBERS[guideline]
