import { z } from 'zod'
import { TidyError } from '../faults/fault.ts'
import { type FaceId, faceName, isShipped } from './faces.ts'
import { HouseStyle } from './house-style.ts'
import { SUPER_LOOKS } from './lettering.ts'

/** A house style on its way to another machine. */
const StyleFile = z.object({
  kind: z.literal('tidy-reel house style'),
  /** Counted up when what a style holds changes. */
  format: z.literal(1),
  style: HouseStyle,
  /** For people: which faces it asks for, and under which licence they come. */
  fonts: z.array(z.object({ name: z.string(), licence: z.string() })),
  /** The sign's own picture, WebP in base64: its name alone says nothing elsewhere. */
  signPicture: z.base64().optional(),
})

type StyleFile = z.infer<typeof StyleFile>

/** All shipped faces come under it. */
const FONT_LICENCE = 'OFL-1.1'
/** More than any style needs, its sign's picture included. */
export const STYLE_FILE_BYTES = 3_000_000

const facesOf = ({ lettering: { subtitle, supers, card } }: HouseStyle): FaceId[] => [
  ...new Set([subtitle.face, card.face, ...SUPER_LOOKS.map((name) => supers[name].face)]),
]

/** A style as a file, JSON. @param signPicture WebP in base64, where it has a sign */
export const styleFile = (style: HouseStyle, signPicture?: string): string =>
  `${JSON.stringify(
    {
      kind: 'tidy-reel house style',
      format: 1,
      style,
      fonts: facesOf(style).map((face) => ({
        name: faceName(face),
        licence: isShipped(face) ? FONT_LICENCE : 'as its file says; it does not come along',
      })),
      ...(signPicture ? { signPicture } : {}),
    },
    null,
    2,
  )}\n`

/**
 * Reads a style out of a file.
 *
 * @param name of the file, for the sentence
 * @returns the style, and its sign's picture where one came along
 * @throws TidyError `style_file_unreadable`
 */
export function readStyleFile(
  name: string,
  text: string,
): Pick<StyleFile, 'style' | 'signPicture'> {
  const unreadable = (reason: string) => new TidyError('style_file_unreadable', { name, reason })
  if (text.length > STYLE_FILE_BYTES) throw unreadable('it is too large for one')
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw unreadable('it is not JSON, or it was cut off')
  }
  const read = StyleFile.safeParse(json)
  if (read.success) return read.data
  const [issue] = read.error.issues
  throw unreadable(`${issue?.path.join('.') || 'it'} ${issue?.message.toLowerCase() ?? ''}`.trim())
}
