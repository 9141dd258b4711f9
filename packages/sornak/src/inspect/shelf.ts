// Where an inspection lays down what does not fit into bounded memory. Who can keep files brings it along.

/** Lines of text, laid down one after the other and read back in the same order. */
export interface Heap {
  /** @param line without a line end in it */
  add(line: string): void
  lines(): Iterable<string>
}

/** Opens another heap. */
export type Shelf = () => Heap

/** Which of so many buckets a key belongs in: always the same, whatever else there is (FNV-1a). */
export function bucketOf(key: string, count: number): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < key.length; i++) hash = Math.imul(hash ^ key.charCodeAt(i), 0x01000193)
  return (hash >>> 0) % count
}
