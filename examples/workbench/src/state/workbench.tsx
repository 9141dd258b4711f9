// The state of the page and what can be done with it, for all views. What brings much to draw comes as a
// transition: it is drawn in slices, and the page answers in between.

import {
  createContext,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useReducer,
  useRef,
  useState,
  type ReactNode,
} from 'react'
import type { PlainMap } from 'sornak'
import type { Inspected, Opened, Surveyed } from '../worker/protocol.js'
import { client, Problem, type Client } from './client.js'
import {
  decidedBy,
  EMPTY,
  entriesOf,
  entryFor,
  history,
  rulesForTable,
  wholeRules,
  type Decisions,
  type History,
  type TableName,
} from './decisions.js'

export interface Work {
  readonly what: string
  readonly done: number
  readonly whole: number
}

export interface Said {
  readonly message: string
  readonly todo: string
}

export interface Workbench {
  readonly ask: Client['ask']
  readonly decisions: Decisions
  readonly steps: Pick<History, 'past' | 'future'>
  decide(what: string, change: (now: Decisions) => Decisions): void
  undo(): void
  redo(): void
  readonly file: Opened | undefined
  readonly survey: Surveyed | undefined
  readonly inspected: Inspected | undefined
  /** The bindings have changed since. */
  readonly stale: boolean
  readonly revealed: ReadonlySet<string>
  reveal(column: string, shown: boolean): void
  open(file: File): Promise<void>
  choose(sheet: string | undefined): Promise<void>
  /** Takes what a rules file says; of the open table at once, of others when they are opened. */
  openRules(file: File): Promise<void>
  /** All that was decided, as a rules file has it. */
  allRules(): PlainMap
  /** The same for the open table alone. */
  tableRules(): PlainMap
  /** @param arrived called once, when the first verdicts are there */
  inspect(arrived?: () => void): Promise<boolean>
  stop(): void
  /** Runs long work with progress; problems are said on the page. */
  run<T>(
    what: string,
    work: (progress: (done: number, whole: number) => void) => Promise<T>,
  ): Promise<T | undefined>
}

/** What is under way, and what was said last. It changes often, and few draw it. */
export interface News {
  readonly work: Work | undefined
  readonly said: Said | undefined
  dismiss(): void
}

const NO_TABLE: TableName = { file: '', sheet: undefined }

const Context = createContext<Workbench | undefined>(undefined)
const NewsContext = createContext<News | undefined>(undefined)

function within<T>(found: T | undefined): T {
  if (found === undefined) throw new Error('outside of the workbench')
  return found
}

export const useWorkbench = (): Workbench => within(useContext(Context))
export const useNews = (): News => within(useContext(NewsContext))

export function WorkbenchProvider({ children }: { readonly children: ReactNode }) {
  const worker = useRef<Client>(undefined)
  worker.current ??= client()
  const source = useRef<File>(undefined)
  const { ask } = worker.current
  const [steps, dispatch] = useReducer(history, EMPTY)
  const [file, setFile] = useState<Opened>()
  const [survey, setSurvey] = useState<Surveyed>()
  const [inspected, setInspected] = useState<Inspected>()
  const [asked, setAsked] = useState('')
  const [work, setWork] = useState<Work>()
  const [said, setSaid] = useState<Said>()
  const [revealed, setRevealed] = useState<ReadonlySet<string>>(new Set())
  const { now: decisions } = steps

  const run: Workbench['run'] = useCallback(async (what, task) => {
    setSaid(undefined)
    setWork({ what, done: 0, whole: 0 })
    try {
      return await task((done, whole) => setWork({ what, done, whole }))
    } catch (error) {
      const todo = error instanceof Problem ? error.todo : ''
      setSaid({ message: (error as Error).message, todo })
      return undefined
    } finally {
      setWork(undefined)
    }
  }, [])

  const table = useMemo(
    (): TableName => ({
      file: file?.name ?? '',
      sheet: file && file.sheets.length > 1 ? survey?.sheet : undefined,
    }),
    [file, survey],
  )
  const headerRow = survey?.headerRow ?? 1
  const allRules = useCallback(
    () => (survey ? wholeRules(decisions, table, headerRow) : decisions.besides.rules),
    [decisions, survey, table, headerRow],
  )
  const tableRules = useCallback(
    () => rulesForTable(decisions, table, headerRow),
    [decisions, table, headerRow],
  )

  const surveySheet = useCallback(
    async (opened: Opened, wanted: string | undefined, rules: PlainMap) => {
      const named = { file: opened.name, sheet: wanted }
      const entry = entryFor(rules, named)
      const rule = entry === undefined ? undefined : entriesOf(rules)[entry]!
      const given = rule && Number(rule['header-row'] ?? 1)
      const found = await run('Surveying', (progress) =>
        ask('choose', { sheet: wanted, headerRow: given }, { progress }),
      )
      if (!found) return
      await ask('reveal', { columns: [] })
      startTransition(() => {
        setSurvey(found)
        setInspected(undefined)
        setRevealed(new Set())
        const name = { file: opened.name, sheet: opened.sheets.length > 1 ? wanted : undefined }
        dispatch({ kind: 'start', decisions: decidedBy(rules, name, found.columns) })
      })
    },
    [ask, run],
  )

  const openWith = useCallback(
    async (given: File, rules: PlainMap) => {
      // The first entry that means this file says how its text is laid out.
      const entry = entryFor(rules, { file: given.name, sheet: undefined })
      const layout = entry === undefined ? undefined : entriesOf(rules)[entry]!['layout']
      const opened = await run(`Opening ${given.name}`, () =>
        ask('open', { file: given, ...(typeof layout === 'string' && { layout }) }),
      )
      if (!opened) return
      source.current = given
      setFile(opened)
      setSurvey(undefined)
      setInspected(undefined)
      const meant = opened.sheets.find(
        (sheet) => entryFor(rules, { file: given.name, sheet }) !== undefined,
      )
      await surveySheet(opened, meant ?? opened.sheets[0], rules)
    },
    [ask, run, surveySheet],
  )
  const open = useCallback((given: File) => openWith(given, allRules()), [openWith, allRules])
  const choose = useCallback(
    async (sheet: string | undefined) => {
      if (file) await surveySheet(file, sheet, allRules())
    },
    [file, surveySheet, allRules],
  )
  const openRules = useCallback(
    async (given: File) => {
      const read = await run(`Reading ${given.name}`, () => ask('rules', { file: given }))
      if (!read) return
      if (source.current) await openWith(source.current, read.plain)
      else dispatch({ kind: 'start', decisions: decidedBy(read.plain, NO_TABLE, []) })
    },
    [ask, run, openWith],
  )

  const question = JSON.stringify(tableRules())
  const inspect: Workbench['inspect'] = useCallback(
    async (arrived) => {
      if (!file) return false
      const rules = JSON.parse(question) as PlainMap
      setAsked(question)
      let looked = false
      const first = (value: Inspected) => {
        looked = true
        startTransition(() => {
          setInspected((before) => before ?? value)
          arrived?.()
        })
      }
      const found = await run('Inspecting', (progress) =>
        ask('inspect', { rules }, { progress, first }),
      )
      if (!found) return false
      startTransition(() => {
        setInspected(found)
        if (!looked) arrived?.()
      })
      return true
    },
    [ask, run, file, question],
  )

  const stop = useCallback(() => {
    worker.current!.stop()
    source.current = undefined
    setWork(undefined)
    setFile(undefined)
    setSurvey(undefined)
    setInspected(undefined)
    setSaid({ message: 'Stopped.', todo: 'Open the file again to go on.' })
  }, [])

  const reveal = useCallback(
    (column: string, shown: boolean) => {
      const next = new Set(revealed)
      if (shown) next.add(column)
      else next.delete(column)
      void ask('reveal', { columns: [...next] }).then(() => setRevealed(next))
    },
    [ask, revealed],
  )

  // What was accepted or bound in another way is inspected anew, once something was inspected at all.
  const stale = inspected !== undefined && !inspected.first && asked !== question
  useEffect(() => {
    if (stale && !work) void inspect()
  }, [stale, work, inspect])

  const value = useMemo(
    (): Workbench => ({
      ask,
      decisions,
      steps,
      decide: (what, change) => dispatch({ kind: 'decide', what, change }),
      undo: () => dispatch({ kind: 'undo' }),
      redo: () => dispatch({ kind: 'redo' }),
      file,
      survey,
      inspected,
      stale,
      revealed,
      reveal,
      open,
      choose,
      openRules,
      allRules,
      tableRules,
      inspect,
      stop,
      run,
    }),
    [
      ask,
      decisions,
      steps,
      file,
      survey,
      inspected,
      stale,
      revealed,
      reveal,
      open,
      choose,
      openRules,
      allRules,
      tableRules,
      inspect,
      stop,
      run,
    ],
  )
  const news = useMemo(
    (): News => ({ work, said, dismiss: () => setSaid(undefined) }),
    [work, said],
  )
  return (
    <Context value={value}>
      <NewsContext value={news}>{children}</NewsContext>
    </Context>
  )
}
