import { rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { isFault } from '@tidy-reel/core/faults/fault'
import { SoundFacts } from '@tidy-reel/core/film/sound/effects/known-sound'
import type { ChosenItem } from '@tidy-reel/core/pictures/item'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import type { PictureFiles } from '../../stock/contract.ts'
import { contentHash, keptFile } from '../../storage/kept-file.ts'
import { keptJson } from '../../storage/kept-json.ts'
import type { ListedSound } from './listed-sound.ts'
import { soundFacts } from './sound-file.ts'

/** Raised when a clip's sound is taken otherwise. */
const VERSION = 1
/** As few lines as a library has: it is not looked at. */
const LINES = 240

/** By a clip's id; null where it has no sound. */
export type ClipSounds = Record<string, SoundFacts | null>

/** Clips of a film whose sound is let through, each once. */
export function heardClips({ scenes }: Pick<Timeline, 'scenes'>): ChosenItem[] {
  const items = scenes.flatMap(({ shots }) =>
    shots.flatMap(({ item, heard }) => (heard && item?.kind === 'clip' ? [item] : [])),
  )
  return [...new Map(items.map((item) => [item.id, item])).values()]
}

const factsFile = (folder: string, { id }: Pick<ChosenItem, 'id'>) =>
  join(folder, `${contentHash({ clip: id, VERSION })}.clip.json`)

/**
 * Takes the sound of a clip out of its file, where nobody has yet. @returns null where there is none
 *
 * @throws TidyError what the library throws, `disk_full`, `cancelled`
 */
export async function clipSound(
  folder: string,
  library: PictureFiles,
  item: ChosenItem,
  signal?: AbortSignal,
): Promise<SoundFacts | null> {
  const facts = await keptFile(factsFile(folder, item), async (half) => {
    const whole = `${half}.whole`
    try {
      await library.download(item, LINES, whole, signal)
      const sound = await soundFacts(folder, listed(item, whole), signal).catch((cause) => {
        if (isFault(cause) && cause.code === 'sound_unusable') return null
        throw cause
      })
      await writeFile(half, JSON.stringify(sound))
    } finally {
      await rm(whole, { force: true })
    }
  })
  return keptJson(facts, SoundFacts.nullable())
}

const listed = ({ id, title, author, licence, source }: ChosenItem, file: string): ListedSound => ({
  ...{ id: `clip ${id}`, title, author, licence, source, file },
  ...{ words: title, goesOn: true, seconds: 0, asRecorded: true },
})

/** What has been taken of a film's clips. */
export async function knownClipSounds(
  folder: string,
  plan: Pick<Timeline, 'scenes'>,
): Promise<ClipSounds> {
  const known: ClipSounds = {}
  for (const item of heardClips(plan)) {
    const facts = await keptJson(factsFile(folder, item), SoundFacts.nullable()).catch(
      () => undefined,
    )
    if (facts !== undefined) known[item.id] = facts
  }
  return known
}
