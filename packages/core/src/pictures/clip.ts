/** A clip that is too short runs so much slower at most: nobody sees it (common practice). */
export const SLOWED_MOST = 0.08
