import { copyFile } from 'node:fs/promises'
import { TidyError } from '@tidy-reel/core/fault'
import { engineConfig, folders } from '@tidy-reel/engine/config'
import { takeOf } from '@tidy-reel/engine/speech/take'

/** Speaks one sentence into a WAV file. */
export async function speakCommand({ voice, text, out, speed }: { voice: string; text: string; out: string; speed: string }) {
  const pace = Number(speed)
  if (!(pace >= 0.6 && pace <= 1.6)) throw new TidyError('option_invalid', { option: '--speed', value: speed, wanted: 'a number from 0.6 to 1.6' })
  if (!/[\p{L}\p{N}]/u.test(text)) throw new TidyError('script_nothing_spoken')
  const take = await takeOf(folders(engineConfig()).takes, { text, voice, speed: pace })
  await copyFile(take.file, out)
  process.stderr.write(`${(take.samples / 48_000).toFixed(2)} s\n`)
}
