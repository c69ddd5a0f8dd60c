import { isFault, TidyError } from '@tidy-reel/core/faults/fault'

/** A script made of a file or a page. */
export interface ImportedScript {
  /** What the text calls itself; its file name otherwise. */
  title: string
  script: string
  /** What was left out, in words, each once. */
  left: string[]
  /** Pictures that came with it, each for the scenes in a stretch `[from, to)` of the script. */
  pictures: ImportedPicture[]
}

export interface ImportedPicture {
  name: string
  bytes: Buffer
  from: number
  to: number
}

/**
 * Reads a foreign document; what its reader stumbles over is the document's fault, not ours.
 *
 * @throws TidyError what the reader says, else `import_unreadable`
 */
export async function readAs(
  name: string,
  read: () => ImportedScript | Promise<ImportedScript>,
): Promise<ImportedScript> {
  try {
    return await read()
  } catch (cause) {
    if (isFault(cause)) throw cause
    const reason = 'it is damaged, or holds something that is not read'
    throw new TidyError('import_unreadable', { name, reason })
  }
}

/** Counts what is left out, to say it once: "3 tables". */
export class LeftOut {
  private readonly counts = new Map<string, number>()

  add(one: string, times = 1) {
    if (times > 0) this.counts.set(one, (this.counts.get(one) ?? 0) + times)
  }

  get sentences(): string[] {
    return [...this.counts].map(([one, times]) =>
      times === 1 ? `Left out: ${one}.` : `Left out: ${one}, ${times} times.`,
    )
  }
}

/** Paragraphs as a script has them: parted by one empty line. */
export const paragraphs = (parts: readonly string[]) =>
  parts
    .map((part) => part.trim())
    .filter(Boolean)
    .join('\n\n')

/** The same, the items of a list (`- …`) close together. */
export const listedParagraphs = (parts: readonly string[]) =>
  paragraphs(parts).replace(/^(- .*)\n\n(?=- )/gm, '$1\n')
