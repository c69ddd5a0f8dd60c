import type { FaultCode, FaultDetails } from './codes.ts'

/**
 * A sentence for every fault, with its numbers in it and the way out. A second language is a second
 * table.
 */
export type Messages = { readonly [Code in FaultCode]: (details: FaultDetails[Code]) => string }

export const ENGLISH: Messages = {
  script_empty: () => 'The script is empty. Paste or type a narration first.',
  script_nothing_spoken: () =>
    'The script holds headings or directions only. Add at least one sentence to be spoken.',
  scenes_all_hidden: () => 'Every scene is left out of the film. Show at least one of them.',
  script_not_text: (d) => `"${d.name}" is not a text. Save it as plain text (UTF-8) and try again.`,
  script_too_long: (d) =>
    `This script would speak for about ${d.minutes} minutes; a film may last ` +
    `${d.limitMinutes}. Split it into several episodes.`,
  script_too_large: (d) =>
    `The script has ${d.characters} characters; ${d.limit} is the limit. Split it into several episodes.`,
  import_unreadable: (d) => `"${d.name}" cannot be read: ${d.reason}. Your text is as it was.`,
  import_too_large: (d) => `"${d.name}" is too large: ${d.reason}. Your text is as it was.`,
  import_empty: (d) => `There are no words to speak in "${d.name}". Your text is as it was.`,
  import_pictures_only: (d) =>
    `"${d.name}" holds pictures of pages and no text. Have its text recognised first (OCR), ` +
    'or paste it. Your text is as it was.',
  translator_missing: () =>
    'No writing service is set up that could translate. Set one up here, read a file of subtitles, ' +
    'or write them yourself.',
  director_missing: () =>
    'No writing service is set up that could say what the film shows. Set one up here, or write into ' +
    'the list yourself what is to be seen.',
  writer_unreachable: (d) =>
    `The writing service at ${d.address} does not answer. Check its address, or do without it.`,
  writer_refused: (d) =>
    `The writing service at ${d.address} refuses: ${d.reason}. Nothing of yours was changed.`,
  writer_answer_invalid: (d) =>
    `What the writing service at ${d.address} sent cannot be used: ${d.reason}. Nothing of ` +
    'yours was changed; try again, or do without it.',
  films_unreadable: (d) =>
    `"${d.name}" cannot be used as a list of films: ${d.reason}. It needs the columns title, published and views.`,
  statistics_unreachable: (d) =>
    `The channel statistics at ${d.address} do not answer. Import a list of films as CSV or JSON, or try again later.`,
  statistics_answer_invalid: (d) =>
    `The channel statistics at ${d.address} sent something that is no list of films. Check its address.`,
  channel_not_found: () => 'This channel is not followed any more. Reload the page.',
  idea_not_found: () => 'This idea is not there any more. Reload the page.',
  link_refused: (d) => `${d.address} is not fetched: ${d.reason}. Your text is as it was.`,
  link_unreachable: (d) =>
    `${d.address} cannot be fetched: ${d.reason}. Save the page as a file and import that, or try again.`,
  work_too_long: (d) =>
    `This takes longer than ${d.seconds} seconds or more memory than there is, and was stopped. ` +
    'Nothing was changed; try it with less at once, or with plain text.',
  database_away: () =>
    'The database does not answer at the moment. What you changed is kept in this browser and sent ' +
    'again by itself; nothing is lost.',
  host_refused: () =>
    'Tidy Reel answers on this machine alone, under its own address. Open the address it printed.',
  work_too_much: () => 'Too much is asked for at once. Nothing was changed; try again in a moment.',
  input_invalid: (d) => `This request cannot be used: ${d.issues}.`,
  file_not_found: (d) => `There is no file "${d.name}". Check its name.`,
  episode_not_found: () => 'This episode does not exist any more. Go back to the list of episodes.',
  tracks_too_many: (d) =>
    `A film has subtitles in ${d.limit} languages at most beside its own; remove one of them first.`,
  subtitles_unreadable: (d) =>
    `"${d.name}" holds no subtitles that can be read: ${d.reason}. Nothing was changed.`,
  scene_not_found: (d) =>
    `There is no scene "${d.sceneId}" in this episode any more. Reload the page.`,
  shot_not_found: (d) =>
    `This scene has no picture number ${d.shot + 1} any more. Reload the page.`,
  shots_too_many: (d) => `A scene can show ${d.limit} pictures at most. Split the scene for more.`,
  cut_not_possible: (d) =>
    `The picture cannot change at word ${d.word}: another cut of this scene is in the way. Move that one first.`,
  split_empty: () =>
    'The scene cannot be split here: one part would have nothing to speak. Put the cursor between two words.',
  merge_last: () => 'This is the last scene: there is none to join it with.',
  merge_over_heading: (d) =>
    `The chapter "${d.title}" begins between these scenes. Remove its heading first.`,
  merge_over_speaker: () => 'Two people speak in these scenes. Give both to one speaker first.',
  place_inside: () => 'Scenes cannot be put beside one of themselves. Choose another place.',
  revision_stale: (d) =>
    `The same lines were changed elsewhere meanwhile (${d.changes}). The episode was loaded ` +
    'afresh; look at what is there now and make your change again.',
  nothing_to_undo: () => 'There is nothing to undo: this is how the episode began.',
  nothing_to_redo: () => 'There is nothing to redo.',
  version_not_found: () => 'This version is not there any more. Choose another one.',
  render_not_found: () => 'There is no such film any more. Start a new render.',
  copy_not_found: () => 'There is no such copy of the film any more. Ask for it again.',
  copy_too_small: ({ megabytes, least }) =>
    `The film does not fit into ${megabytes} MB. Ask for ${least} MB or more, or for fewer lines.`,
  copy_beyond_film: ({ seconds }) =>
    `The film is over by then: it lasts ${seconds} s. Choose an earlier place.`,
  render_running: () => 'A render of this episode is under way. Wait for it or stop it first.',
  file_not_ready: () => 'This file is not there yet. Wait until the render has finished.',
  origin_refused: () =>
    'This request came from another page and was refused. Open Tidy Reel itself and try again.',
  route_not_found: () => 'There is nothing at this address.',
  style_not_found: () => 'This house style is not there any more. Reload the page.',
  style_stale: () =>
    'Somebody else changed this house style meanwhile. Reload the page, then change it again.',
  styles_too_many: (d) =>
    `A channel has at most ${d.limit} house styles of its own. Remove one you no longer use.`,
  style_file_unreadable: (d) =>
    `${d.name} is no house style: ${d.reason}. Choose a file that Tidy Reel has written.`,
  style_unknown: (d) => `There is no house style "${d.style}". Choose one of: ${d.known}.`,
  voice_unknown: (d) => `There is no voice "${d.voice}". Choose one of: ${d.known}.`,
  voice_silent: (d) =>
    `The voice "${d.voice}" made no sound of "${d.text}". Change the words or choose another voice.`,
  voice_failed: (d) =>
    `${d.engine} could not speak: ${d.reason}. Try again or choose another voice.`,
  voice_not_spoken: () => 'Nothing of this film has been spoken yet. Have it spoken first.',
  sound_unusable: (d) =>
    `"${d.name}" cannot be used as a sound: ${d.reason}. Choose a WAV, FLAC, MP3, Ogg or M4A file.`,
  music_unusable: (d) =>
    `"${d.name}" cannot be used as music: ${d.reason}. Choose a sound or MIDI file of up to 15 minutes.`,
  music_not_found: () => 'This music is no longer there. Choose another one.',
  sound_not_found: () => 'This sound is no longer there. Choose another one.',
  recording_unusable: (d) =>
    `This recording cannot be used: ${d.reason}. Record it again or choose another file.`,
  take_gone: (d) =>
    `The take chosen for "${d.text}" is not there any more. Choose another one or let the voice speak.`,
  voices_unreadable: (d) =>
    `The list of your own voices (voices.json) could not be read (${d.reason}); the built-in ` +
    'ones are there. Mend it and reload.',
  program_missing: (d) =>
    `The program "${d.program}" is not installed. Type: sudo apt-get install ${d.package}`,
  program_failed: (d) => `${d.program} failed: ${d.reason}`,
  stock_unreachable: (d) =>
    `The stock library at ${d.address} does not answer. Start it again; scenes without a ` +
    'picture get a plain card until then.',
  stock_slow: (d) =>
    `The stock library at ${d.name} takes very long to answer. Its pictures are left out for now.`,
  stock_answer_invalid: (d) =>
    `The stock library at ${d.address} sent something that is not a list of pictures. Check its address.`,
  media_unusable: (d) =>
    `The picture "${d.title}" cannot be used: ${d.reason}. Choose another one.`,
  picture_not_found: () => 'This picture is not in the library any more. Reload the page.',
  picture_list_unreadable: (d) =>
    `"${d.name}" cannot be used as a list of pictures: ${d.reason}. It needs a column file ` +
    '(or id), and title, description, tags, author or licence.',
  sidecar_unusable: (d) => `"${d.name}" says nothing of a picture: ${d.reason}.`,
  maker_unreachable: (d) =>
    `The picture maker at ${d.address} does not answer. Choose a picture of the library, or try again later.`,
  maker_answer_invalid: (d) =>
    `What the picture maker at ${d.address} sent cannot be used: ${d.reason}. Try other words, or another style.`,
  maker_missing: () => 'No picture maker is set up. Set TIDY_MAKER to the address of one.',
  font_unusable: (d) =>
    `"${d.name}" cannot be used as a font: ${d.reason}. Take a TrueType, OpenType or WOFF2 file of one face.`,
  own_file_unusable: (d) =>
    `"${d.name}" cannot be used: ${d.reason}. Take a JPEG, PNG, WebP, SVG, MP4, MOV or WebM.`,
  catalogue_invalid: (d) => `The catalogue cannot be read: ${d.reason}.`,
  json_invalid: (d) => `"${d.name}" cannot be used: ${d.reason}.`,
  file_not_writable: (d) =>
    `The file "${d.name}" cannot be written. Check that its folder exists and is yours.`,
  file_not_readable: (d) => `The file "${d.name}" cannot be read. Check that you may read it.`,
  folder_not_writable: (d) =>
    `Nothing can be written into the folder "${d.name}". Name another with --out, or make this one yours.`,
  film_folder_unusable: (d) =>
    `The film cannot be checked by its "${d.file}": ${d.reason}. ` +
    'Name a folder that a film was made into, or make the film again.',
  film_faulty: (d) =>
    `${d.faults === 1 ? 'One thing is' : `${d.faults} things are`} wrong with the film. ` +
    'Make it again; what stays wrong is a fault of ours.',
  option_invalid: (d) => `${d.option} cannot be "${d.value}"; it must be ${d.wanted}.`,
  scene_not_rendered: (d) => `Scene ${d.scene} could not be rendered: ${d.reason}`,
  disk_full: () => 'The disk is full. Free some space and start again; nothing finished is lost.',
  cancelled: () => 'Stopped on request.',
  unexpected: () => 'Something went wrong on our side. Nothing you saved is lost; try again.',
}
