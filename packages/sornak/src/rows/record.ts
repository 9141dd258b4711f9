// One record of a delimited file, found in bytes (RFC 4180). Hands over offsets; nothing becomes text
// here, and a field is unquoted only when somebody asks for it.

/** What separates fields and records, as byte values. */
export interface CsvShape {
  readonly delimiter: number
  readonly quote: number
  /** 10, also for CRLF; 13 for files that end lines with a lone carriage return. */
  readonly newline: number
}

/** A record in place: offsets into `bytes`, which belong to the reader and are reused. */
export interface RecordView {
  bytes: Uint8Array
  /** Offset of the first byte, and of the first byte behind the line break. */
  start: number
  end: number
  fields: number
  /** Field i lies from starts[i] to ends[i], without its outer quotes. */
  starts: Int32Array
  ends: Int32Array
  /** 1 where quotes inside the field are doubled, 2 where text follows the closing quote. */
  rough: Uint8Array
  /** Line breaks in it, its own end included. */
  breaks: number
  /** Its last field opens a quote that nothing closes. */
  open: boolean
}

export function recordView(): RecordView {
  return {
    bytes: new Uint8Array(0),
    start: 0,
    end: 0,
    fields: 0,
    starts: new Int32Array(64),
    ends: new Int32Array(64),
    rough: new Uint8Array(64),
    breaks: 0,
    open: false,
  }
}

/**
 * Finds the record that starts at `from`. False where the bytes end before it does; with `final` they
 * end with it.
 */
export function scanRecord(
  view: RecordView,
  bytes: Uint8Array,
  from: number,
  to: number,
  { delimiter, quote, newline }: CsvShape,
  final: boolean,
): boolean {
  let at = from
  let fields = 0
  let breaks = 0
  view.bytes = bytes
  view.start = from
  view.open = false
  for (;;) {
    if (fields === view.starts.length) widen(view)
    view.rough[fields] = 0
    if (at < to && bytes[at] === quote) {
      // ,"ab""c",
      //  ^ start  ^ the quote that closes is followed by no second one
      const start = at + 1
      let close = -1
      for (at = start; at < to; at++) {
        const byte = bytes[at]
        if (byte === quote) {
          if (at + 1 >= to && !final) return false
          if (bytes[at + 1] === quote && at + 1 < to) {
            view.rough[fields] = 1
            at++
          } else {
            close = at++
            break
          }
        } else if (byte === newline) breaks++
      }
      if (close < 0) {
        if (!final) return false
        view.open = true
        close = to
      }
      view.starts[fields] = start
      view.ends[fields] = close
      if (bytes[at] === 13 && newline === 10 && at < to) {
        if (at + 1 >= to && !final) return false
        if (at + 1 >= to || bytes[at + 1] === newline) at++
      }
      // "ab"c,  Text behind the closing quote belongs to the field, which then starts at its quote.
      if (at < to && bytes[at] !== delimiter && bytes[at] !== newline) {
        while (at < to && bytes[at] !== delimiter && bytes[at] !== newline) at++
        view.rough[fields] = 2
        view.starts[fields] = start - 1
        view.ends[fields] = bytes[at - 1] === 13 && newline === 10 ? at - 1 : at
      }
    } else {
      view.starts[fields] = at
      while (at < to && bytes[at] !== delimiter && bytes[at] !== newline) at++
      const carriage = newline === 10 && at > view.starts[fields]! && bytes[at - 1] === 13
      view.ends[fields] = carriage && (at < to ? bytes[at] === newline : final) ? at - 1 : at
    }
    fields++
    if (at < to) {
      if (bytes[at++] === delimiter) continue
      breaks++
    } else if (!final) return false
    view.fields = fields
    view.end = at
    view.breaks = breaks
    return true
  }
}

/** The text of a field; throws a TypeError where it is not UTF-8. */
export function fieldText(view: RecordView, field: number, quote: number): string {
  const text = utf8.decode(view.bytes.subarray(view.starts[field], view.ends[field]))
  if (view.rough[field] === 0) return text
  const mark = String.fromCharCode(quote)
  if (view.rough[field] === 1) return text.replaceAll(mark + mark, mark)
  const close = closing(text, mark)
  return text.slice(1, close).replaceAll(mark + mark, mark) + text.slice(close + 1)
}

function closing(text: string, mark: string): number {
  for (let at = 1; at < text.length; at++) {
    if (text[at] !== mark) continue
    if (text[at + 1] === mark) at++
    else return at
  }
  return text.length
}

const utf8 = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true })

function widen(view: RecordView): void {
  const size = view.starts.length * 2
  const grown = <T extends Int32Array | Uint8Array>(into: T, from: T): T => {
    into.set(from)
    return into
  }
  view.starts = grown(new Int32Array(size), view.starts)
  view.ends = grown(new Int32Array(size), view.ends)
  view.rough = grown(new Uint8Array(size), view.rough)
}
