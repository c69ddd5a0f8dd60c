import { feature, mesh } from 'topojson-client'
import type { GeometryCollection, Topology } from 'topojson-specification'
import atlas from 'world-atlas/countries-50m.json' with { type: 'json' }
import { type Atlas, type Country, folded } from './atlas.ts'
import places from './places.json' with { type: 'json' }

// The package's own shape, which TypeScript reads as plain lists of numbers.
const topology = atlas as unknown as Topology<{ countries: GeometryCollection<{ name: string }> }>
const { countries } = topology.objects

const names = places.names.split('\n')
const byName = new Map<string, number[]>()
names.forEach((name, i) => {
  const there = byName.get(folded(name))
  if (there) there.push(i)
  else byName.set(folded(name), [i])
})

/** The whole world; over a megabyte: loaded where a map is to be drawn, and only then. */
export const WORLD: Atlas = {
  countries: feature(topology, countries).features as Country[],
  borders: mesh(topology, countries, (a, b) => a !== b),
  towns: { ...places, names, byName },
}
