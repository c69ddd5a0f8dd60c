/** Whether a match may be believed, should be looked at, or is hardly one. */
export const SURENESSES = ['sure', 'look', 'weak'] as const
export type Sureness = (typeof SURENESSES)[number]
