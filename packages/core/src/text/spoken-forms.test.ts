import { describe, expect, it } from 'vitest'
import { spokenText } from './spoken.ts'

// How each is read aloud is common practice, written down from memory; none of these sentences was
// at hand when the rules were made, but for the first of each kind.

const MEASURES_OF_A_KIND = [
  ['a £5 coin', 'a five pound coin'],
  ['a 3 km walk', 'a three kilometre walk'],
  ['the 40 m tower', 'the forty metre tower'],
  ['a 2 m tall door', 'a two metre tall door'],
  ['an 8 kg stone', 'an eight kilogram stone'],
  ['its 12 V battery', 'its twelve volt battery'],
  ['a 60 W bulb', 'a sixty watt bulb'],
  ['every 25 cm step', 'every twenty-five centimetre step'],
  ["the harbour's 300 t crane", "the harbour's three hundred tonne crane"],
  ['a 6ft man', 'a six foot man'],
  ['a 1 km path', 'a one kilometre path'],
  ['a 1.5 km path', 'a one point five kilometre path'],
  ['a 1,200 km coast', 'a one thousand two hundred kilometre coast'],
  ['a 50 mph wind', 'a fifty mile an hour wind'],
  ['a $20 note', 'a twenty dollar note'],
  ['a €500 fine', 'a five hundred euro fine'],
  ['a £2.50 ticket', 'a two pound fifty ticket'],
  ['a $3 million project', 'a three million dollar project'],
  ['the £1.2 billion bridge', 'the one point two billion pound bridge'],
  ['5-km races', 'five kilometre races'],
  ['a 10 × 15 cm card', 'a ten by fifteen centimetre card'],
]
const MEASURES_BY_THEMSELVES = [
  ['It costs £5.', 'It costs five pounds.'],
  ['The bridge is 3 km long.', 'The bridge is three kilometres long.'],
  ['After 3 km the road ends.', 'After three kilometres the road ends.'],
  ['the 3 km of coast', 'the three kilometres of coast'],
  ['the 3 km between them', 'the three kilometres between them'],
  ['the 3 km along the shore', 'the three kilometres along the shore'],
  ['a 3 km', 'a three kilometres'],
  ['It weighs 500 kg and floats.', 'It weighs five hundred kilograms and floats.'],
  ['They paid the £40 to the owner.', 'They paid the forty pounds to the owner.'],
  ['The project cost $3 million.', 'The project cost three million dollars.'],
  ['about 20 m deep', 'about twenty metres deep'],
]
const DAYS = [
  ['On 5 March 1822 it was lit.', 'On the fifth of March eighteen twenty-two it was lit.'],
  ['On the 21 June the sun stands still.', 'On the twenty-first of June the sun stands still.'],
  ['5 March was cold.', 'the fifth of March was cold.'],
  ['from 5 to 7 March', 'from the fifth to the seventh of March'],
  ['5–7 March', 'the fifth to the seventh of March'],
  ['between 1 and 3 May', 'between the first and the third of May'],
  ['on the 5th of March', 'on the fifth of March'],
  ['on March 5, 1822,', 'on March fifth, eighteen twenty-two,'],
  ['in March 1822', 'in March eighteen twenty-two'],
]
const SHORT_FORMS = [
  ['Dr. Hall lives in Hall Dr. now.', 'doctor Hall lives in Hall drive now.'],
  ['at 12 Hall Dr. in town', 'at twelve Hall drive in town'],
  ['Ask Dr. Reed.', 'Ask doctor Reed.'],
  ['St. John lived on Main St. for years.', 'saint John lived on Main street for years.'],
  ['the church of St. Mary', 'the church of saint Mary'],
  ['at 4 Mill St. and', 'at four Mill street and'],
  ['He moved to Harbour St.', 'He moved to Harbour street.'],
]
const SIZES_AND_SHARES = [
  ['split 60/40', 'split sixty forty'],
  ['an 80/20 rule', 'an eighty twenty rule'],
  ['50/50', 'fifty fifty'],
  ['3/4 of it', 'three quarters of it'],
  ['a 4x6 print', 'a four by six print'],
  ['a 4 x 4 truck', 'a four by four truck'],
  ['10×15', 'ten by fifteen'],
  ['2x3x4', 'two by three by four'],
  ['3 × 4 = 12', 'three times four equals twelve'],
  ['1920x1080', 'one thousand nine hundred and twenty by one thousand and eighty'],
  ['more than 50+ ships', 'more than fifty plus ships'],
  ['>90% of it', 'more than ninety percent of it'],
  ['<5 boats', 'less than five boats'],
  ['3½ hours of ¾ of it', 'three and a half hours of three quarters of it'],
  ['12½ miles', 'twelve and a half miles'],
]
const NAMES_OF_THINGS = [
  ['Flight BA 117', 'Flight B A one one seven'],
  ['Room 101', 'Room one oh one'],
  ['Boeing 747', 'Boeing seven forty-seven'],
  ['Route 66', 'Route sixty-six'],
  ['Room 300', 'Room three hundred'],
  ['the 7.30 train', 'the seven thirty train'],
  ['7.30 metres', 'seven point three zero metres'],
  ['Nf3', 'knight f three'],
  ['Qxe5', 'queen takes e five'],
  ['www.harbour.example/tides', 'harbour dot example slash tides'],
  ['https://harbour.example/tide-tables.', 'harbour dot example slash tide dash tables.'],
  ['5 kg/m³', 'five kilograms a cubic metre'],
  ['9.8 m/s²', 'nine point eight metres a second squared'],
]

describe('spokenText, in English', () => {
  it.each([
    ...MEASURES_OF_A_KIND,
    ...MEASURES_BY_THEMSELVES,
    ...DAYS,
    ...SHORT_FORMS,
    ...SIZES_AND_SHARES,
    ...NAMES_OF_THINGS,
  ])('says "%s" as "%s"', (written, said) =>
    expect(spokenText(written, { language: 'en-GB' })).toBe(said),
  )
})

describe('spokenText, in other languages', () => {
  it.each([
    ['de', 'im Verhältnis 60/40', 'im Verhältnis sechzig vierzig'],
    ['de', 'ein Bild von 4x6 Metern', 'ein Bild von vier mal sechs Metern'],
    ['fr', 'un partage 60/40', 'un partage soixante quarante'],
    ['fr', 'une photo de 4x6', 'une photo de quatre sur six'],
    ['es', 'un reparto 60/40', 'un reparto sesenta cuarenta'],
    ['es', 'una foto de 4x6', 'una foto de cuatro por seis'],
    ['it', 'una foto 4 x 6', 'una foto quattro per sei'],
  ])('says in %s "%s" as "%s"', (language, written, said) =>
    expect(spokenText(written, { language })).toBe(said),
  )
})
