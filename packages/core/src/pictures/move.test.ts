import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bestViewIn, MIDDLE_VIEW } from './framing.ts'
import { cropAt, eased, easeOf, moveKind, MOVES, stillMove, viewAnew } from './move.ts'

const SHAPES: [number, number][] = [
  [1920, 1080],
  [1080, 1920],
  [1080, 1080],
]

const move = (seed: string, seconds: number, times = 0) =>
  stillMove({ seed, seconds, times, kind: moveKind(seed, times), best: MIDDLE_VIEW })

describe('cropAt', () => {
  it('stays inside the picture, in the shape of the film, for any picture, move and moment', () => {
    const side = fc.integer({ min: 100, max: 6000 })
    fc.assert(
      fc.property(
        fc.string(),
        fc.double({ min: 0, max: 1, noNaN: true }),
        side,
        side,
        fc.constantFrom(...SHAPES),
        (seed, progress, width, height, [w, h]) => {
          const crop = cropAt(move(seed, 6, width % 3), progress, { width, height }, w / h)
          expect(crop.x).toBeGreaterThanOrEqual(-1e-9)
          expect(crop.y).toBeGreaterThanOrEqual(-1e-9)
          expect(crop.x + crop.width).toBeLessThanOrEqual(width + 1e-6)
          expect(crop.y + crop.height).toBeLessThanOrEqual(height + 1e-6)
          expect(crop.width / crop.height).toBeCloseTo(w / h, 6)
        },
      ),
    )
  })
  it('moves by the same step each frame once it is under way: no judder is planned in', () => {
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f']) {
      const ease = easeOf(8)
      const crops = Array.from({ length: 240 }, (_, i) =>
        cropAt(move(seed, 8), eased(i / 239, ease), { width: 2150, height: 1210 }, 16 / 9),
      )
      const steps = crops
        .slice(1)
        .map((crop, i) => crop.x + crop.width / 2 - (crops[i]!.x + crops[i]!.width / 2))
        .slice(Math.ceil(ease * 239), -Math.ceil(ease * 239))
      expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(0.02)
    }
  })
})

describe('eased', () => {
  it('goes from 0 to 1, never back, and neither begins nor ends with a jerk', () => {
    for (const seconds of [0.4, 1, 2, 5, 30]) {
      const ease = easeOf(seconds)
      const frames = Math.round(seconds * 30)
      const places = Array.from({ length: frames + 1 }, (_, i) => eased(i / frames, ease))
      expect(places[0]).toBe(0)
      expect(places.at(-1)).toBeCloseTo(1, 12)
      const steps = places.slice(1).map((place, i) => place - places[i]!)
      expect(Math.min(...steps)).toBeGreaterThan(0)
      // Speed changes by the same little from frame to frame, and at both ends alike.
      const changes = steps.slice(1).map((step, i) => Math.abs(step - steps[i]!))
      expect(Math.max(...changes)).toBeLessThanOrEqual(steps[0]! * 2 + 1e-9)
      steps.forEach((step, i) => expect(step).toBeCloseTo(steps[steps.length - 1 - i]!, 9))
    }
  })
})

const SEEDS = ['a', 'b', 'c', 'd', 'e', 'f', 'g']

describe('stillMove', () => {
  it('is the same for the same picture, and always a move', () => {
    for (const seed of SEEDS) {
      expect(move(seed, 5)).toEqual(move(seed, 5))
      expect(move(seed, 5).from).not.toEqual(move(seed, 5).to)
    }
  })
  it('goes so slowly that nothing swims, and a very long picture slower still', () => {
    for (const kind of MOVES)
      for (const seconds of [2, 4, 6, 10, 30]) {
        const { from, to } = stillMove({ seed: 'a', seconds, times: 0, kind, best: MIDDLE_VIEW })
        const way = Math.max(
          ...(['scale', 'x', 'y'] as const).map((of) => Math.abs(to[of] - from[of])),
        )
        const speed = way / seconds
        const calm = /part|whole|up|down/.test(kind) ? 0.03 : 0.02
        expect(speed, kind).toBeLessThanOrEqual(calm + 1e-9)
        if (seconds <= 10) expect(speed, kind).toBeCloseTo(calm, 9)
      }
  })
  it('goes towards what the picture shows, and keeps it in view all the while', () => {
    // All there is to see is at a quarter of the width and two thirds of the height.
    const across = 'AAAAAA__9AAAAAAAAAAAAAAAAAAAAAAA'
    const down = 'AAAAAAAAAAA__AAAAA'
    for (const [width, height] of SHAPES)
      for (const kind of MOVES) {
        const best = bestViewIn([{ across, down }], { aspect: 16 / 9, film: width / height })
        const way = stillMove({ seed: 'a', seconds: 5, times: 0, kind, best })
        for (const progress of [0, 0.5, 1]) {
          const crop = cropAt(way, progress, { width: 16, height: 9 }, width / height)
          const [x, y] = [((7.5 / 32) * 16 - crop.x) / crop.width, (6 - crop.y) / crop.height]
          for (const place of [x, y]) expect(place, kind).toBeGreaterThan(0.1)
          for (const place of [x, y]) expect(place, kind).toBeLessThan(0.9)
        }
      }
  })
  it('is under way all the while, in a film of any shape, wherever there is something to see', () => {
    const shapes = [...SHAPES, [1080, 1350], [2520, 1080]] as const
    for (const picture of [16 / 9, 1, 2 / 3])
      for (const [width, height] of shapes)
        for (const kind of MOVES)
          for (const at of [0, 12, 31]) {
            const across = Array.from({ length: 32 }, (_, i) => (i === at ? '_' : 'B')).join('')
            const down = Array.from({ length: 18 }, (_, i) => (2 * i === at ? '_' : 'B')).join('')
            const film = width / height
            const best = bestViewIn([{ across, down }], { aspect: picture, film })
            const way = stillMove({ seed: 'a', seconds: 6, times: 0, kind, best })
            const crops = [0, 0.1, 0.2, 0.5, 0.8, 0.9, 1].map((progress) =>
              cropAt(way, progress, { width: 1000 * picture, height: 1000 }, film),
            )
            crops.slice(1).forEach((crop, i) => {
              const before = crops[i]!
              const apart = Math.hypot(
                crop.x - before.x,
                crop.y - before.y,
                crop.x + crop.width - before.x - before.width,
                crop.y + crop.height - before.y - before.height,
              )
              expect(apart, `${kind}, ${picture} in ${film}, step ${i}`).toBeGreaterThan(3)
            })
          }
  })
  it('frames and moves a picture anew that is seen again', () => {
    for (const seed of SEEDS) {
      const seen = [0, 1, 2, 3].map((times) => move(seed, 5, times))
      expect(new Set(seen.map((one) => JSON.stringify(one))).size).toBe(4)
      // Seen from nearer, and from the other side the next time.
      expect(Math.max(seen[1]!.from.scale, seen[1]!.to.scale)).toBeLessThanOrEqual(0.84)
      const [right, left] = [1, 2].map((times) => viewAnew(seed, times, MIDDLE_VIEW).x)
      expect(right! + left!).toBeCloseTo(1, 9)
    }
  })
})

describe('moveKind', () => {
  it('has every kind, and never two that look alike after each other', () => {
    const seeds = Array.from({ length: 200 }, (_, i) => `photo ${i}`)
    expect(new Set(seeds.map((seed) => moveKind(seed, 0))).size).toBe(MOVES.length)
    const family = (kind: string) =>
      ([/in$|part/, /out|whole/, /left|right/, /up|down/] as const).findIndex((one) =>
        one.test(kind),
      )
    let before = moveKind('first', 0)
    for (const seed of seeds) {
      const kind = moveKind(seed, 0, before)
      expect(family(kind)).not.toBe(family(before))
      before = kind
    }
  })
})
