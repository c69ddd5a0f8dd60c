import { onScopeDispose, ref } from 'vue'
import worklet from './recorder.worklet.ts?worker&url'
import { wavOf } from './wav.ts'

/** Before the first word, in seconds: time to breathe in. */
export const COUNT_IN = 3
const BEAT_MS = 600
/** What a meter shows, in dBFS. */
const QUIETEST = -60
/** A sample over this is as good as cut off. */
const TOO_LOUD = 0.985

const WHY: Record<string, string> = {
  NotAllowedError:
    'The microphone may not be used. Allow it in the bar beside the address, then try again.',
  NotFoundError:
    'There is no microphone. Connect one, or bring a file that was recorded elsewhere.',
  NotReadableError: 'Another program holds the microphone. Close it, then try again.',
}

/** The microphone: its level, and what was recorded with it as a WAV file. */
export function useRecorder() {
  const state = ref<'closed' | 'ready' | 'counting' | 'recording'>('closed')
  const count = ref(0)
  /** 0 to 1 over the meter; and the loudest since recording began was cut off. */
  const level = ref(0)
  const clipped = ref(false)
  const problem = ref('')
  let context: AudioContext | undefined
  let stream: MediaStream | undefined
  let chunks: Float32Array[] = []
  let turn = 0

  async function open(): Promise<boolean> {
    if (context) return true
    problem.value = ''
    try {
      // The browser's own clean-up is made for calls; ours comes later and can be heard before and
      // after.
      stream = await navigator.mediaDevices.getUserMedia({
        audio: {
          channelCount: 1,
          echoCancellation: false,
          noiseSuppression: false,
          autoGainControl: false,
        },
      })
      context = new AudioContext()
      await context.audioWorklet.addModule(worklet)
      const node = new AudioWorkletNode(context, 'recorder', { numberOfOutputs: 0 })
      node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => hear(data)
      context.createMediaStreamSource(stream).connect(node)
      state.value = 'ready'
      return true
    } catch (cause) {
      close()
      problem.value =
        WHY[(cause as Error).name] ??
        `The microphone could not be opened: ${(cause as Error).message}`
      return false
    }
  }

  function hear(samples: Float32Array) {
    let peak = 0
    for (const sample of samples) peak = Math.max(peak, Math.abs(sample))
    const now = Math.max(0, 1 - (20 * Math.log10(peak + 1e-6)) / QUIETEST)
    level.value = Math.max(now, level.value * 0.92)
    if (state.value !== 'recording') return
    if (peak >= TOO_LOUD) clipped.value = true
    chunks.push(samples)
  }

  /** Counts in, then records. */
  async function start() {
    if (!(await open())) return
    const mine = ++turn
    state.value = 'counting'
    for (count.value = COUNT_IN; count.value > 0; count.value--) {
      await new Promise((resolve) => setTimeout(resolve, BEAT_MS))
      if (mine !== turn) return
    }
    chunks = []
    clipped.value = false
    state.value = 'recording'
  }

  /** What was recorded since `start`; undefined when there is nothing. */
  function stop(): Blob | undefined {
    turn++
    const recorded =
      state.value === 'recording' && chunks.length ? wavOf(chunks, context!.sampleRate) : undefined
    chunks = []
    if (context) state.value = 'ready'
    return recorded
  }

  function close() {
    turn++
    stream?.getTracks().forEach((track) => track.stop())
    void context?.close()
    context = stream = undefined
    chunks = []
    level.value = 0
    state.value = 'closed'
  }
  onScopeDispose(close)
  return { state, count, level, clipped, problem, open, start, stop }
}
