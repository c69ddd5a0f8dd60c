/** What the sound thread has and TypeScript's DOM library does not know (W3C Web Audio API). */
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void
declare const sampleRate: number
