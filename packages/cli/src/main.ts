import { Command } from 'commander'
import { isFault } from '@tidy-reel/core/faults/fault'
import own from '../package.json' with { type: 'json' }
import type { CopyFlags } from './copy-command.ts'
import type { MakeFlags } from './make-command.ts'
import type { MixFlags } from './mix-command.ts'
import type { MusicFlags } from './music-command.ts'
import { print } from './print.ts'
import type { SpeakFlags } from './speak-command.ts'
import type { SubtitlesFlags } from './subtitles-command.ts'
import type { TimelineFlags } from './timeline-command.ts'

export { guardOutput } from './guard-output.ts'

/** Runs the shell command; 0 only when all of it worked. */
export async function main(argv: readonly string[]): Promise<number> {
  try {
    await program().parseAsync([...argv])
    return 0
  } catch (cause) {
    process.stderr.write(`${wordsOf(cause)}\n`)
    return 1
  }
}

/** A fault's sentence; of what nobody foresaw where it came from. */
function wordsOf(cause: unknown): string {
  if (isFault(cause)) return cause.message
  return cause instanceof Error ? (cause.stack ?? cause.message) : String(cause)
}

/** The commands in the order they are listed; each loads what it needs when it is run. */
const COMMANDS = [
  scenes,
  prepare,
  shown,
  match,
  newDocument,
  apply,
  timeline,
  subtitles,
  styles,
  voices,
  spoken,
  speak,
  align,
  make,
  check,
  copy,
  mix,
  music,
  sounds,
]

function program(): Command {
  const tidy = new Command('tidy-reel')
    .description('Turns a written narration into a finished film.')
    .version(own.version)
  for (const add of COMMANDS) add(tidy)
  return tidy
}

function scenes(tidy: Command) {
  tidy
    .command('scenes')
    .argument('<file>')
    .option('--json')
    .description('the scenes of a script')
    .action(async (file: string, flags: { json?: boolean }) =>
      (await import('./scenes-command.ts')).scenesCommand(file, flags),
    )
}

function prepare(tidy: Command) {
  tidy
    .command('prepare')
    .argument('<file>')
    .option('--json')
    .description('a script without what should not be spoken')
    .action(async (file: string, flags: { json?: boolean }) =>
      (await import('./prepare-command.ts')).prepareCommand(file, flags),
    )
}

function shown(tidy: Command) {
  tidy
    .command('shown')
    .argument('<file>')
    .option('--json')
    .description('what every scene will show, in words, before pictures are looked for')
    .action(async (file: string, flags: { json?: boolean }) =>
      (await import('./shown-command.ts')).shownCommand(file, flags),
    )
}

function match(tidy: Command) {
  tidy
    .command('match')
    .argument('<file>')
    .option('--json')
    .option('--catalogue <items>', 'a JSON list of items in place of the stock library')
    .description('pictures for every scene')
    .action(async (file: string, flags: { json?: boolean; catalogue?: string }) =>
      (await import('./match-command.ts')).matchCommand(file, flags),
    )
}

function newDocument(tidy: Command) {
  tidy
    .command('new')
    .argument('<script>')
    .requiredOption('--out <file>')
    .option('--title <title>', "the name of the film; the script's file name otherwise")
    .description('the document of a script')
    .action(async (file: string, flags: { out: string; title?: string }) =>
      (await import('./document-commands.ts')).newCommand(file, flags),
    )
}

function apply(tidy: Command) {
  tidy
    .command('apply')
    .argument('<episode>')
    .argument('<commands>')
    .requiredOption('--out <file>')
    .description('a document with commands carried out, and what takes them back')
    .action(async (file: string, commands: string, flags: { out: string }) =>
      (await import('./document-commands.ts')).applyCommand(file, commands, flags),
    )
}

function timeline(tidy: Command) {
  tidy
    .command('timeline')
    .argument('<file>', 'a document or a script')
    .option('--fps <rate>', 'frames a second', '30')
    .option('--size <size>', 'width and height of the film', '1920x1080')
    .option('--style <id>', 'a house style')
    .option('--json')
    .description('exact frames and samples, and where everything written stands')
    .action(async (file: string, flags: TimelineFlags) =>
      (await import('./timeline-command.ts')).timelineCommand(file, flags),
    )
}

function subtitles(tidy: Command) {
  tidy
    .command('subtitles')
    .argument('<file>', 'a script or a document')
    .option('--format <format>', 'srt, vtt, ass, ttml or txt', 'srt')
    .option('--size <size>', 'width and height of the film', '1920x1080')
    .option('--fps <rate>', 'frames a second', '30')
    .option('--language <code>', 'of an episode that has subtitles in it; left out, what is spoken')
    .option('--style <id>', 'a house style')
    .option('--out <file>', 'in place of printing them')
    .description('subtitles and transcript')
    .action(async (file: string, flags: SubtitlesFlags) =>
      (await import('./subtitles-command.ts')).subtitlesCommand(file, flags),
    )
}

function styles(tidy: Command) {
  tidy
    .command('styles')
    .option('--json')
    .description('the house styles a film can be made in')
    .action(async (flags: { json?: boolean }) =>
      (await import('./styles-command.ts')).stylesCommand(flags),
    )
}

function voices(tidy: Command) {
  tidy
    .command('voices')
    .option('--json')
    .description('the voices there are')
    .action(async (flags: { json?: boolean }) =>
      (await import('./voices-command.ts')).voicesCommand(flags),
    )
}

function spoken(tidy: Command) {
  tidy
    .command('spoken')
    .requiredOption('--text <text>')
    .option('--language <code>', 'BCP 47', 'en')
    .option('--json')
    .description('what a voice is given for a text')
    .action(async (flags: { text: string; language: string; json?: boolean }) =>
      (await import('./spoken-command.ts')).spokenCommand(flags),
    )
}

function speak(tidy: Command) {
  tidy
    .command('speak')
    .requiredOption('--voice <id>')
    .requiredOption('--text <text>')
    .requiredOption('--out <file>')
    .option('--marks <file>', "where to write the words' times as JSON")
    .option('--speed <factor>', 'pace', '1')
    .option('--finish <name>', 'documentary, bright, intimate or plain', 'documentary')
    .description('a text as a WAV file')
    .action(async (flags: SpeakFlags) => (await import('./speak-command.ts')).speakCommand(flags))
}

function align(tidy: Command) {
  tidy
    .command('align')
    .argument('<recording>')
    .argument('<script>')
    .option('--json')
    .description('where each sentence of a script is in a recording of the whole')
    .action(async (file: string, script: string, flags: { json?: boolean }) =>
      (await import('./align-command.ts')).alignCommand(file, script, flags),
    )
}

function copy(tidy: Command) {
  tidy
    .command('copy')
    .argument('<folder>', 'of a finished film')
    .requiredOption('--as <kind>', 'mp4, hevc, webm, av1, mov, gif, webp, still, wav, flac or mp3')
    .option('--lines <n>', 'of its shorter side')
    .option('--from <seconds>')
    .option('--to <seconds>')
    .option('--megabytes <n>', 'no larger than this: mp4, hevc and webm')
    .option('--out <file>', 'in place of beside the film')
    .description('a finished film as another kind of file')
    .action(async (folder: string, flags: CopyFlags) =>
      (await import('./copy-command.ts')).copyCommand(folder, flags),
    )
}

function check(tidy: Command) {
  tidy
    .command('check')
    .argument('<folder>', 'that a film was made into')
    .option('--json')
    .description('whether a finished film is what it should be, by programs that did not make it')
    .action(async (folder: string, flags: { json?: boolean }) =>
      (await import('./check-command.ts')).checkCommand(folder, flags),
    )
}

function make(tidy: Command) {
  tidy
    .command('make')
    .argument('<file>', 'a script or a document')
    .requiredOption('--out <folder>')
    .option('--size <size>', 'width and height', '1920x1080')
    .option('--fps <rate>', 'frames a second', '30')
    .option('--style <id>', 'a house style')
    .option('--voice <id>', 'a voice')
    .option('--mood <mood>', 'of the music: calm, night, tense …; none for none')
    .option('--no-burn-in', 'leave the subtitles off the picture')
    .description('the whole film')
    .action(async (file: string, flags: MakeFlags) => {
      const [{ readDocumentOrScript }, { makeCommand }] = [
        await import('./document-files.ts'),
        await import('./make-command.ts'),
      ]
      print(await makeCommand(await readDocumentOrScript(file), flags))
    })
}

function mix(tidy: Command) {
  tidy
    .command('mix')
    .argument('<file>', 'a script or a document')
    .requiredOption('--out <folder>')
    .option('--format <format>', 'wav, flac, mp3 or ogg', 'wav')
    .option('--stems', 'voice, music and effects beside it, which add up to it')
    .option('--style <id>', 'a house style')
    .option('--voice <id>', 'a voice')
    .option('--mood <mood>', 'of the music: calm, night, tense …; none for none')
    .description('the sound of a film by itself')
    .action(async (file: string, flags: MixFlags) => {
      const [{ readDocumentOrScript }, { mixCommand }] = [
        await import('./document-files.ts'),
        await import('./mix-command.ts'),
      ]
      await mixCommand(await readDocumentOrScript(file), flags)
    })
}

function sounds(tidy: Command) {
  tidy
    .command('sounds')
    .argument('<words>')
    .option('--json')
    .description('sounds that fit words, the best first')
    .action(async (words: string, flags: { json?: boolean }) =>
      (await import('./sounds-command.ts')).soundsCommand(words, flags),
    )
}

function music(tidy: Command) {
  tidy
    .command('music')
    .requiredOption('--out <file>', 'a name that ends in .wav, .flac, .mp3 or .ogg')
    .option('--mood <mood>', 'calm, warm, bright or solemn', 'calm')
    .option('--seconds <seconds>', 'how long it is at the least', '60')
    .option('--seed <words>', 'the same words make the same music', 'music')
    .option(
      '--instruments <part>',
      'who leads: keys, plucked or strings; the seed chooses otherwise',
    )
    .option('--stems', 'each part and the notes (MIDI) beside it')
    .description('a bed of music by itself')
    .action(async (flags: MusicFlags) => (await import('./music-command.ts')).musicCommand(flags))
}
