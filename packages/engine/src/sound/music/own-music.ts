import { existsSync } from 'node:fs'
import { open, readdir, rename, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Readable } from 'node:stream'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { KnownOwn, OwnShelf } from '@tidy-reel/core/film/music/film-music'
import type { HeardMusic } from '@tidy-reel/core/film/music/own/heard-music'
import { OwnMusic } from '@tidy-reel/core/film/music/own/own-music'
import { namedIn } from '@tidy-reel/core/match/find-sounds'
import { replacedFile } from '../../storage/kept-file.ts'
import { keptJson } from '../../storage/kept-json.ts'
import { received } from '../../storage/upload.ts'
import { titleOf } from '../effects/own-sounds.ts'
import { decodedMusic, musicFile } from './own-sound.ts'

/** Bytes of the largest file: a quarter of an hour of 24 bits at 48 kHz in two channels. */
export const MUSIC_BYTES_LIMIT = 260 * 1024 * 1024

/** What a person may say of their own music. */
export const OwnMusicWords = OwnMusic.pick({
  title: true,
  words: true,
  mood: true,
  purpose: true,
  author: true,
  licence: true,
  credit: true,
}).partial()

/** Listens to music and counts notes, wherever that is done. */
export interface Hearing {
  listen: (asked: { folder: string; id: string }) => Promise<HeardMusic>
  notes: (file: string) => Promise<number | undefined>
}

const factsFile = (folder: string, id: string) => join(folder, `${id}.json`)
const heardFile = (folder: string, id: string) => join(folder, `${id}.heard.json`)
const FACTS = /^(music-[0-9a-f]{32})\.json$/

/** Music a person has brought, by its title; what cannot be read is left out. */
export async function ownMusic(folder: string): Promise<OwnMusic[]> {
  const names = existsSync(folder) ? await readdir(folder) : []
  const ids = names.flatMap((name) => FACTS.exec(name)?.[1] ?? [])
  const known = await Promise.all(
    ids.map((id) => keptJson(factsFile(folder, id), OwnMusic).catch(() => undefined)),
  )
  return known.filter((one) => one !== undefined).sort((a, b) => a.title.localeCompare(b.title))
}

/** @throws TidyError `music_not_found` */
async function oneOf(folder: string, id: string): Promise<OwnMusic> {
  return keptJson(factsFile(folder, id), OwnMusic).catch(() => {
    throw new TidyError('music_not_found', { id })
  })
}

/** A person's music as films are planned with it. */
export async function ownShelf(folder: string): Promise<OwnShelf> {
  const all = await ownMusic(folder)
  const known = (music: OwnMusic | undefined): KnownOwn | undefined => {
    if (!music) return undefined
    const { id, title, author, licence, credit } = music
    return { id, title, author, licence, credit }
  }
  return {
    byId: (id) => known(all.find((one) => one.id === id)),
    byWords: (words) => known(namedIn(words, all)),
  }
}

/** "MThd": a Standard MIDI File. */
async function isMidi(file: string): Promise<boolean> {
  const handle = await open(file)
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(4), 0, 4, 0)
    return bytesRead === 4 && buffer.toString('latin1') === 'MThd'
  } finally {
    await handle.close()
  }
}

/**
 * Takes music of one's own, a sound or a Standard MIDI File: kept under the hash of its bytes,
 * listened to once.
 *
 * @param name as the person's computer calls it
 * @throws TidyError `music_unusable` with why, `disk_full`
 */
export async function takeMusic(
  folder: string,
  { name, bytes }: { name: string; bytes: Readable },
  { listen, notes }: Hearing,
  signal?: AbortSignal,
): Promise<OwnMusic> {
  const title = titleOf(name)
  const unusable = (reason: string) => new TidyError('music_unusable', { name: title, reason })
  return received(folder, bytes, MUSIC_BYTES_LIMIT, unusable, async (half, hash) => {
    const id = `music-${hash}`
    const known = await oneOf(folder, id).catch(() => undefined)
    if (known) return known
    const counted = (await isMidi(half)) ? () => notes(half) : undefined
    await decodedMusic({ folder, id, from: half, title, notes: counted }, signal)
    const { samples, tempo, bars } = await listen({ folder, id })
    await rename(half, join(folder, id))
    const music: OwnMusic = {
      ...{
        id,
        title,
        words: '',
        mood: null,
        purpose: null,
        author: '',
        licence: 'Own',
        credit: '',
      },
      seconds: samples / 48_000,
      tempo,
      bars: Math.max(0, bars.length - 1),
    }
    await keep(folder, music)
    return music
  })
}

const keep = (folder: string, music: OwnMusic) =>
  replacedFile(factsFile(folder, music.id), (part) => writeFile(part, JSON.stringify(music)))

/** Says something else of music. @throws TidyError `music_not_found` */
export async function changeMusic(
  folder: string,
  id: string,
  said: z.infer<typeof OwnMusicWords>,
): Promise<OwnMusic> {
  const music = OwnMusic.parse({ ...(await oneOf(folder, id)), ...said })
  await keep(folder, music)
  return music
}

/** Takes music away; films that have it play music that is made. */
export async function removeMusic(folder: string, id: string): Promise<void> {
  await oneOf(folder, id)
  const files = [factsFile(folder, id), heardFile(folder, id), musicFile(folder, id)]
  for (const file of [...files, join(folder, id)]) await rm(file, { force: true })
}
