// Records out of bytes: what other parts may use.

export { fieldText, recordView, scanRecord, type CsvShape, type RecordView } from './record.js'
export {
  LONGEST_RECORD,
  rowReader,
  RowsError,
  type RecordPlace,
  type RecordVisitor,
  type RowReader,
} from './reader.js'
export { findShape, markLength } from './shape.js'
