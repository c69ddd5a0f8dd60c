/** A voice as it is chosen. */
export interface VoiceView {
  id: string
  name: string
  engine: string
  /** BCP 47. */
  language: string
  accent: string
  gender: 'female' | 'male' | 'unknown'
  age: 'young' | 'adult' | 'older' | 'unknown'
  character: string
  /** 1 to 5. */
  rating: number
  /** How much longer than the estimate it speaks. */
  rate: number
  /** Seconds of work for a second of sound; null before it has spoken here. */
  realTimeFactor: number | null
}

export interface VoicesView {
  voices: VoiceView[]
  /** Why the person's own list of voices could not be read. */
  fault: string | null
}

/** Something said to try it. */
export interface SaidView {
  hash: string
  samples: number
  /** What the voice was given. */
  spoken: string
}
