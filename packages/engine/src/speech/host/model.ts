import { existsSync, readdirSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { certain, itemAt } from '@tidy-reel/core/faults/certain'
import { IPA_WORD } from '@tidy-reel/core/speech/ipa'
import type { RawSpeech, SpeechOrder } from '../contract.ts'

interface Speaker {
  generate(request: { text: string; sid: number; speed: number; enableExternalBuffer: boolean }): {
    samples: Float32Array
    sampleRate: number
  }
}
/** The runtime has no types of its own that say more than this. */
const { OfflineTts } = createRequire(import.meta.url)('sherpa-onnx-node') as {
  OfflineTts: new (config: object) => Speaker
}
const speakers = new Map<string, Speaker>()

/** Speaks with a model in a folder of the person's own, run by sherpa-onnx. */
export function speakWithModel(
  folder: string,
  speaker: number,
  { text, stretch }: SpeechOrder,
): RawSpeech {
  let tts = speakers.get(folder)
  if (!tts)
    speakers.set(
      folder,
      (tts = new OfflineTts({
        model: { ...modelConfig(folder), numThreads: 1, debug: false, provider: 'cpu' },
        maxNumSentences: 1,
      })),
    )
  // A model has letters for words only: sounds in IPA are given as their plain letters.
  const { samples, sampleRate } = tts.generate({
    text: text.replace(IPA_WORD, '$1'),
    sid: speaker,
    speed: 1 / stretch,
    enableExternalBuffer: false,
  })
  return {
    pcm: Int16Array.from(samples, (x) => Math.round(Math.max(-1, Math.min(1, x)) * 32_767)),
    rate: sampleRate,
  }
}

/**
 * What kind of model lies in a folder, by the names its makers give: Kokoro has `voices.bin`,
 * Matcha a vocoder beside it, VITS (Piper too) one model alone.
 */
function modelConfig(folder: string): object {
  const names = readdirSync(folder)
  const at = (name: string) => (existsSync(join(folder, name)) ? join(folder, name) : '')
  const models = names.filter((name) => name.endsWith('.onnx')).sort()
  const tokens = at('tokens.txt')
  if (!models.length || !tokens)
    throw new Error('the folder holds no model (.onnx) with its tokens.txt')
  const shared = { tokens, lexicon: at('lexicon.txt'), dataDir: at('espeak-ng-data') }
  if (at('voices.bin'))
    return {
      kokoro: { model: join(folder, itemAt(models, 0)), voices: at('voices.bin'), ...shared },
    }
  const vocoder = models.find((name) => /voco|hifigan/i.test(name))
  const acoustic = certain(models.find((name) => name !== vocoder))
  if (vocoder && models.length > 1)
    return {
      matcha: { acousticModel: join(folder, acoustic), vocoder: join(folder, vocoder), ...shared },
    }
  return { vits: { model: join(folder, itemAt(models, 0)), ...shared } }
}
