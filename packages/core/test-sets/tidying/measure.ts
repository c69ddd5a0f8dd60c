import { type Edit, withChanges } from '../../src/tidy/change.ts'
import type { TidyKind } from '../../src/tidy/kinds.ts'
import { tidyChanges } from '../../src/tidy/tidy.ts'

/** A messy script with its right answers, made by hand. */
export interface Sample {
  name: string
  messy: string
  tidy: string
  expected: { kind: TidyKind; edit: Edit }[]
}

/**
 * Samples of a file: `=== name`, then the text, in which `«kind¦as it is¦as it should be»` marks
 * each place that should change.
 */
export function samplesOf(file: string): Sample[] {
  return file
    .split(/^=== /m)
    .slice(1)
    .map((part) => {
      const [name = '', ...rest] = part.split('\n')
      return sampleOf(name, rest.join('\n').trimEnd() + '\n')
    })
}

function sampleOf(name: string, marked: string): Sample {
  const expected: Sample['expected'] = []
  let messy = ''
  let at = 0
  for (const { index, 0: whole, 1: kind, 2: before, 3: after } of marked.matchAll(
    /«(\w+)¦([^¦]*)¦([^»]*)»/g,
  )) {
    messy += marked.slice(at, index)
    expected.push({
      kind: kind as TidyKind,
      edit: { from: messy.length, to: messy.length + before!.length, text: after! },
    })
    messy += before!
    at = index + whole.length
  }
  messy += marked.slice(at)
  return {
    name,
    messy,
    expected,
    tidy: carriedOut(
      messy,
      expected.map(({ edit }) => edit),
    ),
  }
}

interface Group {
  from: number
  to: number
  expected: Sample['expected']
  found: { kind: TidyKind; edits: Edit[] }[]
}

export interface Score {
  /** Right answers that were found, of all right answers. */
  hits: number
  expected: number
  /** Proposed changes that are right, of all proposed. */
  right: number
  found: number
}

export interface Judged {
  byKind: Map<TidyKind, Score>
  /** What went wrong, as read by a person. */
  failures: string[]
}

const kindsOf = (changes: readonly { kind: string }[]) => changes.map(({ kind }) => kind).join()

/**
 * Changes and right answers that overlap are judged together: the words they leave must be the same
 * but for space.
 */
export function judge(samples: readonly Sample[]): Judged {
  const byKind = new Map<TidyKind, Score>()
  const failures: string[] = []
  const score = (kind: TidyKind) => {
    if (!byKind.has(kind)) byKind.set(kind, { hits: 0, expected: 0, right: 0, found: 0 })
    return byKind.get(kind)!
  }
  for (const sample of samples) {
    for (const { from, to, expected, found } of groupsOf(sample)) {
      const wanted = applied(
        sample.messy,
        expected.map(({ edit }) => edit),
        from,
        to,
      )
      const got = applied(
        sample.messy,
        found.flatMap(({ edits }) => edits),
        from,
        to,
      )
      const same = wanted === got
      for (const { kind } of expected) {
        score(kind).expected++
        if (same) score(kind).hits++
      }
      for (const { kind } of found) {
        score(kind).found++
        if (same) score(kind).right++
      }
      if (!same)
        failures.push(
          [
            `${sample.name}: ${JSON.stringify(sample.messy.slice(from, to))} [${kindsOf(expected)} / ${kindsOf(found)}]`,
            `  wanted ${JSON.stringify(wanted)}`,
            `  got    ${JSON.stringify(got)}`,
          ].join('\n'),
        )
    }
  }
  return { byKind, failures }
}

function groupsOf({ messy, expected }: Sample): Group[] {
  const parts: Group[] = [
    ...expected.map((one) => ({
      from: one.edit.from,
      to: one.edit.to,
      expected: [one],
      found: [],
    })),
    ...tidyChanges(messy).map((one) => ({
      from: one.edits[0]!.from,
      to: one.edits.at(-1)!.to,
      expected: [],
      found: [one],
    })),
  ].sort((a, b) => a.from - b.from || b.to - a.to)
  const groups: Group[] = []
  for (const part of parts) {
    const last = groups.at(-1)
    if (last && (part.from < last.to || (part.from === last.to && part.from === part.to))) {
      last.to = Math.max(last.to, part.to)
      last.expected.push(...part.expected)
      last.found.push(...part.found)
    } else groups.push({ ...part })
  }
  return groups
}

function applied(text: string, edits: readonly Edit[], from: number, to: number): string {
  const inside = edits
    .filter((edit) => edit.from >= from && edit.to <= to)
    .map((edit) => ({ ...edit, from: edit.from - from, to: edit.to - from }))
  return even(carriedOut(text.slice(from, to), inside))
}

const carriedOut = (text: string, edits: Edit[]) =>
  withChanges(text, [{ kind: 'note', edits, line: 1, before: '', after: '' }])

export const even = (text: string) => text.replace(/\s+/g, ' ').trim()

export function totals({ byKind }: Judged): Score {
  const all = [...byKind.values()]
  const sum = (key: keyof Score) => all.reduce((total, score) => total + score[key], 0)
  return { hits: sum('hits'), expected: sum('expected'), right: sum('right'), found: sum('found') }
}
