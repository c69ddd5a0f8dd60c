import type { KeptWords } from '../../document/subtitling.ts'
import { type Cue, saidIn, type ShownWord } from './cues.ts'
import { tokensOf } from './kept-words.ts'
import { joined } from './lines.ts'

/** What is kept anew, and what no longer, for a subtitle to read as a person wrote it. */
export interface Correction {
  put: KeptWords[]
  drop: KeptWords[]
}

/** A word as a person sees it: pieces of one that was parted are one again. */
interface Seen {
  text: string
  breaks: boolean
  said: readonly string[]
  kept?: KeptWords
}

/** @returns in order; `[]` for a subtitle nobody knows the words of */
function seenWords({ words = [] }: Pick<Cue, 'words'>): Seen[] {
  const seen: Seen[] = []
  words.forEach((word, i) => {
    const last = seen.at(-1)
    if (word.glued && last) {
      last.text = joined([last, word])
      return
    }
    const breaks = i > 0 && word.line !== words[i - 1]?.line
    seen.push({ text: word.text, breaks, said: saidIn([word]), ...keptOf(word) })
  })
  return seen
}

const keptOf = ({ kept }: ShownWord) => (kept ? { kept } : {})

/** Shown and written alike? A line that broke by itself may break elsewhere from now on. */
function isSame(a: Seen | undefined, b: { text: string; breaks: boolean } | undefined): boolean {
  if (!a || a.text !== b?.text) return false
  return a.breaks === b.breaks || (a.breaks && !a.kept)
}

/**
 * What to keep for one subtitle to read as it was written: the smallest stretch that differs, with
 * the words spoken beside it.
 *
 * @param cues all of the film
 * @param at which of them
 * @param written with line breaks; empty shows nothing there
 * @returns nothing to put and to drop where it reads so already
 */
export function correction(cues: readonly Cue[], at: number, written: string): Correction {
  const cue = cues[at]
  const seen = cue ? seenWords(cue) : []
  const tokens = tokensOf(written)
  let [from, end, tokensEnd] = [0, seen.length, tokens.length]
  while (from < end && from < tokensEnd && isSame(seen[from], tokens[from])) from++
  while (end > from && tokensEnd > from && isSame(seen[end - 1], tokens[tokensEnd - 1])) {
    end--
    tokensEnd--
  }
  if (from === end && from === tokensEnd) return { put: [], drop: [] }
  // Only words that are said can be known again: what is put in stands with a neighbour; a break by
  // hand stands between two words.
  const widenLeft = () => from > 0 && from--
  const widenRight = () => {
    if (end === seen.length) return false
    end++
    tokensEnd++
    return true
  }
  if (tokens[from]?.breaks) widenLeft()
  while (from > 0 && seen[from]?.kept && seen[from]?.kept === seen[from - 1]?.kept) widenLeft()
  while (seen[end]?.kept && seen[end]?.kept === seen[end - 1]?.kept) widenRight()
  const saidOf = () => seen.slice(from, end).flatMap(({ said }) => said)
  while (!saidOf().length && (widenRight() || widenLeft()));
  const said = saidOf()
  if (!said.length) return { put: [], drop: [] }
  const before = [...cuesSaid(cues.slice(Math.max(0, at - 3), at)), ...saidBefore(seen, from)]
  const after = [...saidBefore(seen.slice(end), Infinity), ...cuesSaid(cues.slice(at + 1, at + 4))]
  const stretch = tokens.slice(from, tokensEnd)
  const shown = stretch
    .map(({ text, breaks }, i) => (i === 0 ? text : `${breaks ? '\n' : ' '}${text}`))
    .join('')
  const drop = [...new Set(seen.slice(from, end).flatMap(({ kept }) => kept ?? []))]
  if (shown === said.join(' ')) return { put: [], drop }
  const beside = { before: before.at(-1) ?? '', after: after[0] ?? '' }
  return { put: [{ words: [...said], shown, beside }], drop }
}

const saidBefore = (seen: readonly Seen[], at: number) =>
  seen.slice(0, at).flatMap(({ said }) => said)
const cuesSaid = (cues: readonly Cue[]) => cues.flatMap(({ words = [] }) => saidIn(words))

/** Letters alike, whatever their case. */
const places = (text: string, wanted: string): number[] => {
  const [all, part] = [text.toLocaleLowerCase(), wanted.toLocaleLowerCase()]
  const found: number[] = []
  for (let i = all.indexOf(part); part && i >= 0; i = all.indexOf(part, i + part.length))
    found.push(i)
  return found
}

/** How often words stand in the subtitles, whatever their case; a line break is a space. */
export const countFound = (cues: readonly Cue[], wanted: string): number =>
  cues.reduce((sum, { lines }) => sum + places(lines.join(' '), wanted).length, 0)

/** What to keep for words to be shown as others wherever they stand in one subtitle. */
export function replacement(cues: readonly Cue[], wanted: string, by: string): Correction {
  const corrections = cues.flatMap(({ lines }, at) => {
    const text = lines.join('\n')
    const found = places(lines.join(' '), wanted)
    if (!found.length) return []
    let written = ''
    let done = 0
    for (const from of found) {
      written += text.slice(done, from) + by
      done = from + wanted.length
    }
    return [correction(cues, at, written + text.slice(done))]
  })
  return {
    put: corrections.flatMap(({ put }) => put),
    drop: corrections.flatMap(({ drop }) => drop),
  }
}
