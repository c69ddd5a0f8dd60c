import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { entryOf, itemAt } from '@tidy-reel/core/faults/certain'
import { arpabetOf } from '@tidy-reel/core/speech/ipa'
import { runProgram } from '../run/program.ts'
import type { RawWord } from './contract.ts'

const MODEL = '/usr/share/pocketsphinx/model/en-us/en-us'
const DICTIONARY = '/usr/share/pocketsphinx/model/en-us/cmudict-en-us.dict'
const FRAMES_A_SECOND = 100

let dictionary: Promise<Map<string, string[]>> | undefined

/**
 * Word → its pronunciations, in ARPAbet without stress (CMU dictionary, as PocketSphinx's English
 * model has it).
 */
function knownWords(): Promise<Map<string, string[]>> {
  return (dictionary ??= readFile(DICTIONARY, 'utf8').then((text) => {
    const words = new Map<string, string[]>()
    for (const line of text.split('\n')) {
      const gap = line.indexOf(' ')
      if (gap < 0) continue
      const word = line.slice(0, gap).replace(/\(\d+\)$/, '')
      words.set(word, [...(words.get(word) ?? []), line.slice(gap + 1)])
    }
    return words
  }))
}

/** Letters of a word as the dictionary has it: small, with apostrophes inside. */
export const plainWord = (word: string): string =>
  word
    .toLowerCase()
    .replace(/[’]/g, "'")
    .normalize('NFKD')
    .replace(/[^a-z']/g, '')
    .replace(/^'+|'+$/g, '')

/** Whether PocketSphinx's dictionary has a word. */
export const isKnownWord = async (word: string): Promise<boolean> => (await knownWords()).has(word)

/** How words are said: from the dictionary, else as eSpeak NG reads them. */
export async function pronunciationsOf(
  words: Iterable<string>,
  signal?: AbortSignal,
): Promise<Map<string, string[]>> {
  const known = await knownWords()
  const asked = [...new Set(words)]
  const unknown = asked.filter((word) => !known.has(word))
  const said = new Map(
    asked.flatMap((word) => (known.has(word) ? [[word, entryOf(known, word)] as const] : [])),
  )
  if (unknown.length) {
    const { stdout } = await runProgram('espeak-ng', ['-q', '--ipa', '-v', 'en-us', '--stdin'], {
      input: unknown.join('\n\n'),
      timeoutMs: 60_000,
      ...(signal ? { signal } : {}),
    })
    stdout
      .toString()
      .trim()
      .split('\n')
      .forEach((ipa, i) => {
        const sounds = arpabetOf(ipa.replace(/\s/g, '')).map((sound) => sound.replace(/\d$/, ''))
        if (unknown[i] && sounds.length) said.set(unknown[i], [sounds.join(' ')])
      })
  }
  return said
}

/** One stretch of sound and the words that may be said in it. */
export interface AlignmentTask {
  /** 16 kHz 16-bit mono samples. */
  pcm: Int16Array
  /** The body of a JSGF rule over `plainWord`s. */
  grammar: string
  words: readonly string[]
}

/**
 * Finds the words of each task in its sound, by PocketSphinx with its English model.
 *
 * @returns for each task its words with seconds from its start; undefined where none of its grammar
 *   was heard
 */
export async function aligned(
  tasks: readonly AlignmentTask[],
  signal?: AbortSignal,
): Promise<(RawWord[] | undefined)[]> {
  if (tasks.length === 0) return []
  return inFolder(async (folder) => {
    await writeDictionary(
      join(folder, 'words.dict'),
      tasks.flatMap(({ words }) => words),
      signal,
    )
    const results: (RawWord[] | undefined)[] = []
    for (const [i, { pcm, grammar }] of tasks.entries()) {
      const rule = join(folder, `${i}.jsgf`)
      await writeFile(rule, `#JSGF V1.0;\ngrammar g;\npublic <s> = ${grammar};\n`)
      const [found] = await heardIn(folder, [pcm], ['-jsgf', rule], signal)
      results.push(found)
    }
    return results
  })
}

/**
 * Recognises stretches of sound in which a known text is read, more or less.
 *
 * @param stretches 16 kHz 16-bit mono samples each
 * @param model a language model of the text in the ARPA format
 * @returns for each stretch its words with seconds from its start; undefined where nothing was
 *   heard
 */
export async function recognised(
  stretches: readonly Int16Array[],
  model: string,
  words: readonly string[],
  signal?: AbortSignal,
): Promise<(RawWord[] | undefined)[]> {
  if (stretches.length === 0) return []
  return inFolder(async (folder) => {
    await writeDictionary(join(folder, 'words.dict'), words, signal)
    await writeFile(join(folder, 'model.arpa'), model)
    return heardIn(folder, stretches, ['-lm', join(folder, 'model.arpa')], signal)
  })
}

async function inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-align-'))
  try {
    return await work(folder)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

async function writeDictionary(file: string, words: readonly string[], signal?: AbortSignal) {
  const said = await pronunciationsOf(words, signal)
  const lines = [...said].flatMap(([word, ways]) =>
    ways.map((way, i) => `${word}${i ? `(${i + 1})` : ''} ${way}`),
  )
  await writeFile(file, `${lines.join('\n')}\n`)
}

/** Runs PocketSphinx over stretches, one after the other, with the dictionary in `folder`. */
async function heardIn(
  folder: string,
  stretches: readonly Int16Array[],
  search: readonly string[],
  signal?: AbortSignal,
): Promise<(RawWord[] | undefined)[]> {
  await Promise.all(
    stretches.map((pcm, i) =>
      writeFile(join(folder, `${i}.raw`), Buffer.from(pcm.buffer, pcm.byteOffset, pcm.byteLength)),
    ),
  )
  await writeFile(join(folder, 'list'), `${stretches.map((_, i) => i).join('\n')}\n`)
  const samples = stretches.reduce((sum, pcm) => sum + pcm.length, 0)
  await runProgram(
    'pocketsphinx_batch',
    [
      '-hmm',
      MODEL,
      '-dict',
      join(folder, 'words.dict'),
      ...search,
      '-ctl',
      join(folder, 'list'),
      '-cepdir',
      folder,
      '-cepext',
      '.raw',
      '-adcin',
      'yes',
      '-remove_silence',
      'no',
      '-hypseg',
      join(folder, 'found'),
      '-logfn',
      join(folder, 'log'),
    ],
    { timeoutMs: 30_000 + samples, ...(signal ? { signal } : {}) },
  )
  const lines = (await readFile(join(folder, 'found'), 'utf8').catch(() => '')).split('\n')
  const byName = new Map(lines.map((line) => [itemAt(line.split(' '), 0), line]))
  return stretches.map((_, i) => wordsOf(byName.get(String(i)) ?? ''))
}

/** Reads `utterance S … T … A … L … start score score word start … end`. */
function wordsOf(found: string): RawWord[] | undefined {
  const fields = found.trim().split(/\s+/)
  const first = fields.indexOf('L') + 2
  if (first < 2) return undefined
  const words: RawWord[] = []
  for (let at = first; at + 4 < fields.length + 1 && fields[at + 3] !== undefined; at += 4) {
    const text = itemAt(fields, at + 3).replace(/\(\d+\)$/, '')
    const [start, end] = [
      Number(fields[at]) / FRAMES_A_SECOND,
      Number(fields[at + 4]) / FRAMES_A_SECOND,
    ]
    if (!/^[<[+(]/.test(text)) words.push({ text, start, end })
  }
  return words.length ? words : undefined
}
