import type { Readable } from 'node:stream'
import type { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { SoundFacts } from '@tidy-reel/core/film/sound/effects/known-sound'
import { findSounds, offeredSounds } from '@tidy-reel/core/match/find-sounds'
import type { FoundSoundView } from '@tidy-reel/core/views/sounds'
import type { ListedSound } from '@tidy-reel/engine/sound/effects/listed-sound'
import {
  changeSound,
  type OwnSoundWords,
  removeSound,
  takeSound,
} from '@tidy-reel/engine/sound/effects/own-sounds'
import { listedSounds } from '@tidy-reel/engine/sound/effects/sound-library'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'

/** As many as a person looks through. */
const SHOWN = 60

const viewOf = ({ file: _file, ...known }: ListedSound, why = ''): FoundSoundView => ({
  ...known,
  why,
})

/** The sounds that films can have. */
export function soundActions(folder: string, pool: WorkPool) {
  /** In a thread: a long sound takes seconds. */
  const measure = (sound: ListedSound) => pool.run('soundFacts', { folder, sound })
  return {
    /** Those that fit words, the best first; without words those a text speaks of, or all. */
    async find({ words, near }: { words: string; near: string }): Promise<FoundSoundView[]> {
      const sounds = await listedSounds(folder)
      if (near) return offeredSounds(near, sounds).map(({ sound, why }) => viewOf(sound, why))
      if (!words.trim()) return sounds.map((sound) => viewOf(sound))
      // Meanings are in a table that takes a while to load: only what no word finds asks for them.
      const said = findSounds(words, sounds)
      const found = said.length ? said : await pool.run('soundsFor', { words, sounds })
      return found.slice(0, SHOWN).map(({ sound, why }) => viewOf(sound, why))
    },
    /** What is needed to hear one; it is made where it is not there yet. */
    async facts(id: string): Promise<SoundFacts> {
      const sound = (await listedSounds(folder)).find((one) => one.id === id)
      if (!sound) throw new TidyError('sound_not_found', { id })
      return measure(sound)
    },
    take: (name: string, bytes: Readable) => takeSound(folder, { name, bytes }, measure),
    change: (id: string, said: z.infer<typeof OwnSoundWords>) =>
      changeSound(folder, id, said, measure),
    remove: (id: string) => removeSound(folder, id),
  }
}
export type SoundActions = ReturnType<typeof soundActions>
