// One value that was replaced.

export interface Change {
  /** 1-based data record, the header not counted. */
  readonly record: number
  readonly line: number | null
  readonly key: string | null
  readonly column: string
  readonly identifier: string
  readonly before: string
  readonly after: string
  readonly finding: string | null
  /** In a workbook: the sheet and the cell. */
  readonly sheet?: string | undefined
  readonly cell?: string | undefined
  /** The cell held a number before. */
  readonly number?: boolean
  /** What comes after is put back as the number that it was. */
  readonly restore?: boolean
  readonly proof: 'exact' | 'odds' | 'answer'
}
