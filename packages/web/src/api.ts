import type { Command } from '@tidy-reel/core/document/command'
import type { Comparison } from '@tidy-reel/core/document/compare'
import type { Document, RefusalReason } from '@tidy-reel/core/document/document'
import type { PictureFilter } from '@tidy-reel/core/pictures/filter'
import type { Item } from '@tidy-reel/core/pictures/item'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import type { TakeRequest } from '@tidy-reel/core/speech/take-request'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import type { Idea, OfferedChannel, TopicsView } from '@tidy-reel/core/topics/topic-views'
import type { ChannelView, ScriptChecks } from '@tidy-reel/core/views/checks'
import type {
  EpisodeRow,
  EpisodeView,
  RenderView,
  SceneTakeView,
  VersionView,
} from '@tidy-reel/core/views/episode'
import type { ImportedScriptView } from '@tidy-reel/core/views/imported-script'
import type {
  FoundView,
  LibraryPage,
  NotedView,
  PictureUse,
  PictureView,
  Shelf,
} from '@tidy-reel/core/views/library'
import type { RecordedView, RecordingView } from '@tidy-reel/core/views/recording'
import type { SaidView, VoicesView } from '@tidy-reel/core/views/speech'
import type { Brief, Outline, WriterView, Writing } from '@tidy-reel/core/writing/brief'

export type { WriterView }

/**
 * What a voice is asked to say when it is tried; its pace is the voice's own where none is given.
 */
export type SayRequest = Omit<TakeRequest, 'speed'> & Partial<Pick<TakeRequest, 'speed'>>

/** An episode after a step back or forth. */
export type Changed = Pick<EpisodeView, 'revision' | 'document' | 'history'>

/** An answer that says no, with its code and its sentence. */
export class ApiError extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: number,
  ) {
    super(message)
  }
}

async function ask<T>(path: string, init: RequestInit = {}): Promise<T> {
  const answer = await fetch(`/api${path}`, {
    ...init,
    headers: { ...(init.body ? { 'content-type': 'application/json' } : {}), ...init.headers },
  })
  if (answer.ok)
    return (answer.status === 204 || answer.status === 202 ? undefined : await answer.json()) as T
  const problem = (await answer.json().catch(() => ({}))) as { code?: string; detail?: string }
  throw new ApiError(
    problem.code ?? 'unexpected',
    problem.detail ?? 'Tidy Reel did not answer as expected. Try again.',
    answer.status,
  )
}

/** A query string of what is given; undefined is left out. */
const query = (values: Record<string, string | number | undefined>) =>
  new URLSearchParams(
    Object.entries(values).flatMap(([name, value]) =>
      value === undefined || value === '' ? [] : [[name, String(value)]],
    ),
  )

/** What is asked of the picture maker. */
export interface MadeWish {
  description: string
  style: string
  without: string[]
  shape: 'landscape' | 'portrait'
  seed: number
}

/** What is asked of the library. */
export type LibraryAsked = PictureFilter & {
  words: string
  shelf: Shelf
  collection?: string | undefined
}

const post = <T>(path: string, body?: unknown, signal?: AbortSignal) =>
  ask<T>(path, {
    method: 'POST',
    ...(signal ? { signal } : {}),
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })

/** A file on its way to the server, as it is. */
const bytesOf = (file: Blob): RequestInit => ({
  method: 'POST',
  body: file,
  headers: { 'content-type': 'application/octet-stream' },
})

export const api = {
  episodes: () => ask<{ episodes: EpisodeRow[] }>('/episodes').then(({ episodes }) => episodes),
  createEpisode: (title: string) => post<{ id: string }>('/episodes', { title }),
  removeEpisode: (id: string) => ask<void>(`/episodes/${id}`, { method: 'DELETE' }),
  restoreEpisode: (id: string) => post<void>(`/episodes/${id}/restore`),
  episode: (id: string) => ask<EpisodeView>(`/episodes/${id}`),
  command: (id: string, revision: number, command: Command, key: string) =>
    post<{ revision: number; document: Document }>(`/episodes/${id}/commands`, {
      revision,
      command,
      key,
    }),
  undo: (id: string) => post<Changed>(`/episodes/${id}/undo`),
  redo: (id: string) => post<Changed>(`/episodes/${id}/redo`),
  versions: (id: string) =>
    ask<{ versions: VersionView[] }>(`/episodes/${id}/versions`).then(({ versions }) => versions),
  keepVersion: (id: string, name: string) =>
    post<VersionView>(`/episodes/${id}/versions`, { name }),
  version: (id: string, version: string) =>
    ask<VersionView & { document: Document }>(`/episodes/${id}/versions/${version}`),
  removeVersion: (id: string, version: string) =>
    ask<void>(`/episodes/${id}/versions/${version}`, { method: 'DELETE' }),
  compareVersion: (id: string, version: string) =>
    ask<Comparison>(`/episodes/${id}/versions/${version}/changes`),
  restoreVersion: (id: string, version: string) =>
    post<void>(`/episodes/${id}/versions/${version}/restore`),
  /** @param first the scene in view, spoken before the others */
  prepare: (id: string, first: string) =>
    post<void>(`/episodes/${id}/prepare${first ? `?first=${encodeURIComponent(first)}` : ''}`),
  startRender: (id: string, shape: FilmShape) => post<RenderView>(`/episodes/${id}/renders`, shape),
  cancelRender: (renderId: string) => post<RenderView>(`/renders/${renderId}/cancel`),
  /** @param name with the folders it lay in */
  takeOwnFile: (file: File, name = file.name) =>
    ask<Item>(`/own?name=${encodeURIComponent(name.slice(-900))}`, bytesOf(file)),
  voices: () => ask<VoicesView>('/voices'),
  say: (request: SayRequest, signal?: AbortSignal) =>
    post<SaidView>('/say', { ...request, text: request.text.slice(0, 1200) }, signal),
  recordSentence: (id: string, sceneId: string, sound: Blob) =>
    ask<RecordedView>(`/episodes/${id}/scenes/${sceneId}/recording`, {
      method: 'POST',
      body: sound,
      headers: { 'content-type': 'audio/wav' },
    }),
  bringRecording: (id: string, file: Blob) =>
    ask<{ id: string }>(`/episodes/${id}/recordings`, bytesOf(file)),
  /** Undefined while it is listened to. */
  recording: (id: string, recording: string) =>
    ask<RecordingView | undefined>(`/episodes/${id}/recordings/${recording}`),
  sceneTakes: (id: string, sceneId: string) =>
    ask<{ takes: SceneTakeView[] }>(`/episodes/${id}/scenes/${sceneId}/takes`).then(
      ({ takes }) => takes,
    ),
  setPronunciations: (pronunciations: readonly Pronunciation[]) =>
    ask<ChannelView>('/channel/pronunciations', {
      method: 'PUT',
      body: JSON.stringify({ pronunciations }),
    }),
  setFavouriteVoices: (favourites: readonly string[]) =>
    ask<ChannelView>('/channel/voices', { method: 'PUT', body: JSON.stringify({ favourites }) }),
  writing: (id: string) => ask<Writing>(`/episodes/${id}/writing`),
  keepBrief: (id: string, brief: Brief, outline: Outline | null) =>
    ask<Writing>(`/episodes/${id}/writing`, {
      method: 'PUT',
      body: JSON.stringify({ brief, outline }),
    }),
  makeOutline: (id: string, brief: Brief, signal: AbortSignal) =>
    post<Writing>(`/episodes/${id}/writing/outline`, { brief }, signal),
  makeDraft: (id: string, brief: Brief, outline: Outline, signal: AbortSignal) =>
    post<Writing>(`/episodes/${id}/writing/draft`, { brief, outline }, signal),
  writer: () => ask<WriterView>('/writer'),
  setWriter: (service: { address: string; model: string; key?: string } | null) =>
    ask<void>('/writer', { method: 'PUT', body: JSON.stringify({ service }) }),
  topics: () => ask<TopicsView>('/topics'),
  offeredChannels: () =>
    ask<{ channels: OfferedChannel[] }>('/topics/offered').then(({ channels }) => channels),
  followChannel: ({ id, name }: OfferedChannel) => post<void>('/topics/channels', { id, name }),
  importFilms: (file: File) =>
    ask<{ films: number; skipped: { row: number; reason: string }[] }>(
      `/topics/channels/list?name=${encodeURIComponent(file.name.slice(-200))}`,
      { method: 'POST', body: file, headers: { 'content-type': 'text/plain' } },
    ),
  makeChannelOwn: (id: string) => post<void>(`/topics/channels/${id}/own`),
  unfollowChannel: (id: string) => ask<void>(`/topics/channels/${id}`, { method: 'DELETE' }),
  addIdea: (idea: Pick<Idea, 'title' | 'notes' | 'subject' | 'state'>) =>
    post<Idea>('/topics/ideas', idea),
  changeIdea: (id: string, fields: Partial<Idea>) =>
    ask<Idea>(`/topics/ideas/${id}`, { method: 'PATCH', body: JSON.stringify(fields) }),
  removeIdea: (id: string) => ask<void>(`/topics/ideas/${id}`, { method: 'DELETE' }),
  beginEpisode: (id: string) => post<{ id: string }>(`/topics/ideas/${id}/episode`),
  importFile: (file: File) =>
    ask<ImportedScriptView>(
      `/import?name=${encodeURIComponent(file.name.slice(-200))}`,
      bytesOf(file),
    ),
  importLink: (address: string) =>
    post<ImportedScriptView>('/import/link', { address: address.trim() }),
  scriptChecks: (script: string) => post<ScriptChecks>('/checks', { script }),
  channel: () => ask<ChannelView>('/channel'),
  removeWord: (word: string) =>
    ask<ChannelView>('/channel/words', { method: 'DELETE', body: JSON.stringify({ word }) }),
  addWord: (word: string) => post<ChannelView>('/channel/words', { word }),
  findPictures: (words: string, filter: PictureFilter = {}, page = 1, signal?: AbortSignal) =>
    ask<FoundView>(`/pictures?${query({ words, ...filter, page })}`, signal ? { signal } : {}),
  makerStyles: () =>
    ask<{ styles: { id: string; name: string }[] }>('/pictures/styles').then(
      ({ styles }) => styles,
    ),
  makePictures: (wish: MadeWish, signal?: AbortSignal) =>
    post<{ items: Item[] }>('/pictures/made', wish, signal).then(({ items }) => items),
  library: (asked: LibraryAsked, from = 0, signal?: AbortSignal) =>
    ask<LibraryPage>(`/library?${query({ ...asked, from })}`, signal ? { signal } : {}).then(
      ({ pictures }) => pictures,
    ),
  libraryCount: (asked: LibraryAsked) =>
    ask<{ count: number }>(`/library/count?${query({ ...asked })}`).then(({ count }) => count),
  collections: () =>
    ask<{ collections: { name: string; pictures: number }[] }>('/library/collections').then(
      ({ collections }) => collections,
    ),
  tagPictures: (ids: readonly string[], add: readonly string[], remove: readonly string[] = []) =>
    post<void>('/library/tags', { ids, add, remove }),
  collect: (ids: readonly string[], name: string, inside: boolean) =>
    post<void>('/library/collect', { ids, name, inside }),
  removePictures: (ids: readonly string[], removed: boolean) =>
    post<void>('/library/remove', { ids, removed }),
  setFavourite: (item: Item, favourite: boolean) =>
    ask<void>('/library/favourite', { method: 'PUT', body: JSON.stringify({ item, favourite }) }),
  refuseForChannel: (item: Item, reason: RefusalReason | null) =>
    ask<void>('/library/refused', { method: 'PUT', body: JSON.stringify({ item, reason }) }),
  describePicture: (
    id: string,
    said: Partial<Pick<Item, 'title' | 'description' | 'author' | 'licence'>> & {
      people?: boolean
    },
  ) =>
    ask<PictureView>(`/library/${encodeURIComponent(id)}`, {
      method: 'PATCH',
      body: JSON.stringify(said),
    }),
  pictureUses: (id: string) =>
    ask<{ uses: PictureUse[] }>(`/library/${encodeURIComponent(id)}/uses`).then(({ uses }) => uses),
  pictureTwins: (id: string) =>
    ask<{ pictures: PictureView[] }>(`/library/${encodeURIComponent(id)}/twins`).then(
      ({ pictures }) => pictures,
    ),
  libraryList: '/api/library/list.csv',
  takePictureList: (file: File) =>
    ask<NotedView>(`/own/list?name=${encodeURIComponent(file.name)}`, bytesOf(file)),
  takeSidecar: (file: File) =>
    ask<{ described: number }>(`/own/sidecar?name=${encodeURIComponent(file.name)}`, bytesOf(file)),
}

/** `tries`: how often it was asked for before; the browser would not ask the same address again. */
export const thumbnail = (id: string, tries = 0) =>
  `/api/pictures/${encodeURIComponent(id)}/thumbnail${tries ? `?again=${tries}` : ''}`
/** Of a clip, playing. */
export const preview = (id: string) => `/api/pictures/${encodeURIComponent(id)}/preview`
export const proxy = (id: string) => `/api/proxies/${encodeURIComponent(id)}`
export const bedSound = (hash: string) => `/api/beds/${hash}`
export const voiceFile = (id: string, name: string) => `/api/episodes/${id}/voice/${name}`
export const takeSound = (hash: string) => `/api/takes/${hash}`
export const renderFile = (id: string, name: string, save?: string) =>
  `/api/renders/${id}/${name}${save ? `?save=${encodeURIComponent(save)}` : ''}`
