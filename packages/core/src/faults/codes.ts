/**
 * Everything that can go wrong and that a person should read, by its code, with the details its
 * sentence is made of; `undefined` where it needs none. Code branches on the code; people read the
 * sentence.
 */
export interface FaultDetails {
  script_empty: undefined
  script_nothing_spoken: undefined
  scenes_all_hidden: undefined
  script_not_text: { name: string }
  script_too_long: { minutes: number; limitMinutes: number }
  script_too_large: { characters: number; limit: number }
  import_unreadable: { name: string; reason: string }
  import_too_large: { name: string; reason: string }
  import_empty: { name: string }
  import_pictures_only: { name: string }
  director_missing: undefined
  translator_missing: undefined
  writer_unreachable: { address: string }
  writer_refused: { address: string; reason: string }
  writer_answer_invalid: { address: string; reason: string }
  films_unreadable: { name: string; reason: string }
  statistics_unreachable: { address: string }
  statistics_answer_invalid: { address: string }
  channel_not_found: undefined
  idea_not_found: undefined
  link_refused: { address: string; reason: string }
  link_unreachable: { address: string; reason: string }
  /** Work in a thread that took too long, or more memory than it may. */
  work_too_long: { seconds: number }
  work_too_much: undefined
  /** The database does not answer. */
  database_away: undefined
  host_refused: undefined
  input_invalid: { issues: string }
  file_not_found: { name: string }
  episode_not_found: undefined
  tracks_too_many: { limit: number }
  subtitles_unreadable: { name: string; reason: string }
  scene_not_found: { sceneId: string }
  shot_not_found: { shot: number }
  shots_too_many: { limit: number }
  cut_not_possible: { word: number }
  split_empty: undefined
  merge_last: undefined
  merge_over_heading: { title: string }
  merge_over_speaker: undefined
  place_inside: undefined
  revision_stale: { revision: number; changes: string }
  nothing_to_undo: undefined
  nothing_to_redo: undefined
  version_not_found: undefined
  render_not_found: undefined
  copy_not_found: undefined
  copy_too_small: { megabytes: number; least: number }
  copy_beyond_film: { seconds: number }
  render_running: undefined
  file_not_ready: undefined
  origin_refused: undefined
  route_not_found: undefined
  style_not_found: undefined
  style_stale: undefined
  styles_too_many: { limit: number }
  style_file_unreadable: { name: string; reason: string }
  style_unknown: { style: string; known: string }
  voice_unknown: { voice: string; known: string }
  voice_silent: { voice: string; text: string }
  voice_failed: { engine: string; reason: string }
  voice_not_spoken: undefined
  recording_unusable: { reason: string }
  sound_unusable: { name: string; reason: string }
  sound_not_found: { id: string }
  music_unusable: { name: string; reason: string }
  music_not_found: { id: string }
  take_gone: { text: string }
  voices_unreadable: { reason: string }
  program_missing: { program: string; package: string }
  program_failed: { program: string; reason: string }
  stock_unreachable: { address: string }
  stock_slow: { name: string }
  stock_answer_invalid: { address: string }
  media_unusable: { title: string; reason: string }
  picture_not_found: undefined
  picture_list_unreadable: { name: string; reason: string }
  sidecar_unusable: { name: string; reason: string }
  maker_unreachable: { address: string }
  maker_answer_invalid: { address: string; reason: string }
  maker_missing: undefined
  own_file_unusable: { name: string; reason: string }
  font_unusable: { name: string; reason: string }
  catalogue_invalid: { reason: string }
  json_invalid: { name: string; reason: string }
  file_not_writable: { name: string }
  file_not_readable: { name: string }
  folder_not_writable: { name: string }
  film_folder_unusable: { file: string; reason: string }
  film_faulty: { faults: number }
  option_invalid: { option: string; value: string; wanted: string }
  scene_not_rendered: { scene: number; reason: string }
  disk_full: undefined
  cancelled: undefined
  unexpected: undefined
}

export type FaultCode = keyof FaultDetails
