/** Hands the microphone's samples on as they come, on the sound thread. */
class Recorder extends AudioWorkletProcessor {
  process(inputs: Float32Array[][]): boolean {
    const [channel] = inputs[0] ?? []
    if (channel) this.port.postMessage(channel.slice())
    return true
  }
}
registerProcessor('recorder', Recorder)
