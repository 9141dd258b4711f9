// What the library offers.

export { mask, tryMask, type Mask, type MaskOptions } from './mask/mask.js'
export {
  date,
  maskOf,
  maskWith,
  number,
  section,
  slot,
  type DateSettings,
  type NumberSettings,
  type Piece,
  type SlotSettings,
} from './mask/builders.js'
export { registerKind, type OwnKind } from './mask/own-kinds.js'
export type { Fields } from './mask/composite.js'
export { compareDates, lastDay } from './date/calendar.js'
export { maskList, type MaskList } from './mask/list.js'
export type { Misfit, MisfitCode, Read, Shown } from './mask/misfit.js'
export { MaskError, type MaskProblem } from './mask/problem.js'
export { KIND_NAMES } from './mask/tree.js'
export { phrases, outline } from './mask/explain.js'
export { trace, type Placed, type Traced } from './mask/trace.js'
export { remedies, type Remedy, type RemedyCode } from './inspect/remedies.js'
export { everySlot } from './mask/tree.js'
export { identifier } from './identifier/identifier.js'
export { define, DEFINITION_KEYS } from './identifier/define.js'
export type { Definition } from './identifier/definition.js'
export { fit, keyOf, type Fit } from './identifier/fit.js'
export {
  hide,
  hidesAnything,
  parseReveal,
  type Reveal,
  type Sensitivity,
} from './identifier/reveal.js'
export { JsonNumber, isMap, reader, type Plain, type PlainMap } from './identifier/plain.js'
export { readRules, type KnownWords, type Rules } from './identifier/rules.js'
export type { Binding, ColumnRule } from './identifier/column-rules.js'
export type { Accepted } from './identifier/accepted.js'
export type { OwnHandOver } from './identifier/hand-overs.js'
export type { Trusted } from './identifier/trusted.js'
export {
  HAND_OVERS,
  handedOver,
  rehearsal,
  type HandOver,
  type Passage,
  type Rehearsal,
  type Rehearsed,
} from './inspect/rehearse.js'
export { meansFile } from './identifier/glob.js'
export { CATALOG, fromCatalog } from './identifier/catalog/catalog.js'
export { spaceOf, type Space, type Tally } from './identifier/space.js'
export { SCHEMES } from './identifier/check-digit/schemes.js'
export { passes, rightCharacters, type CheckScheme } from './identifier/check-digit/scheme.js'
export { errorsCaught, type Caught } from './identifier/check-digit/errors.js'
export type { Channel, FindingCode, Preimage } from './channel/channel.js'
export { CHANNELS } from './channel/channels.js'
export { FINDING_CODES, FINDINGS, type FindingText } from './channel/findings.js'
export { KNOWN_WORDS } from './inspect/known-words.js'
export { VERDICTS, type Judgement, type Verdict } from './inspect/judgement.js'
export { judge } from './inspect/verdict.js'
export { why, about } from './inspect/messages.js'
export { sayer, valueFinding, type ColumnFinding, type ValueFinding } from './inspect/finding.js'
export { columnEvidence, type ColumnEvidence } from './inspect/evidence/column-evidence.js'
export type { EvidenceState } from './inspect/evidence/evidence-state.js'
export { joinedEvidence, settled } from './inspect/evidence/joined-evidence.js'
export {
  besideEvidence,
  companions,
  joinedBeside,
  type BesideEvidence,
  type BesideState,
  type Companion,
} from './inspect/beside.js'
export type { EvidenceRun } from './inspect/runs/evidence-run.js'
export { spool, SPOOL_SIZE, type Spool } from './inspect/spool.js'
export { joinedParts, type InspectedPart } from './inspect/inspected-part.js'
export { columnRuns, type ColumnRuns } from './inspect/runs/evidence-runs.js'
export { matcherOf, type Matcher } from './inspect/evidence/matcher.js'
export {
  tooSmall,
  type ColumnType,
  type Holds,
  type Storage,
  type StoredAs,
  type StoredCell,
  type StoredPlace,
} from './inspect/storage.js'
export {
  decimalOf,
  decimalText,
  round,
  roundSignificant,
  shift,
  type Decimal,
} from './quantity/decimal.js'
export { bucketOf, type Heap, type Shelf } from './inspect/shelf.js'
export { displayDiffers } from './inspect/storage.js'
export { firstWhere } from './inspect/evidence/row-lookup.js'
export { nearest } from './words/nearest.js'
export type { RulesProblem } from './words/problem.js'
export { bindTable, type Table, type TableProblem } from './inspect/table.js'
export { FORMS, publish, type Form } from './publish/publish.js'
export { patternOf, type Pattern } from './publish/pattern.js'
export { csvwTable, tableSchema, type DescribedColumn } from './publish/describe-table.js'
export { columnLook, type ColumnLook, type Look } from './survey/column.js'
export { draftRules, type Surveyed } from './survey/draft.js'
export { guess, type Guess } from './survey/guess.js'
export {
  compareLists,
  inOrder,
  keyOfItem,
  MATCHES,
  matchKnown,
  seeker,
  unknownLeft,
  unknownRight,
  type Item,
  type KnownItem,
  type Match,
  type Pair,
} from './compare/match.js'
export { hypotheses } from './inspect/ways/originals.js'
export type { Hypothesis } from './inspect/ways/hypothesis.js'
export {
  memberKey,
  trustedIn,
  trustedList,
  type SortedMembers,
  type TrustedList,
} from './inspect/trusted.js'
export {
  profiler,
  type Padding,
  type Profile,
  type Profiler,
  type TypeLoss,
} from './inspect/profile.js'
export { inspection, type Inspection, type Stretch } from './inspect/inspection.js'
export type { RaggedRecord } from './inspect/record-judge.js'
export {
  columnLine,
  profileLines,
  errorLine,
  json,
  summaryLine,
  valueLine,
  type ErrorLine,
  type Summary,
} from './report/jsonl.js'
export { htmlPage, type PageFile } from './report/html.js'
export { markdownText } from './report/markdown.js'
export { nextStep } from './report/next-step.js'
export { mark, strip, type Strip } from './report/strip.js'
export { tableCell, tableHeader, tableRow } from './report/table.js'
export { addFinding, columnTally, type ColumnTally, type RowRanges } from './report/tally.js'
export {
  errorText,
  fileText,
  PLAIN,
  rowsText,
  summaryText,
  wrap,
  type FileReport,
  type Paint,
} from './report/text.js'
