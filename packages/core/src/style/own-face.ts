import { z } from 'zod'

/** A face of a font file that somebody brought, named by the hash of that file. */
export const OwnFaceId = z.templateLiteral(['own-', z.string().regex(/^[0-9a-f]{32}$/)])
export type OwnFaceId = z.infer<typeof OwnFaceId>

/** More letters of a face are not measured. */
export const MEASURED_LETTERS = 2000
/** More than a film is well set in. */
export const OWN_FACES_LIMIT = 12

const Measures = z.array(z.number().int().min(-20_000).max(20_000)).max(MEASURED_LETTERS)

/** Of a face, in thousandths of its em; letter by letter in one order. */
export const FaceMetrics = z
  .object({
    /** Above and below the baseline; together they are what ASS calls the size. */
    ascent: z.number().int().min(1).max(20_000),
    descent: z.number().int().min(0).max(20_000),
    /** Each one code point. */
    letters: z.string().max(2 * MEASURED_LETTERS),
    advances: Measures,
    tops: Measures,
    feet: Measures,
  })
  .refine(
    ({ letters, ...of }) =>
      [of.advances, of.tops, of.feet].every(({ length }) => length === [...letters].length),
    'as many measures as letters',
  )
export type FaceMetrics = z.infer<typeof FaceMetrics>

export const OwnFace = z.object({
  id: OwnFaceId,
  /** As a person reads it. */
  name: z.string().min(1).max(120),
  /** As the file names itself inside: it stands in ASS, where some marks mean something. */
  family: z.string().regex(/^[^,{}\\\p{C}]{1,120}$/u),
  metrics: FaceMetrics,
})
export type OwnFace = z.infer<typeof OwnFace>

/**
 * Faces that were met. A face is named by its content: what is known of one never changes, so that
 * measuring a text stays a matter of the text and the face's name.
 */
const met = new Map<string, OwnFace>()

/** Meets the faces of a film's lettering, before anything of it is measured or written. */
export function meetFaces(faces: readonly OwnFace[] = []): void {
  for (const face of faces) met.set(face.id, face)
}

/** Every face that was met. */
export const metFaces = (): OwnFace[] => [...met.values()]

/** @returns undefined for a face that was never met: its file did not come along */
export const ownFace = (id: string): OwnFace | undefined => met.get(id)

/** Two lists of faces as one, each face once. @returns undefined where there are none */
export function joinedFaces(
  a: readonly OwnFace[] | undefined,
  b: readonly OwnFace[] | undefined,
): OwnFace[] | undefined {
  const all = [...new Map([...(a ?? []), ...(b ?? [])].map((face) => [face.id, face])).values()]
  return all.length ? all.slice(-OWN_FACES_LIMIT) : undefined
}

/** Letters of a text that a face does not have, each once, in the order they come. */
export function missingLetters({ metrics }: OwnFace, text: string): string[] {
  const there = new Set(metrics.letters)
  return [...new Set(text)].filter((letter) => /[\p{L}\p{N}]/u.test(letter) && !there.has(letter))
}
