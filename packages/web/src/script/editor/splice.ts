import type { ChangeSpec } from '@codemirror/state'

/**
 * The one change that makes `next` of `now`: what is the same before and after it stays, with the
 * cursor in it.
 */
export function spliceOf(now: string, next: string): ChangeSpec {
  const shorter = Math.min(now.length, next.length)
  let from = 0
  while (from < shorter && now[from] === next[from]) from++
  let tail = 0
  while (tail < shorter - from && now[now.length - 1 - tail] === next[next.length - 1 - tail])
    tail++
  return { from, to: now.length - tail, insert: next.slice(from, next.length - tail) }
}
