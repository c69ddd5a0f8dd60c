import { type MidiEvent, writeMidi } from 'midi-file'
import { type Note, PROGRAMS } from '@tidy-reel/core/film/music/parts'
import { type MusicPart } from '@tidy-reel/core/style/film-choices'

/** Ticks of a quarter. */
const QUARTER = 480
/** Percussion's own channel in General MIDI, counted from 0. */
const PERCUSSION = 9
const CHANNELS: Record<MusicPart, number> = {
  pad: 0,
  keys: 1,
  plucked: 2,
  strings: 3,
  bass: 4,
  lead: 5,
  percussion: PERCUSSION,
}
/** Where each part sits between left and right, 64 = middle (controller 10). */
const PLACES: Record<MusicPart, number> = {
  pad: 64,
  keys: 54,
  plucked: 78,
  strings: 44,
  bass: 64,
  lead: 70,
  percussion: 84,
}
/** How much of the room each part gets (controller 91). */
const ROOM = 60

/** What is played: notes, and by which kind of instruments. */
export interface Played {
  notes: readonly Note[]
  /** Quarters a minute. */
  tempo: number
  colour: keyof typeof PROGRAMS
  /** Beats from the first to the end of the file, what rings on included. */
  beats: number
}

type Timed = { tick: number; event: MidiEvent }

/**
 * A Standard MIDI File of format 1: a track of the tempo, and one for each part that plays.
 *
 * @returns the file's bytes; the same for the same notes
 */
export function midiFile({ notes, tempo, colour, beats }: Played): Buffer {
  const parts = [...new Set(notes.map(({ part }) => part))].sort()
  const end = Math.round(beats * QUARTER)
  const head: MidiEvent[] = [
    { deltaTime: 0, meta: true, type: 'setTempo', microsecondsPerBeat: Math.round(60e6 / tempo) },
    {
      deltaTime: 0,
      meta: true,
      type: 'timeSignature',
      numerator: 4,
      denominator: 4,
      metronome: 24,
      thirtyseconds: 8,
    },
    { deltaTime: end, meta: true, type: 'endOfTrack' },
  ]
  const tracks = parts.map((part) =>
    trackOf(
      part,
      notes.filter((note) => note.part === part),
      { colour, end },
    ),
  )
  return Buffer.from(
    writeMidi({
      header: { format: 1, numTracks: tracks.length + 1, ticksPerBeat: QUARTER },
      tracks: [head, ...tracks],
    }),
  )
}

function trackOf(
  part: MusicPart,
  notes: readonly Note[],
  { colour, end }: { colour: Played['colour']; end: number },
): MidiEvent[] {
  const channel = CHANNELS[part]
  const control = (controllerType: number, value: number): MidiEvent => ({
    deltaTime: 0,
    type: 'controller',
    channel,
    controllerType,
    value,
  })
  const timed = notes
    .flatMap(({ pitch, at, beats, force }): Timed[] => {
      const [from, to] = [at, at + beats].map((beat) => Math.round(beat * QUARTER))
      const on: MidiEvent = {
        deltaTime: 0,
        type: 'noteOn',
        channel,
        noteNumber: pitch,
        velocity: force,
      }
      const off: MidiEvent = { ...on, type: 'noteOff', velocity: 0 }
      return [
        { tick: from ?? 0, event: on },
        { tick: Math.min(end, Math.max((from ?? 0) + 1, to ?? 0)), event: off },
      ]
    })
    // A note that ends where the next of its pitch begins ends first.
    .sort((a, b) => a.tick - b.tick || a.event.type.localeCompare(b.event.type))
  let last = 0
  const events = timed.map(({ tick, event }): MidiEvent => {
    const deltaTime = tick - last
    last = tick
    return { ...event, deltaTime }
  })
  return [
    { deltaTime: 0, meta: true, type: 'trackName', text: part },
    ...(part === 'percussion'
      ? []
      : [
          {
            deltaTime: 0,
            type: 'programChange',
            channel,
            programNumber: PROGRAMS[colour][part],
          } satisfies MidiEvent,
        ]),
    control(10, PLACES[part]),
    control(91, ROOM),
    ...events,
    { deltaTime: Math.max(0, end - last), meta: true, type: 'endOfTrack' },
  ]
}
