import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import { commandName } from '@tidy-reel/core/document/command-name'
import { inverseOf } from '@tidy-reel/core/document/inverse'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { nameOf, readCommands, readDocument, writeJson } from './document-files.ts'
import { readScript } from './read-script.ts'

/** Writes the document of a script, nothing chosen yet. */
export async function newCommand(script: string, { out, title }: { out: string; title?: string }) {
  const document = documentFrom(title ?? nameOf(script), await readScript(script))
  if (!document.script.trim()) throw new TidyError('script_empty')
  if (!document.scenes.length) throw new TidyError('script_nothing_spoken')
  await writeJson(out, document)
  process.stderr.write(`${document.scenes.length} scenes\n`)
}

/**
 * Carries commands out, all or none, and writes the command that takes them back beside the result,
 * as `NAME.inverse.json`.
 */
export async function applyCommand(file: string, commandsFile: string, { out }: { out: string }) {
  const before = await readDocument(file)
  const commands = await readCommands(commandsFile)
  const after = commands.reduce((document, command) => apply(document, command).document, before)
  await writeJson(out, after)
  await writeJson(`${out.replace(/\.json$/, '')}.inverse.json`, [
    { type: 'takeBack', inverse: inverseOf(after, before) },
  ])
  for (const command of commands) process.stderr.write(`${commandName(command)}\n`)
}
