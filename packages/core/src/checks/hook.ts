import { itemAt } from '../faults/certain.ts'
import type { ScriptScene } from '../script/parse.ts'
import { pattern } from '../text/pattern.ts'
import { sceneSeconds } from '../timeline/timeline.ts'

/** What a viewer has heard before deciding to stay (common practice). */
export const HOOK_SECONDS = 10

export interface HookPoint {
  good: boolean
  text: string
}

export interface Hook {
  /** What is spoken within the first ten seconds; the last scene may be cut off. */
  text: string
  points: HookPoint[]
}

const GREETING = pattern(
  'i',
  String.raw`^(?:hi|hello|hey|welcome|good (?:morning|evening|afternoon)|greetings|what['’]s up)`,
  String.raw`\b|\bwelcome (?:back )?to (?:my|our|the|this|another)\b`,
)
const ANNOUNCED = pattern(
  'i',
  String.raw`\b(?:in (?:this|today['’]s) (?:video|film|episode)|today (?:we|i)(?:['’]re| are|`,
  String.raw`['’]ll| will)? (?:going to|will|talk|look|learn|explore|discuss)|(?:we|i)(?:['’]re|`,
  String.raw` are) going to (?:talk|look|learn|explore|discuss)|(?:we|i)(?:['’]ll| will)`,
  String.raw` (?:be )?(?:talk|look|learn|explore|discuss))`,
)
const WINDUP = pattern(
  'i',
  String.raw`^(?:since the (?:dawn|beginning)|throughout history|for (?:centuries|ages|`,
  String.raw`as long as)|in today['’]s (?:world|society)|nowadays|there are many|everyone knows|`,
  String.raw`as we all know|it is (?:well )?known|(?:the )?dictionary defines|`,
  String.raw`have you ever wondered)\b`,
)
const DOUBT = pattern(
  'i',
  String.raw`\b(?:but|yet|except|until|instead|still|nobody|never|nothing|without|impossible|`,
  String.raw`no one|wrong|secret|almost|only)\b`,
)
const NUMBER = /\d|\b(?:hundred|thousand|million|billion|twice|half|one in)\b/i
const SENSES =
  /\b(?:see|hear|look|watch|listen|touch|smell|feel|imagine|picture|think of|hold|stand|walk)\b/i
/**
 * Of a first sentence, in seconds: most of the 10 s that decide (common practice) would go into it.
 */
const LONG_SECONDS = 7

/** The first ten seconds as they will be spoken, with what makes or breaks them. */
export function hookOf(scenes: readonly ScriptScene[], speed = 1): Hook {
  const seconds = sceneSeconds(scenes, speed)
  const said: string[] = []
  let at = 0
  for (const [i, { text }] of scenes.entries()) {
    const left = HOOK_SECONDS - at
    if (left <= 0) break
    at += itemAt(seconds, i)
    said.push(at <= HOOK_SECONDS ? text : cutShort(text, left / itemAt(seconds, i)))
  }
  const text = said.join(' ')
  return {
    text,
    points: text === '' ? [] : pointsOf(text, itemAt(scenes, 0).text, itemAt(seconds, 0)),
  }
}

function cutShort(text: string, share: number): string {
  const words = text.split(' ')
  return `${words.slice(0, Math.max(1, Math.round(words.length * Math.min(1, share)))).join(' ')} …`
}

function pointsOf(text: string, first: string, firstSeconds: number): HookPoint[] {
  const points: HookPoint[] = []
  const bad = (when: boolean, said: string) => when && points.push({ good: false, text: said })
  const good = (when: boolean, said: string) => when && points.push({ good: true, text: said })
  bad(
    GREETING.test(first),
    'It opens with a greeting: the viewer came for the subject. Begin with it.',
  )
  bad(ANNOUNCED.test(text), 'It announces what will come instead of beginning with it.')
  bad(
    WINDUP.test(first),
    'It winds up with something everybody knows. Begin with what they do not.',
  )
  bad(
    firstSeconds > LONG_SECONDS,
    `The first sentence takes ${firstSeconds.toFixed(1)} s. A short one can be taken in before the picture has changed.`,
  )
  good(/\?/.test(text), 'It asks something.')
  good(NUMBER.test(text), 'It gives a figure to hold on to.')
  good(DOUBT.test(text), 'Something in it is not as one would expect.')
  good(/\byou(?:r|['’]\w+)?\b/i.test(text), 'It speaks to the viewer.')
  good(SENSES.test(text), 'It gives something to see, hear or do.')
  if (!points.some((point) => point.good))
    points.push({
      good: false,
      text: 'Nothing in it asks, surprises, counts or shows. Move your strongest sentence here.',
    })
  return points
}
