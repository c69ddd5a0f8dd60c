import { EAST_ASIAN_FAMILIES, FACES, fontFiles, SCRIPT_FACES } from '@tidy-reel/core/style/faces'
import { metFaces } from '@tidy-reel/core/style/own-face'
import { eastAsianFont, ownFont } from '../api/media.ts'

/** Every font file that may be asked for, by its name. */
const addresses = new Map(
  Object.entries(
    import.meta.glob<string>(
      [
        '../../../../node_modules/@fontsource/archivo-black/files/*-400-normal.woff2',
        '../../../../node_modules/@fontsource/courier-prime/files/*-400-normal.woff2',
        '../../../../node_modules/@fontsource/jost/files/*-500-normal.woff2',
        '../../../../node_modules/@fontsource/league-gothic/files/*-400-normal.woff2',
        '../../../../node_modules/@fontsource/newsreader/files/*-500-normal.woff2',
        '../../../../node_modules/@fontsource/noto-sans-arabic/files/*-arabic-600-normal.woff2',
        '../../../../node_modules/@fontsource/noto-sans-devanagari/files/*-devanagari-600-normal.woff2',
        '../../../../node_modules/@fontsource/noto-sans-hebrew/files/*-hebrew-600-normal.woff2',
        '../../../../node_modules/@fontsource/noto-sans-thai/files/*-thai-600-normal.woff2',
        '../../../../node_modules/@fontsource/patrick-hand/files/*-400-normal.woff2',
        '../../../../node_modules/@fontsource/playfair-display/files/*-600-normal.woff2',
        '../../../../node_modules/@fontsource/source-sans-3/files/*-600-normal.woff2',
        '../../../../node_modules/@fontsource/spectral/files/*-500-normal.woff2',
      ],
      { query: '?url&no-inline', import: 'default', eager: true },
    ),
  ).map(([path, address]) => [path.slice(path.lastIndexOf('/') + 1), address]),
)

const EAST_ASIAN = Object.values(EAST_ASIAN_FAMILIES)

/** The font files of the faces that an ASS document names. */
export const fontAddresses = (ass: string): string[] => [
  ...[...Object.values(FACES), ...Object.values(SCRIPT_FACES)]
    .filter(({ family }) => ass.includes(family))
    .flatMap(fontFiles)
    .flatMap(({ file }) => addresses.get(file) ?? []),
  ...metFaces()
    .filter(({ family }) => ass.includes(family))
    .map(({ id }) => ownFont(id)),
  ...(EAST_ASIAN.some((family) => ass.includes(family)) ? [eastAsianFont] : []),
]
