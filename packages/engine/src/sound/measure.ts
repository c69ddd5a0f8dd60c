import { z } from 'zod'
import { runProgram } from '../run/program.ts'

export const Loudness = z.object({
  /** Integrated, LUFS; −70 for silence. */
  lufs: z.number(),
  /** dBTP. */
  truePeak: z.number(),
})
export type Loudness = z.infer<typeof Loudness>

/**
 * Integrated loudness and true peak as ffmpeg's `ebur128` measures them, the sound taken as stereo.
 */
export async function measure(file: string, signal?: AbortSignal): Promise<Loudness> {
  return ebur128(file, 'peak=true:', signal)
}

/** Integrated loudness alone, LUFS: true peaks cost four times as much. */
export async function loudnessOf(file: string, signal?: AbortSignal): Promise<number> {
  return (await ebur128(file, '', signal)).lufs
}

async function ebur128(file: string, peak: string, signal?: AbortSignal): Promise<Loudness> {
  const { stderr } = await runProgram(
    'ffmpeg',
    [
      '-nostdin',
      '-hide_banner',
      '-nostats',
      '-i',
      file,
      '-map',
      '0:a:0',
      '-af',
      `aformat=channel_layouts=stereo,ebur128=${peak}framelog=verbose`,
      '-f',
      'null',
      '-',
    ],
    signal ? { signal } : {},
  )
  const summary = stderr.slice(stderr.lastIndexOf('Summary:'))
  const read = (pattern: RegExp, otherwise: number) =>
    Number(pattern.exec(summary)?.[1] ?? otherwise)
  return { lufs: read(/I:\s+(-?[\d.]+) LUFS/, -70), truePeak: read(/Peak:\s+(-?[\d.]+) dBFS/, -70) }
}
