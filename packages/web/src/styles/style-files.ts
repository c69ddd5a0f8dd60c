import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { readStyleFile, styleFile } from '@tidy-reel/core/style/style-file'
import { libraryApi } from '../api/library.ts'
import { cutout } from '../api/media.ts'

/** A style as a file, its sign's picture with it. */
export async function fileOfStyle(style: HouseStyle): Promise<string> {
  if (!style.sign) return styleFile(style)
  const answer = await fetch(cutout(style.sign.item.id))
  if (!answer.ok) throw new Error(`The sign’s picture is not there: ${style.sign.item.title}.`)
  return styleFile(style, base64Of(new Uint8Array(await answer.arrayBuffer())))
}

/** In pieces: a call takes only so many arguments. */
function base64Of(bytes: Uint8Array): string {
  let text = ''
  for (let i = 0; i < bytes.length; i += 8192)
    text += String.fromCharCode(...bytes.subarray(i, i + 8192))
  return btoa(text)
}

/**
 * A style out of a file; its sign's picture becomes one of the library here.
 *
 * @throws TidyError `style_file_unreadable`; what taking the picture throws
 */
export async function styleFromFile(name: string, text: string): Promise<HouseStyle> {
  const { style, signPicture } = readStyleFile(name, text)
  const { sign, ...unsigned } = style
  if (!sign) return style
  // Without its picture a sign would be of whatever has its name here.
  if (!signPicture) return unsigned
  const bytes = Uint8Array.from(atob(signPicture), (letter) => letter.charCodeAt(0))
  const item = await libraryApi.takeOwnFile(new File([bytes], `${sign.item.title}.webp`))
  return { ...style, sign: { ...sign, item } }
}
