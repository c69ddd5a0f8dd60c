/** From one moment of a film to another, in seconds. */
export interface Stretch {
  from: number
  to: number
}

/** What programs that had no part in making a film find in its file. */
export interface MeasuredFilm {
  /** Undefined where the file has none; so are sound and subtitles. */
  picture: MeasuredPicture | undefined
  sound: MeasuredSound | undefined
  subtitles: MeasuredSubtitles | undefined
  chapters: { title: string; from: number }[]
  /** Whether its index comes first, so that it plays while it is still being fetched. */
  isIndexFirst: boolean
  /** Longer than a fifth of a second. */
  black: Stretch[]
  frozen: Stretch[]
  silent: Stretch[]
}

interface MeasuredPicture {
  codec: string
  profile: string
  pixels: string
  width: number
  height: number
  /** Primaries, transfer, matrix and range, joined by blanks. */
  colour: string
  language: string
  /** When each frame is shown, in seconds, in order. */
  times: number[]
}

interface MeasuredSound {
  codec: string
  rate: number
  language: string
  /** When each packet begins, in seconds, in order. */
  times: number[]
  /** When the last one ends. */
  end: number
  /** Integrated loudness, LUFS, and true peak, dBTP. */
  lufs: number
  truePeak: number
}

interface MeasuredSubtitles {
  language: string
  words: string
}
