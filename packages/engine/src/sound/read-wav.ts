import { readFile } from 'node:fs/promises'
import { apart, int16sOf, WAV_HEAD_BYTES } from './wav.ts'

/** Samples of a 16-bit WAV file of our own; of two channels they take turns. */
export const samplesIn = async (file: string): Promise<Int16Array> =>
  int16sOf((await readFile(file)).subarray(WAV_HEAD_BYTES))

/** The two channels of a 16-bit WAV file of our own, 1 = full scale. */
export const channelsIn = async (file: string): Promise<[Float32Array, Float32Array]> =>
  apart(await samplesIn(file), 32768)
