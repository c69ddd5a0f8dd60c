import { z } from 'zod'
import { ownFace, OwnFaceId } from './own-face.ts'

/** A face that ships with the program. */
export interface Face {
  /** As a person reads it. */
  name: string
  /** As the font files name themselves inside; libass finds them by no other name. */
  family: string
  /** Of `@fontsource`, which of its weights, and the parts of Unicode it comes in. */
  files: { name: string; weight: number; parts: readonly string[] }
}

const face = (name: string, family: string, weight: number, file: string, parts: string): Face => ({
  name,
  family,
  files: { name: file, weight, parts: parts.split(' ') },
})

/** The faces that films are lettered in. */
export const FACES = {
  'source-sans': face(
    'Source Sans',
    'Source Sans 3 ExtraLight SemiBold',
    600,
    'source-sans-3',
    'latin latin-ext cyrillic greek vietnamese',
  ),
  newsreader: face(
    'Newsreader',
    'Newsreader 16pt 16pt Medium',
    500,
    'newsreader',
    'latin latin-ext vietnamese',
  ),
  playfair: face(
    'Playfair Display',
    'Playfair Display SemiBold',
    600,
    'playfair-display',
    'latin latin-ext cyrillic vietnamese',
  ),
  spectral: face(
    'Spectral',
    'Spectral Medium',
    500,
    'spectral',
    'latin latin-ext cyrillic vietnamese',
  ),
  'patrick-hand': face(
    'Patrick Hand',
    'Patrick Hand',
    400,
    'patrick-hand',
    'latin latin-ext vietnamese',
  ),
  jost: face('Jost', 'Jost Medium', 500, 'jost', 'latin latin-ext cyrillic'),
  'archivo-black': face('Archivo Black', 'Archivo Black', 400, 'archivo-black', 'latin latin-ext'),
  'courier-prime': face('Courier Prime', 'Courier Prime', 400, 'courier-prime', 'latin latin-ext'),
  'league-gothic': face(
    'League Gothic',
    'League Gothic',
    400,
    'league-gothic',
    'latin latin-ext vietnamese',
  ),
} as const satisfies Record<string, Face>

export type ShippedFaceId = keyof typeof FACES
export type FaceId = ShippedFaceId | OwnFaceId
export const FACE_IDS = Object.keys(FACES) as [ShippedFaceId, ...ShippedFaceId[]]
export const FaceId = z.union([z.enum(FACE_IDS), OwnFaceId])

export const isShipped = (face: FaceId): face is ShippedFaceId => face in FACES

/** Stands in where a face, or a letter of one, is not there. */
export const PLAIN_FACE = 'source-sans'

/** What libass finds a face by; the plain one's where nobody has met it. */
export const familyOf = (face: FaceId): string =>
  isShipped(face) ? FACES[face].family : (ownFace(face)?.family ?? FACES[PLAIN_FACE].family)

/** What a person calls a face. */
export const faceName = (face: FaceId): string =>
  isShipped(face) ? FACES[face].name : (ownFace(face)?.name ?? 'a font that is not here')

/** Faces for letters that the chosen ones do not have, by Unicode's name of their script. */
export const SCRIPT_FACES = {
  Arabic: face('Noto Sans Arabic', 'Noto Sans Arabic SemiBold', 600, 'noto-sans-arabic', 'arabic'),
  Hebrew: face(
    'Noto Sans Hebrew',
    'Noto Sans Hebrew Thin SemiBold',
    600,
    'noto-sans-hebrew',
    'hebrew',
  ),
  Thai: face('Noto Sans Thai', 'Noto Sans Thai SemiBold', 600, 'noto-sans-thai', 'thai'),
  Devanagari: face(
    'Noto Sans Devanagari',
    'Noto Sans Devanagari SemiBold',
    600,
    'noto-sans-devanagari',
    'devanagari',
  ),
} as const satisfies Record<string, Face>

/**
 * Families of one collection for Chinese, Japanese and Korean, Debian's `fonts-noto-cjk`: a letter
 * that all three write looks in each as its readers know it. All are measured alike.
 */
export const EAST_ASIAN_FAMILIES = {
  Japanese: 'Noto Sans CJK JP',
  Korean: 'Noto Sans CJK KR',
  Chinese: 'Noto Sans CJK SC',
} as const

/** In thousandths of an em, as its `OS/2` table has them (2.004). */
export const EAST_ASIAN_METRICS = { ascent: 1160, descent: 288 }

/** The family for a text: kana are Japanese, hangul Korean, anything else Chinese. */
export function eastAsianFamily(text: string): string {
  if (/[\p{Script=Hiragana}\p{Script=Katakana}]/u.test(text)) return EAST_ASIAN_FAMILIES.Japanese
  return /\p{Script=Hangul}/u.test(text) ? EAST_ASIAN_FAMILIES.Korean : EAST_ASIAN_FAMILIES.Chinese
}

/**
 * Every font file of a face, as a package and the name inside its folder `files`.
 *
 * @example fontFiles(FACES.jost)[0] // => { package: '@fontsource/jost', file: 'jost-latin-500-normal.woff2' }
 */
export const fontFiles = ({ files: { name, weight, parts } }: Face) =>
  parts.map((part) => ({
    package: `@fontsource/${name}`,
    file: `${name}-${part}-${weight}-normal.woff2`,
  }))
