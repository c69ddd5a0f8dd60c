import { entryOf } from '../faults/certain.ts'
import type { SceneToMatch } from './scene-to-match.ts'

/** Words in capitals that are no names. */
const NO_NAMES = new Set('I II III IV V VI OK TV DNA USA UK EU'.split(' '))
const WORD = /[\p{L}\p{N}'’-]+/gu

/** Capitalised words inside sentences, in lower case: what is called by a name. */
function namesIn(text: string): string[] {
  return text
    .split(/[.!?:;“”"(\n]\s*/)
    .flatMap((sentence) =>
      (sentence.match(WORD) ?? [])
        .slice(1)
        .filter((word) => /^\p{Lu}\p{Ll}/u.test(word) && !NO_NAMES.has(word)),
    )
    .map((word) => word.toLowerCase().replace(/['’]s$/, ''))
}

/**
 * Names in a picture's title; none where every long word has a capital, for then capitals say
 * nothing.
 *
 * @example namesInTitle('Medieval walls of Carcassonne') // => ['carcassonne']
 */
export const namesInTitle = (title: string): string[] =>
  (title.match(WORD) ?? []).some((word) => /^\p{Ll}{4}/u.test(word)) ? namesIn(title) : []

/** What a chapter says and names. */
export interface NamedWorld {
  /** All its words, in lower case: a name is known there wherever it stands. */
  said: ReadonlySet<string>
  /** Whether it calls anything by a name. */
  names: boolean
}

/**
 * Of each scene, what its chapter says and names.
 *
 * @returns one a scene; scenes of one chapter share theirs
 */
export function namedWorlds(scenes: readonly SceneToMatch[]): NamedWorld[] {
  const chapters = new Map<number, NamedWorld>()
  for (const { chapter } of scenes) {
    if (chapters.has(chapter)) continue
    const texts = scenes
      .filter((scene) => scene.chapter === chapter)
      .flatMap(({ text, picture, chapterTitle }) => [text, picture ?? '', chapterTitle ?? ''])
    chapters.set(chapter, {
      said: new Set(texts.join(' ').toLowerCase().match(WORD) ?? []),
      names: texts.some((text) => namesIn(text).length > 0),
    })
  }
  return scenes.map(({ chapter }) => entryOf(chapters, chapter))
}

/**
 * Left of a score where a picture is named after something the chapter does not speak of: where it
 * names others, and where it names nothing.
 */
const STRANGE = { amongNames: 0.7, alone: 0.97 }

/**
 * Below 1 for a picture of a place or person that is not meant.
 *
 * @returns 0.7, 0.97 or 1; 1 for a picture that names nothing
 */
export const strangeness = (
  names: readonly string[],
  { said, names: named }: NamedWorld,
): number => {
  if (!names.length || names.some((name) => said.has(name))) return 1
  return named ? STRANGE.amongNames : STRANGE.alone
}
