/** A picture that stands whole does not quite reach the film's edges: so it can come closer. */
const INSET = 0.9
/** What is left of the ground's light and colours: it stays behind the picture. */
export const GROUND_DIM = 0.55
/** The ground is the picture made so small that nothing of it can be told, and large again. */
export const GROUND_PIXELS = 20

const even = (pixels: number) => 2 * Math.round(pixels / 2)

/**
 * Where a picture stands whole in a film, in its pixels, even ones.
 *
 * @param aspect  of the picture
 * @param rounded to even pixels, unless lengths are parts of the film
 */
export function standsWhole(
  aspect: number,
  film: { width: number; height: number },
  rounded = even,
) {
  const room = wholeRoom(film, rounded)
  const width = rounded(Math.min(room.width, room.height * aspect))
  const height = rounded(Math.min(room.height, room.width / aspect))
  return {
    x: rounded((film.width - width) / 2),
    y: rounded((film.height - height) / 2),
    width,
    height,
  }
}

/** The room a picture that stands whole has in a film. */
export const wholeRoom = (
  { width, height }: { width: number; height: number },
  rounded = even,
) => ({ width: rounded(width * INSET), height: rounded(height * INSET) })

/** The size of its ground before it is made large again. */
export const groundSize = ({ width, height }: { width: number; height: number }) => {
  const part = GROUND_PIXELS / Math.min(width, height)
  return { width: Math.max(2, even(width * part)), height: Math.max(2, even(height * part)) }
}
