import { describe, expect, it } from 'vitest'
import { MADE_SOUNDS } from '../film/sound/made/made-sounds.ts'
import { findSounds, offeredSounds } from './find-sounds.ts'

describe('offeredSounds', () => {
  const titles = (text: string) => offeredSounds(text, MADE_SOUNDS).map(({ sound }) => sound.title)
  it('offers what a scene and its pictures speak of, the likeliest first, and nothing else', () => {
    expect(titles('The keeper hears rain on the glass. Lighthouse in a storm, rain')).toEqual([
      'Rain on glass',
      'Rain',
    ])
    expect(titles('Taxes were raised in that year.')).toEqual([])
  })
})

describe('findSounds', () => {
  // Written down before the search was: other words than the table's own where people have them.
  it.each([
    ['rain', 'Rain'],
    ['rain on glass', 'Rain on glass'],
    ['heavy rain', 'Heavy rain'],
    ['a ship\u2019s bell', 'A ship\u2019s bell'],
    ['seagulls', 'Gulls'],
    ['waves breaking on the shore', 'Waves on a beach'],
    ['footsteps on gravel', 'Steps on gravel'],
    ['church bells', 'A church bell'],
    ['clock ticking', 'A clock'],
    ['someone knocks at the door', 'A knock'],
    ['distant thunder', 'Thunder far away'],
    ['applause', 'Applause'],
    ['telephone ringing', 'A telephone'],
    ['foghorn', 'A foghorn'],
    ['crackling fire', 'A fire'],
    ['page turning', 'Paper'],
    ['market crowd', 'A crowd'],
    ['wind howling', 'Storm wind'],
    ['camera shutter', 'A camera'],
    ['whoosh', 'A whoosh'],
  ])('finds for “%s” %s', (words, title) => {
    expect(findSounds(words, MADE_SOUNDS)[0]?.sound.title).toBe(title)
  })
  it.each(['zither', 'tax return', '', 'the of', '!!!'])('finds nothing for “%s”', (words) => {
    expect(findSounds(words, MADE_SOUNDS)).toEqual([])
  })
})
