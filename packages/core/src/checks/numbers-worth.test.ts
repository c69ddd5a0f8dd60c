import { describe, expect, it } from 'vitest'
import { numbersWorth } from './numbers-worth.ts'

describe('numbersWorth', () => {
  it.each([
    ['In 1822 an engineer in France cut a lens.', ['1822']],
    ['On a clear night the beam is seen from twenty miles out at sea.', ['20 miles']],
    ['For two thousand years keepers burned wood, then coal.', ['2,000 years']],
    ['The lens may weigh 5 tonnes and floats in 1,200 kg of mercury.', ['5 tonnes', '1,200 kg']],
    ['About 40 % of it is lost.', ['40 %']],
    ['There are 7 billion people.', ['7 billion']],
    ['It costs £2.5 million.', ['£2.5 million']],
    ['Between 1859 and 1901 it grew.', ['1859', '1901']],
  ])('finds those of "%s"', (text, numbers) => expect(numbersWorth(text)).toEqual(numbers))
  it.each([
    'Two of the three men sailed on.',
    'One day the first ship came.',
    'It takes a second.',
    'Nobody knows.',
    '',
    '1 2 3 4 5',
    '0',
  ])('leaves "%s" as it is', (text) => expect(numbersWorth(text)).toEqual([]))
  it('offers three at most, each once', () =>
    expect(numbersWorth('In 1822, in 1822, in 1840, in 1850 and in 1860.')).toEqual([
      '1822',
      '1840',
      '1850',
    ]))
})
