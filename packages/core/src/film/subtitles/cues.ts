import type { SubtitlePlace } from '../../document/dress.ts'
import type { KeptWords } from '../../document/subtitling.ts'
import { itemAt, lastOf } from '../../faults/certain.ts'
import type { SpokenWord } from '../../speech/word-times.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import type { Legibility } from '../legible.ts'
import { leans } from './bound-words.ts'
import type { SubtitleLimits } from './limits.ts'
import { brokenLines, fitsLines, joined } from './lines.ts'

/** What a word of a subtitle stands for. */
interface Meant {
  /** No space before it. */
  glued?: boolean
  /** What is said there, where that is something else; `[]` for what goes on from the word before. */
  said?: readonly string[]
  /** Where it is shown in place of what is said. */
  kept?: KeptWords
}

/** A word of a subtitle, and which of its lines it stands in. */
export interface ShownWord extends SpokenWord, Meant {
  line: number
}

/** A subtitle: its lines and when it shows, in samples, `[start, end)`. */
export interface Cue {
  lines: string[]
  start: number
  end: number
  /** How well it is read on its pictures; left out where nobody knows how light they are. */
  legibility?: Legibility
  /** Where its scene has it, if not where the film's stand. */
  at?: SubtitlePlace
  /** The words of its lines, in order; left out where nobody knows when they are spoken. */
  words?: ShownWord[]
}

/** A word and whether its scene ends with it. */
export interface CueWord extends SpokenWord, Meant {
  endsScene: boolean
  /** Stands with the word before in one subtitle, where there is room. */
  isBound?: boolean
  /** Begins a line, by a person's wish. */
  breaks?: boolean
  /** Begins a subtitle: somebody else speaks. */
  opens?: boolean
}

/** Longer than a subtitle may stand: only a single word is. */
const TOO_LONG = 1e5
/** Words that belong together come apart only where nothing else is possible. */
const PARTED = 400
/** More words than fit two lines are never looked at together. */
const WINDOW = 40

/**
 * Groups the words of a whole film into subtitles, choosing all breaks together (dynamic
 * programming).
 *
 * A subtitle may run over two short scenes, so that "Why?" does not flash by, but a break at a
 * scene's end, a full stop or a comma is worth more than one elsewhere. Every word is shown once,
 * in order.
 *
 * @param words in speaking order
 * @returns cues in order, none overlapping; `[]` for no words
 */
export function cuesFromWords(words: readonly CueWord[], limits: SubtitleLimits): Cue[] {
  const best = new Float64Array(words.length + 1).fill(Infinity)
  const from = new Int32Array(words.length + 1)
  best[0] = 0
  for (let end = 1; end <= words.length; end++) {
    for (let start = end - 1; start >= Math.max(0, end - WINDOW); start--) {
      // What does not fit now fits no better with more words before it.
      if (start < end - 1 && !isPossible(words.slice(start, end), limits)) break
      const cost = best[start]! + cueCost(words, start, end, limits)
      if (cost < best[end]!) {
        best[end] = cost
        from[end] = start
      }
    }
  }
  const cues: Cue[] = []
  for (let end = words.length; end > 0; end = from[end]!)
    cues.unshift(cueOf(words, from[end]!, end, limits))
  return cues
}

const isPossible = (words: readonly CueWord[], limits: SubtitleLimits) =>
  words.length <= limits.words &&
  !words.some(({ opens }, i) => opens && i > 0) &&
  fitsLines(words, limits)

function cueCost(
  words: readonly CueWord[],
  start: number,
  end: number,
  limits: SubtitleLimits,
): number {
  const group = words.slice(start, end)
  const first = itemAt(group, 0).start
  const last = lastOf(group)
  const shown = endOf(words, end, limits, first) - first
  const characters = joined(group).length
  const seconds = shown / SAMPLE_RATE
  let cost = 1 + breakCost(last, words[end])
  if (words[end]?.isBound && !(words[end].breaks && limits.lines === 1)) cost += PARTED
  if (shown < limits.shortest) cost += 40 + 40 * (1 - shown / limits.shortest)
  if (last.end - first > limits.longest) cost += group.length === 1 ? 10 : TOO_LONG
  if (characters / seconds > limits.charactersPerSecond)
    cost += 20 * (characters / seconds / limits.charactersPerSecond)
  const pace = (wordsSaid(group) * 60) / seconds
  if (pace > limits.wordsPerMinute) cost += 20 * (pace / limits.wordsPerMinute)
  group.slice(0, -1).forEach((word, i) => {
    const gap = itemAt(group, i + 1).start - word.end
    if (word.endsScene) cost += gap > SAMPLE_RATE ? 30 : 4
    else if (/[.!?]["'’”»)]*$/.test(word.text)) cost += 2
  })
  const goesOn = start > 0 && breakCost(itemAt(words, start - 1)) > 0
  if (characters < 14 && (goesOn || !last.endsScene) && limits.words === Infinity) cost += 3
  return cost
}

/** What is said while a subtitle is seen, word by word. */
export const saidIn = (words: readonly Pick<CueWord, 'text' | 'said'>[]): string[] =>
  words.flatMap(({ text, said }) => said ?? [text])

const wordsSaid = (words: readonly CueWord[]) => saidIn(words).length

/** What it costs to end a subtitle after this word. */
function breakCost(word: CueWord, next?: CueWord): number {
  if (word.endsScene || /[.!?…]["'’”»)]*$/.test(word.text)) return 0
  if (/[;:—–]["'’”»)]*$/.test(word.text)) return 0.6
  if (/,["'’”»)]*$/.test(word.text)) return 1
  if (leans(word.text)) return 6
  return next && leans(next.text) ? 2 : 3
}

/** When a cue ends: a little after its last word, never into the next one, small gaps closed. */
function endOf(
  words: readonly CueWord[],
  end: number,
  limits: SubtitleLimits,
  start: number,
): number {
  const last = itemAt(words, end - 1).end
  const next = words[end]?.start
  const wanted = Math.max(last + SAMPLE_RATE * 0.3, start + limits.shortest)
  if (next === undefined) return Math.min(wanted, Math.max(last, start + limits.longest))
  const latest = next - limits.leftGap
  const closed = next - last < limits.closedGap ? latest : Math.min(wanted, latest)
  return Math.max(start + 1, Math.min(closed, Math.max(last, start + limits.longest)))
}

function cueOf(words: readonly CueWord[], start: number, end: number, limits: SubtitleLimits): Cue {
  const first = itemAt(words, start).start
  const lines = brokenLines(words.slice(start, end), limits)
  return {
    lines: lines.map(joined),
    start: first,
    end: endOf(words, end, limits, first),
    words: lines.flatMap((inLine, line) =>
      inLine.map(
        ({
          endsScene: _ends,
          isBound: _bound,
          breaks: _breaks,
          opens: _opens,
          ...word
        }): ShownWord => ({
          ...word,
          line,
        }),
      ),
    ),
  }
}
