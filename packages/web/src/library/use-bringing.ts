import { useThrottleFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { NotedView } from '@tidy-reel/core/views/library'
import { libraryApi } from '../api/library.ts'

/** Files sent at once. */
const AT_ONCE = 3
const PROBLEMS_SHOWN = 200
/** After so many files it can be told how long the others will take. */
const TELLS = 40
/** What has come is shown so often while more is coming. */
const ARRIVED_MS = 8000

/** A file and the name it is known by, with the folders it lay in. */
interface Brought {
  file: File
  name: string
}

/**
 * Files on their way into the library, one after another; a broken one is told and the rest goes
 * on.
 */
export function useBringing(arrived: () => void) {
  const arriving = useThrottleFn(arrived, ARRIVED_MS)
  const waiting: Brought[] = []
  const all = ref(0)
  const done = ref(0)
  const taken = ref(0)
  const problems = ref<string[]>([])
  const failed = ref(0)
  /** What came of lists. */
  const told = ref<string[]>([])
  const busy = ref(false)
  const stopped = ref(false)
  let began = 0
  /** Null while too few have come to tell. */
  const secondsLeft = computed(() =>
    done.value < TELLS
      ? null
      : Math.round(((all.value - done.value) * (Date.now() - began)) / done.value / 1000),
  )
  const share = computed(() => (all.value ? done.value / all.value : 0))

  async function bring(files: readonly Brought[]) {
    if (!busy.value) {
      all.value = done.value = taken.value = 0
      forget()
      stopped.value = false
      began = Date.now()
    }
    // A sidecar or a list says something of pictures that must be there before it.
    waiting.push(
      ...files.filter(({ name }) => !SAYS.test(name)),
      ...files.filter(({ name }) => SAYS.test(name)),
    )
    all.value += files.length
    if (busy.value || !files.length) return
    busy.value = true
    try {
      await Promise.all(Array.from({ length: AT_ONCE }, sendOn))
      for (let left = waiting.shift(); left; left = waiting.shift()) await send(left)
    } finally {
      busy.value = false
      arrived()
    }
  }
  async function sendOn() {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      if (SAYS.test(next.name)) return void waiting.unshift(next)
      await send(next)
    }
  }
  async function send({ file, name }: Brought) {
    try {
      if (LIST.test(name))
        told.value = [...told.value, noted(file.name, await libraryApi.takePictureList(file))]
      else if (SAYS.test(name)) await libraryApi.takeSidecar(file)
      else {
        await libraryApi.takeOwnFile(file, name)
        taken.value++
      }
    } catch (cause) {
      failed.value++
      if (problems.value.length < PROBLEMS_SHOWN) problems.value.push((cause as Error).message)
    }
    done.value++
    void arriving()
  }
  function forget() {
    problems.value = told.value = []
    failed.value = 0
  }
  function stop() {
    stopped.value = true
    all.value -= waiting.splice(0).length
  }
  return {
    bring,
    stop,
    forget,
    all,
    done,
    taken,
    problems,
    failed,
    told,
    busy,
    stopped,
    share,
    secondsLeft,
  }
}

/** What says something of other files, and which of them says it of many. */
const SAYS = /\.(?:xmp|csv|json)$/i
const LIST = /\.(?:csv|json)$/i

function noted(name: string, { described, unknown, called, skipped }: NotedView): string {
  const rows = (count: number) => (count === 1 ? '1 row' : `${count.toLocaleString('en-GB')} rows`)
  const nameless = unknown
    ? ` ${rows(unknown)} ${unknown === 1 ? 'names' : 'name'} no file that is here: ` +
      `${called.join(', ')}${unknown > called.length ? ', …' : ''}.`
    : ''
  const left = skipped[0] ? ` Row ${skipped[0].row} was left: ${skipped[0].reason}.` : ''
  return (
    `“${name}” describes ` +
    `${described === 1 ? '1 picture' : `${described.toLocaleString('en-GB')} pictures`}.` +
    `${nameless}${left}`
  )
}
/** What a computer puts into folders for itself. */
const NO_FILE = /(?:^|\/)(?:\.|Thumbs\.db$|desktop\.ini$|__MACOSX)/i

export const chosenFiles = (list: FileList): Brought[] =>
  [...list]
    .map((file) => ({ file, name: file.webkitRelativePath || file.name }))
    .filter(({ name }) => !NO_FILE.test(name))

/** The files of a drop, those in folders too, however deep. */
export async function droppedFiles(items: DataTransferItemList): Promise<Brought[]> {
  const entries = [...items].flatMap((item) => item.webkitGetAsEntry() ?? [])
  return (await Promise.all(entries.map(filesIn))).flat().filter(({ name }) => !NO_FILE.test(name))
}

async function filesIn(entry: FileSystemEntry): Promise<Brought[]> {
  if (entry.isFile)
    return new Promise((resolve) =>
      (entry as FileSystemFileEntry).file(
        (file) => resolve([{ file, name: entry.fullPath.replace(/^\//, '') }]),
        () => resolve([]),
      ),
    )
  const reader = (entry as FileSystemDirectoryEntry).createReader()
  const found: Brought[] = []
  // A reader hands out a folder in parts until it has nothing more.
  for (;;) {
    const part = await new Promise<FileSystemEntry[]>((resolve) =>
      reader.readEntries(resolve, () => resolve([])),
    )
    if (!part.length) return found
    for (const inner of part) found.push(...(await filesIn(inner)))
  }
}
