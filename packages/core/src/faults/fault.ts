import type { FaultCode, FaultDetails } from './codes.ts'
import { ENGLISH } from './messages.ts'

/** The one error of the product; `details` are the fields its sentence is made of. */
export class TidyError<Code extends FaultCode = FaultCode> extends Error {
  readonly details: FaultDetails[Code]

  constructor(
    readonly code: Code,
    ...[details]: FaultDetails[Code] extends undefined ? [] : [FaultDetails[Code]]
  ) {
    super(ENGLISH[code](details as FaultDetails[Code]))
    this.name = 'TidyError'
    this.details = details as FaultDetails[Code]
  }
}

/**
 * Whether something thrown is a fault of ours; `instanceof` alone would lose what its code says.
 */
export const isFault = (cause: unknown): cause is TidyError => cause instanceof TidyError

/** A fault that was told by another thread: its code and details are what it was made of. */
export const faultAgain = ({ code, details }: { code: FaultCode; details: unknown }): TidyError =>
  new TidyError(code as 'input_invalid', details as FaultDetails['input_invalid'])

/**
 * The closing arm of a switch over a closed set.
 *
 * @throws Error always: it is reached by a mistake of ours alone
 */
export function assertNever(value: never): never {
  throw new Error(`Unexpected value ${JSON.stringify(value)}`)
}
