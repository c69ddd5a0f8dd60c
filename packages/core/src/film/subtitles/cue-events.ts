import { familyOf } from '../../style/faces.ts'
import type { SubtitleStyle } from '../../style/lettering.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import { assColour, assRuns, assTime, isRightToLeft, styleColour } from '../lettering/ass-text.ts'
import type { Frame } from '../lettering/frame.ts'
import { LAYERS } from '../supers/pen.ts'
import {
  cased,
  cueStyle,
  groundReach,
  hasEdge,
  placed,
  subtitleMargin,
  subtitleSide,
  subtitleType,
} from './cue-place.ts'
import type { Cue, ShownWord } from './cues.ts'

const px = (n: number) => String(Math.round(n * 10) / 10)
const ALIGNED = {
  foot: { left: 1, centre: 2, right: 3 },
  middle: { left: 4, centre: 5, right: 6 },
  head: { left: 7, centre: 8, right: 9 },
}
/** BorderStyle of ASS: an edge, a box around each line; of libass, a box around all lines. */
const BORDERS = { fitting: 1, edge: 1, lines: 3, plate: 4, shade: 1, none: 1 }

const alignmentOf = ({ place }: SubtitleStyle) => {
  const { row, side } = placed(place)
  return ALIGNED[row][side]
}

/** The style lines that subtitles are written in. */
export function subtitleStyles(style: SubtitleStyle, frame: Frame): string[] {
  const type = subtitleType(style, frame)
  const reach = groundReach(style, type)
  const side = subtitleSide(style, frame)
  const line = (
    name: string,
    primary: string,
    outline: string,
    back: string,
    border: number,
    shadow: number,
  ) =>
    `Style: ${name},${familyOf(style.face)},${px(type.size)},${primary},${primary},${outline},${back},` +
    `0,0,0,0,100,100,0,0,${border},${px(reach)},${px(shadow)},${alignmentOf(style)},` +
    `${side},${side},${subtitleMargin(style, frame)},1`
  const ground = styleColour(style.groundColour, style.strength)
  const isBoxed = style.ground === 'lines' || style.ground === 'plate'
  return [
    line(
      'Subtitle',
      styleColour(style.colour),
      isBoxed ? ground : styleColour(style.groundColour),
      isBoxed ? ground : styleColour(style.groundColour, 0.5),
      BORDERS[style.ground],
      hasEdge(style) ? type.size * 0.024 : 0,
    ),
    ...(style.spoken === 'box'
      ? [
          line(
            'Spoken',
            styleColour(style.colour, 0),
            styleColour(style.spokenColour, 0),
            styleColour(style.spokenColour, 0),
            3,
            0,
          ),
        ]
      : []),
  ]
}

/** The events of one subtitle: its words, what marks the spoken one, what it stands on. */
export function cueEvents(cue: Cue, common: SubtitleStyle, frame: Frame): string[] {
  const style = cueStyle(cue, common)
  const side = subtitleSide(style, frame)
  const margins = cue.at ? `${side},${side},${subtitleMargin(style, frame)}` : '0,0,0'
  const event = (name: string, layer: number, text: string, { start, end } = cue) =>
    `Dialogue: ${layer},${assTime(start)},${assTime(end)},${name},,${margins},,${text}`
  const stands =
    (cue.at ? `\\an${alignmentOf(style)}` : '') +
    (isRightToLeft(cue.lines[0] ?? '') ? '\\fe-1' : '')
  const head = override(stands + entrance(style, frame))
  if (!cue.words || (style.spoken === 'none' && style.comes !== 'typed'))
    return [
      event(
        'Subtitle',
        LAYERS.subtitle,
        head + cue.lines.map((line) => assRuns(cased(line, style), style.face)).join('\\N'),
      ),
    ]
  if (style.spoken === 'underline')
    return underlined(cue, style, { head, later: override(stands) }, event)
  const marked = lined(cue.words, (word) => spokenWord(word, cue, style))
  return [
    ...(style.spoken === 'box'
      ? [
          event(
            'Spoken',
            LAYERS.subtitle - 1,
            head + lined(cue.words, (word) => boxedWord(word, cue, style)),
          ),
        ]
      : []),
    event('Subtitle', LAYERS.subtitle, head + marked),
  ]
}

const override = (tags: string) => (tags ? `{${tags}}` : '')

/** Words put together in their lines. */
function lined(words: readonly ShownWord[], write: (word: ShownWord) => string): string {
  return words
    .map((word, i) => {
      const before = words[i - 1]
      if (!before) return write(word)
      if (before.line !== word.line) return `\\N${write(word)}`
      return (word.glued ? '' : ' ') + write(word)
    })
    .join('')
}

const msFrom = ({ start }: Cue, sample: number) =>
  Math.max(0, Math.round(((sample - start) * 1000) / SAMPLE_RATE))

/** From when to when a word is marked: until the next one is, within the cue. */
function spokenMs(word: ShownWord, cue: Cue): [number, number] {
  const next = cue.words?.[cue.words.indexOf(word) + 1]
  return [msFrom(cue, word.start), msFrom(cue, next?.start ?? cue.end)]
}

const at = (ms: number, tags: string) => `\\t(${ms},${ms + 1},${tags})`

function spokenWord(word: ShownWord, cue: Cue, style: SubtitleStyle): string {
  const [from, to] = spokenMs(word, cue)
  const text = assRuns(cased(word.text, style), style.face)
  const tags: string[] = []
  if (style.comes === 'typed') tags.push(`\\alpha&HFF&${at(from, '\\alpha&H00&')}`)
  if (style.spoken === 'colour')
    tags.push(
      `\\1c${assColour(style.colour)}${at(from, `\\1c${assColour(style.spokenColour)}`)}` +
        at(to, `\\1c${assColour(style.colour)}`),
    )
  if (style.spoken === 'size')
    tags.push(
      `\\fscx100\\fscy100\\t(${from},${from + 90},\\fscx112\\fscy112)` +
        `\\t(${to},${to + 90},\\fscx100\\fscy100)`,
    )
  return tags.length ? `{${tags.join('')}}${text}` : text
}

/** The same letters unseen, with a box that is seen while they are spoken. */
function boxedWord(word: ShownWord, cue: Cue, style: SubtitleStyle): string {
  const [from, to] = spokenMs(word, cue)
  const text = assRuns(cased(word.text, style), style.face)
  return `{\\1a&HFF&\\3a&HFF&${at(from, '\\3a&H00&')}${at(to, '\\3a&HFF&')}}${text}{\\3a&HFF&}`
}

/** An underline cannot be animated: each word's time is an event of its own. */
function underlined(
  { words = [], start, end, lines }: Cue,
  style: SubtitleStyle,
  { head, later }: { head: string; later: string },
  event: (name: string, layer: number, text: string, time: Cue) => string,
): string[] {
  const times = words.map((word, i) => ({
    word,
    start: i === 0 ? start : word.start,
    end: words[i + 1]?.start ?? end,
  }))
  return times
    .filter((time) => time.end > time.start)
    .map((time) =>
      event(
        'Subtitle',
        LAYERS.subtitle,
        (time.word === words[0] ? head : later) +
          lined(words, (word) => {
            const text = assRuns(cased(word.text, style), style.face)
            return word === time.word
              ? `{\\u1\\1c${assColour(style.spokenColour)}}${text}{\\u0\\1c${assColour(style.colour)}}`
              : text
          }),
        { lines, start: time.start, end: time.end },
      ),
    )
}

function entrance(style: SubtitleStyle, frame: Frame): string {
  switch (style.comes) {
    case 'fade':
      return '\\fad(160,120)'
    case 'pop':
      return '\\fscx82\\fscy82\\t(0,90,\\fscx103\\fscy103)\\t(90,150,\\fscx100\\fscy100)'
    case 'rise': {
      const { size } = subtitleType(style, frame)
      const [x, y] = anchor(style, frame)
      return `\\fad(140,0)\\move(${px(x)},${px(y + size * 0.4)},${px(x)},${px(y)},0,180)`
    }
    case 'none':
    case 'typed':
      return ''
  }
}

/** The point that subtitles stand at by their alignment. */
function anchor(style: SubtitleStyle, frame: Frame): [number, number] {
  const { row, side } = placed(style.place)
  const margin = subtitleMargin(style, frame)
  const edge = subtitleSide(style, frame)
  return [
    { left: edge, centre: frame.width / 2, right: frame.width - edge }[side],
    { head: margin, middle: frame.height / 2, foot: frame.height - margin }[row],
  ]
}
