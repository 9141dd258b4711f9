// Inspects a source in bounded memory: what must be unique is laid down in files for as long as it is needed. A large
// file is cut into parts for as many threads as may work.

import {
  canBeParted,
  inspectFile,
  inspectInParts,
  type FileOptions,
  type FileRule,
  type InspectedFile,
  type Progress,
  type Source,
} from 'sornak-files'
import { shelfOf } from './heaps.js'
import { desk } from './source.js'
import { workersOn, type BoundBy } from './threads.js'

/** @param jobs how many threads may work */
export async function inspected(
  source: Source,
  rule: FileRule,
  options: FileOptions,
  bar: Progress,
  bound: BoundBy,
  jobs: number,
): Promise<InspectedFile> {
  if (jobs > 1 && source.descriptor !== undefined && canBeParted(source, rule, options))
    return inspectInParts(source, rule, options, bar, (shape, table) =>
      workersOn(source, shape, table, bound, options, jobs),
    )
  const kept = desk()
  try {
    return await inspectFile(source, rule, { ...options, shelf: shelfOf(kept, source.name) }, bar)
  } finally {
    kept.close()
  }
}
