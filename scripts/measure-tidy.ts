/**
 * Prints precision and recall of the tidy pass by kind, on the halves of its sets or on those named;
 * `--failures` lists what went wrong.
 */
import { readFileSync } from 'node:fs'
import { judge, samplesOf, type Score, totals } from '@tidy-reel/core/test-sets/tidying/measure'

const share = (part: number, whole: number) =>
  whole ? `${((part / whole) * 100).toFixed(1)} %`.padStart(8) : '       –'
const line = (name: string, { hits, expected, right, found }: Score) =>
  `${name.padEnd(14)} recall ${share(hits, expected)} of ${String(expected).padStart(3)}   precision ${share(right, found)} of ${String(found).padStart(3)}`

const SETS = [
  'tuned',
  'held',
  'languages-tuned',
  'languages-held',
  'folders-tuned',
  'folders-held',
  'unseen-held',
]
const asked = process.argv.slice(2).filter((name) => !name.startsWith('--'))
for (const half of asked.length ? asked : SETS) {
  const samples = samplesOf(
    readFileSync(
      new URL(`../packages/core/test-sets/tidying/${half}.txt`, import.meta.url),
      'utf8',
    ),
  )
  const judged = judge(samples)
  console.log(`\n${half}: ${samples.length} scripts`)
  for (const [kind, score] of [...judged.byKind].sort(([a], [b]) => a.localeCompare(b)))
    console.log(line(kind, score))
  console.log(line('all', totals(judged)))
  if (process.argv.includes('--failures')) console.log(judged.failures.join('\n'))
}
