import { pattern } from '../text/pattern.ts'
/**
 * What a direction in free words means in our markup: the bracket to put in its place, '' to take
 * it out.
 */
export type Meaning = string | undefined

const PAUSE = pattern(
  'i',
  String.raw`^(?:an? )?(?:(long|dramatic|short|brief|slight|small|tiny|awkward|full|quick)`,
  String.raw`\s+)?(pause|beat|silence|wait|breath)(?:s)?(?: (?:here|for effect|for emphasis)`,
  String.raw`)?(?:[,:]?\s*(?:for |of )?(?:about )?(\d+(?:[.,]\d+)?)\s*(s|sec|secs|seconds?|`,
  String.raw`ms)?)?$`,
)
const SUPER = pattern(
  'i',
  String.raw`^(?:text[ -]on[ -]screen|on[ -]screen(?:[ -](?:text|graphic))?|text overlay|overlay|`,
  String.raw`text|title(?: card)?|super|caption|lower[ -]third|chyron|graphic text)`,
  String.raw`\s*(?:reads\s*)?[:–—-]\s*(.+)$`,
)
const SOUND = pattern(
  'i',
  String.raw`^(?:sfx|fx|sound(?: effects?| fx)?s?|music(?: cue)?|audio cue|ambien(?:t|ce)`,
  String.raw`(?: sound)?|bgm|background music|nat sound)\s*[:–—-]\s*(.+)$`,
)
const MUSIC_LABEL = /^(?:music|bgm|background music)\b/i
const SOUND_OF = /(?:^|\b)(?:the |a |faint |distant |loud |soft )*sounds? of (.+?)[.]?$/i
const MUSIC = pattern(
  'iu',
  String.raw`^(?:[\p{L}-]+[ ,]+){0,4}(?:music|theme|score|jingle|drums|strings|piano|song|choir)`,
  String.raw`(?:\s(?:plays?|playing|swells?|swelling|fades?(?: (?:in|out|up))?|builds?|building|`,
  String.raw`stops?|starts?|begins?|continues|up|under|sting|in|out|bed|cue)){0,2}$`,
)
const NOISE = pattern(
  'i',
  String.raw`\b(thunder|howl|creak|crash|bell|foghorn|horn|rumbl|splash|whistl|siren|birdsong|`,
  String.raw`gulls? cr|seagulls?|applause|wind|waves (?:crash|lap|break)|rain (?:fall|patter)|`,
  String.raw`footsteps|engine|whoosh|ticking|knock)`,
)
const PICTURE = pattern(
  'i',
  String.raw`^(?:(?:the )?camera (?:pans?|moves?|tilts?|pushes|pulls|zooms?)`,
  String.raw`(?: slowly)?(?: (?:in|out|up|down|back))?(?: (?:across|over|to|on|onto|along|`,
  String.raw`through|from))?|(?:opening |closing |establishing |insert |wide |medium |aerial |`,
  String.raw`drone |tracking |stock |still |first |final |archive |archival )*(?:shot|footage|`,
  String.raw`photo|photograph|image|picture|visuals?|video|clip|view|b-?roll|animation|graphic|`,
  String.raw`map|diagram|close-?up|montage|time-?lapse|cutaway|insert)(?= ?[:–—]| - | of | on |`,
  String.raw` in | from | to | over | across | along |s? show|s? with )|b-?roll|(?:fast |smash |`,
  String.raw`hard |jump )?cut to|cutaway to|dissolve to|fade to|we see|show(?:s|ing)?|pan(?:s|`,
  String.raw`ning)? (?:across|over|to|along|up|down)|zoom(?:s|ing)?(?: slowly)?(?: in|`,
  String.raw` out)? (?:on|to|onto|into|from)|visuals?|video|on screen|image|picture|photo|`,
  String.raw`graphic)(?!\w)(?: (?:shows?|showing|with|of))?\s*(?:[:–—]|\s-\s)?\s*(?:of |to |on |over |`,
  String.raw`across |along )?`,
)
const CAMERA_ONLY = pattern(
  'i',
  String.raw`^(?:(?:a |the )?(?:extreme |medium )?(?:wide|close|long|tight|establishing|two|`,
  String.raw`aerial|black|white|next|new)?(?: |-)?(?:shot|up|scene|angle|black|white|credits?|`,
  String.raw`end card|logo|host|presenter|narrator|studio|camera|title|titles|end screen)?)$`,
)
const DELIVERY = pattern(
  'i',
  String.raw`^(?:(?:still |softly |quietly |suddenly |slightly |very |more |slowly |a bit |`,
  String.raw`nervous |nervously |speaking |in an? )*)(?:smil(?:es?|ing)|laugh(?:s|ing|ter)?|`,
  String.raw`chuckl(?:es?|ing)|sigh(?:s|ing)?|whisper(?:s|ed|ing)?|excited(?:ly)?|`,
  String.raw`enthusiastic(?:ally)?|soft(?:ly)?|quiet(?:ly)?|sarcastic(?:ally)?|serious(?:ly)?|`,
  String.raw`dramatic(?:ally)?|ironic(?:ally)?|warm(?:ly)?|calm(?:ly)?|cheerful(?:ly)?|`,
  String.raw`sad(?:ly)?|angr(?:y|ily)|nervous(?:ly)?|energetic(?:ally)?|upbeat|hushed|deadpan|`,
  String.raw`shout(?:s|ing)?|nod(?:s|ding)?|shrugs?|grins?|gestur(?:es?|ing)|points?(?:ing)?|`,
  String.raw`turns?(?:ing)?|looks?(?:ing)?|leans?(?:ing)?|cough(?:s|ing)?|clears? throat|`,
  String.raw`applause|crosstalk|inaudible|unintelligible|emphas(?:is|ise|ize)(?:d|s)?|slow(?:ly|`,
  String.raw`er)?|fast(?:er)?|tone|voice|low voice|reading|to camera|off camera|off[- ]?screen|`,
  String.raw`on camera|intense(?:ly)?|building|louder|mysterious(?:ly)?|dramatic tone|`,
  String.raw`serious tone|cont'?d|continued|continues|v\.?o\.?|o\.?s\.?|ad[- ]?lib|sic|start|`,
  String.raw`begin|end|fin|outro|intro|end of (?:script|scene|video|part \w+)|`,
  String.raw`fade(?:s)?(?: (?:in|out|to black|up))?|cut(?: to black)?|transition|dissolve|wipe|`,
  String.raw`black screen|blackout|swoosh|zoom(?: in| out)?|roll credits|credits(?: roll)?|logo|`,
  String.raw`title card|end card|end screen|intro plays|roll intro|lights? (?:up|down|fade)|`,
  String.raw`curtain)\b`,
)
/** "[Narrator speaks slowly]" */
const READER = pattern(
  'iu',
  String.raw`^(?:the )?(?:narrator|host|presenter|voice|speaker|reader|anchor)`,
  String.raw`\s+(?:\p{L}+ly\s+)?(?:speaks?|reads?|says|whispers?|laughs?|pauses?|smiles?|sighs?|`,
  String.raw`turns?|looks?|walks?|enters|continues|sounds?|nods)\b`,
)
/** Of the above, what a person might also say aside in round brackets when more words follow. */
const DELIVERY_ONLY_WORDS = 4

/** Unquoted, without a last stop. */
const plain = (text: string) =>
  text
    .trim()
    .replace(/^["“](.*)["”]$/, '$1')
    .replace(/\.$/, '')
    .replace(/[[\]]/g, '')
    .trim()

function pause(found: RegExpExecArray): string {
  const [, size, word, amount, unit] = found
  if (amount)
    return `[pause ${amount.replace(',', '.')}${unit?.toLowerCase() === 'ms' ? 'ms' : 's'}]`
  if (/beat|breath/i.test(word!) || /short|brief|slight|small|tiny|quick/i.test(size ?? ''))
    return '[pause 0.5s]'
  return size && /long|awkward|full/i.test(size) ? '[pause 2s]' : '[pause 1s]'
}

/**
 * What the words of a bracket mean as a direction.
 *
 * @param round whether they stand in round brackets, where most asides are narration
 * @returns undefined when they are none
 */
export function meaningOf(inside: string, round: boolean): Meaning {
  const text = inside
    .trim()
    .replace(/^\*+|\*+$/g, '')
    .trim()
  const bare = text.replace(/[.!]$/, '')
  const paused = PAUSE.exec(bare)
  if (paused) return pause(paused)
  const words = SUPER.exec(text)?.[1]
  if (words) return `[super: ${plain(words)}]`
  const heard = SOUND.exec(text)?.[1]
  if (heard) return heardAs(plain(heard), MUSIC_LABEL.test(text))
  if (MUSIC.test(bare))
    return /\b(?:music|theme) (?:stops?|out|fades? out)$/i.test(bare) ? '' : `[music: ${bare}]`
  const source =
    round &&
    !/^(?:the |faint |distant |soft )*sounds? of/i.test(text) &&
    !/lights|curtain/i.test(text)
      ? undefined
      : SOUND_OF.exec(text)?.[1]
  if (source) return `[sound: ${plain(source)}]`
  const seen = PICTURE.exec(text)
  if (seen && (!round || isCommand(text))) return picture(text.slice(seen[0].length))
  if (READER.test(bare) && (!round || isShort(bare))) return ''
  if (DELIVERY.test(bare) && (!round || isShort(bare))) return ''
  if (!round && NOISE.test(bare) && bare.split(/\s+/).length <= 4) return `[sound: ${bare}]`
  return undefined
}

/** What is heard: music where it is called so or names an instrument, else a sound. */
export const heardAs = (words: string, isMusic = MUSIC.test(words)) =>
  `[${isMusic || MUSIC.test(words) ? 'music' : 'sound'}: ${words}]`

/** "[picture: …]", or nothing when only the camera is spoken of. */
export const picture = (rest: string): string => {
  const shown = plain(rest)
  return shown === '' || CAMERA_ONLY.test(shown) ? '' : `[picture: ${shown}]`
}

const COMMAND = pattern(
  'i',
  String.raw`^(?:(?:smash |jump )?cut to|cutaway|fade to|dissolve to|b-?roll|pan |zoom |show |`,
  String.raw`visual|video:|image:|picture:|photo:|on screen|camera |graphic:|footage|insert |`,
  String.raw`close-?up|wide shot|aerial|drone|stock footage|archive footage|time-?lapse|`,
  String.raw`animation|map:|montage|clip)`,
)
/**
 * In round brackets only what clearly speaks to an editor: "(cut to the map)", not "(a picture of
 * calm)".
 */
const isCommand = (text: string) => COMMAND.test(text)
const isShort = (text: string) =>
  text.split(/\s+/).length <= DELIVERY_ONLY_WORDS &&
  !/,\s|\b(?:is|was|are|were|it|you|we|they|he|she)\b/i.test(text)
