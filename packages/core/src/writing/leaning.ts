const LEANS =
  /^(?:it|its|he|she|they|them|their|his|her|this|that|these|those|such|both|here|there|so|but|and|or|yet|then|however|instead|also|therefore|thus|still|even so|for example|for instance|as a result|in other words|on the other hand|similarly|finally|later|afterwards|one of them|another|the (?:other|former|latter|second|third|same|result|answer|reason))\b/i

/** Whether a sentence needs the one before it. */
export const leansOnOthers = (sentence: string) => LEANS.test(sentence)
