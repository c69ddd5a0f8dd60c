import { engineConfig, folders } from '@tidy-reel/engine/config'
import { listedSounds, soundsFor } from '@tidy-reel/engine/sound/effects/sound-library'
import { print } from './print.ts'

/** Sounds that fit words, the best first. */
export async function soundsCommand(words: string, { json }: { json?: boolean }): Promise<void> {
  const listed = await listedSounds(folders(engineConfig()).sounds)
  const found = await soundsFor(words, listed)
  const sounds = found.map(({ sound, why }) => ({
    id: sound.id,
    title: sound.title,
    seconds: sound.seconds,
    licence: sound.licence,
    author: sound.author,
    why,
  }))
  if (json) {
    print({ sounds })
    return
  }
  for (const { title, seconds, author, licence, why } of sounds)
    process.stdout.write(`${title} (${seconds.toFixed(1)} s, ${author}, ${licence}): ${why}\n`)
  if (!sounds.length) process.stdout.write(`No sound fits “${words}”.\n`)
}
