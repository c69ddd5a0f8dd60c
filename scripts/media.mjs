/**
 * Fetches the Debian packages whose photographs the stock stand-in shows, unpacks them under the
 * data folder, measures them.
 */
import { execFileSync } from 'node:child_process'
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { dirname, join } from 'node:path'
import { rccFiles } from './rcc.mjs'

const PACKAGES = [
  'gcompris-qt-data',
  'lomiri-wallpapers-16.04',
  'sddm-theme-maldives',
  'mate-screensaver-common',
  'mate-backgrounds',
  'tuxpaint-data',
  'palapeli-data',
]
const ARCHIVES = [
  'erase',
  'clickgame',
  'explore_farm_animals',
  'explore_world_animals',
  'explore_world_music',
  'explore_monuments',
]

export async function prepareMedia(folder, say) {
  const table = readFileSync(
    new URL('../packages/standins/src/stock/photos.tsv', import.meta.url),
    'utf8',
  )
  const wanted = table
    .split('\n')
    .filter((line) => line && !line.startsWith('#'))
    .map((line) => line.split('\t').slice(0, 2))
  if (existsSync(join(folder, 'sizes.json'))) return
  mkdirSync(folder, { recursive: true })
  for (const name of PACKAGES) {
    say(`photographs: ${name}`)
    try {
      unpack(folder, name)
    } catch {
      say(
        `could not fetch ${name}; its photographs are left out. To try again: delete ${join(folder, 'sizes.json')} and run this once more.`,
      )
    }
  }
  const { default: sharp } = await import('sharp')
  const sizes = {}
  for (const [pack, path] of wanted) {
    const file = join(folder, pack, pack === 'gcompris' ? `${path}.webp` : path)
    if (!existsSync(file)) continue
    const { width, height } = await sharp(file).metadata()
    sizes[`${pack}/${path}`] = { width, height }
  }
  writeFileSync(join(folder, 'sizes.json'), JSON.stringify(sizes))
}

function unpack(folder, name) {
  const to = join(folder, name)
  if (existsSync(to)) return
  const half = `${to}.part`
  rmSync(half, { recursive: true, force: true })
  mkdirSync(half, { recursive: true })
  execFileSync('apt-get', ['download', '-o', 'APT::Sandbox::User=root', name], {
    cwd: half,
    stdio: 'ignore',
  })
  const deb = readdirSync(half).find((file) => file.endsWith('.deb'))
  execFileSync('dpkg-deb', ['-x', deb, '.'], { cwd: half })
  rmSync(join(half, deb))
  renameSync(half, to)
  if (name === 'gcompris-qt-data') readArchives(folder, to)
}

function readArchives(folder, from) {
  for (const archive of ARCHIVES) {
    const bytes = readFileSync(join(from, 'usr/share/gcompris-qt/rcc', `${archive}.rcc`))
    for (const { path, body } of rccFiles(bytes)) {
      const inside = path.replace(/^.*\/resource\//, '').replace(/^(animals|music)\//, '')
      if (!/\.webp$|^README$/.test(inside) || !path.includes('/resource/')) continue
      const out = join(folder, 'gcompris', archive, inside)
      mkdirSync(dirname(out), { recursive: true })
      writeFileSync(out, body)
    }
  }
}
