// The smallest and the largest of texts that have one length, kept without making a text of each.

export interface Limits {
  take(bytes: Uint8Array, start: number, end: number): void
  texts(): { readonly least: string; readonly most: string }
}

const LONGEST = 64

/** @param from the limits so far; empty texts where there were none */
export function limitsOf(from?: { readonly least: string; readonly most: string }): Limits {
  const least = new Uint8Array(LONGEST)
  const most = new Uint8Array(LONGEST)
  let length = -1
  const keep = (into: Uint8Array, bytes: Uint8Array, start: number, end: number) =>
    into.set(bytes.subarray(start, end))
  const order = (a: Uint8Array, bytes: Uint8Array, start: number) => {
    for (let i = 0; i < length; i++) if (bytes[start + i] !== a[i]) return bytes[start + i]! - a[i]!
    return 0
  }
  if (from?.least) {
    length = from.least.length
    const encode = (text: string) => Uint8Array.from(text, (char) => char.charCodeAt(0))
    keep(least, encode(from.least), 0, length)
    keep(most, encode(from.most), 0, length)
  }
  const text = (bytes: Uint8Array) =>
    length < 0 ? '' : String.fromCharCode(...bytes.subarray(0, length))
  return {
    take(bytes, start, end) {
      if (end - start !== length) {
        // Values of another length are not compared: nobody asks where there are several.
        if (length >= 0 || end - start > LONGEST) return
        length = end - start
        keep(least, bytes, start, end)
        keep(most, bytes, start, end)
      } else if (order(most, bytes, start) > 0) keep(most, bytes, start, end)
      else if (order(least, bytes, start) < 0) keep(least, bytes, start, end)
    },
    texts: () => ({ least: text(least), most: text(most) }),
  }
}
