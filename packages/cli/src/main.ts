import { readFile, stat } from 'node:fs/promises'
import { basename, resolve } from 'node:path'
import { Command } from 'commander'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/fault'
import { Item } from '@tidy-reel/core/match/item'
import { cleanScript } from '@tidy-reel/core/script/clean'
import { parseScript, type ParsedScript } from '@tidy-reel/core/script/parse'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import { searchWords } from '@tidy-reel/core/words/search-words'
import { engineConfig } from '@tidy-reel/engine/config'
import { filmable } from '@tidy-reel/engine/make'
import { matchFilm, scenesToMatch } from '@tidy-reel/engine/stock/match-film'
import { stockClient } from '@tidy-reel/engine/stock/client'
import { VOICES, voiceById } from '@tidy-reel/engine/speech/voices'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'
import { makeCommand, type MakeFlags } from './make-command.ts'
import { speakCommand } from './speak-command.ts'
import { withStock } from './stock-process.ts'

const SCRIPT_BYTES_LIMIT = 4_000_000

/** Runs the shell command; 0 only when all of it worked. */
export async function main(argv: readonly string[]): Promise<number> {
  try {
    await program().parseAsync([...argv])
    return 0
  } catch (cause) {
    const known = cause instanceof TidyError
    process.stderr.write(`${known ? cause.message : cause instanceof Error ? cause.stack : String(cause)}\n`)
    return 1
  }
}

function program(): Command {
  const tidy = new Command('tidy-reel').description('Turns a written narration into a finished film.')
  tidy.command('scenes').argument('<file>').option('--json').description('the scenes of a script').action(scenes)
  tidy.command('match').argument('<file>').option('--json').option('--catalogue <items>', 'a JSON list of items in place of the stock library').description('pictures for every scene').action(match)
  tidy.command('voices').option('--json').description('the voices there are').action(({ json }: { json?: boolean }) => {
    print(json ? { voices: VOICES } : VOICES.map((v) => `${v.id}  ${v.name}, ${v.gender}, ${v.language}, ${v.character}`).join('\n'))
  })
  tidy.command('speak').requiredOption('--voice <id>').requiredOption('--text <text>').requiredOption('--out <file>').option('--speed <factor>', 'pace', '1').description('one sentence as a WAV file').action(speakCommand)
  tidy.command('make').argument('<file>').requiredOption('--out <folder>').option('--size <size>', 'width and height', '1920x1080').option('--fps <rate>', 'frames a second', '30').option('--voice <id>', 'a voice', 'flite-slt').option('--mood <mood>', 'calm, warm, bright, solemn or none', 'calm').option('--no-burn-in', 'leave the subtitles off the picture').description('the whole film').action(async (file: string, flags: MakeFlags) => {
    voiceById(flags.voice)
    const script = await readScript(file)
    filmable(script)
    print(await makeCommand(script, basename(file).replace(/\.\w+$/, ''), flags))
  })
  return tidy
}

const print = (value: unknown) => process.stdout.write(`${typeof value === 'string' ? value : JSON.stringify(value)}\n`)

/** @throws TidyError `file_not_found`, `script_too_large`, `script_not_text` */
export async function readScript(file: string): Promise<string> {
  const facts = await stat(file).catch(() => undefined)
  if (!facts?.isFile()) throw new TidyError('file_not_found', { name: file })
  if (facts.size > SCRIPT_BYTES_LIMIT) throw new TidyError('script_too_large', { characters: facts.size, limit: SCRIPT_BYTES_LIMIT })
  return cleanScript((await readFile(file)).toString('utf8'), basename(file))
}

async function parsedFile(file: string): Promise<ParsedScript> {
  const script = await readScript(file)
  if (!script.trim()) throw new TidyError('script_empty')
  return parseScript(script)
}

async function scenes(file: string, { json }: { json?: boolean }) {
  const parsed = await parsedFile(file)
  const lexicon = await loadLexicon()
  const seconds = sceneSeconds(parsed.scenes)
  const list = parsed.scenes.map((scene, i) => ({
    n: i + 1,
    chapter: parsed.chapters[scene.chapter]?.title ?? '',
    text: scene.text,
    words: searchWords(scene.directions.find((d) => d.kind === 'picture')?.text ?? scene.text, lexicon).map(({ text }) => text),
    seconds: Math.round(seconds[i]! * 100) / 100,
  }))
  for (const remark of parsed.remarks) process.stderr.write(`${remark}\n`)
  print(json ? { scenes: list } : list.map((s) => `${s.n}  ${s.seconds.toFixed(1)} s  ${s.text}`).join('\n'))
}

async function match(file: string, { json, catalogue }: { json?: boolean; catalogue?: string }) {
  const parsed = await parsedFile(file)
  const lexicon = await loadLexicon()
  const toMatch = scenesToMatch(parsed, sceneSeconds(parsed.scenes))
  const options = { orientation: 'landscape' as const }
  const items = catalogue ? await readCatalogue(catalogue) : undefined
  const { picks, fault } = items
    ? await matchFilm(toMatch, lexicon, items, options)
    : await withStock(engineConfig(), (address) => matchFilm(toMatch, lexicon, stockClient(address), options))
  if (fault) throw fault
  const list = picks.map(({ candidates }, i) => ({
    text: parsed.scenes[i]!.text,
    picks: candidates.map(({ item, score, why }) => ({ id: item.id, title: item.title, description: item.description, tags: item.tags, score: Math.round(score * 1000) / 1000, why })),
  }))
  print(json ? { scenes: list } : list.map((s) => `${s.text}\n  ${s.picks.slice(0, 4).map((p) => `${p.title} (${p.why})`).join('\n  ')}`).join('\n'))
}

/** @throws TidyError `file_not_found`, `catalogue_invalid` with the first entry that does not read */
async function readCatalogue(file: string): Promise<Item[]> {
  const text = await readFile(resolve(file), 'utf8').catch(() => {
    throw new TidyError('file_not_found', { name: file })
  })
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new TidyError('catalogue_invalid', { reason: 'it is not JSON' })
  }
  const read = z.array(Item).safeParse(json)
  if (!read.success) throw new TidyError('catalogue_invalid', { reason: `${read.error.issues[0]!.path.join('.')}: ${read.error.issues[0]!.message}` })
  return read.data
}
