import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import canalLock from '../../../../demo/canal-lock.txt?raw'
import lighthouse from '../../../../demo/lighthouse.txt?raw'
import tides from '../../../../demo/tides.txt?raw'
import heldText from '../../test-sets/tidying/held.txt?raw'
import { samplesOf } from '../../test-sets/tidying/measure.ts'
import tunedText from '../../test-sets/tidying/tuned.txt?raw'
import { cleanScript } from '../script/clean.ts'
import { parseScript } from '../script/parse.ts'
import { withChanges } from './change.ts'
import { standsAlone, startsClause } from './clause-start.ts'
import { TIDY_KINDS } from './kinds.ts'
import { tidyChanges, tidyScript } from './tidy.ts'

const samples = [tunedText, heldText].flatMap(samplesOf)
const words = (text: string) =>
  parseScript(text)
    .scenes.map((scene) => scene.text)
    .join(' ')

describe('tidyChanges', () => {
  it('says kind, words before and after, and the line', () => {
    expect(
      tidyChanges('# Light\n\nHOST: The the sea.').map(({ kind, before, after, line }) => [
        kind,
        before,
        after,
        line,
      ]),
    ).toEqual([
      ['speaker', 'HOST:', '', 3],
      ['doubled', 'The the', 'The', 3],
    ])
  })
  it.each(Object.entries({ canalLock, lighthouse, tides }))(
    'finds nothing in our own film "%s"',
    (_name, script) => expect(tidyChanges(script)).toEqual([]),
  )
  it('leaves our own markup alone', () => {
    const script =
      '# Chapter\n\nKEEPER: It burns. [pause 1.5s] [picture: a harbour at dawn] It | turns. ~ Slowly. [sound: rain] [super: 1859]\n\nVISITOR: Why?'
    expect(tidyScript(script)).toBe(script)
  })
  it('proposes changes that stand apart, so that any choice of them can be made', () => {
    for (const { messy } of samples) {
      const edits = tidyChanges(messy)
        .flatMap((change) => change.edits)
        .sort((a, b) => a.from - b.from)
      edits.forEach(({ from, to }, i) => {
        expect(from).toBeLessThanOrEqual(to)
        if (i > 0) expect(from).toBeGreaterThanOrEqual(edits[i - 1]!.to)
      })
    }
  })
  it('keeps every word of a script when none of its changes is accepted', () => {
    for (const { messy } of samples) expect(withChanges(messy, [])).toBe(messy)
  })
  it('uses every kind it names', () => {
    const used = new Set(samples.flatMap(({ messy }) => tidyChanges(messy).map(({ kind }) => kind)))
    expect([...used].sort()).toEqual(Object.keys(TIDY_KINDS).sort())
  })
  it('copes with anything: no failure, no overlap, no words made up', () => {
    const scrap = fc.constantFrom(
      'HOST: ',
      '(pause)',
      '[music]',
      '**',
      '*',
      '# ',
      '- ',
      '1. ',
      '| a | b |',
      '|---|---|',
      '\n',
      '\n\n',
      'The the sea.',
      'http://a.b/c',
      '#4 ',
      '"',
      '“',
      ' -- ',
      '🌊',
      '[1]',
      '<b>',
      '0:10 ',
      'Scene 2',
      '`',
      '~~',
      '_',
      '!!!',
      ' ,',
      'word',
      '\u00a0',
      '{',
      ']',
      '(',
    )
    fc.assert(
      fc.property(
        fc.array(scrap, { maxLength: 40 }),
        fc.infiniteStream(fc.boolean()),
        (parts, coin) => {
          const script = cleanScript(parts.join(''))
          const changes = tidyChanges(script)
          const chosen = changes.filter(() => coin.next().value)
          expect(withChanges(script, chosen)).not.toContain('\u0001')
          expect(withChanges(script, [])).toBe(script)
        },
      ),
      { numRuns: 300 },
    )
  })
  it('is quick on the longest script a film can have', () => {
    const long = samples
      .map(({ messy }) => messy)
      .join('\n\n')
      .repeat(8)
      .slice(0, 180_000)
    expect(tidyChanges(long).length).toBeGreaterThan(500)
  })
})

describe('withChanges', () => {
  const only = (script: string, kind: string) =>
    withChanges(
      script,
      tidyChanges(script).filter((change) => change.kind === kind),
    )
  it('evens the space that is left and takes lines that became empty', () => {
    expect(only('One. (pause) Two.\n\nVisual: a boat\n\nThree [1].', 'footnote')).toBe(
      'One. (pause) Two.\n\nVisual: a boat\n\nThree.',
    )
    expect(only('One.\n\nFADE OUT.\n\nTwo.', 'direction')).toBe('One.\n\nTwo.')
    expect(only('A 🌊 wave.', 'emoji')).toBe('A wave.')
  })
  it('leaves what it does not touch letter for letter', () => {
    expect(only('Two  spaces,\ttab. 🌊\n\n\nThree lines.', 'emoji')).toBe(
      'Two  spaces,\ttab.\n\n\nThree lines.',
    )
  })
})

describe('what is spoken afterwards', () => {
  it.each([
    ['Host: Hello there.\nVISUAL: a boat\nIt sails.', 'Hello there. It sails.'],
    ['1. Fill the lamp\n2. Light it', 'Fill the lamp. Light it.'],
    ['The sea[3] is deep (see [here](http://a.org)).', 'The sea is deep (see here).'],
  ])('of %j', (messy, spoken) => expect(words(tidyScript(messy))).toBe(spoken))
})

describe('standsAlone', () => {
  it.each([
    'The keeper slept',
    'If the wind turns, the ship must wait',
    'It was either gold or sand',
  ])('%s', (text) => expect(standsAlone(text)).toBe(true))
  it.each([
    'If the wind turns',
    'But when the lamp went out',
    'It was either gold',
    'It was not only cold',
    'If you take it, knowingly or not',
  ])('not: %s', (text) => expect(standsAlone(text)).toBe(false))
})

describe('startsClause', () => {
  it.each([
    'the keeper slept badly',
    'it was cold',
    'from that moment on there is no way back',
    'nobody answered',
  ])('%s', (text) => expect(startsClause(text)).toBe(true))
  it.each(['three barrels of oil', 'to the sea', 'a lamp and a lens', 'slowly'])(
    'not: %s',
    (text) => expect(startsClause(text)).toBe(false),
  )
})
