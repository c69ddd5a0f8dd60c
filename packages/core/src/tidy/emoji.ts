import { pattern } from '../text/pattern.ts'
import type { Page } from './page.ts'

const EMOJI = pattern(
  'gu',
  String.raw`(?:(?![©®™↔-↙‼⁉])\p{Extended_Pictographic}[\ufe0e\ufe0f\u{1f3fb}-\u{1f3ff}]?(?:\u200d\p{Extended_Pictographic}[\ufe0f\u{1f3fb}-\u{1f3ff}]?)*|[\u{1f1e6}-\u{1f1ff}]{2}|[\d#*]\ufe0f?\u20e3|[★☆✓✔✗✘►▶◆◇])+`,
)
/** Faces of signs, standing alone between spaces. */
const FACE = /(?<=\s|^)(?:[:;=8]['’]?-?[)(DPpOo3/\\|*]|<3|\^_\^|:'\()(?=\s|[.,!?]|$)/gm
const SHORTCODE = /(?<=\s|^):[a-z][a-z0-9_+]{2,30}:(?=\s|[.,!?]|$)/gm

/**
 * Emoji of every sort.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findEmoji(page: Page) {
  for (const pattern of [EMOJI, FACE, SHORTCODE])
    for (const { index, 0: found } of page.view.matchAll(pattern))
      page.drop('emoji', index, index + found.length)
}
