import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isFault, TidyError } from '../faults/fault.ts'
import { parseScript } from '../script/parse.ts'
import { apply } from './apply.ts'
import { Command } from './command.ts'
import { Document, emptyDocument } from './document.ts'
import { filmOf } from './film-scenes.ts'
import { takenBack } from './inverse.ts'

const picture = (id: string, kind: 'clip' | 'photo' = 'photo') => ({
  id,
  kind,
  title: id,
  seconds: kind === 'clip' ? 6 : null,
  width: 1,
  height: 1,
  source: '',
  licence: '',
  author: '',
})
const item = picture('a')
const run = (document: Document, ...commands: Command[]) =>
  commands.reduce((now, command) => apply(now, command).document, document)
const film = (script: string) => run(emptyDocument('T'), { type: 'setScript', script })
const start = film('# C\nThe lamp burns. [super: 1] The sea is calm. It turns.')
const texts = ({ scenes }: Document) => scenes.map(({ text }) => text)
const ids = ({ scenes }: Document) => scenes.map(({ id }) => id)
const fault = (act: () => unknown) => {
  try {
    act()
  } catch (cause) {
    return (cause as TidyError).code
  }
}

describe('editNarration', () => {
  it('keeps the picture of a sentence that is edited, and takes scenes out with empty text', () => {
    const edited = run(
      start,
      { type: 'setShot', sceneId: 's2', shot: 0, item },
      { type: 'editNarration', sceneId: 's2', text: 'The sea is quite calm.' },
    )
    expect(edited.scenes[1]).toMatchObject({
      id: 's2',
      text: 'The sea is quite calm.',
      shots: [{ item, by: 'hand' }],
    })
    expect(edited.script).toBe('# C\nThe lamp burns. [super: 1] The sea is quite calm. It turns.')
    expect(ids(run(edited, { type: 'editNarration', sceneId: 's1', text: '' }))).toEqual([
      's2',
      's3',
    ])
  })
  it('makes a sentence typed in a scene of its own, and leaves one that was joined to another joined', () => {
    expect(
      texts(
        run(start, { type: 'editNarration', sceneId: 's1', text: 'The lamp burns. A gull cries.' }),
      ),
    ).toEqual(['The lamp burns.', 'A gull cries.', 'The sea is calm.', 'It turns.'])
    const joined = run(
      start,
      { type: 'mergeScene', sceneId: 's1' },
      { type: 'editNarration', sceneId: 's1', text: 'The old lamp burns. The sea is calm.' },
    )
    expect(texts(joined)).toEqual(['The old lamp burns. The sea is calm.', 'It turns.'])
  })
  it('leaves a cut on its word', () => {
    const cut = run(
      start,
      { type: 'setShot', sceneId: 's2', shot: 0, item },
      { type: 'addShot', sceneId: 's2', shot: 1, item: picture('b'), word: 3 },
      { type: 'editNarration', sceneId: 's2', text: 'The wide sea is calm.' },
    )
    expect(cut.scenes[1]!.shots[1]!.word).toBe(4)
  })
})

describe('splitScene and mergeScene', () => {
  it('part a scene in the middle of a sentence and bring back the script letter for letter', () => {
    const parted = run(start, { type: 'splitScene', sceneId: 's2', at: 8 })
    expect(texts(parted)).toEqual(['The lamp burns.', 'The sea', 'is calm.', 'It turns.'])
    expect(parted.script).toBe('# C\nThe lamp burns. [super: 1] The sea | is calm. It turns.')
    expect(run(parted, { type: 'mergeScene', sceneId: 's2' }).script).toBe(start.script)
  })
  it('part before a word when the place is inside it, and behind the first', () => {
    const at = (place: number) =>
      texts(run(start, { type: 'splitScene', sceneId: 's2', at: place })).slice(1, 3)
    expect([at(6), at(1)]).toEqual([
      ['The', 'sea is calm.'],
      ['The', 'sea is calm.'],
    ])
    expect(texts(run(film('海很深很冷。'), { type: 'splitScene', sceneId: 's1', at: 3 }))).toEqual([
      '海很深',
      '很冷。',
    ])
  })
  it('keep each picture with the words it stood at', () => {
    const shown = run(
      start,
      { type: 'setShot', sceneId: 's2', shot: 0, item },
      { type: 'addShot', sceneId: 's2', shot: 1, item: picture('b'), word: 2 },
    )
    const parted = run(shown, { type: 'splitScene', sceneId: 's2', at: 8 })
    expect(
      parted.scenes.slice(1, 3).map(({ shots }) => shots.map((shot) => shot.item?.id)),
    ).toEqual([['a'], ['b']])
    expect(run(parted, { type: 'mergeScene', sceneId: 's2' }).scenes[1]).toEqual(shown.scenes[1])
  })
  it('join sentences and paragraphs, the picture of both staying, and split them where they were', () => {
    const two = film('The lamp burns.\n\nIt turns. So it goes.')
    const joined = run(two, { type: 'mergeScene', sceneId: 's1' })
    expect([joined.script, ...texts(joined)]).toEqual([
      'The lamp burns. ~ It turns. So it goes.',
      'The lamp burns. It turns.',
      'So it goes.',
    ])
    expect(run(joined, { type: 'splitScene', sceneId: 's1', at: 16 }).script).toBe(
      'The lamp burns. It turns. So it goes.',
    )
  })
  it('refuse what leaves nothing to speak, the last scene, and to reach over a heading or to another speaker', () => {
    expect(fault(() => run(start, { type: 'splitScene', sceneId: 's1', at: 0 }))).toBe(
      'split_empty',
    )
    expect(fault(() => run(start, { type: 'mergeScene', sceneId: 's3' }))).toBe('merge_last')
    expect(
      fault(() => run(film('One.\n# Two\nThree.'), { type: 'mergeScene', sceneId: 's1' })),
    ).toBe('merge_over_heading')
    expect(
      fault(() => run(film('ANN: One.\n\nBEN: Two.'), { type: 'mergeScene', sceneId: 's1' })),
    ).toBe('merge_over_speaker')
  })
})

describe('moving, copying and removing scenes', () => {
  it('takes directions along and leaves other paragraphs letter for letter', () => {
    const three = film('One   is here.\n\n[picture: two] Two. [pause 1s] Three.\n\n# Last\nFour.')
    expect(
      run(three, { type: 'moveScenes', sceneIds: ['s2'], place: { after: 's4' } }).script,
    ).toBe('One   is here.\n\nThree.\n\n# Last\nFour. [picture: two] Two. [pause 1s]')
    expect(run(three, { type: 'duplicateScenes', sceneIds: ['s2'] }).script).toContain(
      '[picture: two] Two. [pause 1s] [picture: two] Two. [pause 1s] Three.',
    )
    expect(run(three, { type: 'deleteScenes', sceneIds: ['s2', 's3'] }).script).toBe(
      'One   is here.\n\n# Last\nFour.',
    )
  })
  it('keeps the speaker of a scene that moves into what another speaks', () => {
    const two = film('ANN: One. Two.\n\nBEN: Three. Four.')
    expect(run(two, { type: 'moveScenes', sceneIds: ['s1'], place: { before: 's4' } }).script).toBe(
      'ANN: Two.\n\nBEN: Three.\n\nANN: One.\n\nBEN: Four.',
    )
  })
  it('puts scenes of another episode in with their pictures', () => {
    const pasted = run(start, {
      type: 'insertScenes',
      place: { before: 's1' },
      scenes: [{ script: 'A gull | cries.', speaker: '', shots: [{ item, by: 'hand' }] }],
    })
    expect(texts(pasted).slice(0, 3)).toEqual(['A gull', 'cries.', 'The lamp burns.'])
    expect(pasted.scenes[0]!.shots[0]!.item).toEqual(item)
  })
})

describe('settings', () => {
  it('are made for all scenes, a chapter or some', () => {
    const two = film('One. Two.\n# B\nThree.')
    const hidden = (target: 'all' | { chapterOf: string } | string[]) =>
      run(two, { type: 'adjustScenes', target, set: { hidden: true } }).scenes.map(
        (scene) => scene.hidden ?? false,
      )
    expect([hidden('all'), hidden({ chapterOf: 's2' }), hidden(['s3'])]).toEqual([
      [true, true, true],
      [true, true, false],
      [false, false, true],
    ])
  })
  it('write pause, words on the picture, speaker and chapter into the script', () => {
    const paused = run(start, { type: 'adjustScenes', target: ['s1'], set: { pause: 72_000 } })
    expect(paused.script).toBe(
      '# C\nThe lamp burns. [pause 1.5s] [super: 1] The sea is calm. It turns.',
    )
    expect(run(paused, { type: 'adjustScenes', target: ['s1'], set: { pause: null } }).script).toBe(
      start.script,
    )
    const lettered = run(start, {
      type: 'adjustScenes',
      target: ['s1', 's2'],
      set: { drawn: [{ form: 'super', text: '1859' }] },
    })
    expect(lettered.script).toBe(
      '# C\n[super: 1859] The lamp burns. [super: 1859] The sea is calm. It turns.',
    )
    expect(
      run(lettered, { type: 'adjustScenes', target: 'all', set: { drawn: null } }).script,
    ).toBe('# C\nThe lamp burns. The sea is calm. It turns.')
    const spoken = run(start, { type: 'adjustScenes', target: ['s2'], set: { speaker: 'KEEPER' } })
    expect(spoken.script).toBe(
      '# C\nThe lamp burns.\n\nKEEPER: [super: 1] The sea is calm.\n\nIt turns.',
    )
    expect(run(start, { type: 'setChapter', sceneId: 's3', title: 'Next' }).script).toBe(
      '# C\nThe lamp burns. [super: 1] The sea is calm.\n\n# Next\n\nIt turns.',
    )
    expect(run(start, { type: 'setChapter', sceneId: 's1', title: null }).script).not.toContain('#')
  })
  it('keep what a service would show beside the script, and write into it what is taken', () => {
    const depiction = { see: 'a lamp at dusk', search: ['lamp'], not: ['torch'], finds: 3 }
    const offered = run(start, {
      type: 'offerDepictions',
      scenes: [
        { sceneId: 's1', text: 'The lamp burns.', depiction },
        { sceneId: 's2', text: 'What it said before.', depiction },
      ],
    })
    expect(offered.script).toBe(start.script)
    expect(offered.scenes.map((scene) => scene.depiction?.see)).toEqual([
      'a lamp at dusk',
      undefined,
      undefined,
    ])
    const taken = run(offered, { type: 'takeDepictions', sceneIds: ['s1', 's2'] })
    expect(taken.script).toBe(
      '# C\n[picture: a lamp at dusk, not torch] The lamp burns. [super: 1] The sea is calm. It turns.',
    )
    expect(filmOf(taken).scenes.map(({ search }) => search)).toEqual([
      ['lamp'],
      undefined,
      undefined,
    ])
    const own = run(taken, {
      type: 'adjustScenes',
      target: ['s1'],
      set: { picture: 'a lamp at dawn' },
    })
    expect(own.script).toContain('[picture: a lamp at dawn] The lamp burns.')
    expect(filmOf(own).scenes[0]!.search).toBeUndefined()
    const rewritten = run(offered, { type: 'editNarration', sceneId: 's1', text: 'It is out.' })
    expect(run(rewritten, { type: 'takeDepictions', sceneIds: ['s1'] }).script).toBe(
      rewritten.script,
    )
  })
  it('leave pictures chosen by hand, and scenes whose words changed, alone when matching places its own', () => {
    const other = picture('b')
    const placed = run(
      start,
      { type: 'setShot', sceneId: 's1', shot: 0, item },
      {
        type: 'placeShots',
        scenes: [
          { sceneId: 's1', text: 'The lamp burns.', items: [other] },
          { sceneId: 's2', text: 'Something else.', items: [other] },
          { sceneId: 's3', text: 'It turns.', items: [other] },
        ],
      },
    )
    expect(placed.scenes.map(({ shots }) => shots[0]?.item?.id)).toEqual(['a', undefined, 'b'])
  })
  it('let a picture go on over a scene until it is given one of its own', () => {
    const held = { how: 'hold' as const, after: 's1' }
    const place = (...more: Command[]) =>
      run(start, ...more, {
        type: 'placeShots',
        scenes: [{ sceneId: 's2', text: 'The sea is calm.', items: [item], begins: held }],
      })
    const begins = (document: Document) => document.scenes[1]!.begins?.how
    expect(place().scenes[1]!.begins).toEqual({ ...held, by: 'match' })
    expect(begins(run(place(), { type: 'setShot', sceneId: 's2', shot: 0, item }))).toBeUndefined()
    // What a person chose, and where they said that a picture begins, is never held over.
    expect(begins(place({ type: 'setShot', sceneId: 's2', shot: 0, item }))).toBeUndefined()
    const cut: Command = { type: 'adjustScenes', target: ['s2'], set: { begins: 'cut' } }
    expect(place(cut).scenes[1]!.begins).toEqual({ how: 'cut', by: 'hand' })
    expect(begins(run(start, { type: 'splitScene', sceneId: 's1', at: 8 }))).toBe('cut')
  })
  it('lay several pictures on a scene at once, and exchange two of them in one step', () => {
    const laid = run(
      start,
      { type: 'setShot', sceneId: 's1', shot: 0, item },
      { type: 'layShots', sceneId: 's2', items: [picture('b'), picture('c')] },
      { type: 'swapShots', a: { sceneId: 's1', shot: 0 }, b: { sceneId: 's2', shot: 1 } },
    )
    expect(laid.scenes.slice(0, 2).map(({ shots }) => shots.map((shot) => shot.item?.id))).toEqual([
      ['c'],
      ['b', 'a'],
    ])
    expect(
      fault(() =>
        run(laid, {
          type: 'swapShots',
          a: { sceneId: 's1', shot: 3 },
          b: { sceneId: 's2', shot: 1 },
        }),
      ),
    ).toBe('shot_not_found')
    expect(
      fault(() =>
        run(laid, {
          type: 'swapShots',
          a: { sceneId: 'none', shot: 0 },
          b: { sceneId: 's2', shot: 1 },
        }),
      ),
    ).toBe('scene_not_found')
  })
  it('refuse a cut beyond its neighbours', () => {
    const three = run(
      start,
      ...[0, 1, 2].map((shot): Command => ({ type: 'setShot', sceneId: 's2', shot, item })),
      { type: 'setCut', sceneId: 's2', shot: 2, word: 2 },
    )
    expect(fault(() => run(three, { type: 'setCut', sceneId: 's2', shot: 1, word: 3 }))).toBe(
      'cut_not_possible',
    )
    expect(
      run(three, { type: 'setCut', sceneId: 's2', shot: 1, word: 1 }).scenes[1]!.shots.map(
        ({ word }) => word,
      ),
    ).toEqual([undefined, 1, 2])
  })
})

const scripts = fc
  .array(
    fc.constantFrom(
      'The lamp.',
      '\n\n# H\n',
      '\n\n',
      'It turns, slowly.',
      '[pause 1s]',
      'Why?',
      'A B C.',
      'ANN: Yes.',
      '[picture: a',
      '~',
      '|',
      '*very* old',
      '…',
      '#',
      '海は深い。',
      '[super: x] and',
    ),
    { maxLength: 14 },
  )
  .map((parts) => parts.join(' '))
const nth = fc.nat({ max: 20 })
const words = fc.constantFrom(
  '',
  'New words.',
  'Two. Sentences here.',
  '# head',
  'ANN: said',
  '[pause 2s]',
  'a | b',
  '~',
)
const target = fc.oneof(
  fc.constant('all' as const),
  fc.record({ chapterOf: nth }),
  fc.array(nth, { minLength: 1, maxLength: 3 }),
)
const place = fc.oneof(
  fc.record({ before: nth }),
  fc.record({ after: nth }),
  fc.constant('end' as const),
)
const some = fc.array(nth, { minLength: 1, maxLength: 3 })
const view = fc.record({
  x: fc.double({ min: 0, max: 1, noNaN: true }),
  y: fc.constant(0.5),
  scale: fc.double({ min: 0.1, max: 1, noNaN: true }),
})
const maybe = <T>(value: fc.Arbitrary<T>) => fc.option(value)
const chosen = maybe(fc.constantFrom(picture('a'), picture('b', 'clip')))
const transition = fc.constantFrom(
  { kind: 'cut', samples: 0 },
  { kind: 'dissolve', samples: 48_000 },
  { kind: 'dip', samples: 24_000 },
)
/** Commands of every kind; scenes are numbers yet, taken modulo the scenes there are. */
const commands = fc.oneof(
  fc.record({ type: fc.constant('setScript'), script: scripts }),
  fc.record({ type: fc.constant('editNarration'), sceneId: nth, text: words }),
  fc.record({
    type: fc.constant('splitScene'),
    sceneId: nth,
    at: fc.integer({ min: -2, max: 20 }),
  }),
  fc.record({ type: fc.constant('mergeScene'), sceneId: nth }),
  fc.record({
    type: fc.constant('insertScenes'),
    place,
    scenes: fc.array(
      fc.record({ script: words.filter(Boolean), speaker: fc.constantFrom('', 'BEN') }),
      { minLength: 1, maxLength: 2 },
    ),
  }),
  fc.record({ type: fc.constant('moveScenes'), sceneIds: some, place }),
  fc.record({ type: fc.constantFrom('duplicateScenes', 'deleteScenes'), sceneIds: some }),
  fc.record({
    type: fc.constant('adjustScenes'),
    target,
    set: fc.record(
      {
        hidden: fc.boolean(),
        length: maybe(fc.integer({ min: 1, max: 90_000 })),
        pause: maybe(fc.integer({ min: 0, max: 90_000 })),
        drawn: maybe(
          fc.array(
            fc.record({
              form: fc.constantFrom('super' as const, 'number' as const, 'list' as const),
              text: fc.constantFrom('1859', '20 miles: far'),
            }),
            { maxLength: 2 },
          ),
        ),
        speaker: maybe(fc.constantFrom('ANN', 'OLD BEN')),
        voice: maybe(fc.constant('flite-rms')),
        pace: maybe(fc.constant(1.2)),
        emphasis: maybe(fc.constantFrom('soft', 'strong')),
      },
      { requiredKeys: [] },
    ),
  }),
  fc.record({
    type: fc.constant('setChapter'),
    sceneId: nth,
    title: maybe(fc.constantFrom('One', '# Two')),
  }),
  fc.record({ type: fc.constant('setShot'), sceneId: nth, shot: fc.nat({ max: 4 }), item: chosen }),
  fc.record({
    type: fc.constant('addShot'),
    sceneId: nth,
    shot: fc.nat({ max: 4 }),
    item: chosen,
    word: fc.integer({ min: 1, max: 5 }),
  }),
  fc.record({
    type: fc.constant('layShots'),
    sceneId: nth,
    items: fc.array(fc.constantFrom(picture('e'), picture('f', 'clip')), {
      minLength: 1,
      maxLength: 4,
    }),
  }),
  fc.record({
    type: fc.constant('swapShots'),
    a: fc.record({ sceneId: nth, shot: fc.nat({ max: 2 }) }),
    b: fc.record({ sceneId: nth, shot: fc.nat({ max: 2 }) }),
  }),
  fc.record({
    type: fc.constant('setMaking'),
    set: fc.oneof(
      fc.record({ style: fc.constantFrom('paper', 'linocut') }),
      fc.record({ without: fc.constant('people, text') }),
    ),
  }),
  fc.record({
    type: fc.constant('setPicking'),
    set: fc.oneof(
      fc.record({ stills: maybe(fc.constantFrom(0, 0.5)), longest: fc.constantFrom(5, 12) }),
      fc.record({ without: fc.constantFrom([], ['Prints']) }),
    ),
  }),
  fc.record({
    type: fc.constant('adjustScenes'),
    target,
    set: fc.oneof(
      fc.record({ begins: maybe(fc.constantFrom('hold', 'early', 'cut')) }),
      fc.record({ picture: maybe(fc.constantFrom('a lamp', 'the sea, not a lamp')) }),
    ),
  }),
  fc.record({
    type: fc.constant('takeDepictions'),
    sceneIds: fc.array(nth, { minLength: 1, maxLength: 3 }),
  }),
  fc.record({
    type: fc.constant('offerDepictions'),
    scenes: fc.array(
      fc.record({
        sceneId: nth,
        text: fc.constantFrom('The lamp burns.', 'It turns.'),
        depiction: maybe(
          fc.record({
            see: fc.constantFrom('# a lamp', 'KEEPER: the sea'),
            search: fc.constant(['lamp']),
            not: fc.constantFrom([], ['torch']),
            finds: fc.nat({ max: 3 }),
          }),
        ),
      }),
      { minLength: 1, maxLength: 3 },
    ),
  }),
  fc.record({ type: fc.constant('removeShot'), sceneId: nth, shot: fc.nat({ max: 4 }) }),
  fc.record({
    type: fc.constant('moveShot'),
    sceneId: nth,
    from: fc.nat({ max: 3 }),
    to: fc.nat({ max: 3 }),
  }),
  fc.record({
    type: fc.constant('setCut'),
    sceneId: nth,
    shot: fc.nat({ max: 3 }),
    word: maybe(fc.integer({ min: 1, max: 5 })),
  }),
  fc.record({
    type: fc.constant('adjustShots'),
    target,
    shot: maybe(fc.nat({ max: 3 })),
    set: fc.record(
      {
        slip: maybe(fc.integer({ min: 0, max: 9000 })),
        speed: maybe(fc.constantFrom(0.5, 2)),
        frame: maybe(fc.record({ from: view, to: view })),
        transition: maybe(transition),
      },
      { requiredKeys: [] },
    ),
  }),
  fc.record({
    type: fc.constant('setSpeaking'),
    set: fc.oneof(
      fc.record({ finish: fc.constantFrom('bright', 'plain') }),
      fc.record({
        pauses: fc.constantFrom(0.5, 2),
        tighten: maybe(fc.constant(0.4)),
        understudy: maybe(fc.constant('espeak-gb')),
      }),
      fc.record({
        speakers: fc.constantFrom([], [{ name: 'ANN', voice: 'flite-rms' }]),
        pronunciations: fc.constantFrom([], [{ word: 'lamp', say: 'lemp' }]),
      }),
    ),
  }),
  fc.record({
    type: fc.constant('useTakes'),
    takes: fc.array(
      fc.record({ sceneId: nth, take: maybe(fc.constantFrom('a'.repeat(32), 'b'.repeat(32))) }),
      { minLength: 1, maxLength: 3 },
    ),
  }),
  fc.record({ type: fc.constant('setTransition'), transition }),
  fc.record({
    type: fc.constant('setCard'),
    card: fc.constantFrom('opening', 'closing'),
    set: fc.record(
      { shown: fc.boolean(), text: maybe(fc.constant('Words')) },
      { requiredKeys: [] },
    ),
  }),
  fc.record({ type: fc.constant('setTitle'), title: fc.constantFrom('A', 'B') }),
  fc.record({ type: fc.constant('setMood'), mood: fc.constantFrom('calm', 'none') }),
  fc.record({
    type: fc.constant('setScore'),
    set: fc.constantFrom({ without: ['bass'] }, { instruments: 'strings' }),
  }),
  fc.record({ type: fc.constant('setVoice'), voice: fc.constant('v'), speed: fc.constant(1.2) }),
  fc.record({ type: fc.constant('setWantedMinutes'), minutes: maybe(fc.constantFrom(3, 12.5)) }),
  fc.record({ type: fc.constant('setNotes'), notes: fc.constantFrom('', 'Ask the keeper.') }),
  fc.record({
    type: fc.constant('markClaim'),
    sentence: fc.constantFrom('The lamp.', 'It has 3 steps.'),
    words: fc.constantFrom('3', 'lamp'),
    found: maybe(
      fc.record({
        mark: fc.constantFrom('unsure', 'checked', 'wrong'),
        source: fc.constant('a book'),
        by: fc.constant('me'),
      }),
    ),
  }),
  fc.record({
    type: fc.constant('putComment'),
    comment: fc.record({
      id: fc.constantFrom('c1', 'c2'),
      on: fc.constant('lamp'),
      text: fc.constant('Why?'),
      by: fc.constant(''),
      done: fc.boolean(),
    }),
  }),
  fc.record({ type: fc.constant('removeComment'), id: fc.constantFrom('c1', 'c2') }),
  fc.record({
    type: fc.constant('pinSense'),
    noun: fc.constantFrom('lamp', 'spring'),
    sense: maybe(fc.constantFrom('09466357', '00000001')),
  }),
  fc.record({
    type: fc.constant('refusePicture'),
    item: fc.constantFrom(picture('c'), picture('d')),
    refusal: maybe(
      fc.record({
        reason: fc.constantFrom('sense', 'ugly', 'people'),
        sentence: fc.constant('The lamp.'),
        words: fc.constantFrom([], ['lamp']),
      }),
    ),
  }),
  fc.record({
    type: fc.constant('placeShots'),
    scenes: fc.array(
      fc.record({
        sceneId: nth,
        text: fc.constantFrom('The lamp.', 'Why?'),
        items: fc.array(fc.constant(picture('c')), { maxLength: 3 }),
        begins: fc.option(
          fc.record({ how: fc.constantFrom('hold', 'early'), after: fc.constantFrom('s1', 's2') }),
          { nil: undefined },
        ),
      }),
      { maxLength: 3 },
    ),
  }),
)

/** Numbers become ids of scenes there are. */
function addressed(value: unknown, { scenes }: Document, key = ''): unknown {
  const id = (n: number) => scenes[n % Math.max(1, scenes.length)]?.id ?? 's1'
  if (
    typeof value === 'number' &&
    ['sceneId', 'before', 'after', 'chapterOf', 'sceneIds', 'target'].includes(key)
  )
    return id(value)
  if (Array.isArray(value))
    return value.map((entry) => addressed(entry, { scenes } as Document, key))
  if (value && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value).map(([name, inner]) => [
        name,
        addressed(inner, { scenes } as Document, name),
      ]),
    )
  return value
}

describe('apply', () => {
  it('makes valid documents only, whatever is asked of it, and its inverse takes every change back', () => {
    fc.assert(
      fc.property(scripts, fc.array(commands, { maxLength: 12 }), (script, asked) => {
        let document = film(script)
        for (const command of asked) {
          const before = document
          try {
            const applied = apply(before, Command.parse(addressed(command, before)))
            document = applied.document
            expect(takenBack(document, JSON.parse(JSON.stringify(applied.inverse)))).toEqual(before)
          } catch (cause) {
            if (!isFault(cause)) throw cause
            expect(document).toBe(before)
          }
          expect(Document.parse(document)).toEqual(document)
          expect(texts(document)).toEqual(
            parseScript(document.script).scenes.map(({ text }) => text),
          )
          expect(new Set(ids(document)).size).toBe(document.scenes.length)
          for (const { shots } of document.scenes) {
            const cuts = shots.flatMap(({ word }) => word ?? [])
            expect([shots[0]?.word, ...cuts]).toEqual([
              undefined,
              ...new Set(cuts.toSorted((a, b) => a - b)),
            ])
          }
        }
      }),
      { numRuns: 400 },
    )
  }, 60_000)
  it('leads 200 mixed commands back to the first state, byte for byte', () => {
    fc.assert(
      fc.property(
        scripts,
        fc.array(commands, { minLength: 200, maxLength: 200 }),
        (script, asked) => {
          const first = film(script)
          const inverses = []
          let document = first
          for (const command of asked) {
            try {
              const applied = apply(document, Command.parse(addressed(command, document)))
              inverses.unshift(applied.inverse)
              document = applied.document
            } catch (cause) {
              if (!isFault(cause)) throw cause
            }
          }
          expect(inverses.length).toBeGreaterThan(30)
          expect(JSON.stringify(inverses.reduce(takenBack, document))).toBe(JSON.stringify(first))
        },
      ),
      { numRuns: 5 },
    )
  }, 60_000)
})
