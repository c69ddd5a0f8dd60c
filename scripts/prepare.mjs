/**
 * Brings a fresh Debian machine to where Tidy Reel runs: programs, packages, pictures. Again and
 * again at no cost.
 */
import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = fileURLToPath(new URL('..', import.meta.url))
export const DATA = process.env.TIDY_DATA ?? join(ROOT, '.data')
const POSTGRES = '/usr/lib/postgresql/15/bin/postgres'

/** Program or file that shows a Debian package is there. */
const PACKAGES = {
  'postgresql-15': POSTGRES,
  ffmpeg: '/usr/bin/ffmpeg',
  flite: '/usr/bin/flite',
  'espeak-ng': '/usr/bin/espeak-ng',
  festival: '/usr/bin/text2wave',
  'festvox-us-slt-hts': '/usr/share/festival/voices/us/cmu_us_slt_arctic_hts',
  'festvox-kallpc16k': '/usr/share/festival/voices/english/kal_diphone',
  'festvox-kdlpc16k': '/usr/share/festival/voices/english/ked_diphone',
  pocketsphinx: '/usr/bin/pocketsphinx_batch',
  'pocketsphinx-en-us': '/usr/share/pocketsphinx/model/en-us/cmudict-en-us.dict',
  fluidsynth: '/usr/bin/fluidsynth',
  'fluidr3mono-gm-soundfont': '/usr/share/sounds/sf3/FluidR3Mono_GM.sf3',
  'sonic-pi-samples': '/usr/share/sonic-pi/samples/misc_crow.flac',
  chromium: '/usr/bin/chromium',
  'fonts-noto-core': '/usr/share/fonts/truetype/noto/NotoSansArabic-Regular.ttf',
  'fonts-noto-cjk': '/usr/share/fonts/opentype/noto/NotoSansCJK-Regular.ttc',
}

export const say = (text) => console.log(`· ${text}`)

export async function prepare() {
  if (Number(process.versions.node.split('.')[0]) < 20)
    fail(`Node ${process.versions.node} is too old; Tidy Reel needs Node 20 or newer.`)
  installPackages()
  installModules()
  await import('./build-wasm.mjs')
  const { prepareMedia } = await import('./media.mjs')
  await prepareMedia(join(ROOT, '.data/media'), say)
}

function installPackages() {
  const missing = Object.entries(PACKAGES)
    .filter(([, path]) => !existsSync(path))
    .map(([name]) => name)
  if (!missing.length) return
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  say(`installing ${missing.length} Debian packages, about a minute: ${missing.join(', ')}`)
  const run = (args) =>
    execFileSync([...asRoot, ...args][0], [...asRoot, ...args].slice(1), {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
  try {
    run(['apt-get', 'update', '-qq'])
    run(command.split(' '))
  } catch {
    fail(
      `These packages are missing and could not be installed: ${missing.join(', ')}.\nType: sudo ${command}`,
    )
  }
}

/** `npm ci`, when the lock file is not the one that was installed. */
function installModules() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex')
  const mark = join(ROOT, 'node_modules/.tidy-lock')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return
  say('installing npm packages, about half a minute')
  try {
    execFileSync('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], {
      cwd: ROOT,
      stdio: ['ignore', 'ignore', 'inherit'],
    })
  } catch {
    fail('The npm packages could not be installed. Type: npm ci --ignore-scripts')
  }
  mkdirSync(join(ROOT, 'node_modules'), { recursive: true })
  writeFileSync(mark, lock)
}

export function fail(message) {
  console.error(message)
  process.exit(1)
}
