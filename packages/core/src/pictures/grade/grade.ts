import { z } from 'zod'
import { defined } from '../../text/defined.ts'

/** Looks of our own, by their names in documents; `looks.ts` in `grade/` says what each does. */
export const GRADE_LOOKS = [
  'paper',
  'lamplight',
  'harbour',
  'dusk',
  'slate',
  'reel',
  'chalk',
  'ink',
  'summer',
  'frost',
] as const
export type GradeLook = (typeof GRADE_LOOKS)[number]

/** Red, green and blue of BT.709 as they are shown, 0 to 1 each unless said otherwise. */
export type Rgb = readonly [red: number, green: number, blue: number]

/** The least and the most of each number; a picture's own is added to the film's. */
export const GRADE_RANGES = {
  exposure: [-3, 3],
  contrast: [-100, 100],
  saturation: [-100, 100],
  warmth: [-100, 100],
  tint: [-100, 100],
  shadows: [-100, 100],
  lights: [-100, 100],
  fade: [0, 100],
  vignette: [0, 100],
  grain: [0, 100],
  match: [0, 100],
} as const satisfies Record<string, readonly [least: number, most: number]>
export type GradeNumber = keyof typeof GRADE_RANGES
const GRADE_NUMBERS = Object.keys(GRADE_RANGES) as GradeNumber[]

const number = (name: GradeNumber) => {
  const [least, most] = GRADE_RANGES[name]
  return z.number().min(least).max(most).optional()
}
const Colour = z.string().regex(/^#[0-9a-f]{6}$/i)

/**
 * How a picture's colours are changed; what is left out is left as it is. All but exposure is in
 * hundredths of the most that is meant.
 */
export const Grade = z.object({
  /** Stops: 1 is twice the light. */
  exposure: number('exposure'),
  contrast: number('contrast'),
  saturation: number('saturation'),
  /** Above 0 towards amber, below towards blue. */
  warmth: number('warmth'),
  /** Above 0 towards magenta, below towards green. */
  tint: number('tint'),
  /** The dark and the light parts, lifted or lowered. */
  shadows: number('shadows'),
  lights: number('lights'),
  /** Blacks that are not black, as of an old print. */
  fade: number('fade'),
  /** Black and white. */
  grey: z.boolean().optional(),
  /** From dark to light in two colours. */
  twoTone: z.object({ dark: Colour, light: Colour }).optional(),
  /** A look over all of it, `none` where the film's own is not wanted, and how much of it. */
  look: z.enum([...GRADE_LOOKS, 'none']).optional(),
  strength: z.number().min(0).max(100).optional(),
  vignette: number('vignette'),
  grain: number('grain'),
  /** How far it is brought to the light that most pictures of the film are in. */
  match: number('match'),
})
export type Grade = z.infer<typeof Grade>

const { shape } = Grade
/** What is changed of a grade: what is left out stays, null is as it is by itself again. */
export const GradeSettings = z.object({
  exposure: shape.exposure.unwrap().nullish(),
  contrast: shape.contrast.unwrap().nullish(),
  saturation: shape.saturation.unwrap().nullish(),
  warmth: shape.warmth.unwrap().nullish(),
  tint: shape.tint.unwrap().nullish(),
  shadows: shape.shadows.unwrap().nullish(),
  lights: shape.lights.unwrap().nullish(),
  fade: shape.fade.unwrap().nullish(),
  grey: shape.grey.unwrap().nullish(),
  twoTone: shape.twoTone.unwrap().nullish(),
  look: shape.look.unwrap().nullish(),
  strength: shape.strength.unwrap().nullish(),
  vignette: shape.vignette.unwrap().nullish(),
  grain: shape.grain.unwrap().nullish(),
  match: shape.match.unwrap().nullish(),
})
export type GradeSettings = z.infer<typeof GradeSettings>

/** A grade with some of it set anew. @returns `{}` where nothing is left of it */
export const gradeAnew = (grade: Grade | undefined, set: GradeSettings): Grade =>
  Object.fromEntries(
    Object.entries({ ...grade, ...defined(set) }).filter(([, value]) => value !== null),
  )

/**
 * What of a picture's own grade stays when another picture takes its place: the look belongs to the
 * place, a correction to the picture.
 */
export function gradeOfPlace({ look, strength, grey, twoTone, vignette, grain }: Grade): Grade {
  return defined({ look, strength, grey, twoTone, vignette, grain })
}

/** What is left as it is. */
export const PLAIN_GRADE: Grade = {}

/**
 * A picture's own grade on top of the film's: numbers are added and kept within their ranges, of
 * everything else the picture's own is taken.
 *
 * @returns without anything that changes nothing; `{}` where the picture stays as it is
 */
export function gradeOver(film: Grade, own: Grade = {}): Grade {
  const sums = Object.fromEntries(
    GRADE_NUMBERS.flatMap((name) => {
      const [least, most] = GRADE_RANGES[name]
      const sum = Math.min(most, Math.max(least, (film[name] ?? 0) + (own[name] ?? 0)))
      return sum ? [[name, sum]] : []
    }),
  )
  const look = own.look ?? film.look
  const strength = own.strength ?? (own.look ? undefined : film.strength)
  const grey = own.grey ?? film.grey
  const twoTone = own.twoTone ?? film.twoTone
  return {
    ...sums,
    ...(grey ? { grey } : {}),
    ...(twoTone ? { twoTone } : {}),
    ...(look && look !== 'none' && strength !== 0 ? { look } : {}),
    ...(look && look !== 'none' && strength ? { strength } : {}),
  }
}

/** True for a grade that leaves a picture as it is. */
export const isPlain = (grade: Grade): boolean => Object.keys(gradeOver(grade)).length === 0
