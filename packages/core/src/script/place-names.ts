/** Words that a place may come after, at the head of a sentence too. */
const BEFORE = String.raw`(?:[Ii]n|[Nn]ear|[Aa]t|[Ff]rom|[Tt]o|[Oo]ff|[Bb]etween|[Aa]round|[Aa]cross|[Ii]nto|[Tt]hrough|[Tt]owards?|[Oo]utside|[Bb]eyond|and)`
const NAME = String.raw`(?:the )?(\p{Lu}[\p{L}’'-]+(?: (?:(?:of|on|upon|sur|de|am|an der) )?\p{Lu}[\p{L}’'-]+){0,3})`
const NAMED = new RegExp(String.raw`(?<![\p{L}])${BEFORE} ${NAME}`, 'gu')
const WAY = new RegExp(String.raw`\b(?:[Ff]rom|[Bb]etween) ${NAME} (?:to|and) ${NAME}`, 'u')
/** Written like a place, and none. */
const TIMES =
  /^(?:January|February|March|April|May|June|July|August|September|October|November|December|Monday|Tuesday|Wednesday|Thursday|Friday|Saturday|Sunday|Christmas|Easter)\b/

/** What may be a place's name in a sentence, as it is written there; `[]` for none. */
export const placeNames = (sentence: string): string[] => [
  ...new Set(
    [...sentence.slice(0, 1000).matchAll(NAMED)].flatMap(([, name = '']) =>
      TIMES.test(name) ? [] : [name],
    ),
  ),
]

/** The two ends of a way that a sentence speaks of, as they are written. */
export function wayNamed(sentence: string): [string, string] | undefined {
  const [, from, to] = WAY.exec(sentence.slice(0, 1000)) ?? []
  return from && to && !TIMES.test(from) && !TIMES.test(to) ? [from, to] : undefined
}
