import type { TakeRequest } from '@tidy-reel/core/speech/take-request'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import type { ChannelView } from '@tidy-reel/core/views/checks'
import type { SceneTakeView } from '@tidy-reel/core/views/episode'
import type { RecordedView, RecordingView } from '@tidy-reel/core/views/recording'
import type { SaidView, VoicesView } from '@tidy-reel/core/views/speech'
import { ask, bytesOf, post } from './ask.ts'

/**
 * What a voice is asked to say when it is tried; its pace is the voice's own where none is given.
 */
export type SayRequest = Omit<TakeRequest, 'speed'> & Partial<Pick<TakeRequest, 'speed'>>

/** What is spoken and recorded. */
export const speechApi = {
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
}
