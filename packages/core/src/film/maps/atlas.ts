import type { Feature, MultiLineString, MultiPolygon, Polygon } from 'geojson'
import { placeAndPosition, type Position } from './position.ts'

export type Country = Feature<Polygon | MultiPolygon, { name: string }>

/** Towns in columns, the largest first; degrees in hundredths. */
export interface Towns {
  names: readonly string[]
  /** ISO 3166-1, two letters each. */
  countries: string
  longitudes: readonly number[]
  latitudes: readonly number[]
  /** So many from the first are large enough to be thought of by their name alone. */
  large: number
  /** Where each name stands, by `folded`. */
  byName: ReadonlyMap<string, readonly number[]>
}

/** What maps are drawn from: Natural Earth (public domain) and GeoNames (CC BY 4.0). */
export interface Atlas {
  countries: readonly Country[]
  /** Between countries, without coasts. */
  borders: MultiLineString
  towns: Towns
}

/** A place that a map can be made of. */
export interface AtlasPlace {
  name: string
  /** Of a town, the country it lies in; empty for a country. */
  country: string
  /** Degrees east and north; a country's own borders. */
  at: Position | Country
  /** A town that few think of when they read its name. */
  isSmall?: true
}

/** What a map is drawn of: where its places lie. */
export interface MapContent {
  atlas: Atlas
  places: readonly AtlasPlace[]
}

/** A name without accents, marks and capitals. */
export const folded = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLocaleLowerCase('en')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

const regionNames = new Intl.DisplayNames('en', { type: 'region' })
/** The name of a country. @example countryName('DE') // => 'Germany' */
const countryName = (code: string) => regionNames.of(code) ?? code
/** What countries are also called in scripts. */
const CALLED: Record<string, string> = {
  uk: 'united kingdom',
  'great britain': 'united kingdom',
  britain: 'united kingdom',
  usa: 'united states of america',
  us: 'united states of america',
  'united states': 'united states of america',
  'the united states': 'united states of america',
  'the netherlands': 'netherlands',
  holland: 'netherlands',
  'czech republic': 'czechia',
}
const countryKey = (text: string) => CALLED[folded(text)] ?? folded(text)

/**
 * Places of a name, the likeliest first: a country, else towns, those in a country the film speaks
 * of before larger ones.
 *
 * @param name  with its country behind a comma, or with where it lies (`placeAndPosition`)
 * @param about the film's own words
 * @returns `[]` for a place nobody knows
 */
export function placesCalled(atlas: Atlas, name: string, about = ''): AtlasPlace[] {
  const told = placeAndPosition(name)
  if (told && /\p{L}/u.test(told.name)) return [{ ...told, country: '' }]
  const [place = '', country] = name.split(',').map((part) => part.trim())
  if (!folded(place)) return []
  const named = atlas.countries.find(
    ({ properties }) => folded(properties.name) === countryKey(place),
  )
  if (named && !country)
    return [{ name: place, country: '', at: named }, ...townsCalled(atlas, place, undefined, about)]
  return townsCalled(atlas, place, country, about)
}

function townsCalled(
  { towns }: Atlas,
  place: string,
  country: string | undefined,
  about: string,
): AtlasPlace[] {
  const wanted = folded(place)
  const spoken = ` ${folded(about)} `
  const named = towns.byName.get(wanted) ?? []
  const found = named.flatMap((i): (AtlasPlace & { isSpokenOf: boolean })[] => {
    const code = towns.countries.slice(2 * i, 2 * i + 2)
    const lies = countryName(code)
    if (country && countryKey(lies) !== countryKey(country) && folded(country) !== folded(code))
      return []
    const at = [(towns.longitudes[i] ?? 0) / 100, (towns.latitudes[i] ?? 0) / 100] as const
    const isSpokenOf = spoken.includes(` ${folded(lies)} `)
    const isSmall = i >= towns.large ? { isSmall: true as const } : {}
    return [{ name: place, country: lies, at, isSpokenOf, ...isSmall }]
  })
  // The same name twice in one country: the larger one stands for both.
  return found
    .filter((one, i) => found.findIndex((other) => other.country === one.country) === i)
    .sort((a, b) => Number(b.isSpokenOf) - Number(a.isSpokenOf))
    .map(({ isSpokenOf: _, ...town }) => town)
}
