/** What a direction in free words means in our markup: the bracket to put in its place, '' to take it out. */
export type Meaning = string | undefined

const PAUSE =
  /^(?:an? )?(?:(long|dramatic|short|brief|slight|small|tiny|awkward|full|quick)\s+)?(pause|beat|silence|wait|breath)(?:s)?(?: (?:here|for effect|for emphasis))?(?:[,:]?\s*(?:for |of )?(?:about )?(\d+(?:[.,]\d+)?)\s*(s|sec|secs|seconds?|ms)?)?$/i
const SUPER =
  /^(?:text[ -]on[ -]screen|on[ -]screen(?:[ -](?:text|graphic))?|text overlay|overlay|text|title(?: card)?|super|caption|lower[ -]third|chyron|graphic text)\s*(?:reads\s*)?[:–—-]\s*(.+)$/i
const SOUND =
  /^(?:sfx|fx|sound(?: effects?| fx)?s?|music(?: cue)?|audio cue|ambien(?:t|ce)(?: sound)?|bgm|background music|nat sound)\s*[:–—-]\s*(.+)$/i
const SOUND_OF = /(?:^|\b)(?:the |a |faint |distant |loud |soft )*sounds? of (.+?)[.]?$/i
const MUSIC =
  /^(?:[\p{L}-]+[ ,]+){0,4}(?:music|theme|score|jingle|drums|strings|piano|song|choir)(?:\s(?:plays?|playing|swells?|swelling|fades?(?: (?:in|out|up))?|builds?|building|stops?|starts?|begins?|continues|up|under|sting|in|out|bed|cue)){0,2}$/iu
const NOISE =
  /\b(thunder|howl|creak|crash|bell|foghorn|horn|rumbl|splash|whistl|siren|birdsong|gulls? cr|seagulls?|applause|wind|waves (?:crash|lap|break)|rain (?:fall|patter)|footsteps|engine|whoosh|ticking|knock)/i
const PICTURE =
  /^(?:(?:the )?camera (?:pans?|moves?|tilts?|pushes|pulls|zooms?)(?: slowly)?(?: (?:in|out|up|down|back))?(?: (?:across|over|to|on|onto|along|through|from))?|(?:opening |closing |establishing |insert |wide |medium |aerial |drone |tracking |stock |still |first |final |archive |archival )*(?:shot|footage|photo|photograph|image|picture|visuals?|video|clip|view|b-?roll|animation|graphic|map|diagram|close-?up|montage|time-?lapse|cutaway|insert)(?= ?[:–—]| - | of | on | in | from | to | over | across | along |s? show|s? with )|b-?roll|(?:fast |smash |hard |jump )?cut to|cutaway to|dissolve to|fade to|we see|show(?:s|ing)?|pan(?:s|ning)? (?:across|over|to|along|up|down)|zoom(?:s|ing)?(?: slowly)?(?: in| out)? (?:on|to|onto|into|from)|visuals?|video|on screen|image|picture|photo|graphic)(?: (?:shows?|showing|with|of))?\s*(?:[:–—]|\s-\s)?\s*(?:of |to |on |over |across |along )?/i
const CAMERA_ONLY =
  /^(?:(?:a |the )?(?:extreme |medium )?(?:wide|close|long|tight|establishing|two|aerial|black|white|next|new)?(?: |-)?(?:shot|up|scene|angle|black|white|credits?|end card|logo|host|presenter|narrator|studio|camera|title|titles|end screen)?)$/i
const DELIVERY =
  /^(?:(?:still |softly |quietly |suddenly |slightly |very |more |slowly |a bit |nervous |nervously |speaking |in an? )*)(?:smil(?:es?|ing)|laugh(?:s|ing|ter)?|chuckl(?:es?|ing)|sigh(?:s|ing)?|whisper(?:s|ed|ing)?|excited(?:ly)?|enthusiastic(?:ally)?|soft(?:ly)?|quiet(?:ly)?|sarcastic(?:ally)?|serious(?:ly)?|dramatic(?:ally)?|ironic(?:ally)?|warm(?:ly)?|calm(?:ly)?|cheerful(?:ly)?|sad(?:ly)?|angr(?:y|ily)|nervous(?:ly)?|energetic(?:ally)?|upbeat|hushed|deadpan|shout(?:s|ing)?|nod(?:s|ding)?|shrugs?|grins?|gestur(?:es?|ing)|points?(?:ing)?|turns?(?:ing)?|looks?(?:ing)?|leans?(?:ing)?|cough(?:s|ing)?|clears? throat|applause|crosstalk|inaudible|unintelligible|emphas(?:is|ise|ize)(?:d|s)?|slow(?:ly|er)?|fast(?:er)?|tone|voice|low voice|reading|to camera|off camera|off[- ]?screen|on camera|intense(?:ly)?|building|louder|mysterious(?:ly)?|dramatic tone|serious tone|cont'?d|continued|continues|v\.?o\.?|o\.?s\.?|ad[- ]?lib|sic|start|begin|end|fin|outro|intro|end of (?:script|scene|video|part \w+)|fade(?:s)?(?: (?:in|out|to black|up))?|cut(?: to black)?|transition|dissolve|wipe|black screen|blackout|swoosh|zoom(?: in| out)?|roll credits|credits(?: roll)?|logo|title card|end card|end screen|intro plays|roll intro|lights? (?:up|down|fade)|curtain)\b/i
/** "[Narrator speaks slowly]" */
const READER =
  /^(?:the )?(?:narrator|host|presenter|voice|speaker|reader|anchor)\s+(?:\p{L}+ly\s+)?(?:speaks?|reads?|says|whispers?|laughs?|pauses?|smiles?|sighs?|turns?|looks?|walks?|enters|continues|sounds?|nods)\b/iu
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
  if (heard) return `[sound: ${plain(heard)}]`
  if (MUSIC.test(bare))
    return /\b(?:music|theme) (?:stops?|out|fades? out)$/i.test(bare) ? '' : `[sound: ${bare}]`
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

/** "[picture: …]", or nothing when only the camera is spoken of. */
export const picture = (rest: string): string => {
  const shown = plain(rest)
  return shown === '' || CAMERA_ONLY.test(shown) ? '' : `[picture: ${shown}]`
}

/** In round brackets only what clearly speaks to an editor: "(cut to the map)", not "(a picture of calm)". */
const isCommand = (text: string) =>
  /^(?:(?:smash |jump )?cut to|cutaway|fade to|dissolve to|b-?roll|pan |zoom |show |visual|video:|image:|picture:|photo:|on screen|camera |graphic:|footage|insert |close-?up|wide shot|aerial|drone|stock footage|archive footage|time-?lapse|animation|map:|montage|clip)/i.test(
    text,
  )
const isShort = (text: string) =>
  text.split(/\s+/).length <= DELIVERY_ONLY_WORDS &&
  !/,\s|\b(?:is|was|are|were|it|you|we|they|he|she)\b/i.test(text)
