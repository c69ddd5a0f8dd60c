import { itemAt, lastOf } from '../faults/certain.ts'
import type { TextRange } from '../text/text-range.ts'
import { type Edit, type TidyChange, withChanges } from './change.ts'
import type { TidyKind } from './kinds.ts'
import { rulesFor, type TidyRules } from './languages/rules.ts'

/** One line of the page as it is seen now. */
export interface Line extends TextRange {
  text: string
}

/** Blanks of an empty line that are seen: rules look for the first sign from each of them. */
const BLANKS_SEEN = 100

function lineText(view: string, from: number, to: number): string {
  const text = view.slice(from, to)
  return text.length > BLANKS_SEEN && text.trim() === '' ? text.slice(0, BLANKS_SEEN) : text
}

/**
 * A script under the pencil. Each step reads `view` (the script with everything dealt with so far
 * blanked, letter positions kept) and claims stretches; what is claimed is nobody else's any more.
 */
export class Page {
  readonly changes: TidyChange[] = []
  private readonly taken: Uint8Array
  private readonly blank: Uint8Array
  private seen: string | undefined
  private readonly lineStarts: number[]
  /** Rules of the script's language beside those of English. */
  readonly rules: TidyRules | undefined

  constructor(readonly script: string) {
    this.rules = rulesFor(script)
    this.taken = new Uint8Array(script.length)
    this.blank = new Uint8Array(script.length)
    this.lineStarts = [0]
    for (let at = script.indexOf('\n'); at >= 0; at = script.indexOf('\n', at + 1))
      this.lineStarts.push(at + 1)
  }

  /** The script with blanks where something is dealt with; line breaks stay. */
  get view(): string {
    if (this.seen === undefined) {
      const parts: string[] = []
      let from = 0
      for (let at = 0; at <= this.script.length; at++) {
        if (at < this.script.length && !(this.blank[at] && this.script[at] !== '\n')) continue
        parts.push(this.script.slice(from, at))
        if (at < this.script.length) parts.push(' ')
        from = at + 1
      }
      this.seen = parts.join('')
    }
    return this.seen
  }

  get lines(): Line[] {
    const { view } = this
    return this.lineStarts.map((from, i) => {
      const to = i + 1 < this.lineStarts.length ? itemAt(this.lineStarts, i + 1) - 1 : view.length
      return { from, to, text: lineText(view, from, to) }
    })
  }

  /** Sets a stretch apart that no later step should see. */
  keep(from: number, to: number) {
    this.taken.fill(1, from, to)
    this.blank.fill(1, from, to)
    this.seen = undefined
  }

  /**
   * Proposes a change, unless part of it is claimed already or it would change nothing.
   *
   * @param edits   in order
   * @param whole   the words to show it by; from the first edit to the last otherwise
   * @param spoken  whether what is put in is narration, to be read by the steps that follow
   */
  claim(
    kind: TidyKind,
    edits: readonly Edit[],
    { whole, spoken = true }: { whole?: TextRange; spoken?: boolean } = {},
  ): boolean {
    const real = edits.filter(({ from, to, text }) => this.script.slice(from, to) !== text)
    if (real.length === 0 || real.some(({ from, to }) => this.taken.subarray(from, to).includes(1)))
      return false
    const stretch = whole ?? { from: itemAt(real, 0).from, to: lastOf(real).to }
    for (const { from, to, text } of real) {
      if (text === '') this.keep(from, to)
      else this.taken.fill(1, from, to)
    }
    if (!spoken) this.keep(stretch.from, stretch.to)
    const before = this.script.slice(stretch.from, stretch.to)
    const inside = real.map(({ from, to, text }) => ({
      from: from - stretch.from,
      to: to - stretch.from,
      text,
    }))
    const after = withChanges(before, [{ kind, edits: inside, line: 1, before, after: '' }])
    this.changes.push({
      kind,
      edits: real,
      line: this.lineOf(stretch.from + (before.length - before.trimStart().length)),
      before: before.trim(),
      after: after.trim(),
    })
    return true
  }

  /** Takes a stretch out. */
  drop(kind: TidyKind, from: number, to: number): boolean {
    return this.claim(kind, [{ from, to, text: '' }])
  }

  /** Puts something in a stretch's place that is not narration: a heading, a direction. */
  mark(kind: TidyKind, from: number, to: number, text: string): boolean {
    return text === ''
      ? this.drop(kind, from, to)
      : this.claim(kind, [{ from, to, text }], { spoken: false })
  }

  private lineOf(at: number): number {
    let low = 0
    let high = this.lineStarts.length
    while (high - low > 1) {
      const middle = (low + high) >> 1
      if (itemAt(this.lineStarts, middle) <= at) low = middle
      else high = middle
    }
    return low + 1
  }
}
