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
import type { Inspected, Opened, Surveyed } from '../worker/protocol.js'
import { client, Problem, Stopped, type Client } from './client.js'
import {
  EMPTY,
  history,
  proposed,
  rulesOf,
  NO_DECISIONS,
  type Decisions,
  type History,
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
  readonly work: Work | undefined
  readonly said: Said | undefined
  dismiss(): void
  readonly revealed: ReadonlySet<string>
  reveal(column: string, shown: boolean): void
  open(file: File): Promise<void>
  choose(sheet: string | undefined): Promise<void>
  /** @param arrived called once, when the first verdicts are there */
  inspect(arrived?: () => void): Promise<boolean>
  stop(): void
  /** Runs long work with progress; problems are said on the page. */
  run<T>(
    what: string,
    work: (progress: (done: number, whole: number) => void) => Promise<T>,
  ): Promise<T | undefined>
}

const Context = createContext<Workbench | undefined>(undefined)

export function useWorkbench(): Workbench {
  const found = useContext(Context)
  if (!found) throw new Error('outside of the workbench')
  return found
}

export function WorkbenchProvider({ children }: { readonly children: ReactNode }) {
  const worker = useRef<Client>(undefined)
  worker.current ??= client()
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
      if (error instanceof Stopped) return undefined
      const todo = error instanceof Problem ? error.todo : ''
      setSaid({ message: (error as Error).message, todo })
      return undefined
    } finally {
      setWork(undefined)
    }
  }, [])

  const choose = useCallback(
    async (sheet: string | undefined, given: Decisions = NO_DECISIONS) => {
      const found = await run('Surveying', (progress) => ask('choose', { sheet }, { progress }))
      if (!found) return
      await ask('reveal', { columns: [] })
      startTransition(() => {
        setSurvey(found)
        setInspected(undefined)
        setRevealed(new Set())
        dispatch({
          kind: 'start',
          decisions: { ...NO_DECISIONS, ...proposed(found.columns, given.identifiers) },
        })
      })
    },
    [ask, run],
  )

  const open = useCallback(
    async (given: File) => {
      const opened = await run(`Opening ${given.name}`, () => ask('open', { file: given }))
      if (!opened) return
      setFile(opened)
      setSurvey(undefined)
      setInspected(undefined)
      await choose(opened.sheets[0], decisions)
    },
    [ask, run, choose, decisions],
  )

  const question = JSON.stringify([
    rulesOf(decisions, file?.name ?? '', survey?.headerRow ?? 1, true),
    decisions.accepted,
  ])
  const inspect: Workbench['inspect'] = useCallback(
    async (arrived) => {
      if (!file) return false
      const [rules, accepted] = JSON.parse(question) as [never, never]
      let looked = false
      const first = (value: Inspected) => {
        looked = true
        startTransition(() => {
          setInspected((before) => before ?? value)
          arrived?.()
        })
      }
      const found = await run('Inspecting', (progress) =>
        ask('inspect', { rules, accepted }, { progress, first }),
      )
      if (!found) return false
      startTransition(() => {
        setInspected(found)
        setAsked(question)
        if (!looked) arrived?.()
      })
      return true
    },
    [ask, run, file, question],
  )

  const stop = useCallback(() => {
    worker.current!.stop()
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
      work,
      said,
      dismiss: () => setSaid(undefined),
      revealed,
      reveal,
      open,
      choose: (sheet) => choose(sheet, decisions),
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
      work,
      said,
      revealed,
      reveal,
      open,
      choose,
      inspect,
      stop,
      run,
    ],
  )
  return <Context value={value}>{children}</Context>
}
