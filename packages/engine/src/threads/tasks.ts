import { scriptWords } from '@tidy-reel/core/checks/script-words'
import { newThings } from '@tidy-reel/core/checks/things'
import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import type { Command } from '@tidy-reel/core/document/command'
import type { Document, Matching } from '@tidy-reel/core/document/document'
import type { OrderedSection } from '@tidy-reel/core/film/music/bed-plan'
import type { HeardMusic } from '@tidy-reel/core/film/music/own/heard-music'
import type { SoundFacts } from '@tidy-reel/core/film/sound/effects/known-sound'
import { depictionsOf, type ReadDepiction } from '@tidy-reel/core/match/depictions'
import type { FoundSound } from '@tidy-reel/core/match/find-sounds'
import type { SceneToMatch } from '@tidy-reel/core/match/scene-to-match'
import { type ReadPictureList, readPictureList } from '@tidy-reel/core/pictures/picture-list'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import { type ReadFilms, readFilms } from '@tidy-reel/core/topics/read-films'
import type { ScriptChecks } from '@tidy-reel/core/views/checks'
import { type EpisodeFacts, episodeFacts } from '@tidy-reel/core/views/episode-facts'
import type { Brief, Draft, Outline } from '@tidy-reel/core/writing/brief'
import { type ImportedScript, readAs } from '../import/imported-script.ts'
import type { ReadSubtitles } from '../import/read-subtitles.ts'
import type { ListedSound } from '../sound/effects/listed-sound.ts'
import type { CutMusic, Cutting } from '../sound/music/own-sound.ts'
import type { SectionSound } from '../sound/music/section-sound.ts'

/**
 * Work that may take long, by what a person pastes or sends: it is done in a thread of its own.
 * Each loads what it needs when it is first asked for.
 */
export const TASKS = {
  importFile: async ({
    bytes,
    name,
  }: {
    bytes: Uint8Array
    name: string
  }): Promise<ImportedScript> => {
    const { importFile } = await import('../import/import-file.ts')
    return importFile(Buffer.from(bytes), name)
  },
  readSubtitles: async ({
    bytes,
    name,
  }: {
    bytes: Uint8Array
    name: string
  }): Promise<ReadSubtitles> => {
    const { readSubtitles } = await import('../import/read-subtitles.ts')
    return readSubtitles(Buffer.from(bytes), name)
  },
  readPage: async ({ html, name }: { html: string; name: string }): Promise<ImportedScript> => {
    const { htmlScript } = await import('../import/html-script.ts')
    return readAs(name, () => htmlScript(html, name))
  },
  checkWords: async ({
    script,
    words,
  }: {
    script: string
    words: readonly string[]
  }): Promise<ScriptChecks> => {
    const { misspellings } = await import('../words/spelling.ts')
    const { loadLexicon } = await import('../words/wordnet.ts')
    const parsed = parsedScript(script)
    return {
      things: newThings(parsed.scenes, await loadLexicon()),
      misspelt: misspellings(
        scriptWords(script, parsed).map((word) => word.text),
        words,
      ),
    }
  },
  sectionSound: async (asked: { folder: string; order: OrderedSection }): Promise<SectionSound> =>
    (await import('../sound/music/section-sound.ts')).sectionSound(asked.folder, asked.order),
  listenTo: async (asked: { folder: string; id: string }): Promise<HeardMusic> =>
    (await import('../sound/music/own-sound.ts')).listenTo(asked),
  cutMusic: async (asked: Cutting): Promise<CutMusic> =>
    (await import('../sound/music/own-sound.ts')).cutMusic(asked),
  midiNotes: async ({ file }: { file: string }): Promise<number | undefined> =>
    (await import('../sound/music/own-sound.ts')).midiNotes(file),
  soundFacts: async (asked: { folder: string; sound: ListedSound }): Promise<SoundFacts> =>
    (await import('../sound/effects/sound-file.ts')).soundFacts(asked.folder, asked.sound),
  soundsFor: async ({
    words,
    sounds,
  }: {
    words: string
    sounds: readonly ListedSound[]
  }): Promise<FoundSound<ListedSound>[]> =>
    (await import('../sound/effects/sound-library.ts')).soundsFor(words, sounds),
  readPictures: async ({ text, name }: { text: string; name: string }): Promise<ReadPictureList> =>
    readPictureList(text, name),
  readFilms: async ({ text, name }: { text: string; name: string }): Promise<ReadFilms> =>
    readFilms(text, name),
  writeOutline: async ({ brief }: { brief: Brief }): Promise<Outline> =>
    (await import('../writing/standin-writer.ts')).standInWriter.outline(brief, NEVER),
  writeDraft: async (asked: { brief: Brief; outline: Outline; speed: number }): Promise<Draft> =>
    (await import('../writing/standin-writer.ts')).standInWriter.draft(
      asked.brief,
      asked.outline,
      asked.speed,
      NEVER,
    ),
  readDepictions: async ({
    scenes,
    title,
    senses,
  }: {
    scenes: readonly SceneToMatch[]
    title: string
    senses: Matching['senses']
  }): Promise<ReadDepiction[]> => {
    const { loadLexicon } = await import('../words/wordnet.ts')
    const { filmQueries } = await import('../stock/match-film.ts')
    return depictionsOf(scenes, filmQueries(scenes, await loadLexicon(), title, senses))
  },
  beginDocument: async ({ title, script }: { title: string; script: string }) =>
    withFacts({ document: documentFrom(title, script) }),
  applyCommand: async ({ document, command }: { document: Document; command: Command }) =>
    withFacts(apply(document, command)),
}
export type TaskName = keyof typeof TASKS
/** Sound is played and decoded by programs with limits of their own, slowly where much runs. */
const PLAYING_SECONDS = 120
/** A thread that is new to it reads the dictionary first: two seconds, ten where much runs. */
const READING_SECONDS = 40
/** Tasks that may take longer than others. */
export const LONGER_SECONDS: Partial<Record<TaskName, number>> = {
  sectionSound: PLAYING_SECONDS,
  listenTo: PLAYING_SECONDS,
  cutMusic: PLAYING_SECONDS,
  soundFacts: PLAYING_SECONDS,
  soundsFor: READING_SECONDS,
  checkWords: READING_SECONDS,
  readDepictions: READING_SECONDS,
}
export type TaskInput<Name extends TaskName> = Parameters<(typeof TASKS)[Name]>[0]
export type TaskResult<Name extends TaskName> = Awaited<ReturnType<(typeof TASKS)[Name]>>

/** The list of episodes shows what is worked out here, once. */
const withFacts = <Made extends { document: Document }>(
  made: Made,
): Made & { facts: EpisodeFacts } => ({
  ...made,
  facts: episodeFacts(made.document),
})

/** A thread is ended from outside. */
const NEVER = new AbortController().signal
