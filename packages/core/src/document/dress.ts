import { z } from 'zod'
import { SubtitleStyle, SUPER_LOOKS, SuperLookSettings } from '../style/lettering.ts'
import { defined } from '../text/defined.ts'

/** Where one scene's subtitles stand, if not where the film's do. */
export const SubtitlePlace = SubtitleStyle.pick({ place: true, height: true }).partial()
export type SubtitlePlace = z.infer<typeof SubtitlePlace>

/** How what is written on one scene looks where it is not as the film has it. */
export const Dress = z.object({
  subtitle: SubtitlePlace.optional(),
  supers: z.partialRecord(z.enum(SUPER_LOOKS), SuperLookSettings).optional(),
})
export type Dress = z.infer<typeof Dress>

/** What is changed of it: what is left out stays, null is as the film has it again. */
export const DressSettings = z.object({
  subtitle: SubtitlePlace.nullish(),
  supers: z.partialRecord(z.enum(SUPER_LOOKS), SuperLookSettings.nullable()).optional(),
})
export type DressSettings = z.infer<typeof DressSettings>

/**
 * A scene's dress with some of it set anew.
 *
 * @returns undefined where nothing is left that differs from the film
 */
export function dressedAnew(
  dress: Dress | undefined,
  set: DressSettings | null,
): Dress | undefined {
  if (set === null) return undefined
  const subtitle =
    set.subtitle === null ? undefined : { ...dress?.subtitle, ...defined(set.subtitle ?? {}) }
  const supers = { ...dress?.supers }
  for (const name of SUPER_LOOKS) {
    const own = set.supers?.[name]
    if (own === null) delete supers[name]
    else if (own) supers[name] = { ...supers[name], ...defined(own) }
  }
  const made: Dress = {
    ...(subtitle && Object.keys(subtitle).length ? { subtitle } : {}),
    ...(Object.keys(supers).length ? { supers } : {}),
  }
  return Object.keys(made).length ? made : undefined
}
