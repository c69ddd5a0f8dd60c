import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import koffi from 'koffi'
import { arpabetOf, IPA_WORD } from '@tidy-reel/core/speech/ipa'
import type { RawSpeech, RawWord, SpeechOrder } from '../contract.ts'

/** Pointers of the library; never looked into but by it. */
type Pointer = unknown

const library = koffi.load('libflite.so.1')
koffi.struct('cst_voice', { name: 'const char*', features: 'void*' })
koffi.struct('cst_wave', {
  type: 'const char*',
  sample_rate: 'int',
  num_samples: 'int',
  num_channels: 'int',
  samples: 'int16_t*',
})
const call = {
  init: library.func('int flite_init()') as () => number,
  setFloat: library.func('void feat_set_float(void*, void*, float)') as (
    features: Pointer,
    name: Pointer,
    value: number,
  ) => void,
  synthesize: library.func('void* flite_synth_text(const char*, void*)') as (
    text: string,
    voice: Pointer,
  ) => Pointer,
  addLexicon: library.func('int flite_voice_add_lex_addenda(void*, const char*)') as (
    voice: Pointer,
    file: string,
  ) => number,
  wave: library.func('void* utt_wave(void*)') as (utterance: Pointer) => Pointer,
  relation: library.func('void* utt_relation(void*, const char*)') as (
    utterance: Pointer,
    name: string,
  ) => Pointer,
  head: library.func('void* relation_head(void*)') as (relation: Pointer) => Pointer,
  next: library.func('void* item_next(void*)') as (item: Pointer) => Pointer,
  first: library.func('void* item_daughter(void*)') as (item: Pointer) => Pointer,
  last: library.func('void* item_last_daughter(void*)') as (item: Pointer) => Pointer,
  name: library.func('const char* item_feat_string(void*, const char*)') as (
    item: Pointer,
    name: string,
  ) => string,
  feature: library.func('float ffeature_float(void*, const char*)') as (
    item: Pointer,
    path: string,
  ) => number,
  free: library.func('void delete_utterance(void*)') as (utterance: Pointer) => void,
}
/** The library keeps the pointer, not the letters: they live outside of what is collected. */
const STRETCH: Pointer = koffi.alloc('char', 'duration_stretch'.length + 1)
koffi.encode(STRETCH, koffi.array('char', 'duration_stretch'.length + 1), 'duration_stretch')
const voices = new Map<string, Pointer>()
/** A library nobody holds is unloaded, its voice with it. */
const loaded: unknown[] = []

/**
 * Noise in the voice comes from the C library's random numbers: from the same start, the same
 * sound.
 */
const cLibrary = koffi.load('libc.so.6')
const seed = cLibrary.func('void srand(uint)') as (n: number) => void

/** Speaks with one of flite's compiled voices (`slt`, `rms`, `awb`, `kal`, `kal16`). */
export function speakWithFlite(name: string, { text, stretch }: SpeechOrder): RawSpeech {
  const voice = voiceNamed(name)
  const { features } = koffi.decode(voice, 'cst_voice') as { features: Pointer }
  call.setFloat(features, STRETCH, stretch)
  seed(1)
  const utterance = call.synthesize(
    text.replace(IPA_WORD, (_all, ipa: string) => wordOfSounds(voice, ipa)),
    voice,
  )
  try {
    const wave = koffi.decode(call.wave(utterance), 'cst_wave') as {
      sample_rate: number
      num_samples: number
      samples: Pointer
    }
    const pcm = Int16Array.from(
      koffi.decode(wave.samples, koffi.array('int16_t', wave.num_samples, 'Typed')) as Int16Array,
    )
    return { pcm, rate: wave.sample_rate, words: [...wordsOf(utterance, taught.get(voice))] }
  } finally {
    call.free(utterance)
  }
}

function voiceNamed(name: string): Pointer {
  let voice = voices.get(name)
  if (!voice) {
    call.init()
    const holding = koffi.load(`libflite_cmu_us_${name}.so.1`)
    loaded.push(holding)
    const register = holding.func(`void* register_cmu_us_${name}(const char*)`) as (
      folder: null,
    ) => Pointer
    voices.set(name, (voice = register(null)))
  }
  return voice
}

function* wordsOf(
  utterance: Pointer,
  madeUpWords: ReadonlyMap<string, string> = new Map(),
): Generator<RawWord> {
  const written = new Map([...madeUpWords].map(([ipa, word]) => [word, `/${ipa}/`]))
  for (let token = call.head(call.relation(utterance, 'Token')); token; token = call.next(token)) {
    const first = call.first(token)
    if (!first) continue
    const text = call.name(token, 'name')
    yield {
      text: written.get(text) ?? text,
      start: call.feature(first, 'R:SylStructure.daughter1.daughter1.R:Segment.p.end'),
      end: call.feature(call.last(token), 'R:SylStructure.daughtern.daughtern.R:Segment.end'),
    }
  }
}

/** A word nobody uses; letters that could not be said would be read one by one. */
const madeUp = (n: number) =>
  `b${[...n.toString(5)].map((d) => `${'aeiou'[Number(d)]}b`).join('')}obo`

/** For each voice, sounds in IPA and the word that stands for them. */
const taught = new Map<Pointer, Map<string, string>>()

/** A made-up word that the voice is taught to say as the sounds ask. */
function wordOfSounds(voice: Pointer, ipa: string): string {
  const known = taught.get(voice) ?? new Map<string, string>()
  taught.set(voice, known)
  let word = known.get(ipa)
  if (!word) {
    word = madeUp(known.size)
    const folder = mkdtempSync(join(tmpdir(), 'tidy-lexicon-'))
    try {
      writeFileSync(
        join(folder, 'words'),
        `${word} 0 : ${arpabetOf(ipa)
          .map((sound) => sound.toLowerCase())
          .join(' ')}\n`,
      )
      call.addLexicon(voice, join(folder, 'words'))
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
    known.set(ipa, word)
  }
  return word
}
