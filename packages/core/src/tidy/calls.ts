import { sentencesOf } from '../script/sentences.ts'
import { pattern } from '../text/pattern.ts'
import type { Page } from './page.ts'

const CALL = [
  pattern(
    'i',
    String.raw`\b(?:like|share|comment),? (?:(?:share|comment|like),? )*(?:and|&|or) (?:subscribe|`,
    String.raw`share|follow)\b`,
  ),
  pattern(
    'i',
    String.raw`\bsubscrib(?:e|ing) (?:to (?:the|our|my|this) (?:channel|newsletter|podcast)|`,
    String.raw`to (?:us|me)|for (?:more|a)|now|below|today|if you|so you|and (?:hit|ring|turn|like|`,
    String.raw`share|leave))\b`,
  ),
  pattern(
    'i',
    String.raw`^\W*(?:and |so |please |also |don['’]t forget to |make sure (?:to|you(?:['’]re)?) |`,
    String.raw`be sure to |remember to |if you (?:haven['’]t|liked)[^.!?]*?,? )+(?:hit |`,
    String.raw`please )*(?:subscribed?|like this|share this|follow us|like and)\b`,
  ),
  /^\W*(?:please )?subscribe\W*$/i,
  pattern(
    'i',
    String.raw`\b(?:hit|smash|click|tap|press|punch|destroy)(?:ing)? (?:on )?(?:that |the |like |`,
    String.raw`a )*(?:like|subscribe|bell|notification|thumbs)`,
  ),
  /\b(?:like|subscribe|notification|follow) (?:button|bell)\b/i,
  pattern(
    'i',
    String.raw`\bsubscrib\w*\b[^.!?]*\bring (?:the|that) bell\b|\bring (?:the|that)`,
    String.raw` (?:notification )?bell (?:for|so|to (?:be|get|never))\b`,
  ),
  pattern(
    'i',
    String.raw`\b(?:leave|drop|write|post) (?:us |me )?(?:a |your )?(?:like|comments?|thoughts?|`,
    String.raw`review|thumbs)\b.*\b(?:below|comments?|video|down)\b|\b(?:leave|drop) a (?:like|`,
    String.raw`comment)\b`,
  ),
  pattern(
    'i',
    String.raw`\b(?:let (?:me|us) know|tell (?:me|us)|comment)\b[^.!?]*\b(?:in the comments?|`,
    String.raw`comments? (?:section|below)|down below)\b|\bcomment below\b`,
  ),
  pattern(
    'i',
    String.raw`\blinks? (?:is |are )?(?:in the|below|down) (?:the )?(?:description|bio)|`,
    String.raw`\bin the description(?: box)? below\b`,
  ),
  pattern(
    'i',
    String.raw`\b(?:check|click|see|use|follow|visit) (?:out )?(?:the|my|our)`,
    String.raw` links?\b[^.!?]*\b(?:below|description|bio|above)\b`,
  ),
  /\b(?:give|gave) (?:this|the|it|us) (?:video |film |one )?(?:a |an )?(?:thumbs[- ]up|like)\b/i,
  pattern(
    'i',
    String.raw`\bcheck out (?:my|our) (?:other |last |previous |new )?(?:videos?|films?|channel|`,
    String.raw`merch|course|website|shop|patron|newsletter)\b`,
  ),
  pattern(
    'i',
    String.raw`\b(?:follow|find|support) (?:us|me) (?:on|at|@)|\bfollow (?:us|me)`,
    String.raw`\b[^.!?]*\bfor more\b|\bjoin (?:my|our) (?:newsletter|community|channel|server|`,
    String.raw`mailing list)\b|\bturn on (?:the )?notifications\b|\bshare this (?:video|film)\b`,
  ),
]

/**
 * Sentences that ask for likes, subscriptions and comments.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findCalls(page: Page) {
  for (const { from, text } of page.lines) {
    if (text.trim() === '') continue
    for (const sentence of sentencesOf(text)) {
      const said = text.slice(sentence.from, sentence.to)
      if (CALL.some((call) => call.test(said)) || page.rules?.calls.some((call) => call.test(said)))
        page.drop('call', from + sentence.from, from + sentence.to)
    }
  }
}
