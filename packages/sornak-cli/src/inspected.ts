// Inspects a source in bounded memory: what must be unique is laid down in files for as long as it is needed.

import { inspectFile, type InspectedFile } from 'sornak-files'
import { shelfOf } from './heaps.js'
import { desk } from './source.js'

export async function inspected(
  ...[source, rule, options, bar]: Parameters<typeof inspectFile>
): Promise<InspectedFile> {
  const kept = desk()
  try {
    return await inspectFile(source, rule, { ...options, shelf: shelfOf(kept, source.name) }, bar)
  } finally {
    kept.close()
  }
}
