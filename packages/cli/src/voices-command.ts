import { engineConfig } from '@tidy-reel/engine/config'
import { measureVoices } from '@tidy-reel/engine/speech/measure-voices'
import { speechPlace } from '@tidy-reel/engine/speech/take'
import { voiceFacts } from '@tidy-reel/engine/speech/voice-measures'
import { print } from './print.ts'

/**
 * Lists the voices; one of one's own that has not spoken on this machine yet says something first, so
 * that its factor is known.
 */
export async function voicesCommand({ json }: { json?: boolean }) {
  const place = speechPlace(engineConfig())
  const { voices, fault } = place.voices
  if (fault) process.stderr.write(`${fault.message}\n`)
  await measureVoices(place)
  const list = await Promise.all(
    voices.map(async (voice) => {
      const { id, name, engine, language, accent, gender, age, character, rating } = voice
      return {
        id,
        engine,
        language,
        accent,
        gender,
        age,
        rating,
        realTimeFactor: (await voiceFacts(place.takes, voice)).realTimeFactor,
        name,
        character,
      }
    }),
  )
  print(
    json
      ? list
      : list
          .map(
            (v) =>
              `${v.id.padEnd(20)}  ${v.name}, ${v.gender}, ${v.age}, ${v.language} (${v.accent}), ${v.character}; ${v.rating} of 5; ${v.realTimeFactor ?? 'no'} s of work a second`,
          )
          .join('\n'),
  )
}
