/** A stretch of the film that a sound or music lasts for. */
export type AskedStretch = 'scene' | 'chapter' | 'film'

export const STRETCH_WORDS: Record<string, AskedStretch> = {
  'under the scene': 'scene',
  'under the chapter': 'chapter',
  'to the end of the chapter': 'chapter',
  'under the film': 'film',
  'to the end': 'film',
  'to the end of the film': 'film',
}
/** What each is written as. */
export const STRETCH_TEXT: Record<AskedStretch, string> = {
  scene: 'under the scene',
  chapter: 'under the chapter',
  film: 'to the end',
}

const DECIBELS = /^([+−-]?\d+(?:\.\d+)?)\s*dB$/i
const MOST_DB = 20

export const within = (value: number, least: number, most: number) =>
  Math.min(most, Math.max(least, value))

/** "−3 dB"; out of reach it is brought back. @returns undefined for other words */
export function readDecibels(text: string): { db: number } | undefined {
  const found = DECIBELS.exec(text)
  if (!found) return undefined
  return { db: within(Number(found[1]?.replace('−', '-')), -MOST_DB, MOST_DB) }
}

/** Not more digits than an ear tells apart. */
export const figure = (value: number) => String(Math.round(value * 100) / 100)
/** How many decibels are written; nothing for none. */
export const decibelText = (db: number | undefined) => db && `${db > 0 ? '+' : ''}${figure(db)} dB`

/** What one piece of a direction says of how it is to be heard; undefined for other words. */
export type PieceReader<Asked> = (text: string) => Partial<Asked> | undefined

/**
 * Reads a direction whose pieces are parted by commas.
 *
 * @returns what the readers make of its pieces, and the others as words
 */
export function readPieces<Asked extends object>(
  text: string,
  readers: readonly PieceReader<Asked>[],
): { words: string; asked: Partial<Asked> } {
  const asked: Partial<Asked> = {}
  const words: string[] = []
  for (const piece of text.split(/[,;،、]/).map((part) => part.trim())) {
    if (!piece) continue
    const read = readers.map((reader) => reader(piece)).find((found) => found !== undefined)
    if (read) Object.assign(asked, read)
    else words.push(piece)
  }
  return { words: words.join(', '), asked }
}
