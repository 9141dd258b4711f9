// Holds back the last records of a file, which hold totals.

import {
  recordView,
  scanRecord,
  type CsvShape,
  type RecordPlace,
  type RecordView,
} from 'sornak/rows'

type Deliver = (view: RecordView, place: RecordPlace) => void

export function delay(count: number): {
  push(view: RecordView, place: RecordPlace, shape: CsvShape, deliver: Deliver): void
} {
  const held: { bytes: Uint8Array; place: RecordPlace }[] = []
  const again = recordView()
  return {
    push(view, place, shape, deliver) {
      if (count === 0) return deliver(view, place)
      held.push({ bytes: view.bytes.slice(view.start, view.end), place: { ...place } })
      if (held.length <= count) return
      const first = held.shift()!
      scanRecord(again, first.bytes, 0, first.bytes.length, shape, true)
      deliver(again, first.place)
    },
  }
}
