/**
 * New things to show in 1,000 words, at the least (common practice: a short documentary of about
 * 1,000 words has 20 distinct pictures).
 */
export const THINGS_PER_THOUSAND = 20
