import { existsSync } from 'node:fs'
import { open, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { KnownSound } from '@tidy-reel/core/film/sound/effects/known-sound'

/** Debian's package of recordings, most of them given to the public domain. */
const PACKAGE = 'sonic-pi-samples'
const FOLDER = '/usr/share/sonic-pi/samples'
const COPYRIGHT = `/usr/share/doc/${PACKAGE}/copyright`

/** A recording of the package: its name, what it is, what it is found by, whether it goes on. */
type Listed = readonly [name: string, title: string, words: string, goesOn?: true]

/** Listened to by their spectra and lengths; what is music rather than a sound is left out. */
const LISTED: readonly Listed[] = [
  ['misc_crow', 'A crow', 'bird caw raven'],
  ['perc_till', 'A cash register', 'till shop money sale drawer'],
  ['perc_snap', 'Fingers snap', 'snap fingers click'],
  ['perc_bell', 'A bowl bell', 'singing bowl temple bell meditation'],
  ['perc_swash', 'A swash', 'swish water wave transition'],
  ['misc_cineboom', 'A deep boom', 'cinema impact trailer explosion drama'],
  ['vinyl_hiss', 'An old record', 'gramophone vinyl hiss crackle needle', true],
  ['vinyl_scratch', 'A record is scratched', 'scratch gramophone vinyl stop'],
  ['vinyl_rewind', 'A record runs back', 'rewind gramophone tape back'],
  ['ambi_choir', 'A choir', 'voices singing church vocal chord'],
  ['ambi_drone', 'A drone', 'deep tone dark tension', true],
  ['ambi_dark_woosh', 'A dark whoosh', 'whoosh tension swell night'],
  ['ambi_glass_rub', 'A glass is rubbed', 'glass rim squeak'],
  ['ambi_glass_hum', 'A glass sings', 'glass rim hum tone', true],
  ['ambi_haunted_hum', 'An eerie hum', 'ghost haunted tension hum', true],
  ['ambi_lunar_land', 'A far landscape', 'moon desert wide space atmosphere', true],
  ['ambi_soft_buzz', 'A soft buzz', 'electric buzz wire lamp', true],
  ['ambi_swoosh', 'A swoosh', 'swish transition pass fast'],
  ['drum_roll', 'A drum roll', 'snare roll circus announcement'],
  ['drum_cymbal_soft', 'A soft cymbal', 'cymbal brass crash'],
  ['drum_heavy_kick', 'A heavy drum', 'bass drum hit kick'],
  ['drum_splash_hard', 'A splash cymbal', 'cymbal brass accent'],
  ['elec_ping', 'A ping', 'signal submarine ping note'],
  ['elec_pop', 'A pop', 'bubble cork pop appear'],
  ['elec_tick', 'A tick', 'tick click small counter'],
  ['loop_safari', 'A jungle', 'forest tropical animals birds insects rainforest', true],
]

/** Licences under which a sound may go into a film without a credit. */
const FREE = new Set(['CC0'])

export interface PackagedSound extends KnownSound {
  file: string
}

/** Who made each file of the package, where it is from, and its licence, by its name. */
function creditsIn(copyright: string): Map<string, { author: string; source: string }> {
  const found = new Map<string, { author: string; source: string }>()
  for (const stanza of copyright.split(/\n\s*\n/)) {
    const field = (name: string) =>
      new RegExp(`^${name}:\\s*(.+)$`, 'm').exec(stanza)?.[1]?.trim() ?? ''
    const name = /^Files:\s*etc\/samples\/(\w+)\.flac\s*$/m.exec(stanza)?.[1]
    if (!name || !FREE.has(field('License'))) continue
    found.set(name, {
      author: field('Copyright')
        .replace(/^[\d,\s–-]+/, '')
        .replace(/\s*<[^>]*>$/, ''),
      source: field('Source'),
    })
  }
  return found
}

/** Length of a FLAC file, by the first of its metadata blocks (RFC 9639, 8.2). */
async function flacSeconds(file: string): Promise<number> {
  const handle = await open(file)
  try {
    const { buffer } = await handle.read(Buffer.alloc(26), 0, 26, 0)
    const rate = buffer.readUIntBE(18, 3) >> 4
    const samples = (buffer[21]! & 0x0f) * 2 ** 32 + buffer.readUInt32BE(22)
    return rate ? samples / rate : 0
  } finally {
    await handle.close()
  }
}

let known: Promise<PackagedSound[]> | undefined

/**
 * The package's sounds, with author and source from its own list of them.
 *
 * @returns `[]` where the package is not installed
 */
export function packagedSounds(): Promise<PackagedSound[]> {
  return (known ??= read())
}

async function read(): Promise<PackagedSound[]> {
  if (!existsSync(COPYRIGHT)) return []
  const credits = creditsIn(await readFile(COPYRIGHT, 'utf8'))
  const listed = LISTED.flatMap(([name, title, words, goesOn = false]) => {
    const credit = credits.get(name)
    const file = join(FOLDER, `${name}.flac`)
    if (!credit || !existsSync(file)) return []
    const id = `pack-${name.replaceAll('_', '-')}`
    return [{ id, title, words, goesOn, licence: 'CC0', ...credit, file }]
  })
  return Promise.all(
    listed.map(async (sound) => ({ ...sound, seconds: await flacSeconds(sound.file) })),
  )
}
