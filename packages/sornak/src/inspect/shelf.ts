// Where an inspection lays down what does not fit into bounded memory. Who can keep files brings it along.

/** Lines of text, laid down one after the other and read back in the same order. */
export interface Heap {
  /** @param line without a line end in it */
  add(line: string): void
  lines(): Iterable<string>
}

/** Opens another heap. */
export type Shelf = () => Heap
