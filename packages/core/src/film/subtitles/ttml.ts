import type { Place } from '../../pictures/place.ts'
import type { SubtitleStyle } from '../../style/lettering.ts'
import { oneLine } from '../../text/one-line.ts'
import { runsRightToLeft } from '../../text/right-to-left.ts'
import { placed } from './cue-place.ts'
import type { Cue } from './cues.ts'
import { hex, stamp } from './write.ts'

const escaped = (text: string) =>
  oneLine(text)
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;')

/** What lines stand on, `#RRGGBBAA`: a dark ground where the style has none that a player can draw. */
function groundOf({ ground, groundColour, strength }: Parameters<typeof ttml>[2]): string {
  if (ground !== 'lines' && ground !== 'plate') return '#000000c2'
  return groundColour + hex(strength)
}

const DISPLAYED = { head: 'before', middle: 'center', foot: 'after' }
const ALIGNED = { left: 'start', centre: 'center', right: 'end' }

const standing = (place: Place | undefined, others: readonly Place[]) =>
  place && others.includes(place)
    ? `region="at-${place}" style="at-${place}-words"`
    : 'region="foot"'

const alignedStyle = (place: Place) =>
  `\n      <style xml:id="at-${place}-words" tts:textAlign="${ALIGNED[placed(place).side]}"/>`

const region = (place: Place) =>
  `\n      <region xml:id="at-${place}" tts:origin="5% 5%" tts:extent="90% 90%" ` +
  `tts:displayAlign="${DISPLAYED[placed(place).row]}"/>`

/**
 * TTML as its two profiles for broadcast and the web both take it: EBU-TT-D (EBU Tech 3380) and
 * IMSC 1.1 Text (W3C), from memory; a reference reader of IMSC judges it in the tests. Media time,
 * one region inside the graphics-safe area (EBU R 95), one style, lines parted by `br`.
 *
 * @param cues     times in samples; none, and the body is empty
 * @param language BCP 47, of the narration
 */
export function ttml(
  cues: readonly Cue[],
  language: string,
  style: Pick<SubtitleStyle, 'place' | 'colour' | 'ground' | 'groundColour' | 'strength'>,
): string {
  const { row, side } = placed(style.place)
  /** Places of scenes that have one of their own, each a region and a style. */
  const others = [...new Set(cues.flatMap(({ at }) => at?.place ?? []))].filter(
    (place) => place !== style.place,
  )
  const direction = runsRightToLeft(language) ? ' tts:direction="rtl"' : ''
  const paragraphs = cues.map(({ start, end, lines, at }, i) =>
    [
      `      <p xml:id="c${i + 1}" ${standing(at?.place, others)} begin="${stamp(start, '.')}" end="${stamp(end, '.')}">`,
      `<span style="words">${lines.map(escaped).join('<br/>')}</span></p>`,
    ].join(''),
  )
  return `<?xml version="1.0" encoding="UTF-8"?>
<tt xmlns="http://www.w3.org/ns/ttml" xmlns:ttp="http://www.w3.org/ns/ttml#parameter"
  xmlns:tts="http://www.w3.org/ns/ttml#styling" xmlns:ebuttm="urn:ebu:tt:metadata"
  ttp:timeBase="media" ttp:cellResolution="32 15" xml:lang="${escaped(language)}">
  <head>
    <metadata>
      <ebuttm:documentMetadata>
        <ebuttm:conformsToStandard>urn:ebu:tt:distribution:2018-04</ebuttm:conformsToStandard>
        <ebuttm:conformsToStandard>http://www.w3.org/ns/ttml/profile/imsc1.1/text</ebuttm:conformsToStandard>
      </ebuttm:documentMetadata>
    </metadata>
    <styling>
      <style xml:id="words" tts:fontFamily="proportionalSansSerif" tts:fontSize="80%"
        tts:lineHeight="125%" tts:textAlign="${ALIGNED[side]}" tts:color="${style.colour}"
        tts:backgroundColor="${groundOf(style)}"${direction}/>${others.map(alignedStyle).join('')}
    </styling>
    <layout>
      <region xml:id="foot" tts:origin="5% 5%" tts:extent="90% 90%" tts:displayAlign="${DISPLAYED[row]}"/>${others.map(region).join('')}
    </layout>
  </head>
  <body>
    <div style="words">
${paragraphs.join('\n')}
    </div>
  </body>
</tt>
`
}
