import { describe, expect, it } from 'vitest'
import { HouseStyle } from '../style/house-style.ts'
import { HOUSE_STYLES } from '../style/house-styles.ts'
import { SubtitleStyle } from '../style/lettering.ts'
import { readStyleFile, styleFile } from '../style/style-file.ts'
import { SUBTITLE_PRESETS } from '../style/subtitle-presets.ts'
import { apply, documentFrom } from './apply.ts'
import { cardWords } from './card-words.ts'
import type { Command } from './command.ts'
import { Document } from './document.ts'
import { changedParts, ownParts, styleOf, withStyle } from './style-parts.ts'

const fresh = documentFrom('Tides', 'It turns.')
const run = (document: Document, ...commands: Command[]) =>
  commands.reduce((film, command) => apply(film, command).document, document)
const styleNamed = (id: string) => HOUSE_STYLES.find((style) => style.id === id)!
const [night, bright] = [styleNamed('night'), styleNamed('bright')]

describe('house styles', () => {
  it('are six and valid, and so are ten ways to set subtitles', () => {
    expect(HOUSE_STYLES.map((style) => HouseStyle.parse(style))).toHaveLength(6)
    expect(new Set(HOUSE_STYLES.map(({ lettering }) => lettering.card.face)).size).toBe(6)
    const presets = Object.values(SUBTITLE_PRESETS)
    expect(presets.map(({ style }) => SubtitleStyle.parse(style))).toHaveLength(10)
  })
  it('give a fresh film everything they say', () => {
    const film = run(fresh, { type: 'followStyle', style: night })
    expect(film.lettering).toEqual(night.lettering)
    expect(film.transition).toEqual(night.film.transition)
    expect(ownParts(film)).toEqual([])
    expect(Document.parse(film)).toEqual(film)
  })
  it('leave what was set by hand, mark it, and take it back with one command', () => {
    const own = run(
      fresh,
      { type: 'setLettering', set: { subtitle: { capitals: true } } },
      { type: 'setMood', mood: 'none' },
      { type: 'followStyle', style: bright },
    )
    expect(ownParts(own)).toEqual(['subtitle', 'mood'])
    expect(own.lettering.subtitle.face).toBe('source-sans')
    expect(own.lettering.palette).toEqual(bright.lettering.palette)
    const back = run(own, { type: 'backToStyle', part: 'subtitle' })
    expect(back.lettering.subtitle).toEqual(bright.lettering.subtitle)
    expect(ownParts(back)).toEqual(['mood'])
  })
  it('take away what only the style before had said', () => {
    const film = run(
      fresh,
      { type: 'followStyle', style: night },
      { type: 'followStyle', style: bright },
    )
    expect(film.transition).toEqual(fresh.transition)
    expect(changedParts(film, night)).toContain('transition')
  })
  it('are made of a film, and such a style changes nothing in it', () => {
    const film = run(fresh, { type: 'setLettering', set: { palette: { accent: '#123456' } } })
    const style = styleOf(film, { id: 'own', name: 'Ours' })
    expect(changedParts(withStyle(film, style), style)).toEqual([])
    expect(ownParts(withStyle(film, style))).toEqual([])
  })
  it('are the same in whatever order a database gives their fields back', () => {
    const turned = (value: unknown): unknown =>
      typeof value === 'object' && value && !Array.isArray(value)
        ? Object.fromEntries(
            Object.entries(value)
              .toReversed()
              .map(([name, inner]) => [name, turned(inner)]),
          )
        : value
    const film = run(fresh, { type: 'followStyle', style: night })
    expect(changedParts(turned(film) as typeof film, night)).toEqual([])
    expect(ownParts({ ...film, style: turned(night) as HouseStyle })).toEqual([])
  })
  it('word the cards with the names of the film, the channel and the next film', () => {
    const cards = { opening: '{title} · {channel}', closing: 'Next: {next}{nothing}' }
    const film = run(
      fresh,
      { type: 'followStyle', style: { ...night, cards } },
      { type: 'setNames', set: { channel: 'Shorelines', next: '{title}' } },
    )
    expect(cardWords(film, 'opening')).toBe('Tides · Shorelines')
    expect(cardWords(film, 'closing')).toBe('Next: {title}{nothing}')
  })
})

describe('a house style as a file', () => {
  it('comes back as it was', () =>
    expect(readStyleFile('night.json', styleFile(night)).style).toEqual(night))
  it('says which faces it asks for, and their licence', () =>
    expect(JSON.parse(styleFile(night))).toMatchObject({
      fonts: [{ name: 'Jost', licence: 'OFL-1.1' }],
    }))
  it.each([
    ['nothing', ''],
    ['half of it', styleFile(night).slice(0, 400)],
    ['another JSON', '{"a":1}'],
    ['a colour that is none', styleFile(night).replace('#7fb4ff', 'red;}')],
    ['a face that is none', styleFile(night).replaceAll('"jost"', '"../../etc"')],
    ['far too much', `${styleFile(night)}${' '.repeat(3_000_000)}`],
  ])('is refused with a sentence when it is %s', (_what, text) =>
    expect(() => readStyleFile('x.json', text)).toThrow(/x\.json is no house style: .+\./),
  )
})
