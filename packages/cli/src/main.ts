import { Command } from 'commander'
import { TidyError } from '@tidy-reel/core/fault'
import { VOICES, voiceById } from '@tidy-reel/engine/speech/voices'
import type { MakeFlags } from './make-command.ts'
import { print } from './print.ts'

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

/** Each command loads what it needs when it is run, so that the light ones start at once. */
function program(): Command {
  const tidy = new Command('tidy-reel').description('Turns a written narration into a finished film.')
  tidy.command('scenes').argument('<file>').option('--json').description('the scenes of a script').action(async (file: string, flags: { json?: boolean }) => (await import('./scenes-command.ts')).scenesCommand(file, flags))
  tidy.command('prepare').argument('<file>').option('--json').description('a script without what should not be spoken').action(async (file: string, flags: { json?: boolean }) => (await import('./prepare-command.ts')).prepareCommand(file, flags))
  tidy.command('match').argument('<file>').option('--json').option('--catalogue <items>', 'a JSON list of items in place of the stock library').description('pictures for every scene').action(async (file: string, flags: { json?: boolean; catalogue?: string }) => (await import('./match-command.ts')).matchCommand(file, flags))
  tidy.command('new').argument('<script>').requiredOption('--out <file>').option('--title <title>', 'the name of the film; the script\'s file name otherwise').description('the document of a script').action(async (file: string, flags: { out: string; title?: string }) => (await import('./document-commands.ts')).newCommand(file, flags))
  tidy.command('apply').argument('<episode>').argument('<commands>').requiredOption('--out <file>').description('a document with commands carried out, and what takes them back').action(async (file: string, commands: string, flags: { out: string }) => (await import('./document-commands.ts')).applyCommand(file, commands, flags))
  tidy.command('timeline').argument('<file>', 'a document or a script').option('--fps <rate>', 'frames a second', '30').option('--json').description('exact frames and samples').action(async (file: string, flags: { fps: string; json?: boolean }) => (await import('./document-commands.ts')).timelineCommand(file, flags))
  tidy.command('voices').option('--json').description('the voices there are').action(({ json }: { json?: boolean }) => {
    print(json ? { voices: VOICES } : VOICES.map((v) => `${v.id}  ${v.name}, ${v.gender}, ${v.language}, ${v.character}`).join('\n'))
  })
  tidy.command('speak').requiredOption('--voice <id>').requiredOption('--text <text>').requiredOption('--out <file>').option('--speed <factor>', 'pace', '1').description('one sentence as a WAV file').action(async (flags: { voice: string; text: string; out: string; speed: string }) => (await import('./speak-command.ts')).speakCommand(flags))
  tidy.command('make').argument('<file>', 'a script or a document').requiredOption('--out <folder>').option('--size <size>', 'width and height', '1920x1080').option('--fps <rate>', 'frames a second', '30').option('--voice <id>', 'a voice').option('--mood <mood>', 'calm, warm, bright, solemn or none').option('--no-burn-in', 'leave the subtitles off the picture').description('the whole film').action(async (file: string, flags: MakeFlags) => {
    if (flags.voice) voiceById(flags.voice)
    const [{ readDocumentOrScript }, { makeCommand }] = [await import('./document-files.ts'), await import('./make-command.ts')]
    print(await makeCommand(await readDocumentOrScript(file), flags))
  })
  return tidy
}
