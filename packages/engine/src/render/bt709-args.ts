/** Colours as a film has them: BT.709 in limited range, whatever they come as. */
export const BT709 = 'out_color_matrix=bt709:out_range=tv'

/** What a file says of its colours. */
export const BT709_TAGS = [
  ...['-color_primaries', 'bt709', '-color_trc', 'bt709'],
  ...['-colorspace', 'bt709', '-color_range', 'tv'],
]
