/**
 * `npm run check:lint`: what oxlint says of all scripts and eslint of templates. The scripts of
 * components stand alone in a folder of their own for it, on the lines they have in their
 * components: rules that ask for types cannot read a `.vue` file.
 */
import { spawnSync } from 'node:child_process'
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { parse } from 'vue/compiler-sfc'
import { ROOT } from './prepare.mjs'

const WEB = join(ROOT, 'packages/web')
const ALONE = join(WEB, 'scripts-alone')
const TYPED = ['oxlint', '--type-aware']

/** Relative imports of a script that stands alone are looked for where its component is. */
const TSCONFIG = {
  extends: '../tsconfig.json',
  compilerOptions: { rootDirs: ['../src', '.'] },
  include: ['.', '../src/**/*.d.ts'],
}

const scripts = scriptsAlone()
const passed = [TYPED, [...TYPED, ...scripts], ['eslint', 'packages/web/src/**/*.vue']].map(runs)
rmSync(ALONE, { recursive: true, force: true })
process.exit(passed.every(Boolean) ? 0 : 1)

function runs([program, ...args]) {
  return spawnSync('npx', [program, ...args], { cwd: ROOT, stdio: 'inherit' }).status === 0
}

/** Sets the scripts of all components alone; their paths. */
function scriptsAlone() {
  rmSync(ALONE, { recursive: true, force: true })
  const files = readdirSync(join(WEB, 'src'), { recursive: true, encoding: 'utf8' })
  const paths = files.filter((name) => name.endsWith('.vue')).flatMap(setAlone)
  writeFileSync(join(ALONE, 'tsconfig.json'), JSON.stringify(TSCONFIG))
  return paths
}

function setAlone(file) {
  const { scriptSetup } = parse(readFileSync(join(WEB, 'src', file), 'utf8')).descriptor
  if (!scriptSetup) return []
  const path = join(ALONE, `${file}.ts`)
  const linesAbove = '\n'.repeat(scriptSetup.loc.start.line - 1)
  mkdirSync(dirname(path), { recursive: true })
  writeFileSync(path, linesAbove + scriptSetup.content.trimStart())
  return path
}
