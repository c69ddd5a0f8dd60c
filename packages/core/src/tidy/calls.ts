import { sentencesOf } from '../script/sentences.ts'
import type { Page } from './page.ts'

const CALL = [
  /\b(?:like|share|comment),? (?:(?:share|comment|like),? )*(?:and|&|or) (?:subscribe|share|follow)\b/i,
  /\bsubscrib(?:e|ing) (?:to (?:the|our|my|this) (?:channel|newsletter|podcast)|to (?:us|me)|for (?:more|a)|now|below|today|if you|so you|and (?:hit|ring|turn|like|share|leave))\b/i,
  /^\W*(?:and |so |please |also |don['’]t forget to |make sure (?:to|you(?:['’]re)?) |be sure to |remember to |if you (?:haven['’]t|liked)[^.!?]*?,? )+(?:hit |please )*(?:subscribed?|like this|share this|follow us|like and)\b/i,
  /^\W*(?:please )?subscribe\W*$/i,
  /\b(?:hit|smash|click|tap|press|punch|destroy)(?:ing)? (?:on )?(?:that |the |like |a )*(?:like|subscribe|bell|notification|thumbs)/i,
  /\b(?:like|subscribe|notification|follow) (?:button|bell)\b/i,
  /\bsubscrib\w*\b[^.!?]*\bring (?:the|that) bell\b|\bring (?:the|that) (?:notification )?bell (?:for|so|to (?:be|get|never))\b/i,
  /\b(?:leave|drop|write|post) (?:us |me )?(?:a |your )?(?:like|comments?|thoughts?|review|thumbs)\b.*\b(?:below|comments?|video|down)\b|\b(?:leave|drop) a (?:like|comment)\b/i,
  /\b(?:let (?:me|us) know|tell (?:me|us)|comment)\b[^.!?]*\b(?:in the comments?|comments? (?:section|below)|down below)\b|\bcomment below\b/i,
  /\blinks? (?:is |are )?(?:in the|below|down) (?:the )?(?:description|bio)|\bin the description(?: box)? below\b/i,
  /\b(?:check|click|see|use|follow|visit) (?:out )?(?:the|my|our) links?\b[^.!?]*\b(?:below|description|bio|above)\b/i,
  /\b(?:give|gave) (?:this|the|it|us) (?:video |film |one )?(?:a |an )?(?:thumbs[- ]up|like)\b/i,
  /\bcheck out (?:my|our) (?:other |last |previous |new )?(?:videos?|films?|channel|merch|course|website|shop|patron|newsletter)\b/i,
  /\b(?:follow|find|support) (?:us|me) (?:on|at|@)|\bfollow (?:us|me)\b[^.!?]*\bfor more\b|\bjoin (?:my|our) (?:newsletter|community|channel|server|mailing list)\b|\bturn on (?:the )?notifications\b|\bshare this (?:video|film)\b/i,
]

/** Sentences that ask for likes, subscriptions and comments. */
export function findCalls(page: Page) {
  for (const { from, text } of page.lines) {
    if (text.trim() === '') continue
    for (const sentence of sentencesOf(text)) {
      const said = text.slice(sentence.from, sentence.to)
      if (CALL.some((call) => call.test(said)))
        page.drop('call', from + sentence.from, from + sentence.to)
    }
  }
}
