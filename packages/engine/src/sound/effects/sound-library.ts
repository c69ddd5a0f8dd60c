import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { z } from 'zod'
import type { Film } from '@tidy-reel/core/document/film-scenes'
import { accentWords } from '@tidy-reel/core/film/sound/effects/accents'
import type { SoundFacts } from '@tidy-reel/core/film/sound/effects/known-sound'
import { MADE_SOUNDS } from '@tidy-reel/core/film/sound/made/made-sounds'
import { findSounds, type FoundSound } from '@tidy-reel/core/match/find-sounds'
import { readSound } from '@tidy-reel/core/script/asked-sound'
import { contentHash, keptFile } from '../../storage/kept-file.ts'
import { keptJson } from '../../storage/kept-json.ts'
import { loadVectors, type WordVectors } from '../../words/word-vectors.ts'
import type { ListedSound } from './listed-sound.ts'
import { ownSounds } from './own-sounds.ts'
import { packagedSounds } from './packaged-sounds.ts'
import { knownFacts, soundFacts } from './sound-file.ts'

/** What sounds made from numbers have in common. */
const OURS = { author: 'Tidy Reel', licence: 'Made for this channel', source: 'made from numbers' }

/**
 * All sounds a film can have, a person's own first: of two that fit alike they are wanted.
 *
 * @param folder where sounds are kept
 */
export async function listedSounds(folder: string): Promise<ListedSound[]> {
  const made = MADE_SOUNDS.map(({ make: _make, ...known }) => ({ ...known, ...OURS }))
  return [...(await ownSounds(folder)), ...made, ...(await packagedSounds())]
}

let vectors: Promise<WordVectors> | undefined
const loadedVectors = () => (vectors ??= loadVectors())

/** Sounds that fit words by what they say; where none does, by what they mean. */
export async function soundsFor(
  words: string,
  sounds: readonly ListedSound[],
): Promise<FoundSound<ListedSound>[]> {
  const said = findSounds(words, sounds)
  if (said.length) return said
  const { vector } = await loadedVectors()
  return findSounds(words, sounds, vector)
}

/** Which sound a direction's words stand for; null where none fits. */
const Choice = z.object({ id: z.string().nullable() })
const choiceFile = (folder: string, words: string, sounds: readonly ListedSound[]) =>
  join(
    folder,
    `${contentHash({ words, sounds: sounds.map(({ id, title, words: said }) => [id, title, said]) })}.json`,
  )

/** What the directions of a film ask for, each once. */
const askedIn = ({ scenes, accents }: Pick<Film, 'scenes' | 'accents'>): string[] => [
  ...new Set([
    ...accentWords(accents),
    ...scenes.flatMap(({ directions }) =>
      directions.flatMap((one) => (one.kind === 'sound' ? [readSound(one.text).words] : [])),
    ),
  ]),
]

/** By a direction's words; null where nothing fits. */
export type FilmSounds = Record<string, SoundFacts | null>

/** Finds and makes what a film's directions ask for; what is there already is not made again. */
export async function filmSounds(
  folder: string,
  film: Pick<Film, 'scenes' | 'accents'>,
  sounds: readonly ListedSound[],
  signal?: AbortSignal,
): Promise<FilmSounds> {
  const found: FilmSounds = {}
  for (const words of askedIn(film)) {
    signal?.throwIfAborted()
    const file = await keptFile(choiceFile(folder, words, sounds), async (half) => {
      const [best] = await soundsFor(words, sounds)
      await writeFile(half, JSON.stringify({ id: best?.sound.id ?? null }))
    })
    const { id } = await keptJson(file, Choice)
    const sound = sounds.find((one) => one.id === id)
    found[words] = sound ? await soundFacts(folder, sound, signal) : null
  }
  return found
}

/** What of it is there; words nobody has looked for yet are left out. */
export async function knownSounds(
  folder: string,
  film: Pick<Film, 'scenes' | 'accents'>,
  sounds: readonly ListedSound[],
): Promise<FilmSounds> {
  const found: FilmSounds = {}
  for (const words of askedIn(film)) {
    const choice = await keptJson(choiceFile(folder, words, sounds), Choice).catch(() => undefined)
    if (!choice) continue
    const sound = sounds.find((one) => one.id === choice.id)
    const facts = sound && (await knownFacts(folder, sound))
    if (!sound || facts) found[words] = facts ?? null
  }
  return found
}
