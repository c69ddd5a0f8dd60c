import { existsSync } from 'node:fs'
import { readdir, rename, rm, writeFile } from 'node:fs/promises'
import { basename, extname, join } from 'node:path'
import type { Readable } from 'node:stream'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { KnownSound, type SoundFacts } from '@tidy-reel/core/film/sound/effects/known-sound'
import { cutText } from '@tidy-reel/core/text/well-formed'
import { replacedFile } from '../../storage/kept-file.ts'
import { keptJson } from '../../storage/kept-json.ts'
import { received } from '../../storage/upload.ts'
import type { ListedSound } from './listed-sound.ts'

/** Bytes of the largest file: three minutes of 24 bits at 192 kHz in two channels. */
export const SOUND_BYTES_LIMIT = 220 * 1024 * 1024
/** What is longer is taken for a place that goes on, until somebody says otherwise. */
const GOES_ON_SECONDS = 6

export const OwnSoundId = z.string().regex(/^own-[0-9a-f]{32}$/)
/** What a person may say of a sound of their own. */
export const OwnSoundWords = KnownSound.pick({
  title: true,
  words: true,
  goesOn: true,
  author: true,
  licence: true,
  source: true,
}).partial()

/** Measures a sound, wherever that is done. */
type Measure = (sound: ListedSound) => Promise<SoundFacts>

const place = (folder: string) => join(folder, 'own')
const factsFile = (folder: string, id: string) => join(place(folder), `${id}.json`)
const listed = (folder: string, known: KnownSound): ListedSound => ({
  ...known,
  file: join(place(folder), known.id),
})

/** The sounds a person has brought, by their names; one whose facts cannot be read is left out. */
export async function ownSounds(folder: string): Promise<ListedSound[]> {
  const names = existsSync(place(folder)) ? await readdir(place(folder)) : []
  const ids = names.filter((name) => name.endsWith('.json')).map((name) => name.slice(0, -5))
  const known = await Promise.all(
    ids.map((id) => keptJson(factsFile(folder, id), KnownSound).catch(() => undefined)),
  )
  return known
    .filter((one) => one !== undefined)
    .sort((a, b) => a.title.localeCompare(b.title))
    .map((one) => listed(folder, one))
}

/** @throws TidyError `sound_not_found` */
async function ownSound(folder: string, id: string): Promise<KnownSound> {
  return keptJson(factsFile(folder, id), KnownSound).catch(() => {
    throw new TidyError('sound_not_found', { id })
  })
}

/** "Rain_on-tent (2).wav" is called "Rain on tent". */
export function titleOf(name: string): string {
  const called = basename(name.replaceAll('\\', '/'))
  const words = called
    .slice(0, called.length - extname(called).length)
    .replace(/[_-]+/g, ' ')
    .replace(/\s*\(\d+\)$/, '')
    .replace(/[[\],;]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  return cutText(words, 80) || 'A sound'
}

/**
 * Takes a sound of one's own: kept under the hash of its bytes, measured once.
 *
 * @param name as the person's computer calls it
 * @throws TidyError `sound_unusable` with why, `disk_full`
 */
export async function takeSound(
  folder: string,
  { name, bytes }: { name: string; bytes: Readable },
  measure: Measure,
): Promise<SoundFacts> {
  const title = titleOf(name)
  const unusable = (reason: string) => new TidyError('sound_unusable', { name: title, reason })
  return received(place(folder), bytes, SOUND_BYTES_LIMIT, unusable, async (half, hash) => {
    const id = `own-${hash}`
    const known = await ownSound(folder, id).catch(() => undefined)
    if (known) return measure(listed(folder, known))
    const said = { words: '', author: '', licence: 'Own', source: name.slice(0, 200) }
    const guess = { id, title, ...said, seconds: 0 }
    const heard = { ...guess, goesOn: false, file: half }
    const { seconds } = await measure(heard)
    const sound = { ...guess, seconds, goesOn: seconds > GOES_ON_SECONDS }
    await rename(half, join(place(folder), id))
    await keep(folder, sound)
    return measure(listed(folder, sound))
  })
}

const keep = (folder: string, known: KnownSound) =>
  replacedFile(factsFile(folder, known.id), (part) => writeFile(part, JSON.stringify(known)))

/** Says something else of a sound. @throws TidyError `sound_not_found` */
export async function changeSound(
  folder: string,
  id: string,
  said: z.infer<typeof OwnSoundWords>,
  measure: Measure,
): Promise<SoundFacts> {
  const now = KnownSound.parse({ ...(await ownSound(folder, id)), ...said })
  await keep(folder, now)
  return measure(listed(folder, now))
}

/** Takes a sound away; films that ask for it find another or are told. */
export async function removeSound(folder: string, id: string): Promise<void> {
  await ownSound(folder, id)
  await rm(factsFile(folder, id), { force: true })
  await rm(join(place(folder), id), { force: true })
}
