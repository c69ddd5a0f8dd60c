import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { z } from 'zod'
import { wordsOf } from '@tidy-reel/core/text/written-words'

const FILE = createRequire(import.meta.url).resolve('@iconify-json/fluent-emoji-flat/icons.json')
const Icons = z.object({
  icons: z.record(z.string(), z.object({ body: z.string() })),
  width: z.number().default(32),
  height: z.number().default(32),
})
/** The same figure again in other tones, and signs that mean something by agreement alone. */
const LEFT_OUT = /skin-tone|button|^keycap|^flag|-flag$|arrow$/

/** A drawing that may be laid over a picture: an object on nothing. */
export interface Sticker {
  /** Its name in the set, letters and hyphens. */
  name: string
  title: string
}

/** As every sticker is credited. */
export const STICKER_CREDIT = {
  source: 'Fluent Emoji',
  author: 'Fluent Emoji',
  licence: 'MIT',
} as const

let read: Promise<z.infer<typeof Icons>> | undefined
/** Nine megabytes, read when somebody first looks for one. */
const icons = () => (read ??= readFile(FILE, 'utf8').then((text) => Icons.parse(JSON.parse(text))))

/** A word of two letters is one only as a whole: “a” is no abacus. */
const isMeant = (part: string, word: string) =>
  word.length < 3 ? part === word : part.startsWith(word)

const titleOf = (name: string) => name.replaceAll('-', ' ')

/**
 * Drawings by their names.
 *
 * @param words any of them may begin a word of the name; a name that has more of them comes first
 * @returns `most` at most; `[]` where no name has one of the words
 */
export async function stickersFor(words: string, most: number): Promise<Sticker[]> {
  const asked = wordsOf(words.toLowerCase()).map((word) => word.replace(/s$/, ''))
  if (!asked.length) return []
  const { icons: all } = await icons()
  const found = Object.keys(all).flatMap((name) => {
    if (LEFT_OUT.test(name)) return []
    const parts = name.split('-')
    const hits = asked.filter((word) => parts.some((part) => isMeant(part, word))).length
    return hits ? [{ name, hits, parts: parts.length }] : []
  })
  return found
    .sort((a, b) => b.hits - a.hits || a.parts - b.parts)
    .slice(0, most)
    .map(({ name }) => ({ name, title: titleOf(name) }))
}

/** A drawing as SVG, 512 pixels wide; undefined for a name the set does not have. */
export async function stickerSvg(name: string): Promise<string | undefined> {
  const { icons: all, width, height } = await icons()
  const icon = Object.hasOwn(all, name) ? all[name] : undefined
  if (!icon) return undefined
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="512" height="${(512 * height) / width}" ` +
    `viewBox="0 0 ${width} ${height}">${icon.body}</svg>`
  )
}
