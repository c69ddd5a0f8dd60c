/** Degrees north and east, as maps count them. */
export type Position = readonly [longitude: number, latitude: number]

const ANGLE = String.raw`([-−]?\d{1,3}(?:[.]\d{1,8})?)\s*°?\s*(?:(\d{1,2}(?:\.\d+)?)\s*['′’]\s*)?(?:(\d{1,2}(?:\.\d+)?)\s*["″”]\s*)?`
const POSITION = new RegExp(
  String.raw`^(.*?)[\s,]*[([]?\s*${ANGLE}([NS])?[\s,]+${ANGLE}([EW])?\s*[)\]]?$`,
  'iu',
)

/**
 * A name and where it lies, as atlases and encyclopedias write it, latitude first.
 *
 * @returns undefined where nothing says where it lies, or nowhere on Earth
 * @example placeAndPosition('Skellig (51.77, -10.54)') // => { name: 'Skellig', at: [-10.54, 51.77] }
 */
export function placeAndPosition(text: string): { name: string; at: Position } | undefined {
  const read = POSITION.exec(text.trim().slice(0, 300))
  if (!read) return undefined
  const [, name = '', ...parts] = read
  const latitude = angle(parts.slice(0, 3), parts[3], 'S')
  const longitude = angle(parts.slice(4, 7), parts[7], 'W')
  if (Math.abs(latitude) > 90 || Math.abs(longitude) > 180) return undefined
  return { name: name.trim(), at: [longitude, latitude] }
}

function angle(
  [degrees = '0', minutes = '0', seconds = '0']: (string | undefined)[],
  side: string | undefined,
  negative: string,
): number {
  const whole = Number(degrees.replace('−', '-'))
  const size = Math.abs(whole) + Number(minutes) / 60 + Number(seconds) / 3600
  return whole < 0 || side?.toUpperCase() === negative ? -size : size
}
