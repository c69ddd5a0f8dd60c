import { findBullets } from '@tidy-reel/core/tidy/bullets'
import { findCalls } from '@tidy-reel/core/tidy/calls'
import { findCounting } from '@tidy-reel/core/tidy/counting'
import { findDirectionLines, findDirections } from '@tidy-reel/core/tidy/directions'
import { findDoubledWords } from '@tidy-reel/core/tidy/doubled-words'
import { findEmoji } from '@tidy-reel/core/tidy/emoji'
import { findHeadings } from '@tidy-reel/core/tidy/headings'
import { findCredits, findLinks } from '@tidy-reel/core/tidy/links'
import { findLongSentences } from '@tidy-reel/core/tidy/long-sentences'
import { findMarkdown } from '@tidy-reel/core/tidy/markdown'
import { findNotes } from '@tidy-reel/core/tidy/notes'
import { findPunctuation } from '@tidy-reel/core/tidy/punctuation'
import { findReferences } from '@tidy-reel/core/tidy/references'
import { findSceneNumbers } from '@tidy-reel/core/tidy/scene-numbers'
import { findShortForms } from '@tidy-reel/core/tidy/short-forms'
import { findSpeakers } from '@tidy-reel/core/tidy/speakers'
import { findTables } from '@tidy-reel/core/tidy/tables'
import { findCues, findTimestamps } from '@tidy-reel/core/tidy/time-stamps'
import { findDashes, findQuotes } from '@tidy-reel/core/tidy/typography'
import { Page } from '@tidy-reel/core/tidy/page'
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
const STEPS = [
  findCues,
  findNotes,
  findReferences,
  findTables,
  findSceneNumbers,
  findCredits,
  findDirectionLines,
  findCounting,
  findHeadings,
  findTimestamps,
  findSpeakers,
  findDirections,
  findBullets,
  findLinks,
  findEmoji,
  findMarkdown,
  findCalls,
  findQuotes,
  findDashes,
  findShortForms,
  findDoubledWords,
  findPunctuation,
  findLongSentences,
]

const n = Number(process.argv[2])
for (const [shape, make] of Object.entries(SHAPES)) { const page = new Page(make(n)); const out: string[] = []; for (const step of STEPS) { const t = performance.now(); step(page); const d = performance.now() - t; if (d > 80) out.push(step.name + ' ' + d.toFixed(0)) } if (out.length) console.log(shape, out.join(', ')) }
