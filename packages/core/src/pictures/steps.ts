import { z } from 'zod'

/** 64 steps of more or less, a letter each: what is measured of a picture is kept as text. */
const STEPS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'

/** So many steps. */
export const stepsText = (count: number) => z.string().regex(new RegExp(`^[\\w-]{${count}}$`))

/** @param step a whole number, 0 to 63 */
export const letterOf = (step: number): string => STEPS[step] ?? 'A'

/** @returns 0 to 63 */
export const stepOf = (letter = 'A'): number => STEPS.indexOf(letter)
