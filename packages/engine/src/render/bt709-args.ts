/** Colours as a film has them: BT.709 in limited range, whatever they come as. */
export const BT709 = 'out_color_matrix=bt709:out_range=tv'
