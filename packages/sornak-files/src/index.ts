// What the package offers: files of many formats in, tables out, and back.

export { FileProblem, unbound, unreadable } from './problem.js'
export { inMemory } from './in-memory.js'
export {
  breathe,
  bytesOf,
  memorySource,
  noProgress,
  type Keeper,
  type Kept,
  type Progress,
  type Source,
} from './source.js'
export { changeLines, changeTable, type Change, type ChangeRecord } from './change.js'
export type { Cell, RowVisitor, Table } from './table.js'
export { canonical, cellName } from './canonical.js'
export {
  inputsOf,
  tableInput,
  type Format,
  type Input,
  type InputOptions,
  type Inputs,
} from './inputs.js'
export { headersOf, openRows, readRecords } from './text/rows.js'
export { readTexts, type TextVisitor } from './text/texts.js'
export { utf8Check } from './text/utf8.js'
export type { FileOptions, FileRule } from './text/bound-table.js'
export { inspectFile, type InspectedFile } from './text/inspect.js'
export { canBeParted, inspectInParts, type Workers } from './text/parts.js'
export { partWork, type Looked, type PartWork, type Piece } from './text/part-work.js'
export type { Segment } from './text/segments.js'
export { acceptance, type Told } from './text/acceptance.js'
export { gatherFile, type GatherVisitor } from './text/gather.js'
export { headerRowOf } from './text/header-row.js'
export { eachItem, itemsOf } from './text/items.js'
export { rehearseSource, type RehearsedColumn } from './text/rehearse.js'
export { surveySource } from './text/survey.js'
export { copyMended } from './text/mend.js'
export { mended, type MendedInput } from './mended.js'
export { copyTable, type CopiedTable } from './write/copy.js'
export type { TableWriter, WrittenCell } from './write/writer.js'
export { formatOfName, WRITERS } from './write/writers.js'
