import type { Stretch } from '@tidy-reel/core/export/check/measured-film'

/** Finds black and still stretches of a picture that last so many seconds at the least. */
export const holesFilter = (black: number, frozen: number): string =>
  `blackdetect=d=${black}:pix_th=0.04,freezedetect=n=0.0003:d=${frozen}`

/** Stretches that `blackdetect` tells of. */
export function blackIn(log: string): Stretch[] {
  return [...log.matchAll(/black_start:([\d.]+) black_end:([\d.]+)/g)].map(([, from, to]) => ({
    from: Number(from),
    to: Number(to),
  }))
}

/**
 * Stretches that `freezedetect` or `silencedetect` tell of.
 *
 * @param end in seconds: what begins and is not said to end goes on so long
 */
export function stretchesIn(log: string, what: 'freeze' | 'silence', end: number): Stretch[] {
  const found: Stretch[] = []
  let from: number | undefined
  for (const [, mark, moment] of log.matchAll(
    new RegExp(String.raw`${what}_(start|end): (-?[\d.]+)`, 'g'),
  )) {
    if (mark === 'start') from = Math.max(0, Number(moment))
    else if (from !== undefined) {
      found.push({ from, to: Number(moment) })
      from = undefined
    }
  }
  return from === undefined ? found : [...found, { from, to: end }]
}
