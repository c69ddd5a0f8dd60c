import { createCanvas } from '@napi-rs/canvas'
import { describe, expect, it } from 'vitest'
import { type Recipe, stageOf } from '../recipes.ts'

const pixels = (stage: Awaited<ReturnType<typeof stageOf>>, seconds: number) => {
  const canvas = createCanvas(480, 270)
  stage.draw(canvas, seconds, 9)
  return canvas.data()
}
const RECIPES: Recipe[] = [
  { seed: 'a', setting: 'lighthouse', time: 'night' },
  { seed: 'b', setting: 'harbour', time: 'day', subject: { drawing: 'sailboat', act: 'bob' } },
  { seed: 'c', setting: 'mountains', time: 'dawn' },
]

describe('Stage', () => {
  it.each(RECIPES)(
    'cuts away nothing that is seen: $setting at the start, middle and end of its clip',
    async (recipe) => {
      const [whole, settled] = [await stageOf(recipe, 480), await stageOf(recipe, 480)]
      settled.settle()
      for (const seconds of [0, 4.5, 9]) {
        const [a, b] = [pixels(whole, seconds), pixels(settled, seconds)]
        expect(
          a.reduce((most, value, i) => Math.max(most, Math.abs(value - b[i]!)), 0),
        ).toBeLessThanOrEqual(3)
      }
    },
  )
  it('paints the same picture for the same recipe and another for another', async () => {
    const [first, again, other] = await Promise.all(
      [RECIPES[1]!, RECIPES[1]!, RECIPES[2]!].map(async (recipe) =>
        pixels(await stageOf(recipe, 480), 3),
      ),
    )
    expect(first!.equals(again!)).toBe(true)
    expect(first!.equals(other!)).toBe(false)
  })
})
