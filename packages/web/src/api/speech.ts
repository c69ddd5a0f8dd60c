import type { TakeRequest } from '@tidy-reel/core/speech/take-request'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import { cutText } from '@tidy-reel/core/text/well-formed'
import { ask } from './ask.ts'

/**
 * What a voice is asked to say when it is tried; its pace is the voice's own where none is given.
 */
export type SayRequest = Omit<TakeRequest, 'speed'> & Partial<Pick<TakeRequest, 'speed'>>

/** What is spoken and recorded. */
export const speechApi = {
  voices: () => ask('GET /voices'),
  say: (request: SayRequest, signal?: AbortSignal) =>
    ask('POST /say', { json: { ...request, text: cutText(request.text, 1200) }, signal }),
  recordSentence: (id: string, sceneId: string, sound: Blob) =>
    ask('POST /episodes/:id/scenes/:sceneId/recording', {
      path: { id, sceneId },
      file: sound,
      type: 'audio/wav',
    }),
  bringRecording: (id: string, file: Blob) =>
    ask('POST /episodes/:id/recordings', { path: { id }, file }),
  /** Null while it is listened to. */
  recording: (id: string, recording: string) =>
    ask('GET /episodes/:id/recordings/:recording', { path: { id, recording } }),
  sceneTakes: (id: string, sceneId: string) =>
    ask('GET /episodes/:id/scenes/:sceneId/takes', { path: { id, sceneId } }).then(
      ({ takes }) => takes,
    ),
  setPronunciations: (pronunciations: readonly Pronunciation[]) =>
    ask('PUT /channel/pronunciations', { json: { pronunciations } }),
  setFavouriteVoices: (favourites: readonly string[]) =>
    ask('PUT /channel/voices', { json: { favourites } }),
}
