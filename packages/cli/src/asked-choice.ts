import { TidyError } from '@tidy-reel/core/faults/fault'

/**
 * One of several that an option can be.
 *
 * @throws TidyError `option_invalid` for anything else, with all of them
 */
export function askedChoice<Choice extends string>(
  option: string,
  value: string,
  choices: readonly Choice[],
): Choice {
  const known = choices.find((one) => one === value)
  if (known !== undefined) return known
  throw new TidyError('option_invalid', { option, value, wanted: `one of ${choices.join(', ')}` })
}
