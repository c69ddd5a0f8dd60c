/** Parts of the package: the whole of it asks for a browser. */
declare module 'imsc/src/main/js/doc.js' {
  /** Returns whether to stop. */
  type Tell = (message: string) => boolean
  export interface Complaints {
    info?: Tell
    warn?: Tell
    error?: Tell
    fatal?: Tell
  }
  /** A document of IMSC, opaque. */
  export type ImscDocument = object
  export function fromXML(xml: string, complaints: Complaints): ImscDocument
}

declare module 'imsc/src/main/js/isd.js' {
  import type { Complaints, ImscDocument } from 'imsc/src/main/js/doc.js'

  /** What is shown at a second. */
  export function generateISD(
    document: ImscDocument,
    seconds: number,
    complaints: Complaints,
  ): { contents: unknown[] }
}
