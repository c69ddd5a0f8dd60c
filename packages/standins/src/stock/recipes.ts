import * as indoors from './paint/indoors.ts'
import type { Time } from './paint/light.ts'
import * as machines from './paint/machines.ts'
import type { Setting } from './paint/outdoors.ts'
import * as outdoors from './paint/outdoors.ts'
import { Stage } from './paint/stage.ts'
import type { Style } from './paint/styles.ts'
import { type Act, seat } from './paint/subject.ts'

/** All that a painted picture is made from: the same recipe is always the same picture. */
export interface Recipe {
  seed: string
  setting: string
  time: Time
  subject?: { drawing: string; act: Act }
  upright?: boolean
  /** Of a still; left out, cut paper. */
  style?: Style
}

const { counter: _counter, smoke: _smoke, ...open } = outdoors
const SETTINGS: Record<string, Setting> = { ...open, ...indoors, ...machines }

/** Sets up the stage of a recipe for a picture so many pixels wide. */
export async function stageOf(recipe: Recipe, pixelsWide: number): Promise<Stage> {
  const [width, height] = recipe.upright ? [1080, 1920] : [1920, 1080]
  const stage = new Stage(recipe.seed, recipe.time, width, height, pixelsWide)
  const setting = SETTINGS[recipe.setting]
  if (!setting) throw new Error(`no setting "${recipe.setting}"`)
  await setting(stage, async (at) => {
    if (recipe.subject) await seat(stage, recipe.subject.drawing, at, recipe.subject.act)
  })
  return stage
}
