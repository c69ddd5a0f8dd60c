import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { filmLetters } from '@tidy-reel/core/film/film-letters'
import { assDocument } from '@tidy-reel/core/film/lettering/ass-document'
import { frameOf, type Rect } from '@tidy-reel/core/film/lettering/frame'
import type { Mark } from '@tidy-reel/core/film/lettering/mark'
import { cueBox, cueStyle } from '@tidy-reel/core/film/subtitles/cue-place'
import type { Cue } from '@tidy-reel/core/film/subtitles/cues'
import { HOUSE_STYLES } from '@tidy-reel/core/style/house-styles'
import type { Lettering } from '@tidy-reel/core/style/lettering'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { fontsFolder } from './fonts.ts'

const SCRIPT = `# How a lighthouse throws its light
It is 13.8 billion years old. [number: 13.8 billion years]

Most of it comes from coal. [bars: Coal 35 %; Gas 22 %; Wind 8 %]

Water covers most of it, quickly. [share: 71 % of the surface]

It came in 1822 and 1859. [years: 1822 the lens; 1859 electric light]

It has a gate, a sluice and a chamber. [list: the gate; the sluice; the chamber]

It rises from four metres to twelve. [change: 4 m to 12 m]

She used to say it every night. [quote: It never goes out — Ann Reed]

Ann Reed kept it for forty years. [name: Ann Reed, keeper of the light]

What bends it is called refraction. [key: refraction]

There is more to say next week. [call: Next week: the tides]`

/** The same sentence, of the light of a lighthouse, in scripts that a face of ours does not have. */
const EAST_ASIAN: Pick<Cue, 'lines' | 'at'>[] = [
  { lines: ['灯台の光は海を', '二十海里先まで照らす。'] },
  { lines: ['등대의 빛은 바다를', '이십 해리까지 비춘다.'] },
  { lines: ['灯塔的光照亮', '二十海里的海面。'] },
]

/** Where one scene has its subtitles. */
const ELSEWHERE: Pick<Cue, 'lines' | 'at'> = {
  lines: ['The keeper lights', 'the lamp at dusk.'],
  at: { place: 'head-right', height: 0.2 },
}

const WIDTH = 640
const HEIGHT = 360
/** Each thing has so many samples to itself, and is looked at when it has settled. */
const TURN = 4 * 48_000
const GREY = 128

interface Turn {
  name: string
  box: Rect
  marks: Mark[]
  cues: Cue[]
}

/** Marks as they are in the end, at a time of their own. */
const settled = (marks: readonly Mark[], end: number): Mark[] =>
  marks
    .filter((mark) => mark.end === end && !mark.blur)
    .map(({ grow: _grow, rise: _rise, pop: _pop, typedMs: _typed, fade: _fade, ...mark }) => mark)

function turnsOf(lettering: Lettering): Turn[] {
  const film = { ...filmOf(documentFrom('T', SCRIPT)), lettering }
  const plan = timeline(film, [], [30, 1])
  const { cues, supers } = filmLetters(plan, film, { width: WIDTH, height: HEIGHT })
  const frame = frameOf(WIDTH, HEIGHT)
  return [
    ...supers.map((one) => ({
      name: one.kind,
      box: one.box,
      marks: settled(one.marks, one.end),
      cues: [],
    })),
    ...[...cues.slice(0, 3), ...EAST_ASIAN, ELSEWHERE].map((cue) => ({
      name: `"${cue.lines.join(' ')}"`,
      box: cueBox(cue, cueStyle(cue, lettering.subtitle), frame),
      marks: [],
      cues: [{ ...cue, start: 0, end: 1 }],
    })),
  ]
}

/** The rectangle of what is not grey. */
function inkIn(luma: Buffer): Rect {
  let [left, top, right, bottom] = [WIDTH, HEIGHT, -1, -1]
  luma.forEach((value, i) => {
    if (Math.abs(value - GREY) < 30) return
    const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)]
    left = Math.min(left, x)
    right = Math.max(right, x)
    top = Math.min(top, y)
    bottom = Math.max(bottom, y)
  })
  return { x: left, y: top, width: right - left + 1, height: bottom - top + 1 }
}

describe('where letters and drawings are said to stand', () => {
  it.each(HOUSE_STYLES.map(({ id, lettering }) => [id, lettering] as const))(
    'is where libass draws them, within 2 per cent of the picture, and never outside by more than 0.6, in the style %s',
    async (_id, lettering) => {
      const work = mkdtempSync(join(tmpdir(), 'tidy-letters-'))
      const fonts = await fontsFolder(join(work, 'fonts'))
      // A soft shade has no rim to be measured.
      const { ground } = lettering.subtitle
      const subtitle = {
        ...lettering.subtitle,
        comes: 'none',
        ground: ground === 'shade' ? 'edge' : ground,
      } as const
      const turns = turnsOf({ ...lettering, subtitle })
      const at = <T extends object>(event: T, i: number) => ({
        ...event,
        start: i * TURN,
        end: (i + 1) * TURN,
      })
      const ass = join(work, 'letters.ass')
      writeFileSync(
        ass,
        assDocument({
          width: WIDTH,
          height: HEIGHT,
          lettering: { ...lettering, subtitle },
          cues: turns.flatMap(({ cues }, i) => cues.map((cue) => at(cue, i))),
          marks: turns.flatMap(({ marks }, i) => marks.map((mark) => at(mark, i))),
        }),
      )
      const grey = `color=0x808080:s=${WIDTH}x${HEIGHT}:r=1/4:d=${turns.length * 4}`
      const { stdout, stderr } = spawnSync(
        'ffmpeg',
        `-v error -nostdin -f lavfi -i ${grey} -vf setpts=PTS+3/TB,ass=${ass}:fontsdir=${fonts},setpts=PTS-3/TB -f rawvideo -pix_fmt gray -`.split(
          ' ',
        ),
        { maxBuffer: 1 << 28 },
      )
      expect(stderr.toString()).toBe('')
      turns.forEach(({ name, box }, i) => {
        const ink = inkIn(stdout.subarray(i * WIDTH * HEIGHT, (i + 1) * WIDTH * HEIGHT))
        const off = [
          (ink.x - box.x) / WIDTH,
          (ink.y - box.y) / HEIGHT,
          (ink.x + ink.width - box.x - box.width) / WIDTH,
          (ink.y + ink.height - box.y - box.height) / HEIGHT,
        ].map((share) => Math.round(share * 1000) / 1000)
        const told = `${name}: ${off.join(', ')}`
        expect(Math.max(...off.map(Math.abs)), told).toBeLessThan(0.02)
        // Pairs of letters are set closer than is counted: nothing is drawn outside.
        expect(Math.min(off[0]!, off[1]!, -off[2]!, -off[3]!), told).toBeGreaterThan(-0.006)
      })
    },
  )
})
