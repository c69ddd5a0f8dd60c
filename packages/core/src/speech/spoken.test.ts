import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { spokenText } from './spoken.ts'

// Worked examples of how an English narrator reads what is written (common practice).
describe('spokenText', () => {
  describe.each<[string, [string, string][]]>([
    ['years and decades', [
      ['It opened in 1759.', 'It opened in seventeen fifty-nine.'],
      ['From 1940 to 1945', 'From nineteen forty to nineteen forty-five'],
      ['The 1890s were stormy.', 'The eighteen nineties were stormy.'],
      ['By 2008 it was automatic.', 'By two thousand eight it was automatic.'],
      ['In 2010', 'In twenty ten'],
      ['1901–1905', 'nineteen oh one to nineteen oh five'],
    ]],
    ['counts and ordinals', [
      ['It has 3,203 steps.', 'It has three thousand two hundred three steps.'],
      ['the 3rd keeper', 'the third keeper'],
      ['the 112th lamp', 'the one hundred twelfth lamp'],
      ['0.5 and 12.75', 'zero point five and twelve point seven five'],
      ['room 007', 'room zero zero seven'],
    ]],
    ['sentences with several', [
      ['In 1822 it cost £2.50, e.g. 5 km off.', 'In eighteen twenty-two it cost two pounds and fifty pence, for example five kilometres off.'],
      ['It rose 2–3 m in the 1820s.', 'It rose two to three metres in the eighteen twenties.'],
      ['Dr. Reed of St. Ives, 21st.', 'doctor Reed of saint Ives, twenty-first.'],
      ['$3.5 million at -5 °C', 'three point five million dollars at minus five degrees Celsius'],
      ['About 70% came at 5:30 p.m.', 'About seventy percent came at five thirty P M.'],
    ]],
    ['units', [
      ['It is 46 m high.', 'It is forty-six metres high.'],
      ['1 km away', 'one kilometre away'],
      ['a 250 W bulb', 'a two hundred fifty watts bulb'],
      ['at 20 °C', 'at twenty degrees Celsius'],
      ['60 km/h', 'sixty kilometres an hour'],
      ['5 m² of glass', 'five square metres of glass'],
    ]],
    ['money, parts and times', [
      ['It cost $1,200.', 'It cost one thousand two hundred dollars.'],
      ['£1', 'one pound'],
      ['€2 million', 'two million euros'],
      ['35% of it', 'thirty-five percent of it'],
      ['1/2 full', 'one half full'],
      ['2½ hours', 'two and a half hours'],
      ['at 6:05 a.m.', 'at six oh five A M.'],
      ['at 12:00', "at twelve o'clock"],
    ]],
    ['abbreviations and signs', [
      ['Mr. and Mrs. Reed', 'mister and missus Reed'],
      ['lamps, lenses, etc.', 'lamps, lenses, et cetera.'],
      ['Is it safe? No.', 'Is it safe? No.'],
      ['No. 4 buoy', 'number four buoy'],
      ['salt & vinegar', 'salt and vinegar'],
      ['see https://www.example.org/a?b=1', 'see example dot org'],
    ]],
  ])('%s', (_kind, examples) => {
    it.each(examples)('says %j', (written, said) => expect(spokenText(written)).toBe(said))
  })
  it('leaves no digit in anything made of numbers, units and words', () => {
    const part = fc.oneof(fc.integer({ min: 0, max: 99_999_999 }).map(String), fc.double({ min: 0, max: 9999, noNaN: true }).map((n) => n.toFixed(2)), fc.constantFrom('km', '%', 'in', 'the', '$5', '3rd', '12:30', '1990s', '-4 °C', '1–2', 'B52'))
    fc.assert(fc.property(fc.array(part, { maxLength: 8 }), (parts) => {
      expect(spokenText(parts.join(' '))).not.toMatch(/\d/)
    }))
  })
  it('leaves a sentence without anything to say differently as it is', () => {
    for (const text of ['The lamp burns.', 'Why does it turn?', 'البحر عميق.', '海很深。']) expect(spokenText(text)).toBe(text)
  })
  it('does not speak emoji or marks of emphasis', () => expect(spokenText('The **sea** 🌊 is deep.')).toBe('The sea is deep.'))
})
