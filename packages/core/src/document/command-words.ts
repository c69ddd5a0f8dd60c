import type { Command } from './command.ts'

/** Fields of commands that a person has written, in the order they are read. */
const WRITTEN = new Set([
  'title',
  'script',
  'text',
  'notes',
  'on',
  'words',
  'picture',
  'say',
  'word',
  'shown',
])

/**
 * What a person wrote in a command, to be copied when it cannot be saved.
 *
 * @returns lines in the order of the command; empty for one without words of a person
 * @example commandWords({ type: 'setTitle', title: 'Tides' }) // => 'Tides'
 */
export const commandWords = (command: Command): string => writtenIn(command, false).join('\n')

function writtenIn(value: unknown, written: boolean): string[] {
  if (typeof value === 'string') return written && value.trim() ? [value] : []
  if (Array.isArray(value)) return value.flatMap((inside) => writtenIn(inside, written))
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([name, inside]) => writtenIn(inside, WRITTEN.has(name)))
}
