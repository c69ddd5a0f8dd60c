import { describe, expect, it } from 'vitest'
import { checkScript } from '../checks/check-script.ts'
import { claimsOf } from '../checks/claims.ts'
import { hookOf } from '../checks/hook.ts'
import { lengthAdvice } from '../checks/length-advice.ts'
import { readingEase } from '../checks/reading-ease.ts'
import { apply, documentFrom } from '../document/apply.ts'
import { filmOf } from '../document/film-scenes.ts'
import { cleanScript } from '../script/clean.ts'
import { parseScript } from '../script/parse.ts'
import { tidyScript } from '../tidy/tidy.ts'
import { timeline } from '../timeline/timeline.ts'
import { piecesOf } from './pieces.ts'
import { spokenForm } from './spoken.ts'

const repeated = (piece: string, length: number) =>
  piece.repeat(Math.ceil(length / piece.length)).slice(0, length)

/** Texts that nobody writes and anybody can paste. */
const NASTY: Record<string, (length: number) => string> = {
  'without a full stop': (length) => repeated('lamp and water ', length),
  'without a space': (length) => repeated('lampwater', length),
  'of nothing but marks': (length) => repeated('.,;:!?-–—"\'()[]*_#', length),
  'of nothing but digits': (length) => repeated('1234567890', length),
  'of one letter': (length) => repeated('A', length),
  'of deep brackets': (length) => '(['.repeat(length / 4) + '])'.repeat(length / 4),
}

const WORK: Record<string, (text: string) => unknown> = {
  'cleaned, parsed, laid out': (text) => {
    const film = filmOf(documentFrom('Light', cleanScript(text)))
    return timeline(
      film,
      film.scenes.map(() => undefined),
      [30, 1],
    )
  },
  'put in the place of another': (text) =>
    apply(documentFrom('Light', 'It burns. It turns.'), { type: 'setScript', script: text }),
  spoken: (text) => spokenForm(text),
  'spoken in German': (text) => spokenForm(text, { language: 'de' }),
  tidied: tidyScript,
  checked: (text) => {
    const parsed = parseScript(text)
    return [
      checkScript(text, parsed),
      claimsOf(text, parsed),
      hookOf(parsed.scenes),
      lengthAdvice(parsed, 5),
      readingEase(text),
    ]
  },
}

/** Characters; `npm run bench:growth` takes ten times as many, near the longest script. */
const LONG = Number(process.env['TIDY_GROWTH'] ?? 40_000)
const SHORT = LONG / 4
/** Twice the text may take 2.3 times as long; a square law would take 4. */
const MOST = 2.3 ** 2
/** Below so many milliseconds a clock tells nothing; what is collected meanwhile may fall in it. */
const NOTHING_MS = 60

/** Milliseconds of this process at work: what else the machine does is not counted. */
function atWork(run: () => unknown): number {
  const before = process.cpuUsage()
  run()
  const { user, system } = process.cpuUsage(before)
  return (user + system) / 1000
}

const bestOfThree = (run: () => unknown) => Math.min(...[0, 1, 2].map(() => atWork(run)))

describe.each(Object.entries(NASTY))('a text %s', (_name, make) => {
  it.each(Object.entries(WORK))(
    'takes time by its length, not by its square, to be %s',
    { retry: 2 },
    (_, work) => {
      // A letter more each time: nothing is found again that was worked out before.
      let more = 0
      const timed = (length: number) =>
        bestOfThree(() => work(`${make(length)}${'b'.repeat(more++)}`))
      timed(SHORT / 10)
      const short = timed(SHORT)
      const long = timed(LONG)
      if (process.env['TIDY_GROWTH'])
        console.log(`twice the text, ${Math.sqrt(long / short).toFixed(2)} times the time`)
      expect(long).toBeLessThan(MOST * Math.max(short, NOTHING_MS))
    },
  )
})

describe('piecesOf', () => {
  it('covers the text, none longer than asked, parted behind a clause, a space, or anywhere', () => {
    const text = `${'lamp and water, '.repeat(20)}${'x'.repeat(300)}🌊🌊`
    const pieces = piecesOf(text, 100)
    expect(pieces.map(({ from, to }) => text.slice(from, to)).join('')).toBe(text)
    expect(Math.max(...pieces.map(({ from, to }) => to - from))).toBeLessThanOrEqual(100)
    expect(text.slice(0, pieces[0]!.to).endsWith(', ')).toBe(true)
    expect(pieces.every(({ from, to }) => text.slice(from, to).isWellFormed())).toBe(true)
  })

  it('leaves what is short in one piece', () => {
    expect(piecesOf('Lamp.', 100)).toEqual([{ from: 0, to: 5 }])
    expect(piecesOf('', 100)).toEqual([])
  })
})

describe('spokenForm of a text in pieces', () => {
  it('says the same words as the text sentence by sentence, each told from the written one', () => {
    const sentence = 'The 3 lamps turn, and 40 km away a ship sees them'
    const long = Array.from({ length: 60 }, () => sentence).join(', ')
    const { text, words } = spokenForm(long)
    expect(text).toBe(Array.from({ length: 60 }, () => spokenForm(sentence).text).join(', '))
    const written = long.split(/\s+/)
    expect(
      words.filter(({ text: said }) => said === 'forty').map((w) => written[w.written]),
    ).toEqual(Array.from({ length: 60 }, () => '40'))
    expect(words.map(({ text: said }) => said).join(' ')).toBe(text)
  })
})
