import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from '../../../document/apply.ts'
import type { Command } from '../../../document/command.ts'
import { filmOf } from '../../../document/film-scenes.ts'
import { itemAt } from '../../../faults/certain.ts'
import type { ChosenItem } from '../../../pictures/item.ts'
import type { Accents } from '../../../style/film-choices.ts'
import { SAMPLE_RATE, sampleAtFrame } from '../../../time/time.ts'
import { timeline } from '../../../timeline/timeline.ts'
import { fadeOf, LEAST_BELOW_SPEECH_DB, musicGains, onCurve } from '../mix.ts'
import { spokenSpans } from '../spoken-spans.ts'
import { cueCurve, cueLoudness } from './cue-gain.ts'
import type { SoundFacts } from './known-sound.ts'
import { BY_ITSELF, BY_PICTURE } from './sound-cue.ts'
import { soundCues } from './sound-cues.ts'

const factsOf = (id: string, seconds: number, goesOn: boolean): SoundFacts => ({
  id,
  title: id,
  words: '',
  goesOn,
  seconds,
  author: 'Tidy Reel',
  licence: 'Made for this channel',
  source: 'Tidy Reel',
  hash: id,
  loopSamples: seconds * SAMPLE_RATE,
  lufs: -18,
  levels: Array.from({ length: seconds * 2 }, (_, i) => -18 - (i % 3)),
})
const SOUNDS = new Map([
  ['rain', factsOf('rain', 12, true)],
  ['door', factsOf('door', 1, false)],
])
const find = (words: string) => SOUNDS.get(words) ?? null

function film(script: string) {
  const document = documentFrom('Test', script)
  const planned = filmOf(document)
  const plan = timeline(
    planned,
    planned.scenes.map(() => undefined),
    [30, 1],
  )
  const spoken = spokenSpans(plan.scenes, () => true)
  return { plan, spoken, ...soundCues(plan, planned, { ofWords: find, ofClip: () => null }) }
}
const STORY =
  '# One\n\nIt rained all night. [sound: rain] The keeper opened [sound: door] the heavy door.\n\n' +
  'Nobody was there.\n\n# Two\n\nThe morning was dry and very still.'

describe('soundCues', () => {
  it('begins what goes on with its scene and what is heard once with its word', () => {
    const { plan, cues } = film(STORY)
    const scene = itemAt(plan.scenes, 1)
    expect(cues).toMatchObject([
      { sceneId: scene.id, index: 0, start: scene.startSample, end: scene.endSample, below: 26 },
      { sceneId: scene.id, index: 1, start: scene.words[3]?.start, below: 12 },
    ])
    expect(itemAt(cues, 1).end - itemAt(cues, 1).start).toBe(SAMPLE_RATE)
  })
  it.each([
    ['rain, under the chapter', (plan: ReturnType<typeof film>['plan']) => plan.scenes[2]],
    ['rain, to the end', (plan: ReturnType<typeof film>['plan']) => plan.scenes[3]],
  ])('lasts as long as “%s” says', (text, last) => {
    const { plan, cues } = film(STORY.replace('[sound: rain]', `[sound: ${text}]`))
    expect(itemAt(cues, 0).end).toBe(last(plan)?.endSample)
  })
  it('cross where one that goes on ends as another begins', () => {
    const { plan, cues } = film(
      '# One\n\n[sound: rain, under the chapter] It rained. It was dark.\n\n# Two\n\n' +
        '[sound: rain, under the chapter] The wind came up at last. It was cold.',
    )
    const second = itemAt(plan.scenes, 2).startSample
    expect(cues.map(({ start, end }) => [start, end])).toEqual([
      [0, second + 1.5 * SAMPLE_RATE],
      [second, plan.samples],
    ])
    // Both together are never far from either: the sum of what they are heard by, in power.
    const half = (cue: (typeof cues)[number], at: number) =>
      fadeOf(cue.end - cue.start, at - cue.start, cue.fades) ** 2
    for (let at = second; at < second + 1.5 * SAMPLE_RATE; at += 2400) {
      const power = half(itemAt(cues, 0), at) + half(itemAt(cues, 1), at)
      expect(power).toBeGreaterThan(0.4)
      expect(power).toBeLessThan(1.6)
    }
  })
  it('come by themselves at transitions, cards and what is drawn, where the film wants them', () => {
    const document = documentFrom(
      'Test',
      'It rained. [number: 12 mm] Twelve millimetres fell. Then the keeper opened the heavy door.',
    )
    const card = { shown: true, text: 'Rain', samples: 4 * SAMPLE_RATE }
    const dressed = (accents: Partial<Accents>) => {
      const planned = filmOf({
        ...document,
        cards: { ...document.cards, opening: card },
        transition: { kind: 'dissolve', samples: SAMPLE_RATE / 2 },
        accents: { ...document.accents, ...accents },
      })
      const plan = timeline(planned, [], [30, 1])
      const click = { ...factsOf('click', 1, false) }
      const sounds = (words: string) => (words === 'door' ? null : { ...click, id: words })
      return { plan, cues: soundCues(plan, planned, { ofWords: sounds, ofClip: () => null }).cues }
    }
    expect(dressed({}).cues).toEqual([])
    const { plan, cues } = dressed({ cards: true })
    expect(cues.map(({ start }) => start)).toEqual([0, plan.scenes[2]!.words[0]!.start])
    expect(cues.every(({ index }) => index === BY_ITSELF)).toBe(true)
    const whooshes = dressed({ transitions: true }).cues
    const shots = plan.scenes.flatMap((scene) => scene.shots).filter((shot) => shot.transition)
    expect(whooshes.map(({ start }) => Math.round((start * 30) / SAMPLE_RATE))).toEqual(
      shots.map(({ startFrame }) => startFrame),
    )
    expect(whooshes.length).toBeGreaterThan(1)
  })
  describe('of clips that are let through', () => {
    const clip: ChosenItem = {
      ...{ id: 'own-sea', title: 'The sea', seconds: 9, width: 640, height: 360 },
      kind: 'clip',
      ...{ source: '', licence: '', author: '' },
    }
    const sea = { ...factsOf('sea', 9, true), seconds: 9 }
    const heard = (
      set: object,
      script = 'It rained all night, and the sea was loud. It was cold.',
    ) => {
      let document = documentFrom('Test', script)
      const { id: sceneId } = itemAt(document.scenes, 0)
      document = apply(document, { type: 'setShot', sceneId, shot: 0, item: clip }).document
      const adjust = { type: 'adjustShots' as const, target: [sceneId], shot: 0 }
      document = apply(document, { ...adjust, set: { heard: { db: 0, fade: 0.5 } } }).document
      document = apply(document, { ...adjust, set }).document
      const planned = filmOf(document)
      const plan = timeline(planned, [], [30, 1])
      const ofClip = (id: string) => (id === clip.id ? sea : undefined)
      return { plan, document, ...soundCues(plan, planned, { ofWords: find, ofClip }) }
    }

    it('sound as long as they are seen, from the same place and as fast as they run', () => {
      const { plan, cues } = heard({ slip: SAMPLE_RATE, speed: 1.5 })
      const [scene] = plan.scenes
      expect(cues).toMatchObject([
        {
          ...{ sceneId: scene?.id, index: BY_PICTURE, start: 0, from: SAMPLE_RATE, speed: 1.5 },
          ...{
            end: sampleAtFrame(scene!.endFrame, [30, 1]),
            fades: [SAMPLE_RATE / 2, SAMPLE_RATE / 2],
            below: 26,
          },
        },
      ])
      expect(heard({ heard: { db: 12, fade: 0 } }).cues[0]).toMatchObject({ below: 14 })
    })
    it('give way to each other as long as their pictures do', () => {
      const { document } = heard({})
      const set = {
        heard: { db: 0, fade: 0 },
        transition: { kind: 'push', samples: SAMPLE_RATE, way: 'up' },
      } as const
      const both: Command[] = [
        { type: 'setShot', sceneId: itemAt(document.scenes, 1).id, shot: 0, item: clip },
        { type: 'adjustShots', target: 'all', shot: null, set },
      ]
      const changed = both.reduce((now, command) => apply(now, command).document, document)
      const planned = filmOf(changed)
      const all = { ofWords: find, ofClip: () => sea }
      const { cues } = soundCues(timeline(planned, [], [30, 1]), planned, all)
      const [first, second] = [itemAt(cues, 0), itemAt(cues, 1)]
      expect(first.end - second.start).toBe(SAMPLE_RATE)
      expect([first.fades[1], second.fades[0]]).toEqual([SAMPLE_RATE, SAMPLE_RATE])
    })
    it('go on with their picture, and end where the clip does', () => {
      const { plan, document } = heard({})
      const second = itemAt(document.scenes, 1).id
      const held = apply(document, {
        ...{ type: 'adjustScenes', target: [second], set: { begins: 'hold' } },
      } as const).document
      const film = filmOf(held)
      const over = timeline(film, [], [30, 1])
      const all = { ofWords: find, ofClip: () => sea }
      expect(soundCues(over, film, all).cues[0]?.end).toBe(sampleAtFrame(over.frames, [30, 1]))
      const short = { ...sea, loopSamples: 2 * SAMPLE_RATE }
      const { cues } = soundCues(over, film, { ...all, ofClip: () => short })
      expect(cues.map(({ end }) => end)).toEqual([2 * SAMPLE_RATE])
      expect(plan.samples).toBeGreaterThan(2 * SAMPLE_RATE)
    })
    it('are told where they have none; a new picture is silent again', () => {
      const { plan, document } = heard({})
      const none = { ofWords: find, ofClip: () => null }
      expect(soundCues(plan, filmOf(document), none)).toMatchObject({
        cues: [],
        silent: [{ sceneId: document.scenes[0]?.id, title: 'The sea' }],
      })
      const { id: sceneId } = itemAt(document.scenes, 0)
      const other = apply(document, { type: 'setShot', sceneId, shot: 0, item: clip }).document
      expect(other.scenes[0]?.shots[0]?.heard).toBeUndefined()
      const still: ChosenItem = { ...clip, kind: 'photo', seconds: null }
      const photo = apply(document, { type: 'setShot', sceneId, shot: 0, item: still }).document
      const asked = apply(photo, {
        ...{ type: 'adjustShots', target: 'all', shot: null, set: { heard: { db: 0, fade: 1 } } },
      } as const).document
      expect(asked.scenes[0]?.shots[0]?.heard).toBeUndefined()
    })
  })
  it('takes seconds as they are said, ends with the film and never reaches beyond it', () => {
    const asked = (text: string) => film(STORY.replace('sound: rain', `sound: ${text}`))
    expect(asked('rain, 2 s').cues[0]).toMatchObject({
      end: itemAt(asked('rain, 2 s').cues, 0).start + 2 * SAMPLE_RATE,
    })
    const { plan, cues } = asked('rain, 3600 s')
    expect(itemAt(cues, 0).end).toBe(plan.samples)
    expect(asked('rain, 3000 s later').cues).toHaveLength(1)
    expect(asked('door, from 5 s').cues).toHaveLength(1)
    expect(itemAt(asked('door, × 0.5').cues, 0)).toMatchObject({ speed: 0.5 })
  })
  it('says of which nothing fits', () => {
    expect(film('It rang. [sound: a zither] Then it was still.').unmet).toMatchObject([
      { index: 0, words: 'a zither' },
    ])
  })
})

describe('cueCurve', () => {
  const text = fc.constantFrom('rain', 'rain, low', 'rain, under the chapter', 'rain, to the end')
  it('holds what goes on 20 dB below speech at every word (WCAG 2.2 SC 1.4.7), whatever the script', () => {
    fc.assert(
      fc.property(text, fc.integer({ min: 0, max: 5 }), (asked, more) => {
        const longer = 'The keeper slept in his chair by the stove until the clock struck four. '
        const { cues, spoken } = film(
          STORY.replace('sound: rain', `sound: ${asked}`) + longer.repeat(more),
        )
        const cue = itemAt(cues, 0)
        const curve = cueCurve(cue, spoken)
        for (const span of spoken)
          expect(span.lufs - cueLoudness(cue, curve, span)).toBeGreaterThan(LEAST_BELOW_SPEECH_DB)
      }),
      { numRuns: 40 },
    )
  })
  it('begins and ends in silence, without a step over 1 % from sample to sample', () => {
    const { cues, spoken } = film(STORY)
    for (const cue of cues) {
      const length = cue.end - cue.start
      const curve = cueCurve(cue, spoken)
      const gain = (at: number) => {
        const { plain, dipped } = musicGains(curve, length, at, cue.fades)
        return plain + dipped
      }
      const most = Math.max(...curve.map(({ db }) => 10 ** (db / 20)))
      expect(gain(length) / most).toBeLessThan(0.001)
      expect(gain(0) / most).toBeLessThan(0.01)
      for (let at = 1; at <= length; at++)
        expect(Math.abs(gain(at) - gain(at - 1)) / most).toBeLessThan(0.01)
    }
  })
  it('leaves what is heard once where it is', () => {
    const { cues, spoken } = film(STORY)
    const cue = itemAt(cues, 1)
    const curve = cueCurve(cue, spoken)
    expect(onCurve(curve, 0)).toEqual(onCurve(curve, 40_000))
    expect(fadeOf(cue.end - cue.start, 20_000, cue.fades)).toBe(1)
  })
  it('follows a sound that is slowed and begun inside', () => {
    const cue = { ...itemAt(film(STORY).cues, 0), speed: 0.5, from: SAMPLE_RATE }
    const curve = cueCurve(cue, [])
    expect(cueLoudness(cue, curve, cue)).toBeCloseTo(onCurve(curve, 0).db - 19, 0)
  })
})
