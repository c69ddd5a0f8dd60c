/**
 * What scripts of one language call their parts, as sources of patterns that mind no case: data, one
 * file a language. English stands in the steps themselves.
 */
export interface TidyWords {
  /** Labels of who speaks. */
  roles: string
  /** Labels of what is seen, heard and written on the picture, and of what only the makers read. */
  seen: string
  heard: string
  written: string
  told: string
  /** What a description of a picture may begin with: it is no part of what is seen. */
  camera: string
  /** A pause, and what makes one short or long, before or behind it. */
  pause: string
  short: string
  long: string
  /** How something is said, or what the speaker does meanwhile. */
  delivery: string
  music: string
  noise: string
  /** Before the number of a scene, and of a shot. */
  scene: string
  shot: string
  /** Headings that every script has, and words before the number of a chapter. */
  part: string
  chapter: string
  /** Facts about a script in its first lines, and notes of what is to be done. */
  facts: string
  later: string
  /** A sentence that asks for likes, subscriptions or comments has one of these. */
  calls: readonly string[]
  /** Ends and changes of picture that have a line of their own. */
  transition: string
  /** What stands before the number of a list: "number five". */
  number: string
  /** Short forms (sources of patterns) with what is said for them. */
  shortForms: readonly (readonly [form: string, said: string])[]
  /** Signs in words: about, and, at most, at least, plus or minus, equals. */
  signs: Record<'~' | '&' | '≤' | '≥' | '±' | '=', string>
  /** Words that are said twice rightly: "die, die" as a relative after its article. */
  doubled: readonly string[]
  /** Stops before which the language leaves a space. */
  spaced?: string
}
