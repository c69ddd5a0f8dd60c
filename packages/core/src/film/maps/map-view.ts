import type { GeoPermissibleObjects, GeoProjection } from 'd3-geo'
import { geoAzimuthalEqualArea, geoCentroid, geoContains, geoDistance, geoPath } from 'd3-geo'
import type { Polygon } from 'geojson'
import type { Point } from '../lettering/shapes.ts'
import type { Atlas, AtlasPlace, Country } from './atlas.ts'

/** What of the world is seen on a map, in pixels from its top left corner. */
export interface MapView {
  /** Rings of everything that is land. */
  land: Point[][]
  /** Rings of the country that is meant, or that the place lies in. */
  meant: Point[][]
  borders: Point[][]
  /** Of the places; a country's own middle. */
  points: Point[]
  /** Between two places, the shortest way on the globe; else empty. */
  route: Point[]
}

/** A town is shown with the land around it: so many degrees from foot to head; by eye. */
const AROUND_TOWN = 11
/** No country is so small that less than this is shown. */
const LEAST = 1.5
/** Points of a line nearer to each other than this are one, in pixels. */
const FINEST = 1.3
/** Smaller islands are left out, in square pixels. */
const SMALLEST = 3

const RADIANS = Math.PI / 180

/**
 * A map of one place, or of the way between two.
 *
 * @param places one or two
 * @param size   of the map, in pixels
 */
export function mapView(
  atlas: Atlas,
  places: readonly AtlasPlace[],
  size: { width: number; height: number },
): MapView {
  const made = kept.get(atlas) ?? new Map<string, MapView>()
  kept.set(atlas, made)
  const key = JSON.stringify([places.map(({ name, country }) => [name, country]), size])
  const view = made.get(key) ?? viewOf(atlas, places, size)
  made.delete(key)
  made.set(key, view)
  const [oldest = ''] = made.keys()
  if (made.size > KEPT) made.delete(oldest)
  return view
}

/** The same map is asked for while its place on the picture is looked for, and at every edit. */
const kept = new WeakMap<Atlas, Map<string, MapView>>()
const KEPT = 40

function viewOf(
  atlas: Atlas,
  places: readonly AtlasPlace[],
  size: { width: number; height: number },
): MapView {
  const projection = projectionFor(places, size)
  const points = places.map((place): Point => projection(middleOf(place)) ?? [0, 0])
  const meant = places.flatMap((place) => countryOf(atlas, place) ?? [])
  const ends = places.map(middleOf)
  const all: GeoPermissibleObjects = {
    type: 'FeatureCollection',
    features: [...atlas.countries],
  }
  const rings = (what: GeoPermissibleObjects) =>
    drawn(projection, what).filter((ring) => ring.length > 2 && areaOf(ring) > SMALLEST)
  return {
    land: rings(all),
    meant: rings({ type: 'FeatureCollection', features: meant }),
    borders: drawn(projection, atlas.borders),
    points,
    route:
      ends.length > 1
        ? (drawn(projection, { type: 'LineString', coordinates: ends }, 0)[0] ?? [])
        : [],
  }
}

const isCountry = (at: AtlasPlace['at']): at is Country => 'type' in at
const middleOf = ({ at }: AtlasPlace): [number, number] =>
  isCountry(at) ? geoCentroid(mainland(at)) : [at[0], at[1]]

const countryOf = (atlas: Atlas, { at }: AtlasPlace): Country | undefined =>
  isCountry(at)
    ? at
    : atlas.countries.find((country) => geoContains(country, at as [number, number]))

/** The largest part of a country: what lies overseas is no part of its map. */
function mainland({ geometry }: Country): Polygon {
  if (geometry.type === 'Polygon') return geometry
  const parts = geometry.coordinates.map((coordinates): Polygon => ({
    type: 'Polygon',
    coordinates,
  }))
  const size = (part: Polygon) => Math.abs(geoPath().area(part))
  return parts.reduce((a, b) => (size(b) > size(a) ? b : a))
}

function projectionFor(
  places: readonly AtlasPlace[],
  { width, height }: { width: number; height: number },
): GeoProjection {
  const coordinates = places.map(middleOf)
  const middle = geoCentroid({ type: 'MultiPoint', coordinates })
  const projection = geoAzimuthalEqualArea().rotate([-middle[0], -middle[1]])
  const margin = Math.min(width, height) * (places.length > 1 ? 0.24 : 0.1)
  const room: [Point, Point] = [
    [margin, margin],
    [width - margin, height - margin],
  ]
  const only = places.length === 1 ? places[0] : undefined
  // So many pixels a radian: the middle of this projection keeps its lengths.
  const largest = height / ((only && isCountry(only.at) ? LEAST : AROUND_TOWN) * RADIANS)
  const fit = (what: GeoPermissibleObjects) =>
    projection.fitExtent(room as [[number, number], [number, number]], what)
  if (only) {
    if (isCountry(only.at)) fit(mainland(only.at))
    else projection.scale(largest)
  } else if (apart(coordinates) > 0) fit({ type: 'LineString', coordinates })
  if (projection.scale() > largest || (only && !isCountry(only.at)))
    projection.scale(Math.min(projection.scale(), largest)).translate([width / 2, height / 2])
  // A little more than is seen: a map that grows shows no edge.
  return projection.clipExtent([
    [-2, -2],
    [width + 2, height + 2],
  ])
}

const apart = ([a, b]: [number, number][]) => (a && b ? geoDistance(a, b) : 0)

/** What a projection draws, as lines of points that are not nearer than can be seen. */
function drawn(projection: GeoProjection, what: GeoPermissibleObjects, finest = FINEST): Point[][] {
  const lines: Point[][] = []
  const add = (x: number, y: number) => {
    const line = lines.at(-1)
    const last = line?.at(-1)
    if (!last || Math.hypot(x - last[0], y - last[1]) >= finest) line?.push([x, y])
  }
  geoPath(projection, {
    beginPath: () => undefined,
    moveTo: (x, y) => void lines.push([[x, y]]),
    lineTo: add,
    arc: () => undefined,
    closePath: () => undefined,
  })(what)
  return lines
}

/** Of a ring, in square pixels. */
const areaOf = (ring: readonly Point[]) =>
  Math.abs(
    ring.reduce((sum, [x, y], i) => {
      const [nx, ny] = ring[(i + 1) % ring.length] ?? [0, 0]
      return sum + x * ny - nx * y
    }, 0),
  ) / 2
