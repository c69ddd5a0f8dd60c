/** True for languages whose lines run from right to left; BCP 47. */
export const runsRightToLeft = (language: string): boolean =>
  /^(?:ar|fa|he|ur|yi)\b/i.test(language)
