declare module 'webvtt-parser' {
  export class WebVTTParser {
    parse(
      text: string,
      kind: string,
    ): {
      cues: { startTime: number; endTime: number; text: string }[]
      errors: { message: string }[]
    }
  }
}
