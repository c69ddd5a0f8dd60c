import { certain } from '../faults/certain.ts'
import type { Subject } from './subjects.ts'

export interface RankedSubject extends Subject {
  /** Larger = better worth a film now. */
  score: number
  /** Why it stands where it stands, in words. */
  why: string[]
}

const DAY = 24
/** After so many days a subject is fresh again, for the channel itself and with others. */
const REST_DAYS = 120
const OTHERS_REST_DAYS = 45
/** Films of others within the rest that wear a subject out by half. */
const CROWD = 6
/** Success of others counts, but less than one's own. */
const OTHERS_WEIGHT = 0.7
/** A single lucky film says little: it is drawn towards the usual by so many usual films. */
const SHRINK = 1.5

/**
 * Subjects in the order in which they are worth a film: what gains views faster than usual, on the
 * channel itself and with others, and is not yet worn out by either.
 *
 * score = log2(gain, shrunk towards 1 where few films speak for it) · rest since the channel's own
 * last film · room that others leave
 */
export function rankedSubjects(subjects: readonly Subject[]): RankedSubject[] {
  return subjects.map(ranked).sort((a, b) => b.score - a.score)
}

function ranked(subject: Subject): RankedSubject {
  const gain = gainOf(subject)
  const rest =
    subject.lastOwnHours === undefined
      ? 1
      : Math.min(1, 0.35 + (0.65 * subject.lastOwnHours) / (REST_DAYS * DAY))
  const crowd =
    subject.lastOthersHours === undefined
      ? 0
      : subject.others.length * Math.exp(-subject.lastOthersHours / (OTHERS_REST_DAYS * DAY))
  const room = 1 / (1 + crowd / CROWD)
  // What does worse than usual is not made better by rest.
  const score = gain > 0 ? gain * rest * room : gain
  return { ...subject, score, why: whyOf(subject, crowd) }
}

function gainOf({ own, others, aboveOwn, aboveOthers }: Subject): number {
  const parts = [
    [aboveOwn, own.length, 1],
    [aboveOthers, others.length, OTHERS_WEIGHT],
  ] as const
  const [sum, weight] = parts.reduce(
    ([s, w], [above, count, factor]) =>
      above === undefined
        ? [s, w]
        : [s + factor * count * Math.log2(Math.max(above, 1 / 64)), w + factor * count],
    [0, SHRINK] as [number, number],
  )
  return sum / weight
}

function whyOf(
  { own, others, aboveOwn, aboveOthers, lastOwnHours, lastOthersHours }: Subject,
  crowd: number,
): string[] {
  const films = (count: number) => (count === 1 ? 'one film' : `${count} films`)
  return [
    ...(aboveOwn === undefined
      ? ['You have not covered it yet.']
      : [
          `${capital(films(own.length))} of yours gained ${times(aboveOwn)}, the last one ` +
            `${ago(certain(lastOwnHours))} ago.`,
        ]),
    ...(aboveOthers === undefined
      ? ['Nobody else you follow has covered it.']
      : [
          `${capital(films(others.length))} of others gained ${times(aboveOthers)} of what is ` +
            `usual for them, the last one ${ago(certain(lastOthersHours))} ago.`,
        ]),
    ...(crowd > CROWD / 2 ? ['It is crowded at the moment.'] : []),
  ]
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
/** How far above the usual, in words: one decimal below ten times, none from there on. */
export const times = (above: number) =>
  above >= 10 ? `${Math.round(above)} times` : `${above.toFixed(1)} times`

/** How long ago in words: hours up to 2 days, days up to 60, months up to 2 years, then years. */
export function ago(hours: number): string {
  const days = hours / DAY
  if (days < 2) return `${Math.max(1, Math.round(hours))} hours`
  if (days < 60) return `${Math.round(days)} days`
  if (days < 730) return `${Math.round(days / 30.44)} months`
  return `${Math.round(days / 365.25)} years`
}
