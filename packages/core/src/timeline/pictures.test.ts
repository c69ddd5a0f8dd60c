import { describe, expect, it } from 'vitest'
import { filmPictures, goesOnIn } from './pictures.ts'
import type { TimelineScene, TimelineShot } from './timeline.ts'

const shot = (
  startFrame: number,
  endFrame: number,
  standing?: TimelineShot['standing'],
  transition?: TimelineShot['transition'],
): TimelineShot => ({
  startFrame,
  endFrame,
  item: null,
  shot: standing ? -1 : 0,
  slip: 0,
  speed: 1,
  ...(standing ? { standing } : {}),
  ...(transition ? { transition } : {}),
})
const scene = (id: string, ...shots: TimelineShot[]) => ({ id, shots }) as TimelineScene

describe('filmPictures', () => {
  it('has a picture once, however many scenes it goes on over', () => {
    const scenes = [
      scene('a', shot(0, 50)),
      scene('b', shot(50, 80, 'on')),
      scene('c', shot(80, 90)),
    ]
    expect(
      filmPictures({ scenes }).map(({ of, frames, parts }) => [of.id, frames, parts.length]),
    ).toEqual([
      ['a', 80, 2],
      ['c', 10, 1],
    ])
    expect(scenes.map((each) => Boolean(goesOnIn(each)))).toEqual([false, true, false])
  })
  it('gives a picture that begins early to the scene after, and the transition to the one before', () => {
    const early = shot(40, 50, 'early', { kind: 'dissolve', frames: 5 })
    const own = { ...shot(50, 90, 'on'), shot: 0 }
    const [first, second] = filmPictures({
      scenes: [scene('a', shot(0, 40), early), scene('b', own)],
    })
    expect([first!.of.id, first!.frames, first!.after]).toEqual(['a', 40, 5])
    expect([second!.of.id, second!.frames, second!.after]).toEqual(['b', 50, 0])
    expect(goesOnIn(scene('b', own))).toBeUndefined()
  })
})
