import { Worker, isMainThread, parentPort, workerData } from 'node:worker_threads'
import { parseScript } from '@tidy-reel/core/script/parse'
import { spokenForm } from '@tidy-reel/core/text/spoken'
import { sentencesOf } from '@tidy-reel/core/script/sentences'
import { sentencesIn } from '@tidy-reel/core/script/paragraphs'
import { checkScript } from '@tidy-reel/core/checks/check-script'
import { claimsOf } from '@tidy-reel/core/checks/claims'
import { numbersWorth } from '@tidy-reel/core/checks/numbers-worth'
import { readingEase } from '@tidy-reel/core/checks/reading-ease'
import { hookOf } from '@tidy-reel/core/checks/hook'
import { lengthAdvice } from '@tidy-reel/core/checks/length-advice'
import { scriptWords } from '@tidy-reel/core/checks/script-words'
import { tidyChanges, tidyScript } from '@tidy-reel/core/tidy/tidy'
import { cleanScript } from '@tidy-reel/core/script/clean'
import { termsOf } from '@tidy-reel/core/words/terms'
import { foreignLanguage } from '@tidy-reel/core/speech/language'
import { documentFrom, apply } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { sceneSeconds, timeline } from '@tidy-reel/core/timeline/timeline'
import { styleOf } from '@tidy-reel/core/writing/style'
import { unitsOf } from '@tidy-reel/core/writing/source-units'
import { scriptSeconds } from '@tidy-reel/core/writing/draft-script'
import { narrationOnly } from '@tidy-reel/core/script/narration'
import { mergeScripts } from '@tidy-reel/core/script/merge-scripts'
import { assText } from '@tidy-reel/core/film/supers/ass'

const fit = (piece: string, n: number) => piece.repeat(Math.ceil(n / piece.length)).slice(0, n)
export const SHAPES: Record<string, (n: number) => string> = {
  'no full stop': (n) => fit('lamp and water ', n),
  'no space': (n) => fit('lampwater', n),
  'all marks': (n) => fit('.,;:!?-–—"\'()[]*_#', n),
  'all digits': (n) => fit('1234567890', n),
  'one letter': (n) => 'A'.repeat(n),
  'deep brackets': (n) => '('.repeat(n / 2) + ')'.repeat(n / 2),
  'deep square': (n) => '['.repeat(n / 2) + ']'.repeat(n / 2),
  'newlines': (n) => '\n'.repeat(n),
  'spaces': (n) => ' '.repeat(n),
  'headings': (n) => fit('# a\n', n),
  'short lines': (n) => fit('Lamp.\n\n', n),
  'stars': (n) => fit('*a', n),
  'number list': (n) => fit('1, ', n),
  'caps': (n) => fit('WATER ', n),
  'quotes': (n) => fit('“a ', n),
  'sentences': (n) => fit('The lamp turns over the water. ', n),
  'one scene each': (n) => Array.from({ length: n / 20 }, (_, i) => `Lamp number ${i} here.`).join(' ').slice(0, n),
  'dots': (n) => fit('a.', n), 'dash': (n) => '-'.repeat(n), 'colon lines': (n) => fit('Ann: hello\n', n), 'links': (n) => fit('[a](http://b.c) ', n), 'emoji': (n)=>fit('🌊',n), 'tabs': (n)=>fit('a\tb\n',n), 'http': (n) => fit('http://a.', n), 'and': (n) => fit('one hundred and ', n),
}
export const FUNCTIONS: Record<string, (text: string) => unknown> = {
  cleanScript: (t) => { try { return cleanScript(t) } catch { return 0 } },
  parseScript, sentencesOf, sentencesIn,
  spokenForm: (t) => spokenForm(t),
  spokenDe: (t) => spokenForm(t, { language: 'de' }),
  checkScript: (t) => checkScript(t, parseScript(t)),
  claimsOf: (t) => claimsOf(t, parseScript(t)),
  numbersWorth, readingEase,
  scriptWords: (t) => scriptWords(t, parseScript(t)),
  tidyChanges, tidyScript, termsOf,
  foreignLanguage: (t) => foreignLanguage(t, 'en'),
  documentFrom: (t) => documentFrom('x', t),
  setScript: (t) => apply(documentFrom('x', 'Lamp.'), { type: 'setScript', script: t } as never),
  film: (t) => { const f = filmOf(documentFrom('x', t)); sceneSeconds(f.scenes, 1, 1); return timeline(f, f.scenes.map(() => undefined), [30, 1]) },
  styleOf, scriptSeconds: (t) => scriptSeconds(t),
  narrationOnly: (t) => narrationOnly(t, parseScript(t)),
  mergeScripts: (t) => mergeScripts(t, t + ' a', 'b ' + t),
  assText,
  hook: (t) => (hookOf as never as (p: unknown) => unknown)(parseScript(t).scenes),
  advice: (t) => lengthAdvice(parseScript(t), 5, 1),
  sourceUnits: (t) => (unitsOf as never as (s: unknown) => unknown)([{ id: 'a', title: 'b', text: t }]),
}

const spent = new Map<string, number>()
const timed = <T,>(re: unknown, run: () => T): T => { const t = performance.now(); const r = run(); const d = performance.now() - t; const k = String(re).slice(0, 110); spent.set(k, (spent.get(k) ?? 0) + d); return r }
const S = String.prototype as never as Record<string, (...a: unknown[]) => unknown>
for (const name of ['matchAll', 'replace', 'match', 'search', 'split']) { const old = S[name]!; S[name] = function (this: string, ...a: unknown[]) { if (!(a[0] instanceof RegExp)) return old.apply(this, a); return name === 'matchAll' ? (timed(a[0], () => [...(old.apply(this, a) as Iterable<unknown>)]) as unknown[])[Symbol.iterator]() : name === 'replace' && typeof a[1] === 'function' ? old.apply(this, a) : timed(a[0], () => old.apply(this, a)) } }
const R = RegExp.prototype as never as Record<string, (...a: unknown[]) => unknown>
for (const name of ['exec', 'test']) { const old = R[name]!; R[name] = function (this: RegExp, ...a: unknown[]) { return timed(this, () => old.apply(this, a)) } }
const [fn, n] = [process.argv[2]!, Number(process.argv[3])]
for (const shape of Object.keys(SHAPES)) { if (process.argv[4] && !process.argv[4].split(',').includes(shape)) continue; spent.clear(); const t = performance.now(); try { FUNCTIONS[fn]!(SHAPES[shape]!(n)) } catch {} const all = performance.now() - t
  if (all > 60) console.log(shape, all.toFixed(0), [...spent].sort((a, b) => b[1] - a[1]).slice(0, 6).filter(([, d]) => d > all / 12).map(([k, d]) => `\n    ${d.toFixed(0)} ${k}`).join('')) }
