import { dictionary } from 'cmu-pronouncing-dictionary'
import { describe, expect, it } from 'vitest'
import { arpabetOf, espeakSoundsOf, hasSounds } from './ipa.ts'

/**
 * ARPAbet → IPA, the usual table (CMU Pronouncing Dictionary; IPA values from memory); sounds are
 * joined by the syllable's dot, so that two do not read as one.
 */
const IPA: Record<string, string> = {
  AA: 'ɑ',
  AE: 'æ',
  AH: 'ʌ',
  AO: 'ɔ',
  AW: 'aʊ',
  AY: 'aɪ',
  EH: 'ɛ',
  ER: 'ɝ',
  EY: 'eɪ',
  IH: 'ɪ',
  IY: 'i',
  OW: 'oʊ',
  OY: 'ɔɪ',
  UH: 'ʊ',
  UW: 'u',
  B: 'b',
  CH: 'tʃ',
  D: 'd',
  DH: 'ð',
  F: 'f',
  G: 'ɡ',
  HH: 'h',
  JH: 'dʒ',
  K: 'k',
  L: 'l',
  M: 'm',
  N: 'n',
  NG: 'ŋ',
  P: 'p',
  R: 'ɹ',
  S: 's',
  SH: 'ʃ',
  T: 't',
  TH: 'θ',
  V: 'v',
  W: 'w',
  Y: 'j',
  Z: 'z',
  ZH: 'ʒ',
}
const ipaOf = (arpabet: string) =>
  arpabet
    .split(' ')
    .map((sound) => {
      const [, name, stress] = /^([A-Z]+)(\d?)$/.exec(sound)!
      return ({ 1: 'ˈ', 2: 'ˌ' }[Number(stress)] ?? '') + IPA[name!]!
    })
    .join('.')

describe('arpabetOf', () => {
  it('leads thousands of words of the CMU Pronouncing Dictionary back to themselves', () => {
    const words = Object.values(dictionary).filter(
      (said, i) => i % 29 === 0 && /^[A-Z0-2 ]+$/.test(said),
    )
    expect(words.length).toBeGreaterThan(4000)

    for (const word of words.filter((said) => said.includes('1')))
      expect(arpabetOf(ipaOf(word)).join(' ')).toBe(word)
  })
  it('stresses the first syllable where nothing is marked, and passes over what English has not', () => {
    expect(arpabetOf('taɪdi')).toEqual(['T', 'AY1', 'D', 'IY0'])
    expect(arpabetOf('ˈʙøt!')).toEqual(['T'])
    expect(hasSounds('123')).toBe(false)
    expect(hasSounds('ˈsiː')).toBe(true)
  })
})

describe('espeakSoundsOf', () => {
  // As `espeak-ng -x -v en-gb` prints these words.
  it.each([
    ['ˈtaɪdi', "t'aIdi"],
    ['ʃɪp', "S'Ip"],
    ['ˈhɑːbə', "h'A:b@"],
  ])('writes %s as %s', (ipa, sounds) => expect(espeakSoundsOf(ipa)).toBe(sounds))
})
