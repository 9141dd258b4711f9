// What each column of a table seems to hold: every value is looked at, a sample is judged.

import { columnLook, guess, type Look, type Surveyed } from 'sornak'
import type { Progress, Source } from '../source.js'
import { readTexts } from './texts.js'

export async function surveySource(
  source: Source,
  progress: Progress,
  headerRow = 1,
): Promise<Surveyed['columns']> {
  let looks: Look[] = []
  const visitor = {
    header: (headers: readonly string[]) => void (looks = headers.map(columnLook)),
    record(text: (index: number) => string, _record: number, _line: number, fields: number) {
      if (fields === 1 && looks.length > 1) return
      looks.slice(0, fields).forEach((look, i) => look.add(text(i)))
    },
  }
  await readTexts(source, visitor, progress, headerRow)
  return looks.map((look) => {
    const result = look.result()
    return { look: result, guess: guess(result) }
  })
}
