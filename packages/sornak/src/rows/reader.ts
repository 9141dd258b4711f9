// Records out of bytes that arrive in pieces of any size. Keeps one buffer and fills it anew; a
// record that does not fit makes it grow, up to a limit.

import { recordView, scanRecord, type CsvShape, type RecordView } from './record.js'

/** A record longer than this is taken for a quote that was never closed. */
export const LONGEST_RECORD: number = 16 * 1024 * 1024

export interface RecordPlace {
  /** 0 for the first record of the file, which is usually the header. */
  readonly index: number
  /** Physical line on which it starts, from 1. */
  readonly line: number
  /** Bytes before it. */
  readonly offset: number
}

export type RecordVisitor = (view: RecordView, place: RecordPlace) => void

export interface RowReader {
  /** Where to put the next bytes; at least `size` long. */
  room(size: number): Uint8Array
  /** So many bytes were put there; all whole records in them are visited. */
  filled(size: number): void
  /** No more bytes come. */
  end(): void
  readonly place: RecordPlace
}

export class RowsError extends Error {
  readonly code: 'record-long' | 'quote-open'
  readonly line: number
  constructor(code: 'record-long' | 'quote-open', line: number, message: string) {
    super(message)
    this.name = 'RowsError'
    this.code = code
    this.line = line
  }
}

/**
 * @param from where the bytes start: index, line and offset of the first record in them
 * @throws {RowsError} from `filled` and `end`, for a record too long or a quote never closed
 */
export function rowReader(
  shape: CsvShape,
  visit: RecordVisitor,
  from: RecordPlace = { index: 0, line: 1, offset: 0 },
  longest: number = LONGEST_RECORD,
): RowReader {
  const view = recordView()
  let buffer = new Uint8Array(64 * 1024)
  let start = 0
  let end = 0
  // After a scan ran out of bytes it is tried again only when there is half as much again: a long
  // record is not scanned anew for every piece.
  let tryAt = 0
  const place = { ...from }

  function scanAll(final: boolean): void {
    if (!final && end - start < tryAt) return
    while (start < end) {
      if (!scanRecord(view, buffer, start, end, shape, final)) break
      if (view.open) {
        throw new RowsError(
          'quote-open',
          place.line,
          `The quote that opens in the record on line ${place.line} is never closed.`,
        )
      }
      visit(view, place)
      place.offset += view.end - start
      place.line += view.breaks
      place.index++
      start = view.end
      tryAt = 0
    }
    if (end - start > longest) {
      throw new RowsError(
        'record-long',
        place.line,
        `The record on line ${place.line} is longer than ${Math.round(longest / 1024 / 1024)} MiB; a quote that is never closed is the usual cause.`,
      )
    }
    if (start < end) tryAt = Math.floor((end - start) * 1.5)
  }

  return {
    place,
    room(size) {
      if (buffer.length - end < size) {
        const kept = end - start
        if (kept + size <= buffer.length) buffer.copyWithin(0, start, end)
        else {
          const grown = new Uint8Array(Math.max(buffer.length * 2, kept + size))
          grown.set(buffer.subarray(start, end))
          buffer = grown
        }
        start = 0
        end = kept
      }
      return buffer.subarray(end)
    },
    filled(size) {
      end += size
      scanAll(false)
    },
    end: () => scanAll(true),
  }
}
