import { entryOf, itemAt } from '../faults/certain.ts'
import { pattern } from '../text/pattern.ts'
import type { Brief, Draft, DraftSentence, Outline } from './brief.ts'
import { draftScript, scriptSeconds } from './draft-script.ts'
import { leansOnOthers } from './leaning.ts'
import { centrality, cosine, normed, sourceFit, weightedVectors } from './rank-units.ts'
import { joined, shortened } from './shorten.ts'
import { termsOf, type Unit, unitsOf } from './source-units.ts'

/**
 * How much a unit loses for being like one that is there already (maximal marginal relevance,
 * Carbonell & Goldstein 1998, from memory).
 */
const REPETITION = 0.75
/** What is nearly the same is never taken twice. */
const SAME = 0.72
/** What a sentence of a source about something else still counts. */
const OFF_SUBJECT = 0.25
/** How near a source must be to the subject, 0 to 1; by hand. */
const ON_SUBJECT = 0.35
/** So much more than is asked for must be there to choose from. */
const LEEWAY = 1.15
/** Share of the wished length that a draft may be off. */
const NEAR_ENOUGH = 0.03
/** A unit may overrun what is left of its chapter by so much. */
const MOST_OVER = 1.6
/** Steps towards the wished length, after which it stays as it is. */
const ADJUSTMENTS = 400

interface Candidate {
  unit: Unit
  chapter: number
  score: number
  seconds: number
}

/**
 * A draft made of nothing but sentences of the sources: ranked, ordered by the outline, shortened
 * and joined, opened by the strongest hook among them and closed by a reflection. The same brief
 * gives the same draft.
 *
 * @param speed pace of the voice the length is met at
 */
export function composeDraft(brief: Brief, outline: Outline, speed = 1): Draft {
  const units = unitsOf(brief.sources)
  if (units.length === 0)
    return {
      sentences: [],
      limits: [
        'There is nothing to write from: give at least one source with whole sentences. The ' +
          'built-in writer invents nothing.',
      ],
    }
  const vectors = weightedVectors(units)
  const fit = sourceFit(units, ...subjectsOf(brief, outline))
  const candidates = onSubject(rated(units, vectors, fit, brief, outline), fit, brief.minutes * 60)
  const vectorOf = new Map(units.map((unit, i) => [unit, itemAt(vectors, i)]))
  const opening = best(candidates, ({ unit }) => hookWorth(unit) * entryOf(fit, unit.source))
  const closing = best(
    candidates.filter((one) => one !== opening),
    ({ unit }) => reflectionWorth(unit, units.length) * entryOf(fit, unit.source),
  )
  const fixed = new Set([opening, closing].filter((one) => one !== undefined))
  const wanted = brief.minutes * 60
  const chosen = chosenByChapter(
    candidates.filter((one) => !fixed.has(one)),
    outline,
    wanted - [...fixed].reduce((sum, { seconds }) => sum + seconds, 0),
    vectorOf,
  )
  const made = (picked: ReadonlySet<Candidate>) =>
    sentencesFor([...picked], opening, closing, outline)
  const fitted = fitLength(
    new Set(chosen),
    candidates.filter((one) => !fixed.has(one)),
    wanted,
    (picked) => scriptSeconds(draftScript(made(picked), outline), speed),
  )
  const sentences = made(fitted)
  return { sentences, limits: limitsOf(brief, outline, sentences, speed) }
}

/** What is asked for: the topic with its points, and each chapter. */
const subjectsOf = (brief: Brief, outline: Outline) =>
  [
    [brief.topic, ...brief.points].join(' '),
    ...outline.map(({ title, points }) => [title, ...points].join(' ')),
  ].map(termsOf)

/** Sources about something else are drawn upon only where the others do not last. */
function onSubject(
  candidates: readonly Candidate[],
  fit: ReadonlyMap<string, number>,
  wanted: number,
): readonly Candidate[] {
  const near = candidates.filter(({ unit }) => entryOf(fit, unit.source) >= ON_SUBJECT)
  return near.reduce((sum, { seconds }) => sum + seconds, 0) > wanted * LEEWAY ? near : candidates
}

function rated(
  units: readonly Unit[],
  vectors: readonly Map<string, number>[],
  near: ReadonlyMap<string, number>,
  brief: Brief,
  outline: Outline,
): Candidate[] {
  const subject = termsOf([brief.topic, ...brief.points].join(' '))
  const rank = centrality(
    vectors,
    units.map(({ terms }) => [...subject.keys()].filter((term) => terms.has(term)).length),
  )
  const most = Math.max(...rank)
  const asked = outline.map(({ title, points }) =>
    normed(termsOf([title, title, ...points].join(' '))),
  )
  let before = 0
  return units.map((unit, i) => {
    const fits = asked.map((query) => cosine(query, itemAt(vectors, i)))
    const fit = Math.max(...fits)
    // What fits no chapter stays where its source has just been.
    before = fit > 0.04 ? fits.indexOf(fit) : before
    return {
      unit,
      chapter: before,
      score:
        (itemAt(rank, i) / most + fit) *
        (OFF_SUBJECT + (1 - OFF_SUBJECT) * entryOf(near, unit.source)),
      seconds: unit.sentences.reduce((sum, text) => sum + scriptSeconds(shortened(text)), 0),
    }
  })
}

const best = (
  candidates: readonly Candidate[],
  worth: (candidate: Candidate) => number,
): Candidate | undefined => {
  const ranked = candidates
    .map((candidate) => ({ candidate, worth: worth(candidate) }))
    .sort((a, b) => b.worth - a.worth)
  return ranked[0] && ranked[0].worth > 0 ? ranked[0].candidate : undefined
}

/** Words of what outlasts a film: it may end on such a sentence. */
const LASTING = pattern(
  'i',
  String.raw`\b(?:still|today|ever|always|perhaps|never|every|time|world|patient\w*|simply|all|`,
  String.raw`again|once|remain\w*|only)\b`,
)

/** What makes a viewer stay (as the checks of a hook have it); 0 for what cannot open a film. */
function hookWorth({ sentences }: Unit): number {
  const first = itemAt(sentences, 0)
  if (leansOnOthers(first) || sentences.length > 2) return 0
  const words = first.split(' ').length
  const has = (pattern: RegExp) => Number(pattern.test(sentences.join(' ')))
  return (
    2 * has(/\?/) +
    1.5 * has(/\d|\b(?:hundred|thousand|million|half)\b/) +
    1.5 * has(/\b(?:but|yet|never|nobody|nothing|without|impossible|until|almost|no one)\b/i) +
    1.2 * has(/\byou\b/i) +
    has(/\b(?:see|look|hear|imagine|stand|watch)\b/i) +
    lengthWorth(words)
  )
}

/** Of an opening sentence: short ones are heard to their end. By ear. */
function lengthWorth(words: number): number {
  if (words <= 18) return 1
  return words > 28 ? -2 : 0
}

/** A calm, general sentence from the end of a source; figures and questions close nothing. */
function reflectionWorth({ sentences, at }: Unit, all: number): number {
  const text = sentences.join(' ')
  if (
    (leansOnOthers(itemAt(sentences, 0)) && !/^(?:it|so|and|but)\b/i.test(itemAt(sentences, 0))) ||
    /\d|\?/.test(text) ||
    sentences.length > 2
  )
    return 0
  const has = (pattern: RegExp) => Number(pattern.test(text))
  return (
    1.4 * has(LASTING) +
    1.5 * (at / Math.max(1, all - 1)) +
    (text.split(' ').length <= 22 ? 0.6 : 0)
  )
}

/**
 * Each chapter takes its share of the seconds, the best first, each judged against what is there.
 */
function chosenByChapter(
  candidates: readonly Candidate[],
  outline: Outline,
  seconds: number,
  vectors: ReadonlyMap<Unit, Map<string, number>>,
): Candidate[] {
  const minutes = outline.reduce((sum, chapter) => sum + chapter.minutes, 0)
  const taken: Candidate[] = []
  outline.forEach((chapter, c) => {
    let left = (seconds * chapter.minutes) / minutes
    const open = new Set(candidates.filter((one) => one.chapter === c))
    while (left > 0 && open.size) {
      const ranked = [...open]
        .map((one) => ({
          one,
          like: Math.max(
            0,
            ...taken.map((other) =>
              cosine(entryOf(vectors, one.unit), entryOf(vectors, other.unit)),
            ),
          ),
        }))
        .map(({ one, like }) => ({ one, like, worth: one.score - REPETITION * like }))
        .sort((a, b) => b.worth - a.worth)
      const next = itemAt(ranked, 0)
      open.delete(next.one)
      if (next.like > SAME) continue
      if (next.one.seconds > left * MOST_OVER) continue
      taken.push(next.one)
      left -= next.one.seconds
    }
  })
  return taken
}

/** In the outline's order, inside a chapter as the sources tell it. */
function sentencesFor(
  picked: Candidate[],
  opening: Candidate | undefined,
  closing: Candidate | undefined,
  outline: Outline,
): DraftSentence[] {
  const body = picked.sort((a, b) => a.chapter - b.chapter || a.unit.at - b.unit.at)
  const last = outline.length - 1
  const placed = [
    ...(opening ? [{ unit: opening.unit, chapter: -1 }] : []),
    ...body.map(({ unit, chapter }) => ({ unit, chapter })),
    ...(closing
      ? [{ unit: closing.unit, chapter: Math.max(last, body.at(-1)?.chapter ?? last) }]
      : []),
  ]
  const sentences = placed.flatMap(({ unit, chapter }) =>
    unit.sentences.map((words): DraftSentence => ({
      text: shortened(words),
      chapter,
      from: [{ source: unit.source, words }],
    })),
  )
  return sentences.reduce<DraftSentence[]>((out, sentence) => {
    const before = out.at(-1)
    const sameSource =
      before?.chapter === sentence.chapter &&
      before.from.length === 1 &&
      itemAt(before.from, 0).source === itemAt(sentence.from, 0).source
    const both = before && sameSource && joined(before.text, sentence.text)
    if (both)
      out[out.length - 1] = {
        text: both,
        chapter: sentence.chapter,
        from: [...before.from, ...sentence.from],
      }
    else out.push(sentence)
    return out
  }, [])
}

/**
 * Adds, drops and swaps units until the length is met as nearly as they allow; better ones stay
 * where either would do.
 */
function fitLength(
  picked: Set<Candidate>,
  all: readonly Candidate[],
  wanted: number,
  measure: (picked: ReadonlySet<Candidate>) => number,
): Set<Candidate> {
  let seconds = measure(picked)
  for (
    let step = 0;
    step < ADJUSTMENTS && Math.abs(seconds - wanted) > wanted * NEAR_ENOUGH;
    step++
  ) {
    const off = wanted - seconds
    const outside = all.filter((one) => !picked.has(one))
    const moves = [
      ...(off > 0
        ? outside.map((add) => ({
            add: add,
            drop: undefined as Candidate | undefined,
          }))
        : [...picked].map((drop) => ({
            add: undefined as Candidate | undefined,
            drop: drop,
          }))),
      ...(Math.abs(off) < 12
        ? [...picked]
            .sort((a, b) => a.score - b.score)
            .slice(0, 12)
            .flatMap((drop) => outside.slice(0, 60).map((add) => ({ add, drop })))
        : []),
    ]
    const gain = ({ add, drop }: (typeof moves)[number]) =>
      (add?.seconds ?? 0) - (drop?.seconds ?? 0)
    const rated = moves.map((move) => ({
      move,
      miss: Math.abs(off - gain(move)) / wanted,
      worth: (move.add?.score ?? 0) - (move.drop?.score ?? 0),
    }))
    // Far from the wish the better unit counts, near it the fitting one.
    const [next] = rated
      .filter(({ miss }) => miss < Math.abs(off) / wanted)
      .sort((a, b) => (Math.abs(off) > 15 ? b.worth - a.worth : a.miss - b.miss))
    if (!next) break
    const tried = new Set(picked)
    if (next.move.add) tried.add(next.move.add)
    if (next.move.drop) tried.delete(next.move.drop)
    const after = measure(tried)
    if (Math.abs(after - wanted) >= Math.abs(seconds - wanted)) break
    picked = tried
    seconds = after
  }
  return picked
}

function limitsOf(
  brief: Brief,
  outline: Outline,
  sentences: readonly DraftSentence[],
  speed: number,
): string[] {
  const seconds = scriptSeconds(draftScript(sentences, outline), speed)
  const wanted = brief.minutes * 60
  const said = termsOf(sentences.map(({ text }) => text).join(' '))
  const silent = brief.points.filter((point) => {
    const asked = [...termsOf(point).keys()]
    return asked.length > 0 && asked.filter((term) => said.has(term)).length < asked.length / 2
  })
  const empty = outline.filter((_, i) => !sentences.some(({ chapter }) => chapter === i))
  return [
    'Every sentence is taken from your sources, at most shortened or joined: put it into your ' +
      'own words before it is published.',
    ...(seconds < wanted * 0.95
      ? [
          `The sources hold ${(seconds / 60).toFixed(1)} of the ${brief.minutes} minutes. ` +
            'Give more of them, or ask for less.',
        ]
      : []),
    ...silent.map((point) => `Nothing was found on “${point}”.`),
    ...empty.map(({ title }) => `The chapter “${title}” is empty: no source speaks of it.`),
    ...(brief.audience || brief.tone
      ? [
          'Audience and tone are not written towards: the built-in writer has only the words of the sources.',
        ]
      : []),
  ]
}
