import { itemAt } from '../faults/certain.ts'
import { stamp, wordTag } from '../film/subtitles/write.ts'
import { SAMPLE_RATE } from '../time/time.ts'
import type { Timeline } from '../timeline/timeline.ts'

const seconds = (samples: number) => Math.round((samples / SAMPLE_RATE) * 1000) / 1000

type Spoken = Pick<Timeline, 'scenes' | 'samples'>

/** Where each word of a film is spoken, in seconds from its start. */
export function marksJson({ scenes }: Spoken): string {
  const list = scenes
    .filter(({ words }) => words.length)
    .map(({ id, text, speechStart, speechEnd, words }) => ({
      scene: id,
      text,
      start: seconds(speechStart),
      end: seconds(speechEnd),
      words: words.map(({ text: word, start, end }) => ({
        word,
        start: seconds(start),
        end: seconds(end),
      })),
    }))
  return `${JSON.stringify(list, null, 2)}\n`
}

/**
 * WebVTT (W3C): a cue a scene, a timestamp before each word but the first.
 *
 * @returns the head alone where nothing is spoken
 */
export function marksVtt({ scenes }: Spoken): string {
  const blocks = scenes
    .filter(({ words }) => words.length)
    .map(({ speechStart, speechEnd, words }) => {
      const line = words
        .map(({ text, start }, i) =>
          wordTag(
            text,
            i > 0 && start > itemAt(words, i - 1).start && start > speechStart ? start : undefined,
          ),
        )
        .join(' ')
      return `${stamp(speechStart, '.')} --> ${stamp(speechEnd, '.')}\n${line}\n`
    })
  return ['WEBVTT\n', ...blocks].join('\n')
}

interface Interval {
  from: number
  to: number
  text: string
}

/**
 * Praat TextGrid, long text form (Praat manual, from memory): a tier of scenes and a tier of words,
 * silence as empty intervals.
 */
export function marksTextGrid({ scenes, samples }: Spoken): string {
  const spoken = scenes.filter(({ words }) => words.length)
  const tiers: [string, Interval[]][] = [
    [
      'scenes',
      tiled(
        spoken.map(({ speechStart, speechEnd, text }) => ({
          from: speechStart,
          to: speechEnd,
          text,
        })),
        samples,
      ),
    ],
    [
      'words',
      tiled(
        spoken.flatMap(({ words }) =>
          words.map(({ start, end, text }) => ({ from: start, to: end, text })),
        ),
        samples,
      ),
    ],
  ]
  const exact = (at: number) => String(at / SAMPLE_RATE)
  const lines = [
    'File type = "ooTextFile"',
    'Object class = "TextGrid"',
    '',
    'xmin = 0',
    `xmax = ${exact(samples)}`,
    'tiers? <exists>',
    `size = ${tiers.length}`,
    'item []:',
  ]
  tiers.forEach(([name, intervals], t) => {
    lines.push(
      `    item [${t + 1}]:`,
      '        class = "IntervalTier"',
      `        name = "${name}"`,
      '        xmin = 0',
      `        xmax = ${exact(samples)}`,
      `        intervals: size = ${intervals.length}`,
    )
    intervals.forEach(({ from, to, text }, i) => {
      lines.push(
        `        intervals [${i + 1}]:`,
        `            xmin = ${exact(from)}`,
        `            xmax = ${exact(to)}`,
        `            text = "${text.replace(/"/g, '""')}"`,
      )
    })
  })
  return `${lines.join('\n')}\n`
}

/** Intervals without gap or overlap from 0 to `end`; one without length is left out. */
function tiled(intervals: readonly Interval[], end: number): Interval[] {
  const out: Interval[] = []
  let at = 0
  for (const { from, to, text } of intervals) {
    if (to <= Math.max(at, from)) continue
    if (from > at) out.push({ from: at, to: from, text: '' })
    out.push({ from: Math.max(at, from), to, text })
    at = to
  }
  if (at < end) out.push({ from: at, to: end, text: '' })
  return out
}
