import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { reportText } from '@tidy-reel/core/export/film-files'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { FilmFinding } from '@tidy-reel/core/render/film-finding'
import type { FilmReport } from '@tidy-reel/core/render/report'
import { checkFolder } from '../check/check-folder.ts'
import { pictureHoles } from '../check/picture-holes.ts'
import type { PlannedSegments } from './film-steps.ts'
import type { Making } from './making.ts'

/**
 * Step 7: the film is looked through by programs that did not make it, and what they find is told in
 * its report. Its picture is looked at a segment at a time, each once: the film is those, unchanged.
 */
export async function checkMade(
  { film, onProgress, out, shape, signal }: Making,
  { segments }: PlannedSegments,
  encoded: readonly string[],
): Promise<FilmFinding[]> {
  const pieces = segments.map(({ frames }, i) => ({ frames, file: itemAt(encoded, i) }))
  const holes = await pictureHoles(pieces, shape.fps, signal, (done, all) =>
    onProgress({ step: 'check', done, all: all + 1 }),
  )
  const findings = await checkFolder(out, { holes, signal })
  return findings.map((finding) => {
    const scene = finding.scene && film.scenes[finding.scene - 1]
    return scene ? { ...finding, sceneId: scene.id } : finding
  })
}

/** Writes a report anew, with what was found and how long it took. */
export async function reportChecked(
  { out, steps }: Making,
  report: FilmReport,
  check: FilmFinding[],
): Promise<FilmReport> {
  const checked = { ...report, steps, check }
  await writeFile(join(out, 'report.json'), reportText(checked))
  return checked
}
