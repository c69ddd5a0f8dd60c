/**
 * Everything that can go wrong and that a person should read: one code, one status, one sentence
 * with its numbers in it and the way out. Code branches on `code`; people read `message`.
 */
export const FAULTS = {
  script_empty: { status: 422, say: () => 'The script is empty. Paste or type a narration first.' },
  script_nothing_spoken: {
    status: 422,
    say: () =>
      'The script holds headings or directions only. Add at least one sentence to be spoken.',
  },
  scenes_all_hidden: {
    status: 422,
    say: () => 'Every scene is left out of the film. Show at least one of them.',
  },
  script_not_text: {
    status: 415,
    say: (d: { name: string }) =>
      `"${d.name}" is not a text. Save it as plain text (UTF-8) and try again.`,
  },
  script_too_long: {
    status: 422,
    say: (d: { minutes: number; limitMinutes: number }) =>
      `This script would speak for about ${d.minutes} minutes; a film may last ${d.limitMinutes}. Split it into several episodes.`,
  },
  script_too_large: {
    status: 413,
    say: (d: { characters: number; limit: number }) =>
      `The script has ${d.characters} characters; ${d.limit} is the limit. Split it into several episodes.`,
  },
  import_unreadable: {
    status: 415,
    say: (d: { name: string; reason: string }) =>
      `"${d.name}" cannot be read: ${d.reason}. Your text is as it was.`,
  },
  import_too_large: {
    status: 413,
    say: (d: { name: string; reason: string }) =>
      `"${d.name}" is too large: ${d.reason}. Your text is as it was.`,
  },
  import_empty: {
    status: 422,
    say: (d: { name: string }) =>
      `There are no words to speak in "${d.name}". Your text is as it was.`,
  },
  import_pictures_only: {
    status: 422,
    say: (d: { name: string }) =>
      `"${d.name}" holds pictures of pages and no text. Have its text recognised first (OCR), or paste it. Your text is as it was.`,
  },
  writer_unreachable: {
    status: 502,
    say: (d: { address: string }) =>
      `The writing service at ${d.address} does not answer. Check its address, or use the built-in writer.`,
  },
  writer_refused: {
    status: 502,
    say: (d: { address: string; reason: string }) =>
      `The writing service at ${d.address} refuses: ${d.reason}. Nothing of yours was changed.`,
  },
  writer_answer_invalid: {
    status: 502,
    say: (d: { address: string; reason: string }) =>
      `What the writing service at ${d.address} sent cannot be used: ${d.reason}. Nothing of yours was changed; try again, or use the built-in writer.`,
  },
  films_unreadable: {
    status: 422,
    say: (d: { name: string; reason: string }) =>
      `"${d.name}" cannot be used as a list of films: ${d.reason}. It needs the columns title, published and views.`,
  },
  statistics_unreachable: {
    status: 502,
    say: (d: { address: string }) =>
      `The channel statistics at ${d.address} do not answer. Import a list of films as CSV or JSON, or try again later.`,
  },
  statistics_answer_invalid: {
    status: 502,
    say: (d: { address: string }) =>
      `The channel statistics at ${d.address} sent something that is no list of films. Check its address.`,
  },
  channel_not_found: {
    status: 404,
    say: () => 'This channel is not followed any more. Reload the page.',
  },
  idea_not_found: { status: 404, say: () => 'This idea is not there any more. Reload the page.' },
  link_refused: {
    status: 422,
    say: (d: { address: string; reason: string }) =>
      `${d.address} is not fetched: ${d.reason}. Your text is as it was.`,
  },
  link_unreachable: {
    status: 502,
    say: (d: { address: string; reason: string }) =>
      `${d.address} cannot be fetched: ${d.reason}. Save the page as a file and import that, or try again.`,
  },
  input_invalid: {
    status: 400,
    say: (d: { issues: string }) => `This request cannot be used: ${d.issues}.`,
  },
  file_not_found: {
    status: 404,
    say: (d: { name: string }) => `There is no file "${d.name}". Check its name.`,
  },
  episode_not_found: {
    status: 404,
    say: () => 'This episode does not exist any more. Go back to the list of episodes.',
  },
  scene_not_found: {
    status: 404,
    say: (d: { sceneId: string }) =>
      `There is no scene "${d.sceneId}" in this episode any more. Reload the page.`,
  },
  shot_not_found: {
    status: 404,
    say: (d: { shot: number }) =>
      `This scene has no picture number ${d.shot + 1} any more. Reload the page.`,
  },
  shots_too_many: {
    status: 422,
    say: (d: { limit: number }) =>
      `A scene can show ${d.limit} pictures at most. Split the scene for more.`,
  },
  cut_not_possible: {
    status: 422,
    say: (d: { word: number }) =>
      `The picture cannot change at word ${d.word}: another cut of this scene is in the way. Move that one first.`,
  },
  split_empty: {
    status: 422,
    say: () =>
      'The scene cannot be split here: one part would have nothing to speak. Put the cursor between two words.',
  },
  merge_last: { status: 422, say: () => 'This is the last scene: there is none to join it with.' },
  merge_over_heading: {
    status: 422,
    say: (d: { title: string }) =>
      `The chapter "${d.title}" begins between these scenes. Remove its heading first.`,
  },
  merge_over_speaker: {
    status: 422,
    say: () => 'Two people speak in these scenes. Give both to one speaker first.',
  },
  place_inside: {
    status: 422,
    say: () => 'Scenes cannot be put beside one of themselves. Choose another place.',
  },
  revision_stale: {
    status: 409,
    say: (d: { revision: number; changes: string }) =>
      `The same lines were changed elsewhere meanwhile (${d.changes}). The episode was loaded afresh; look at what is there now and make your change again.`,
  },
  nothing_to_undo: {
    status: 409,
    say: () => 'There is nothing to undo: this is how the episode began.',
  },
  nothing_to_redo: { status: 409, say: () => 'There is nothing to redo.' },
  version_not_found: {
    status: 404,
    say: () => 'This version is not there any more. Choose another one.',
  },
  render_not_found: {
    status: 404,
    say: () => 'There is no such film any more. Start a new render.',
  },
  render_running: {
    status: 409,
    say: () => 'A render of this episode is under way. Wait for it or stop it first.',
  },
  file_not_ready: {
    status: 404,
    say: () => 'This file is not there yet. Wait until the render has finished.',
  },
  origin_refused: {
    status: 403,
    say: () =>
      'This request came from another page and was refused. Open Tidy Reel itself and try again.',
  },
  route_not_found: { status: 404, say: () => 'There is nothing at this address.' },
  voice_unknown: {
    status: 422,
    say: (d: { voice: string; known: string }) =>
      `There is no voice "${d.voice}". Choose one of: ${d.known}.`,
  },
  voice_silent: {
    status: 502,
    say: (d: { voice: string; text: string }) =>
      `The voice "${d.voice}" made no sound of "${d.text}". Change the words or choose another voice.`,
  },
  voice_failed: {
    status: 502,
    say: (d: { engine: string; reason: string }) =>
      `${d.engine} could not speak: ${d.reason}. Try again or choose another voice.`,
  },
  voice_not_spoken: {
    status: 409,
    say: () => 'Nothing of this film has been spoken yet. Have it spoken first.',
  },
  recording_unusable: {
    status: 422,
    say: (d: { reason: string }) =>
      `This recording cannot be used: ${d.reason}. Record it again or choose another file.`,
  },
  take_gone: {
    status: 404,
    say: (d: { text: string }) =>
      `The take chosen for "${d.text}" is not there any more. Choose another one or let the voice speak.`,
  },
  voices_unreadable: {
    status: 422,
    say: (d: { reason: string }) =>
      `The list of your own voices (voices.json) could not be read (${d.reason}); the built-in ones are there. Mend it and reload.`,
  },
  program_missing: {
    status: 503,
    say: (d: { program: string; package: string }) =>
      `The program "${d.program}" is not installed. Type: sudo apt-get install ${d.package}`,
  },
  program_failed: {
    status: 502,
    say: (d: { program: string; reason: string }) => `${d.program} failed: ${d.reason}`,
  },
  stock_unreachable: {
    status: 502,
    say: (d: { address: string }) =>
      `The stock library at ${d.address} does not answer. Start it again; scenes without a picture get a plain card until then.`,
  },
  stock_slow: {
    status: 502,
    say: (d: { name: string }) =>
      `The stock library at ${d.name} takes very long to answer. Its pictures are left out for now.`,
  },
  stock_answer_invalid: {
    status: 502,
    say: (d: { address: string }) =>
      `The stock library at ${d.address} sent something that is not a list of pictures. Check its address.`,
  },
  media_unusable: {
    status: 502,
    say: (d: { title: string; reason: string }) =>
      `The picture "${d.title}" cannot be used: ${d.reason}. Choose another one.`,
  },
  picture_not_found: {
    status: 404,
    say: () => 'This picture is not in the library any more. Reload the page.',
  },
  picture_list_unreadable: {
    status: 422,
    say: (d: { name: string; reason: string }) =>
      `"${d.name}" cannot be used as a list of pictures: ${d.reason}. It needs a column file (or id), and title, description, tags, author or licence.`,
  },
  sidecar_unusable: {
    status: 415,
    say: (d: { name: string; reason: string }) =>
      `"${d.name}" says nothing of a picture: ${d.reason}.`,
  },
  maker_unreachable: {
    status: 502,
    say: (d: { address: string }) =>
      `The picture maker at ${d.address} does not answer. Choose a picture of the library, or try again later.`,
  },
  maker_answer_invalid: {
    status: 502,
    say: (d: { address: string; reason: string }) =>
      `What the picture maker at ${d.address} sent cannot be used: ${d.reason}. Try other words, or another style.`,
  },
  maker_missing: {
    status: 503,
    say: () => 'No picture maker is set up. Set TIDY_MAKER to the address of one.',
  },
  own_file_unusable: {
    status: 415,
    say: (d: { name: string; reason: string }) =>
      `"${d.name}" cannot be used: ${d.reason}. Take a JPEG, PNG, WebP, MP4, MOV or WebM.`,
  },
  catalogue_invalid: {
    status: 422,
    say: (d: { reason: string }) => `The catalogue cannot be read: ${d.reason}.`,
  },
  json_invalid: {
    status: 422,
    say: (d: { name: string; reason: string }) => `"${d.name}" cannot be used: ${d.reason}.`,
  },
  file_not_writable: {
    status: 422,
    say: (d: { name: string }) =>
      `The file "${d.name}" cannot be written. Check that its folder exists and is yours.`,
  },
  option_invalid: {
    status: 422,
    say: (d: { option: string; value: string; wanted: string }) =>
      `${d.option} cannot be "${d.value}"; it must be ${d.wanted}.`,
  },
  scene_not_rendered: {
    status: 500,
    say: (d: { scene: number; reason: string }) =>
      `Scene ${d.scene} could not be rendered: ${d.reason}`,
  },
  disk_full: {
    status: 507,
    say: () => 'The disk is full. Free some space and start again; nothing finished is lost.',
  },
  cancelled: { status: 499, say: () => 'Stopped on request.' },
  unexpected: {
    status: 500,
    say: () => 'Something went wrong on our side. Nothing you saved is lost; try again.',
  },
} as const

export type FaultCode = keyof typeof FAULTS
type DetailsOf<C extends FaultCode> =
  Parameters<(typeof FAULTS)[C]['say']> extends [infer D] ? D : undefined

/** The one error of the product; `details` are the fields its sentence is made of. */
export class TidyError<C extends FaultCode = FaultCode> extends Error {
  readonly details: DetailsOf<C>
  constructor(
    readonly code: C,
    ...[details]: DetailsOf<C> extends undefined ? [] : [DetailsOf<C>]
  ) {
    super((FAULTS[code].say as (d: unknown) => string)(details))
    this.name = 'TidyError'
    this.details = details as DetailsOf<C>
  }

  get status(): number {
    return FAULTS[this.code].status
  }
}

/** The closing arm of a switch over a closed set. */
export function assertNever(value: never): never {
  throw new Error(`Unexpected value ${JSON.stringify(value)}`)
}
