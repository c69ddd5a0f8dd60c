/**
 * Samples per second of every time in core: the one unit, exact for sound and easily exact for
 * frames.
 */
export const SAMPLE_RATE = 48_000

/** Frames per second as a fraction, `[30000, 1001]` for 29.97. */
export type FrameRate = readonly [numerator: number, denominator: number]

/**
 * The frame boundary nearest to a moment.
 *
 * Rounded from the film's start each time, never from the boundary before, so the error stays
 * within half a frame and cannot grow.
 *
 * @example frameAtSample(48_000, [30, 1]) // => 30
 */
export function frameAtSample(sample: number, [numerator, denominator]: FrameRate): number {
  return Math.round((sample * numerator) / (SAMPLE_RATE * denominator))
}

/** The moment a frame begins, in samples, rounded to the nearest. */
export function sampleAtFrame(frame: number, [numerator, denominator]: FrameRate): number {
  return Math.round((frame * SAMPLE_RATE * denominator) / numerator)
}

/** Whole samples, rounded to the nearest. */
export const samplesFromSeconds = (seconds: number) => Math.round(seconds * SAMPLE_RATE)
/** Seconds of so many samples, not rounded. */
export const secondsFromSamples = (samples: number) => samples / SAMPLE_RATE

/**
 * Reads `30`, `29.97`, `23.976` or `30000/1001`; undefined when it is none of the rates a film may
 * have.
 */
export function parseFrameRate(text: string): FrameRate | undefined {
  const named: Record<string, FrameRate> = {
    '23.976': [24000, 1001],
    '23.98': [24000, 1001],
    '24': [24, 1],
    '25': [25, 1],
    '29.97': [30000, 1001],
    '30': [30, 1],
    '50': [50, 1],
    '59.94': [60000, 1001],
    '60': [60, 1],
    '24000/1001': [24000, 1001],
    '30000/1001': [30000, 1001],
    '60000/1001': [60000, 1001],
  }
  return named[text.trim()]
}

/**
 * `1:02:03` or `2:03`, for people.
 *
 * @param seconds rounded to whole ones
 * @example clockText(3723) // => '1:02:03'
 */
export function clockText(seconds: number): string {
  const whole = Math.round(seconds)
  const parts = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60]
  const shown = parts[0] ? parts : parts.slice(1)
  return shown.map((part, i) => (i ? String(part).padStart(2, '0') : String(part))).join(':')
}

/** Hours, minutes, seconds and milliseconds of a moment, for subtitle formats. */
export function clockParts(samples: number) {
  const ms = Math.round((samples * 1000) / SAMPLE_RATE)
  return {
    hours: Math.floor(ms / 3_600_000),
    minutes: Math.floor(ms / 60_000) % 60,
    seconds: Math.floor(ms / 1000) % 60,
    milliseconds: ms % 1000,
  }
}
