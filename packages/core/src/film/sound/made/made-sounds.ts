import { certain } from '../../../faults/certain.ts'
import { randomness } from '../../../text/randomness.ts'
import {
  applause,
  beeps,
  bell,
  birds,
  bubbles,
  buzz,
  click,
  clock,
  crowd,
  drop,
  fire,
  horn,
  hum,
  looped,
  peakedAt,
  rain,
  rustle,
  steps,
  strokes,
  taps,
  thump,
  thunder,
  waves,
  whoosh,
  wind,
} from './recipes.ts'
import type { Sound } from './synthesis.ts'

/** A sound that is made from numbers, by Tidy Reel: nobody's but the film's. */
export interface MadeSound {
  /** `made-` and a name. */
  id: string
  title: string
  /** What it is found by, beside its title. */
  words: string
  /** It goes on as long as it is asked to; others are heard once. */
  goesOn: boolean
  /** Of one round, or of the whole. */
  seconds: number
  make: (random: () => number) => Sound
}

/** What goes on is made so much longer than a round, and its end laid under its beginning. */
const OVERLAP_SECONDS = 1.5
const ROUND_SECONDS = 12

type Recipe<Settings> = (seconds: number, random: () => number, settings: Settings) => Sound

const goingOn = <Settings>(
  name: string,
  title: string,
  words: string,
  recipe: Recipe<Settings>,
  settings: Settings,
): MadeSound => ({
  id: `made-${name}`,
  title,
  words,
  goesOn: true,
  seconds: ROUND_SECONDS,
  make: (random) =>
    looped(recipe(ROUND_SECONDS + OVERLAP_SECONDS, random, settings), OVERLAP_SECONDS),
})

const once = <Settings>(
  name: string,
  title: string,
  words: string,
  seconds: number,
  recipe: Recipe<Settings>,
  settings: Settings,
): MadeSound => ({
  id: `made-${name}`,
  title,
  words,
  goesOn: false,
  seconds,
  make: (random) => recipe(seconds, random, settings),
})

/** All that can be made, the likeliest of a kind first. Numbers by ear. */
export const MADE_SOUNDS: readonly MadeSound[] = [
  goingOn('wind', 'Wind', 'breeze air blowing outdoors', wind, { hz: 320, gust: 0.6 }),
  goingOn('storm', 'Storm wind', 'gale howling tempest blizzard strong wind', wind, {
    hz: 520,
    gust: 0.95,
  }),
  goingOn('wind-soft', 'A soft breeze', 'light wind calm air meadow', wind, { hz: 240, gust: 0.3 }),
  goingOn('wind-window', 'Wind at a window', 'draught whistling indoors attic', wind, {
    hz: 900,
    gust: 0.85,
  }),
  goingOn('rain', 'Rain', 'shower raining drops wet', rain, { drops: 60, hiss: 0.5, hz: 3200 }),
  goingOn('rain-light', 'Light rain', 'drizzle soft rain drops', rain, {
    drops: 22,
    hiss: 0.22,
    hz: 3600,
  }),
  goingOn('rain-heavy', 'Heavy rain', 'downpour cloudburst pouring', rain, {
    drops: 140,
    hiss: 1,
    hz: 2600,
  }),
  goingOn('rain-glass', 'Rain on glass', 'rain window pane drops', rain, {
    drops: 34,
    hiss: 0.2,
    hz: 4800,
  }),
  goingOn('rain-roof', 'Rain on a roof', 'rain tin roof hut', rain, {
    drops: 90,
    hiss: 0.35,
    hz: 1300,
  }),
  goingOn('waves', 'Waves on a beach', 'sea ocean surf shore coast tide water', waves, {
    every: 7,
    hz: 520,
  }),
  goingOn('waves-small', 'Small waves', 'lake lapping harbour calm water quay', waves, {
    every: 3.2,
    hz: 900,
  }),
  goingOn('surf', 'Heavy surf', 'breakers rough sea cliffs ocean storm', waves, {
    every: 8.5,
    hz: 300,
  }),
  goingOn('stream', 'A stream', 'brook river running water babbling', bubbles, {
    aSecond: 45,
    hz: 900,
    flow: 0.5,
  }),
  goingOn('drip', 'Dripping water', 'drops cave tap leak', bubbles, {
    aSecond: 1.6,
    hz: 1500,
    flow: 0,
  }),
  goingOn('lock', 'Water into a lock', 'sluice canal gate filling rushing weir', bubbles, {
    aSecond: 90,
    hz: 420,
    flow: 1.6,
  }),
  goingOn('boiling', 'Boiling water', 'kettle pot cooking bubbling', bubbles, {
    aSecond: 70,
    hz: 300,
    flow: 0.25,
  }),
  goingOn('fire', 'A fire', 'fireplace campfire burning crackling flames', fire, { cracks: 14 }),
  goingOn('fire-large', 'A large fire', 'blaze forge furnace burning roaring', fire, {
    cracks: 45,
  }),
  goingOn('hum', 'The hum of a machine', 'mains electric transformer humming', hum, {
    hz: 50,
    air: 0.15,
  }),
  goingOn('fan', 'A fan', 'ventilator air conditioning blower', hum, { hz: 92, air: 1.1 }),
  goingOn('engine', 'An engine room', 'ship motor diesel engine running', hum, {
    hz: 33,
    air: 0.6,
  }),
  goingOn('motor', 'A small motor', 'boat outboard electric motor', hum, { hz: 118, air: 0.3 }),
  goingOn('room', 'A quiet room', 'room tone indoors silence', wind, { hz: 110, gust: 0.1 }),
  goingOn('clock', 'A clock', 'ticking watch wall clock time', clock, { every: 1, hz: 1900 }),
  goingOn('watch', 'A watch', 'ticking pocket watch seconds hurry', clock, {
    every: 0.25,
    hz: 4200,
  }),
  goingOn('pendulum', 'A long-case clock', 'grandfather clock pendulum slow ticking', clock, {
    every: 1.2,
    hz: 780,
  }),
  goingOn('crowd', 'A crowd', 'people talking murmur market voices', crowd, {
    voices: 9,
    near: 0.8,
  }),
  goingOn('hall', 'Voices in a hall', 'station museum people far murmur', crowd, {
    voices: 11,
    near: 0.2,
  }),
  goingOn('birds', 'Birds', 'birdsong singing garden morning forest', birds, {
    hz: 3600,
    aSecond: 3,
    glide: 0.18,
    length: 0.14,
  }),
  goingOn('gulls', 'Gulls', 'seagulls birds harbour sea coast', birds, {
    hz: 1250,
    aSecond: 0.9,
    glide: -0.3,
    length: 0.45,
  }),
  goingOn('crickets', 'Crickets', 'insects night summer grass', birds, {
    hz: 4700,
    aSecond: 9,
    glide: 0.01,
    length: 0.06,
  }),
  goingOn('steps', 'Footsteps', 'walking steps pavement shoes', steps, {
    every: 0.58,
    hz: 130,
    grit: 0.35,
  }),
  goingOn('steps-gravel', 'Steps on gravel', 'footsteps walking path stones crunch', steps, {
    every: 0.62,
    hz: 160,
    grit: 1.1,
  }),
  goingOn('steps-wood', 'Steps on wood', 'footsteps walking floor boards stairs jetty', steps, {
    every: 0.6,
    hz: 95,
    grit: 0.15,
  }),
  goingOn('leaves', 'Leaves', 'trees rustling forest foliage', rustle, { aSecond: 70, hz: 4200 }),
  once('bell', 'A church bell', 'ringing tower strike toll', 6, bell, { hz: 440, rings: 5 }),
  once('bell-large', 'A large bell', 'toll deep bell cathedral', 9, bell, { hz: 196, rings: 8 }),
  once('bell-ship', 'A ship’s bell', 'ding brass bell boat watch', 3, bell, {
    hz: 1150,
    rings: 2.4,
  }),
  once('bell-small', 'A small bell', 'ding notification hand bell', 1.6, bell, {
    hz: 2300,
    rings: 1.2,
  }),
  goingOn('bells', 'Bells ringing', 'church bells wedding peal', bell, {
    hz: 392,
    rings: 3,
    every: 1.1,
  }),
  once('whoosh', 'A whoosh', 'swish transition pass fast', 0.8, whoosh, { from: 300, to: 2600 }),
  once('whoosh-long', 'A long whoosh', 'swish slow transition sweep', 1.8, whoosh, {
    from: 180,
    to: 1700,
  }),
  once('whoosh-back', 'A whoosh away', 'swish leaving down transition', 0.9, whoosh, {
    from: 2800,
    to: 320,
  }),
  once('thump', 'A thump', 'impact fall heavy hit', 0.6, thump, { hz: 110, body: 0.35 }),
  once('door', 'A door shuts', 'slam closing gate door', 0.7, thump, { hz: 150, body: 0.18 }),
  once('boom', 'A boom', 'cannon explosion deep impact', 2, thump, { hz: 70, body: 1.3 }),
  once('knock', 'A knock', 'door knocking tap wood', 0.4, thump, { hz: 260, body: 0.08 }),
  once('click', 'A click', 'switch button mouse', 0.12, click, { hz: 2600 }),
  once('switch', 'A light switch', 'lamp on off click', 0.3, click, { hz: 1500, again: 0.11 }),
  once('latch', 'A latch', 'lock bolt key metal', 0.4, click, { hz: 900, again: 0.16 }),
  once('shutter', 'A camera', 'photograph shutter snapshot', 0.3, click, { hz: 3400, again: 0.07 }),
  once('paper', 'Paper', 'page turning letter newspaper map', 0.9, rustle, {
    aSecond: 120,
    hz: 3300,
  }),
  once('cloth', 'Cloth', 'sail curtain clothes fabric', 1.1, rustle, { aSecond: 90, hz: 1500 }),
  once('foghorn', 'A foghorn', 'lighthouse fog signal horn warning', 3.2, horn, {
    hz: 92,
    breath: 0.12,
  }),
  once('horn', 'A ship’s horn', 'ferry steamer departure harbour', 2.6, horn, {
    hz: 138,
    breath: 0.1,
  }),
  once('whistle', 'A whistle', 'steam train kettle boatswain', 1.2, horn, { hz: 920, breath: 0.5 }),
  once('thunder', 'Thunder', 'lightning storm clap', 5, thunder, { crack: 0.9 }),
  once('thunder-far', 'Thunder far away', 'distant storm rumble', 6, thunder, { crack: 0.05 }),
  once('drop', 'A drop of water', 'drip plop single', 0.5, drop, { hz: 900 }),
  once('splash', 'A splash', 'fall into water dive jump', 1.4, whoosh, { from: 2600, to: 500 }),
  goingOn('typing', 'Typing', 'computer keyboard keys office writing', taps, {
    aSecond: 6,
    hz: 2400,
    rings: 0.02,
  }),
  goingOn('typewriter', 'A typewriter', 'keys machine office letter writing', taps, {
    aSecond: 5,
    hz: 1100,
    rings: 0.06,
  }),
  goingOn('hammer', 'Hammering', 'smith forge anvil workshop builder metal', taps, {
    aSecond: 1.1,
    hz: 1350,
    even: true,
    rings: 0.5,
  }),
  goingOn('hail', 'Hail', 'ice stones falling storm', taps, {
    aSecond: 55,
    hz: 3600,
    rings: 0.012,
  }),
  once('glass', 'Glasses touch', 'clink toast glass wine', 1, taps, {
    aSecond: 1,
    hz: 3100,
    even: true,
    rings: 0.8,
  }),
  goingOn('coins', 'Coins', 'money counting cash change', taps, {
    aSecond: 5,
    hz: 5200,
    rings: 0.14,
  }),
  goingOn('chain', 'A chain', 'anchor links winch iron rattle', taps, {
    aSecond: 13,
    hz: 1700,
    rings: 0.09,
  }),
  goingOn('saw', 'Sawing', 'saw wood carpenter timber workshop', strokes, {
    every: 0.9,
    hz: 2100,
    share: 0.42,
    back: 0.7,
  }),
  goingOn('oars', 'Rowing', 'oars boat strokes water', strokes, {
    every: 2.4,
    hz: 700,
    share: 0.3,
    back: 0.25,
  }),
  goingOn('broom', 'Sweeping', 'broom brush floor street', strokes, {
    every: 1.2,
    hz: 3400,
    share: 0.45,
    back: 0.3,
  }),
  goingOn('breath', 'Breathing', 'breath sleep diver snore', strokes, {
    every: 3.6,
    hz: 620,
    share: 0.4,
    back: 0.6,
  }),
  goingOn('steam', 'A steam engine', 'locomotive train chuffing pump piston', strokes, {
    every: 0.62,
    hz: 480,
    share: 0.4,
    back: 0.75,
  }),
  goingOn('helicopter', 'A helicopter', 'rotor blades aircraft flying', strokes, {
    every: 0.105,
    hz: 190,
    share: 0.6,
    back: 0.3,
  }),
  goingOn('propeller', 'An aeroplane', 'propeller plane aircraft engine flying', buzz, {
    hz: 88,
    voices: 3,
  }),
  goingOn('bees', 'Bees', 'hive insects swarm honey buzzing flies', buzz, { hz: 220, voices: 6 }),
  goingOn('mosquito', 'A mosquito', 'gnat insect whine wings', buzz, { hz: 610, voices: 1 }),
  goingOn('applause', 'Applause', 'clapping audience theatre cheering', applause, { hands: 160 }),
  goingOn('clapping', 'A few people clap', 'applause hands small audience', applause, {
    hands: 22,
  }),
  goingOn('alarm', 'An alarm', 'alarm clock warning beeping alert', beeps, {
    hz: 1850,
    pattern: [
      [0, 0.12],
      [0.2, 0.12],
      [0.4, 0.12],
      [1.1, 0.01],
    ],
  }),
  goingOn('siren', 'A siren', 'ambulance police fire engine emergency', beeps, {
    hz: 520,
    pattern: [[0, 1.9]],
    warble: 1.1,
  }),
  goingOn('telephone', 'A telephone', 'phone ringing call bell', beeps, {
    hz: 1080,
    pattern: [
      [0, 0.9],
      [2.9, 0.01],
    ],
    warble: 40,
  }),
  goingOn('sounder', 'An echo sounder', 'sonar ping submarine depth', beeps, {
    hz: 1450,
    pattern: [
      [0, 0.22],
      [2.4, 0.01],
    ],
  }),
  goingOn('morse', 'Morse signals', 'telegraph radio wireless code message', beeps, {
    hz: 720,
    pattern: [
      [0, 0.07],
      [0.14, 0.07],
      [0.28, 0.07],
      [0.49, 0.21],
      [0.77, 0.07],
      [0.98, 0.21],
      [1.5, 0.01],
    ],
  }),
  goingOn('heart', 'A heartbeat', 'pulse heart beating fear blood', steps, {
    every: 0.86,
    hz: 62,
    grit: 0,
  }),
]

/** Of full scale; what is mixed brings it to its own place. */
const PEAK = 0.7

/**
 * A sound, 48 kHz, one channel; the same each time.
 *
 * @throws Error for an id that none has
 */
export function madeSound(id: string): Sound {
  const { make } = certain(MADE_SOUNDS.find((sound) => sound.id === id))
  return peakedAt(make(randomness(id)), PEAK)
}
