import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { spokenForm, spokenText } from './spoken.ts'
import { wordsOf } from './written-words.ts'

// Worked examples of how an English narrator reads what is written (common practice).
describe('spokenText', () => {
  describe.each<[string, [string, string][]]>([
    [
      'years and decades',
      [
        ['It opened in 1759.', 'It opened in seventeen fifty-nine.'],
        ['From 1940 to 1945', 'From nineteen forty to nineteen forty-five'],
        ['The 1890s were stormy.', 'The eighteen nineties were stormy.'],
        ['By 2008 it was automatic.', 'By two thousand eight it was automatic.'],
        ['In 2010', 'In twenty ten'],
        ['1901–1905', 'nineteen oh one to nineteen oh five'],
      ],
    ],
    [
      'counts and ordinals',
      [
        ['It has 3,203 steps.', 'It has three thousand two hundred three steps.'],
        ['the 3rd keeper', 'the third keeper'],
        ['the 112th lamp', 'the one hundred twelfth lamp'],
        ['0.5 and 12.75', 'zero point five and twelve point seven five'],
        ['room 007', 'room zero zero seven'],
      ],
    ],
    [
      'sentences with several',
      [
        [
          'In 1822 it cost £2.50, e.g. 5 km off.',
          'In eighteen twenty-two it cost two pounds and fifty pence, for example five kilometres off.',
        ],
        ['It rose 2–3 m in the 1820s.', 'It rose two to three metres in the eighteen twenties.'],
        ['Dr. Reed of St. Ives, 21st.', 'doctor Reed of saint Ives, twenty-first.'],
        ['$3.5 million at -5 °C', 'three point five million dollars at minus five degrees Celsius'],
        ['About 70% came at 5:30 p.m.', 'About seventy percent came at five thirty P M.'],
      ],
    ],
    [
      'units',
      [
        ['It is 46 m high.', 'It is forty-six metres high.'],
        ['1 km away', 'one kilometre away'],
        ['a 250 W bulb', 'a two hundred fifty watt bulb'],
        ['at 20 °C', 'at twenty degrees Celsius'],
        ['60 km/h', 'sixty kilometres an hour'],
        ['5 m² of glass', 'five square metres of glass'],
      ],
    ],
    [
      'money, parts and times',
      [
        ['It cost $1,200.', 'It cost one thousand two hundred dollars.'],
        ['£1', 'one pound'],
        ['€2 million', 'two million euros'],
        ['35% of it', 'thirty-five percent of it'],
        ['1/2 full', 'one half full'],
        ['2½ hours', 'two and a half hours'],
        ['at 6:05 a.m.', 'at six oh five A M.'],
        ['at 12:00', "at twelve o'clock"],
      ],
    ],
    [
      'Roman numerals, where they are numerals',
      [
        ['Henry VIII and Charles I', 'Henry the eighth and Charles the first'],
        ['After World War II', 'After World War two'],
        ['the XIX century', 'the nineteenth century'],
        ['What if I am? Vitamin C. MIX', 'What if I am? Vitamin C. M I X'],
      ],
    ],
    [
      'initials, letter by letter, and capitals that are words',
      [
        ['GPS and NASA, the DNA of RADAR', 'G P S and NASA, the D N A of RADAR'],
        ['It is NOT so.', 'It is NOT so.'],
        ['THE SEA IS VERY DEEP', 'THE SEA IS VERY DEEP'],
        ['CO₂ and a B52', 'C O two and a B fifty-two'],
      ],
    ],
    [
      'dates in figures, places and numbers to dial',
      [
        ['2024-03-05', 'March fifth, twenty twenty-four'],
        ['51°30′N', 'fifty-one degrees thirty minutes north'],
        ['Call 555-0142.', 'Call five five five zero one four two.'],
        ['at me@sea.org', 'at me at sea dot org'],
        ['c. 1820', 'around eighteen twenty'],
        ['in 1066', 'in ten sixty-six'],
        ['1815/16', 'eighteen fifteen to sixteen'],
      ],
    ],
    [
      'large and small',
      [
        ['1,000,000 and 10 000', 'one million and ten thousand'],
        ['0.05', 'zero point zero five'],
        [
          '$5M, £2.5bn, 20 EUR, £1.01, 50¢',
          'five million dollars, two point five billion pounds, twenty euros, one pound and one penny, fifty cents',
        ],
        ['1 1/2 cups, 5/16, 3:1', 'one and a half cups, five sixteenths, three to one'],
        ['5 ± 2 mm at 60 rpm', 'five plus or minus two millimetres at sixty revolutions a minute'],
        [`It is 6'2" tall.`, 'It is six foot two tall.'],
      ],
    ],
    [
      'abbreviations and signs',
      [
        ['Mr. and Mrs. Reed', 'mister and missus Reed'],
        ['lamps, lenses, etc.', 'lamps, lenses, et cetera.'],
        ['Is it safe? No.', 'Is it safe? No.'],
        ['No. 4 buoy', 'number four buoy'],
        ['salt & vinegar', 'salt and vinegar'],
        ['a program--to make sure -- really', 'a program, to make sure, really'],
        ['see https://www.example.org/a?b=1', 'see example dot org'],
      ],
    ],
  ])('%s', (_kind, examples) => {
    it.each(examples)('says %j', (written, said) => expect(spokenText(written)).toBe(said))
  })
  it('leaves no digit in anything made of numbers, units and words', () => {
    const part = fc.oneof(
      fc.integer({ min: 0, max: 99_999_999 }).map(String),
      fc.double({ min: 0, max: 9999, noNaN: true }).map((n) => n.toFixed(2)),
      fc.constantFrom('km', '%', 'in', 'the', '$5', '3rd', '12:30', '1990s', '-4 °C', '1–2', 'B52'),
    )
    fc.assert(
      fc.property(fc.array(part, { maxLength: 8 }), (parts) => {
        expect(spokenText(parts.join(' '))).not.toMatch(/\d/)
      }),
    )
  })
  it('leaves a sentence without anything to say differently as it is', () => {
    for (const text of ['The lamp burns.', 'Why does it turn?', 'البحر عميق.', '海很深。'])
      expect(spokenText(text)).toBe(text)
  })
  it('does not speak emoji or marks of emphasis', () =>
    expect(spokenText('The **sea** 🌊 is deep.')).toBe('The sea is deep.'))

  it('says "and" after hundreds in British English', () => {
    expect(spokenText('1,205 steps, the 112th', { language: 'en-GB' })).toBe(
      'one thousand two hundred and five steps, the one hundred and twelfth',
    )
  })
  // Ordinary ways of reading them out (common practice); numbers by n2words.
  it.each([
    [
      'de',
      'Am 3. Mai 1822 waren es 2,5 km, d. h. 20 % mehr.',
      'Am dritten Mai achtzehnhundertzweiundzwanzig waren es zwei komma fünf Kilometer, das heißt zwanzig Prozent mehr.',
    ],
    [
      'fr',
      'Le 1er phare du XIXe siècle : 2 500 €.',
      'Le premier phare du dix-neuvième siècle: deux mille cinq cents euros.',
    ],
    ['es', 'En el siglo XIX medía 12,5 m.', 'En el siglo diecinueve medía doce coma cinco metros.'],
    ['it', 'Nel XIX secolo, 3 km', 'Nel diciannovesimo secolo, tre chilometri'],
    ['sv', 'År 1822', 'År artonhundratjugo-två'],
    ['tr', '%20', 'yüzde yirmi'],
    ['ja', '1822年', '1822年'],
  ])('follows the ways of %s', (language, written, said) =>
    expect(spokenText(written, { language })).toBe(said),
  )
})

describe('spokenForm', () => {
  it('knows which written word each spoken one stands for', () => {
    const { words } = spokenForm('It was 5 km off in 1822 & cold.')
    expect(words.map(({ text, written }) => `${written} ${text}`)).toEqual([
      '0 It',
      '1 was',
      '2 five',
      '3 kilometres',
      '4 off',
      '5 in',
      '6 eighteen',
      '6 twenty-two',
      '7 and',
      '8 cold.',
    ])
  })
  it('says words as the list asks, whole words only, the longest first', () => {
    const pronunciations = [
      { word: 'Reed', say: 'Rayd' },
      { word: 'Port Reed', say: 'Porter Eed' },
      { word: 'lens', say: '/lɛnz/' },
    ]
    expect(spokenText('Reed saw the Lens at Port Reed; reeds grew.', { pronunciations })).toBe(
      'Rayd saw the /lɛnz/ at Porter Eed; reeds grew.',
    )
  })
  it('goes through the written words in order, whatever is written', () => {
    const part = fc.constantFrom(
      'lamp',
      '£2.50',
      'in 1822',
      '—',
      '14 July',
      '5 km',
      'e.g.',
      '&',
      'Henry VIII',
      '1,000,000',
      '🌊',
      '3:1',
      'GPS',
      '1940–1945',
      '2½ hours',
      '[x]',
    )
    fc.assert(
      fc.property(fc.array(part, { maxLength: 12 }), (parts) => {
        const written = parts.join(' ')
        const { words, text } = spokenForm(written)
        expect(words.map((word) => word.text).join(' ')).toBe(text)
        words.forEach((word, i) => {
          expect(word.written).toBeGreaterThanOrEqual(words[i - 1]?.written ?? 0)
          expect(word.written).toBeLessThan(wordsOf(written).length)
        })
      }),
    )
  })
})
