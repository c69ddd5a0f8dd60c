import { existsSync } from 'node:fs'
import { readdir, readFile, rename, writeFile } from 'node:fs/promises'
import { basename, join } from 'node:path'
import type { Readable } from 'node:stream'
import * as fontkit from 'fontkit'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { OwnFace } from '@tidy-reel/core/style/own-face'
import { jsonOf } from '@tidy-reel/core/text/json'
import { cutText } from '@tidy-reel/core/text/well-formed'
import { replacedFile } from '../storage/kept-file.ts'
import { received } from '../storage/upload.ts'
import { faceMetrics } from './face-metrics.ts'

/** Bytes of the largest font: all of Chinese, Japanese and Korean in one weight has 20 MB. */
export const FONT_BYTES_LIMIT = 24 * 1024 * 1024
const FACTS = /^own-[0-9a-f]{32}\.json$/

/**
 * Takes a person's font into the folder that libass looks for fonts in: kept under the hash of its
 * bytes, measured once.
 *
 * @param name as the person's computer calls it
 * @throws TidyError `font_unusable` with why, `disk_full`
 */
export async function takeFont(folder: string, name: string, bytes: Readable): Promise<OwnFace> {
  const called = cutText(basename(name.replaceAll('\\', '/')), 80)
  const unusable = (reason: string) => new TidyError('font_unusable', { name: called, reason })
  return received(folder, bytes, FONT_BYTES_LIMIT, unusable, async (half, hash) => {
    const id = `own-${hash}` as const
    const known = await fontFacts(folder, id)
    if (known) return known
    const face = faceOf(id, called, await readFile(half), unusable)
    await rename(half, join(folder, id))
    await replacedFile(join(folder, `${id}.json`), (part) => writeFile(part, JSON.stringify(face)))
    return face
  })
}

function faceOf(
  id: OwnFace['id'],
  called: string,
  bytes: Buffer,
  unusable: (reason: string) => TidyError,
): OwnFace {
  const { metrics, family } = measured(bytes, unusable)
  if (![...metrics.letters].some((letter) => /\p{L}/u.test(letter)))
    throw unusable('it has no letters')
  const read = OwnFace.safeParse({ id, name: cutText(family || called, 120), family, metrics })
  if (!read.success) throw unusable('what it says of itself makes no sense')
  return read.data
}

/** A damaged file may be found out at its first letter only. */
function measured(bytes: Buffer, unusable: (reason: string) => TidyError) {
  try {
    const font = fontkit.create(bytes)
    if ('fonts' in font) throw unusable('it is a collection of several')
    return { metrics: faceMetrics([font]), family: font.fullName || font.familyName }
  } catch (cause) {
    if (isFault(cause)) throw cause
    throw unusable('it is no font that can be read, or it was cut off')
  }
}

/** What is known of a font; undefined when there is none of that name. */
async function fontFacts(folder: string, id: string): Promise<OwnFace | undefined> {
  if (!existsSync(join(folder, id))) return undefined
  const text = await readFile(join(folder, `${id}.json`), 'utf8').catch(() => '')
  const read = OwnFace.safeParse(jsonOf(text))
  return read.success ? read.data : undefined
}

/** Every font that was taken, by name. @returns `[]` for a folder that is not there */
export async function ownFonts(folder: string): Promise<OwnFace[]> {
  const names = await readdir(folder).catch(() => [])
  const found = await Promise.all(
    names.filter((name) => FACTS.test(name)).map((name) => fontFacts(folder, name.slice(0, -5))),
  )
  return found.flatMap((face) => face ?? []).sort((a, b) => a.name.localeCompare(b.name))
}
