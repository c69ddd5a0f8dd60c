import { liveMeter } from './live-meter.ts'

/** Measures what is heard, on the sound thread. */
class Meter extends AudioWorkletProcessor {
  private readonly meter = liveMeter(sampleRate, (metered) => this.port.postMessage(metered))

  constructor() {
    super()
    this.port.onmessage = () => this.meter.clear()
  }

  process(inputs: Float32Array[][]): boolean {
    this.meter.add(inputs[0] ?? [])
    return true
  }
}
registerProcessor('meter', Meter)
