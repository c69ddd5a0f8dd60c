import { certain } from '../faults/certain.ts'
import { wordList } from '../text/pattern.ts'
import type { Page } from './page.ts'

const DOUBLED =
  /(?<![\p{L}\p{N}'’-])(\p{L}+(?:['’]\p{L}+)?)([^\S\n]{0,40}\n?[^\S\n]{1,40}|\n)(\1)(?![\p{L}\p{N}'’-])/giu
/** Words that English doubles: for weight, for sound, and where two clauses meet. */
const MEANT = new Set(
  wordList(`
    had that her very really so far many much long big old never no yes ha hee bye knock
    tick tock chop tap tut hear there well now more again over on-and-on why what who oh ah
    hey ho la na ding dong beep pat drip click clack boom bang tweet quack moo baa woof
    cough hush shh tsk blah hip bon cha choo dum yo wait stop help fire please higher lower
    faster slower closer deeper further louder round down up out in through back days years
    and-and good great high little small tiny slow slowly quickly quick hot cold
  `),
)
/**
 * Doubled on purpose only across a clause ("what it is is", "came in in 1859"): never before these.
 */
const PARTICLES = new Set(['in', 'on', 'is', 'do', 'up', 'out'])

/**
 * "The the": the second goes.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findDoubledWords(page: Page) {
  const { view } = page
  const pattern = new RegExp(DOUBLED)
  for (let found = pattern.exec(view); found; found = pattern.exec(view)) {
    const [whole, first, space, second] = found as unknown as [string, string, string, string]
    // The next pair may begin with this one's second word.
    pattern.lastIndex = found.index + first.length
    if (!isSlip(view, found.index, first, second, found.index + whole.length)) continue
    if (page.rules?.words.doubled.includes(first.toLowerCase())) continue
    const end = found.index + whole.length
    // Over the end of a line the break stays, and the word goes with the space behind it.
    const gone = space.includes('\n')
      ? {
          from: end - second.length,
          to: end + certain(/^[^\S\n]*/.exec(view.slice(end)))[0].length,
        }
      : { from: found.index + first.length, to: end }
    page.claim('doubled', [{ ...gone, text: '' }], { whole: { from: found.index, to: end } })
  }
}

function isSlip(view: string, at: number, first: string, second: string, end: number): boolean {
  const word = first.toLowerCase()
  if (PARTICLES.has(word))
    return (
      !(word === 'in' && /^\s\d/.test(view.slice(end))) &&
      !(
        word === 'is' &&
        /\b(?:what|it|this|that|there|all|who|he|she)\s+(?:\p{L}+\s+){0,4}$/iu.test(
          view.slice(Math.max(0, at - 40), at),
        ) &&
        /\bwhat\b/i.test(view.slice(Math.max(0, at - 40), at))
      )
    )
  if (MEANT.has(word) || (first.length === 1 && !/[aI]/i.test(first))) return false
  // Names are doubled: Bora Bora, Wagga Wagga; a sentence that begins with its slip has one capital
  // only.
  return !(/^\p{Lu}/u.test(first) && /^\p{Lu}/u.test(second))
}
