/**
 * `npm run check:licences`: every package the programs need, and every one that is part of the
 * client's bundle, may be passed on under our licence and is told in NOTICE where it asks for it.
 */
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'

/** Licences (SPDX) that let a work under Apache-2.0 bring the package along as it is. */
const FREE = new Set(
  (
    'MIT ISC 0BSD BSD BSD-2-Clause BSD-3-Clause Apache-2.0 BlueOak-1.0.0 Zlib OFL-1.1 ' +
    'CC0-1.0 Unlicense Python-2.0'
  ).split(' '),
)

/** Packages under other licences, and why they may come along. */
const ALLOWED = {
  jassub: 'libass for the browser, LGPL: a file of its own that anybody may replace',
  'rvfc-polyfill': 'asked for by jassub, GPL: left out of the client, see vite.config.ts',
}
/** Of sharp: the image library in files of its own. */
const REPLACEABLE = /^@img\/sharp-/

/** `(A OR B)` is free when one of them is; `A AND B` when both are. */
function isFree(licence) {
  const plain = licence.replace(/[()]/g, '')
  if (plain.includes(' OR ')) return plain.split(' OR ').some(isFree)
  return plain.split(' AND ').every((one) => FREE.has(one.trim()))
}

const json = (path) => JSON.parse(readFileSync(join(ROOT, path), 'utf8'))

function licenceOf(path, facts) {
  if (facts.license) return facts.license
  const file = join(path, 'package.json')
  return existsSync(join(ROOT, file)) ? (json(file).license ?? 'none') : 'none'
}

const faults = []
const notice = readFileSync(join(ROOT, 'NOTICE'), 'utf8')
const production = Object.entries(json('package-lock.json').packages).filter(
  ([path, facts]) => path.includes('node_modules/') && !facts.dev && !facts.link,
)
for (const [path, facts] of production) {
  const name = path.split('node_modules/').at(-1)
  const licence = licenceOf(path, facts)
  if (isFree(licence)) continue
  if (!(name in ALLOWED) && !REPLACEABLE.test(name))
    faults.push(
      `${name} is under ${licence}: use another, or say in check-licences why it may stay`,
    )
  else if (!REPLACEABLE.test(name) && !notice.includes(name))
    faults.push(`${name} (${licence}) is not named in NOTICE`)
}

const bundled = join(ROOT, 'packages/web/dist/packages.json')
if (existsSync(bundled)) {
  for (const name of JSON.parse(readFileSync(bundled, 'utf8'))) {
    const licence = licenceOf(join('node_modules', name), {})
    if (!isFree(licence) && name !== 'jassub')
      faults.push(`the client's bundle brings ${name} along, which is under ${licence}`)
  }
} else faults.push('the client is not built: type npm run build')

for (const fault of faults) console.error(fault)
console.log(`${production.length} packages looked at, ${faults.length} faults`)
process.exit(faults.length ? 1 : 0)
