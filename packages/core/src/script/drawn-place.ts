import { type Place, PLACES } from '../pictures/place.ts'

/** Where something drawn is to stand, if not as the house style has it. */
export type DrawnPlace = Place | { across: number; down: number }

/** `@ head left`, `@ 30 60`, at the very end: a place by its name, or its middle in per cent. */
const SUFFIX = /^(.*\S)\s+@\s*([a-z]+(?:[ -][a-z]+)?|\d{1,3}\s*%?[ ,x]+\d{1,3}\s*%?)$/is

/**
 * What a direction asks to be drawn, and where.
 *
 * @example splitPlace('20 miles @ head left') // => { text: '20 miles', place: 'head-left' }
 * @example splitPlace('20 miles @ 30 60') // => { text: '20 miles', place: { across: 0.3, down: 0.6 } }
 * @returns the whole text where nothing of a place stands behind it
 */
export function splitPlace(text: string): { text: string; place?: DrawnPlace } {
  const [, before, written] = SUFFIX.exec(text) ?? []
  if (before === undefined || written === undefined) return { text }
  const place = placeCalled(written)
  return place === undefined ? { text } : { text: before, place }
}

function placeCalled(written: string): DrawnPlace | undefined {
  const [across, down] = (/\d/.test(written) ? written.match(/\d+/g) : null) ?? []
  const share = (percent: string) => Math.min(100, Number(percent)) / 100
  if (across !== undefined && down !== undefined)
    return { across: share(across), down: share(down) }
  const name = written.toLowerCase().replace(' ', '-')
  return PLACES.find((place) => place === name)
}

/** The same as a direction has it. @example withPlace('20 miles', 'head-left') // => '20 miles @ head left' */
export function withPlace(text: string, place: DrawnPlace | undefined): string {
  const { text: bare } = splitPlace(text)
  if (place === undefined) return bare
  if (typeof place === 'string') return `${bare} @ ${place.replace('-', ' ')}`
  return `${bare} @ ${Math.round(place.across * 100)} ${Math.round(place.down * 100)}`
}
