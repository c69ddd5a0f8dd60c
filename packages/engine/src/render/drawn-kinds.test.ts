import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { filmLetters } from '@tidy-reel/core/film/film-letters'
import { assDocument } from '@tidy-reel/core/film/lettering/ass-document'
import { WORLD } from '@tidy-reel/core/film/maps/world'
import { DRAWN_EXAMPLES, DRAWN_FORMS } from '@tidy-reel/core/script/drawn'
import { HOUSE_STYLES } from '@tidy-reel/core/style/house-styles'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { fontsFolder } from './fonts.ts'

const GOLDEN = fileURLToPath(new URL('./golden', import.meta.url))
const MARKS = ['box @ 50 40', 'arrow left @ 60 40', 'marker 50 @ 50 40', 'spotlight @ 50 40'].map(
  (mark) => `[mark: ${mark}]`,
)
const SCRIPT = [...DRAWN_FORMS.map((form) => DRAWN_EXAMPLES[form]), ...MARKS]
  .map((direction) => `${direction} It goes on as it is.`)
  .join('\n\n')
/** Frames beside each other; all kinds are seen twice: as they build up, and built up. */
const ACROSS = 6

const run = (...args: string[]) => spawnSync('ffmpeg', ['-v', 'error', '-nostdin', '-y', ...args])
/** Wang et al. 2004, by ffmpeg's `ssim`. */
function ssim(a: string, b: string): number {
  const args = ['-hide_banner', '-i', a, '-i', b, '-lavfi', 'ssim', '-f', 'null', '-']
  return Number(/All:([\d.]+)/.exec(spawnSync('ffmpeg', args, { encoding: 'utf8' }).stderr)?.[1])
}

describe('everything that can be drawn', () => {
  it.each([
    ['calm.wide', 320, 180],
    ['newspaper.square', 240, 240],
    ['bright.upright', 180, 320],
  ])('looks as the golden frames %s do', async (name, width, height) => {
    const style = itemAt(
      HOUSE_STYLES.filter(({ id }) => name.startsWith(id)),
      0,
    )
    const film = { ...filmOf(documentFrom('T', SCRIPT)), lettering: style.lettering }
    const plan = timeline(film, [], [10, 1])
    const { cues, supers, crowded } = filmLetters(plan, film, { width, height }, { atlas: WORLD })
    expect(crowded).toEqual([])
    const work = mkdtempSync(join(tmpdir(), 'tidy-kinds-'))
    const fonts = await fontsFolder(join(work, 'fonts'))
    const ass = join(work, 'kinds.ass')
    const marks = supers.flatMap((one) => one.marks)
    writeFileSync(ass, assDocument({ width, height, lettering: style.lettering, cues, marks }))
    const frames = supers
      .flatMap(({ start, end }) => [start + 24_000, end - 48_000])
      .map((sample) => Math.round((sample * 10) / 48_000))
    const picked = frames.map((frame) => `eq(n,${frame})`).join('+')
    const tile = `tile=${ACROSS}x${Math.ceil(frames.length / ACROSS)}`
    const made = join(work, 'kinds.png')
    const ground = `color=0x7d94a6:s=${width}x${height}:r=10:d=${plan.frames / 10}`
    const filter = `ass=${ass}:fontsdir=${fonts},select='${picked}',${tile}`
    run('-f', 'lavfi', '-i', ground, '-vf', filter, '-frames:v', '1', made)
    const golden = join(GOLDEN, `${name}.png`)
    if (process.env.TIDY_GOLDEN === 'write') {
      mkdirSync(GOLDEN, { recursive: true })
      run('-i', made, golden)
    }
    expect(existsSync(golden), 'no golden frames yet: TIDY_GOLDEN=write makes them').toBe(true)
    expect(ssim(golden, made)).toBeGreaterThanOrEqual(0.995)
  })
})
