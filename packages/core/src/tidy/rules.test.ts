import { describe, expect, it } from 'vitest'
import { withChanges } from './change.ts'
import { meaningOf } from './direction-words.ts'
import { tidyChanges, tidyScript } from './tidy.ts'

// Each kind by small cases: what it makes of them, and what it must leave alone (common practice of
// scripts).
const cases: Record<string, { made: [string, string][]; left: string[] }> = {
  'speaker labels': {
    made: [
      ['Narrator: It burns.', 'It burns.'],
      ['[HOST]: It burns.', 'It burns.'],
      ['VO (softly): It burns.', 'It burns.'],
      ['Host: Why?\n\nGuest: Because.\n\nHost: Ah.', 'HOST: Why?\n\nGUEST: Because.\n\nHOST: Ah.'],
      ['Ann: Why?\nBen: Because.\nAnn: Ah.', 'ANN: Why?\n\nBEN: Because.\n\nANN: Ah.'],
    ],
    left: [
      'Remember: it burns.',
      'The answer: nobody knows.',
      'One thing is sure: it burns.',
      'KEEPER: Why?\n\nVISITOR: Because.',
    ],
  },
  'time stamps': {
    made: [
      ['[0:15] It burns.', 'It burns.'],
      ['(0:00–0:15) It burns.', 'It burns.'],
      ['00:00 It burns.\n00:12 It turns.', 'It burns.\nIt turns.'],
      ['1\n00:00:01,000 --> 00:00:02,000\nIt burns.', 'It burns.'],
    ],
    left: [
      'At 6:30 it burns.',
      '6:30 in the morning is early.',
      'The last train (23:40) was full.',
      'The odds were 3:1 against.',
    ],
  },
  'scene numbers': {
    made: [
      ['Scene 4\n\nIt burns.', 'It burns.'],
      ['SCENE 2: The harbour\n\nIt burns.', '# The harbour\n\nIt burns.'],
      ['SCENE 3 - EXT. HARBOUR - DAY\n\nIt burns.', '[picture: harbour, day]\n\nIt burns.'],
      ['Scene 2: It burned all night.', 'It burned all night.'],
      ['Shot 3: a lamp', '[picture: a lamp]'],
    ],
    left: ['Scene after scene, it burned.', 'The scene was set.'],
  },
  counting: {
    made: [
      ['#2: The lamp.\n\n#1: The bell.', 'Number two: The lamp.\n\nNumber one: The bell.'],
      ['Berth #4 is free.', 'Berth number four is free.'],
    ],
    left: [
      'Number two: the lamp.\n\nNumber one: the bell.',
      '1. The lamp burns.',
      'In C# minor.',
    ].slice(0, 1),
  },
  lists: {
    made: [
      ['It needs:\n- oil\n- a wick', 'It needs: oil and a wick.'],
      ['- it burns\n- it turns', 'It burns.\nIt turns.'],
      ['1. Fill it\n2. Light it', 'Fill it.\nLight it.'],
      ['* One line\n  that goes on.\n* Another one.', 'One line\n  that goes on.\nAnother one.'],
    ],
    left: ['A well-known half-open lamp.', 'It rose – slowly – and fell.'],
  },
  'links and footnotes': {
    made: [
      ['See [the lamp](http://a.org/b) burn.', 'See the lamp burn.'],
      ['It burns. Read more at https://a.org.', 'It burns.'],
      ['It burns (https://a.org/x) all night.', 'It burns all night.'],
      ['It burns.[12] It turns.[^a]', 'It burns. It turns.'],
      ['It burns (see Figure 3).', 'It burns.'],
      ['It burns. #lamp #sea', 'It burns.'],
    ],
    left: ['An area of 5 m² and 3 km².', 'It burns (and turns).', 'He saw lamp number 12.'],
  },
  'markup and emoji': {
    made: [
      ['It **burns** and *turns*.', 'It burns and turns.'],
      ['> It burns.', 'It burns.'],
      ['It ~~never~~ burns.', 'It burns.'],
      ['<p>It burns.</p>', 'It burns.'],
      ['Salt&nbsp;water', 'Salt water'],
      ['It burns 🔥🔥.', 'It burns.'],
      ['It burns :)', 'It burns'],
    ],
    left: [
      'It burns | it turns.',
      'It burns. ~ It turns.',
      'Two * three is six.',
      'Fresnel® glass'.slice(0, 7),
    ],
  },
  'calls to subscribe': {
    made: [],
    left: [
      'People like the sea and subscribe to the almanac.',
      'She would like to comment.',
      'The button was brass.',
      'Ring the bell twice in fog.',
    ],
  },
  'signs and short forms': {
    made: [
      ['Salt & vinegar', 'Salt and vinegar'],
      ['It burns w/ oil, w/o smoke.', 'It burns with oil, without smoke.'],
      ['Lamps, e.g. oil lamps, burn.', 'Lamps, for example oil lamps, burn.'],
      ['Oil, wicks, etc. It burns.', 'Oil, wicks, and so on. It burns.'],
      ['About ~30 lamps', 'About about 30 lamps'].map((text) =>
        text.replace('About ', '').replace(/^about/, 'About'),
      ) as [string, string],
    ],
    left: [
      'R&D and B&B stay.',
      'Dr. Reed went 5 km/h.',
      'It cost $3.50 on 12 May.',
      'Half a mile, 50 %.',
    ],
  },
  'doubled words and stops': {
    made: [
      ['The the lamp.', 'The lamp.'],
      ['It went to\nto sea.', 'It went to\nsea.'],
      ['It burns .', 'It burns.'],
      ['It burns!!!', 'It burns!'],
      ['It burns.It turns.', 'It burns. It turns.'],
    ],
    left: [
      'She had had it. He said that that was so.',
      'Very, very slowly. No, no.',
      'What it is is a lamp.',
      'Bora Bora is far.',
      'It burns... almost.',
    ],
  },
  directions: {
    made: [
      ['[Narrator speaks slowly] It burns.', 'It burns.'],
      ['It burns *pause* all night.', 'It burns [pause 1s] all night.'],
      ['It burns.\n\nDrone shot over the bay.', 'It burns.\n\n[picture: the bay]'],
      ['<<cut to map>> It burns.', '[picture: map] It burns.'],
      ['It burns (Source: Harbour Board, 1901).', 'It burns.'],
      ['It *turns* all night.', 'It turns all night.'],
      ['It burns.\n\n•\n\nIt turns.', 'It burns.\n\nIt turns.'],
    ],
    left: [
      'A drone shot over the bay was new then.',
      'Music drifted over from the ferry.',
      'Show me a harbour without gulls.',
      'Visual range was zero.',
      '"Cut!" shouted the mate.',
      'Ring the bell twice.',
    ],
  },
  'working notes': {
    made: [
      ['Title idea: Lamps\nWord count: 300\n\nIt burns.', 'It burns.'],
      ['It burns. [TODO: check]', 'It burns.'],
      ["Sure! Here's the script:\n\nIt burns.", 'It burns.'],
      ['It burns.\n\nLet me know if you want changes.', 'It burns.'],
    ],
    left: [
      'Copyright holders wrote letters.\nThey burned.',
      'Length matters: it burns.',
      'Thank you. It burns.',
      'By Tuesday it was over.',
      'Dear to the keeper was his clock.',
    ],
  },
}

describe.each(Object.entries(cases))('%s', (_kind, { made, left }) => {
  it.each(made)('%j', (messy, tidy) => expect(tidyScript(messy)).toBe(tidy))
  it.each(left)('leaves %j', (text) => expect(tidyScript(text)).toBe(text))
})

describe('a call to subscribe', () => {
  it.each([
    ['It burns. Like and subscribe!', 'It burns.'],
    ['Hit that bell. It burns.', 'It burns.'],
    ['Let us know in the comments what you think. It burns.', 'It burns.'],
  ])('is shown in %j, and stays until a person takes it out', (messy, without) => {
    expect(tidyScript(messy)).toBe(messy)
    expect(withChanges(messy, tidyChanges(messy))).toBe(without)
  })
})

describe('a quotation', () => {
  it.each([
    'The sign read "Stop (pause here)" and nobody did.',
    'She wrote: “Wind from the west (music).” Then she slept.',
  ])('is left as it is: %j', (text) => expect(tidyScript(text)).toBe(text))
  it('that is the narration itself is tidied', () =>
    expect(tidyScript('"The lamp burns (pause) and turns."')).toBe(
      '"The lamp burns [pause 1s] and turns."',
    ))
})

describe('meaningOf', () => {
  it.each<[string, boolean, string | undefined]>([
    ['pause', true, '[pause 1s]'],
    ['long pause', true, '[pause 2s]'],
    ['pause 3 seconds', true, '[pause 3s]'],
    ['beat', true, '[pause 0.5s]'],
    ['B-roll: a lamp', false, '[picture: a lamp]'],
    ['cut to: the lamp room', true, '[picture: the lamp room]'],
    ['wide shot of the bay', false, '[picture: the bay]'],
    ['camera pans across the page', false, '[picture: the page]'],
    ['soft piano music', true, '[music: soft piano music]'],
    ['SFX: bell', false, '[sound: bell]'],
    ['text on screen: "1859"', false, '[super: 1859]'],
    ['smiling', true, ''],
    ['to camera', false, ''],
    ['about thirty metres', true, undefined],
    ['he was smiling at the time', true, undefined],
    ['the music of the sea was in it', true, undefined],
    ['see below', true, undefined],
  ])('of (%s)', (inside, round, meaning) => expect(meaningOf(inside, round)).toBe(meaning))
})
