// Values that a definition says fit it, and some that do not: it is held to them.

import type { Definition } from './definition.js'
import { fit } from './fit.js'
import type { Path, Plain, Reader } from './plain.js'

export function readSamples(
  value: Plain | undefined,
  path: Path,
  reader: Reader,
): Definition['samples'] {
  if (value === undefined) return { fits: [], doesNotFit: [] }
  const map = reader.map(value, path, '"fits" and "does-not-fit"')
  if (!map) return { fits: [], doesNotFit: [] }
  reader.keys(map, ['fits', 'does-not-fit'], path)
  const texts = (key: string) =>
    map[key] === undefined ? [] : (reader.texts(map[key], [...path, key]) ?? [])
  return { fits: texts('fits'), doesNotFit: texts('does-not-fit') }
}

export function runSamples(definition: Definition, path: Path, reader: Reader): void {
  const { fits, doesNotFit } = definition.samples
  fits.forEach((text, i) => {
    const found = fit(definition, text)
    if (found.ok) return
    const why =
      found.code === 'shape'
        ? found.misfit.message
        : `Its ${found.code === 'reserved' ? `part "${found.part}" is reserved` : 'check digit is not right'}.`
    reader.refuse(
      'sample-misfit',
      [...path, 'samples', 'fits', i],
      `The sample "${text}" does not fit. ${why}`,
      'Mend the sample or the definition.',
    )
  })
  doesNotFit.forEach((text, i) => {
    if (!fit(definition, text).ok) return
    reader.refuse(
      'sample-fits',
      [...path, 'samples', 'does-not-fit', i],
      `The sample "${text}" fits, though it should not.`,
      'Mend the sample, or make the definition stricter.',
    )
  })
}
