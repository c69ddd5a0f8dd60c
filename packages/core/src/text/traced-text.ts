import { itemAt } from '../faults/certain.ts'
/**
 * A text that is rewritten step by step and still knows where each of its characters came from, so
 * that what is spoken can be laid beside what is written.
 */
export class TracedText {
  private constructor(
    readonly text: string,
    private readonly origins: readonly number[],
  ) {}

  /** @example TracedText.of('5 km').replace(/km/, () => 'kilometres').originOf(2) // => 2 */
  static of(text: string): TracedText {
    return new TracedText(
      text,
      Array.from({ length: text.length }, (_, i) => i),
    )
  }

  /** Index into the first text of what the character at `at` was made from. */
  originOf(at: number): number {
    return this.origins[at] ?? this.origins.at(-1) ?? 0
  }

  /**
   * Every match in words of `say`, which is given the match, its place and the whole text;
   * undefined leaves it. What is the same at both ends stays in its place; the new characters
   * between are laid evenly over the old ones.
   */
  replace(
    pattern: RegExp,
    say: (match: RegExpExecArray, text: string) => string | undefined,
  ): TracedText {
    const { text, origins } = this
    let out = ''
    let from: number[] | undefined
    let at = 0
    for (const match of text.matchAll(pattern)) {
      const said = say(match, text)
      if (said === undefined || said === match[0]) continue
      from ??= []
      out += text.slice(at, match.index) + said
      for (let i = at; i < match.index; i++) from.push(itemAt(origins, i))
      for (const place of placesOf(match[0], said)) from.push(this.originOf(match.index + place))
      at = match.index + match[0].length
    }
    if (!from) return this
    for (let i = at; i < text.length; i++) from.push(itemAt(origins, i))
    return new TracedText(out + text.slice(at), from)
  }
}

/** For each character of `said`, which character of `match` it stands for. */
function placesOf(match: string, said: string): number[] {
  const shorter = Math.min(match.length, said.length)
  let head = 0
  while (head < shorter && match[head] === said[head]) head++
  let tail = 0
  while (tail < shorter - head && match.at(-1 - tail) === said.at(-1 - tail)) tail++
  const [old, fresh] = [match.length - head - tail, said.length - head - tail]
  return Array.from({ length: said.length }, (_, i) => {
    if (i < head) return i
    if (i >= said.length - tail) return i - said.length + match.length
    return head + Math.floor(((i - head) * Math.max(1, old)) / fresh)
  })
}
