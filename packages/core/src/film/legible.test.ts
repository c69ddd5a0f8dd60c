import { describe, expect, it } from 'vitest'
import { documentFrom } from '../document/apply.ts'
import { type Film, filmOf } from '../document/film-scenes.ts'
import type { ChosenItem } from '../pictures/item.ts'
import { LIGHT_CELLS, lightOf, tonesIn } from '../pictures/light.ts'
import type { Move } from '../pictures/view.ts'
import { contrast, contrastOf, luminanceOfTone, mixed } from '../style/contrast.ts'
import { timeline } from '../timeline/timeline.ts'
import { filmLetters } from './film-letters.ts'
import { frameOf } from './lettering/frame.ts'
import { filmShots } from './shots.ts'
import { cueFaults } from './subtitles/cue-faults.ts'
import { cueShade } from './subtitles/cue-shade.ts'
import { filmLimits } from './subtitles/film-cues.ts'

const { across, down } = LIGHT_CELLS
/** A picture by the tone, 0 to 255, of each of its cells. */
const picture = (tone: (column: number, row: number) => number) =>
  Uint8Array.from({ length: across * down }, (_, i) => tone(i % across, Math.floor(i / across)))
const lightAt = (tone: (column: number, row: number) => number) => lightOf([picture(tone)], 16 / 9)

const WIDE = { width: 1920, height: 1080 }
const item: ChosenItem = {
  id: 'sky',
  kind: 'photo',
  title: 'Sky',
  seconds: null,
  width: 1920,
  height: 1080,
  source: 'Stock',
  licence: 'CC0',
  author: 'Ann',
}
const STANDING: Move = { from: { x: 0.5, y: 0.5, scale: 1 }, to: { x: 0.5, y: 0.5, scale: 1 } }

function lettersOn(light: ReturnType<typeof lightOf>, frame: Move, set: Partial<Film> = {}) {
  const document = documentFrom('T', '# Light\nThe lamp burns all night.')
  const scenes = document.scenes.map((scene) => ({
    ...scene,
    shots: [{ item, by: 'hand' as const, frame }],
  }))
  const film = { ...filmOf({ ...document, scenes }), ...set }
  const plan = timeline(film, [], [30, 1])
  const pictures = { shots: filmShots(plan, () => true), lights: new Map([[item.id, light]]) }
  return { film, plan, ...filmLetters(plan, film, WIDE, { pictures }) }
}

describe('contrast', () => {
  it('is what WCAG 2.2 says: black and white 21, #777 on white 4.48, #767676 on white 4.54 (from memory)', () => {
    expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5)
    expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2)
    expect(contrast('#767676', '#ffffff')).toBeCloseTo(4.54, 2)
  })
})

describe('tonesIn', () => {
  it('tells the tones of a part alone, within a step of 1 in 64', () => {
    const halves = lightAt((column) => (column < across / 2 ? 240 : 20))
    const left = tonesIn(halves, { x: 0.05, y: 0.1, width: 0.3, height: 0.2 })
    expect(left.light * 255).toBeCloseTo(240, -1)
    expect(left.light).toBe(left.dark)
    const both = tonesIn(halves, { x: 0.3, y: 0.1, width: 0.4, height: 0.2 })
    expect(both.dark).toBeLessThan(0.1)
    expect(both.light).toBeGreaterThan(0.9)
  })
  it('takes of a clip the lightest and the darkest that each cell becomes', () => {
    const clip = lightOf([picture(() => 30), picture(() => 220)], 1)
    const tones = tonesIn(clip, { x: 0, y: 0, width: 1, height: 1 })
    expect([tones.dark * 255, tones.light * 255].map((tone) => Math.round(tone / 4))).toEqual([
      8, 56,
    ])
  })
  it('has no light of nothing', () => expect(() => lightOf([], 1)).toThrow(RangeError))
})

describe('letters on pictures', () => {
  it('stand on a shade where the picture needs one, and on none where it does not (WCAG 2.2 SC 1.4.3)', () => {
    const white = lettersOn(
      lightAt(() => 250),
      STANDING,
    ).cues[0]!
    expect(white.legibility!.contrast).toBeLessThan(1.2)
    const { colour, groundColour } = lettersOn(
      lightAt(() => 250),
      STANDING,
    ).film.lettering.subtitle
    const under = mixed('#fafafa', groundColour, white.legibility!.shade)
    expect(contrast(colour, under)).toBeGreaterThanOrEqual(4.5)
    const dark = lettersOn(
      lightAt(() => 30),
      STANDING,
    ).cues[0]!
    expect(dark.legibility).toEqual({
      contrast: expect.closeTo(contrastOf(0.962, luminanceOfTone(30 / 255)), 0),
      shade: 0,
    })
    const frame = frameOf(WIDE.width, WIDE.height)
    const { subtitle } = lettersOn(
      lightAt(() => 30),
      STANDING,
    ).film.lettering
    expect(cueShade(white, subtitle, frame)!.opacity).toBeGreaterThan(white.legibility!.shade)
    expect(cueShade(dark, subtitle, frame)).toBeUndefined()
  })
  it('are measured on the part of the picture that is seen under them', () => {
    const footLight = lightAt((_, row) => (row > down * 0.7 ? 245 : 25))
    expect(lettersOn(footLight, STANDING).cues[0]!.legibility!.contrast).toBeLessThan(2)
    const head = { x: 0.5, y: 0, scale: 0.5 }
    expect(
      lettersOn(footLight, { from: head, to: head }).cues[0]!.legibility!.contrast,
    ).toBeGreaterThan(10)
  })
  it('make a heading’s shade as opaque as it must be', () => {
    const opacity = (tone: number) =>
      lettersOn(
        lightAt(() => tone),
        STANDING,
      ).supers[0]!.marks.find(({ blur }) => blur)!.opacity!
    expect(opacity(250)).toBeGreaterThan(opacity(40))
  })
  it('are flagged where a style leaves them as they are', () => {
    const light = lightAt(() => 250)
    const { film } = lettersOn(light, STANDING)
    const bare = {
      ...film.lettering,
      subtitle: { ...film.lettering.subtitle, ground: 'edge' as const },
    }
    const { cues, plan } = lettersOn(light, STANDING, { lettering: bare })
    const limits = filmLimits(plan, film, WIDE)
    expect(cueFaults(cues[0]!, limits, bare.subtitle).map(({ kind }) => kind)).toEqual(['faint'])
    expect(cueFaults(cues[0]!, limits, film.lettering.subtitle)).toEqual([])
  })
  it('are left alone where nobody knows how light the picture is', () => {
    const document = documentFrom('T', 'The lamp burns all night.')
    const film = filmOf(document)
    const plan = timeline(film, [], [30, 1])
    expect(filmLetters(plan, film, WIDE).cues[0]).not.toHaveProperty('legibility')
  })
})
