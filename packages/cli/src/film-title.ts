import { parse } from 'node:path'
import { UNTITLED } from '@tidy-reel/core/document/document'
import { pattern } from '@tidy-reel/core/text/pattern'

/** Words of a file's name that tell nothing of a film. */
const NAMES_NOTHING = pattern(
  'gi',
  String.raw`\b(?:script|film|draft|episode|text|final|version|test|sample|narration|copy|new|`,
  String.raw`old|\w?\d+\w?)\b`,
)

/** What a script's file name says it is about; that of a film nobody has called anything for none. */
export const titleFrom = (file: string): string =>
  parse(file)
    .name.replace(/[-_.]+/g, ' ')
    .replace(NAMES_NOTHING, ' ')
    .trim() || UNTITLED
