/** Everything a finished film is checked for. */
export const FILM_CHECKS = [
  'picture',
  'sound',
  'frames',
  'clocks',
  'loudness',
  'peak',
  'black',
  'frozen',
  'silent',
  'subtitles',
  'chapters',
  'index',
  'short',
  'long',
  'licences',
] as const
export type FilmCheck = (typeof FILM_CHECKS)[number]

/** What a check found: `wrong` where the film is not what it should be, `look` where it may be. */
export interface FilmFinding {
  check: FilmCheck
  grade: 'wrong' | 'look'
  /** A sentence. */
  says: string
  /** Where it is seen or heard first, and in which scene, counted from 1. */
  seconds?: number
  scene?: number
  /** Its id, where the film's episode is known. */
  sceneId?: string
}

/** Whether something is wrong with a film: it is not handed over before a person takes it. */
export const isFaulty = (findings: readonly FilmFinding[]): boolean =>
  findings.some(({ grade }) => grade === 'wrong')
