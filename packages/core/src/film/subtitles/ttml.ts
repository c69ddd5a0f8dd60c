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
  const displayed = { head: 'before', middle: 'center', foot: 'after' }[row]
  const aligned = { left: 'start', centre: 'center', right: 'end' }[side]
  const direction = runsRightToLeft(language) ? ' tts:direction="rtl"' : ''
  const paragraphs = cues.map(({ start, end, lines }, i) =>
    [
      `      <p xml:id="c${i + 1}" region="foot" begin="${stamp(start, '.')}" end="${stamp(end, '.')}">`,
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
        tts:lineHeight="125%" tts:textAlign="${aligned}" tts:color="${style.colour}"
        tts:backgroundColor="${groundOf(style)}"${direction}/>
    </styling>
    <layout>
      <region xml:id="foot" tts:origin="5% 5%" tts:extent="90% 90%" tts:displayAlign="${displayed}"/>
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
