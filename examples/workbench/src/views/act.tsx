// What follows: mends, accepted findings, a second list, hand-overs, and files to take away.

import { useEffect, useState } from 'react'
import { Button, FileTrigger, Label, Radio, RadioGroup } from 'react-aria-components'
import type { Match } from 'sornak'
import { Choice } from '../parts/choice.js'
import { save } from '../parts/save.js'
import { findingTitle, number, share } from '../parts/words.js'
import { rulesText } from '../state/rules-text.js'
import { useWorkbench } from '../state/workbench.js'
import type {
  Compared,
  ComparedPair,
  MendChoice,
  MendCounts,
  RehearsedColumn,
} from '../worker/protocol.js'

export function Act() {
  return (
    <>
      <div className="two">
        <Mend />
        <Accepted />
      </div>
      <Compare />
      <Rehearse />
      <Export />
    </>
  )
}

const MENDS: { readonly id: MendChoice; readonly text: string }[] = [
  { id: 'none', text: 'None; only what I chose' },
  { id: 'exact', text: 'Where no other original is possible' },
  { id: 'all', text: 'Every mend that is proven, by odds too' },
]

function Mend() {
  const { ask, decisions, decide, inspected } = useWorkbench()
  const [counts, setCounts] = useState<MendCounts>()
  const { mend, chosen } = decisions
  useEffect(() => {
    let wanted = true
    void ask('mend', { mend, chosen }).then((found) => wanted && setCounts(found))
    return () => void (wanted = false)
  }, [ask, mend, chosen, inspected])
  const done = counts ? counts.exact + counts.odds + counts.chosen : 0
  return (
    <section className="sheet" aria-labelledby="mend-title">
      <h2 id="mend-title">Mend</h2>
      <RadioGroup
        value={mend}
        onChange={(value) => decide('mends', (now) => ({ ...now, mend: value as MendChoice }))}
      >
        <Label>Apply to the copy</Label>
        {MENDS.map(({ id, text }) => (
          <Radio key={id} value={id}>
            {text}
          </Radio>
        ))}
      </RadioGroup>
      <p className="count" role="status">
        <strong>{counts ? number(done) : '…'}</strong> values mended
        {counts && done > 0 && (
          <small>
            {number(counts.exact)} exact, {number(counts.odds)} by odds, {number(counts.chosen)}{' '}
            chosen
          </small>
        )}
        {counts && counts.left > 0 && <small>{number(counts.left)} left as they are</small>}
      </p>
      <p className="note">
        The file itself is never changed: a copy and a record of each change are written.
      </p>
    </section>
  )
}

function Accepted() {
  const { decisions, decide } = useWorkbench()
  const { accepted } = decisions
  return (
    <section className="sheet" aria-labelledby="accepted-title">
      <h2 id="accepted-title">Accepted findings</h2>
      {accepted.length === 0 && (
        <p className="note">None yet. Accept one from its detail under Damage.</p>
      )}
      <ul className="evidence">
        {accepted.map((one, i) => (
          <li key={i}>
            <strong>{one.column}</strong> <span className="mark">{findingTitle(one.finding)}</span>
            <p>
              {one.because}
              {one['at-most'] !== undefined && `; at most ${one['at-most']}`}
              {one.until !== undefined && `; until ${one.until}`}
            </p>
            <Button
              className="plain"
              onPress={() =>
                decide('acceptance taken back', (now) => ({
                  ...now,
                  accepted: now.accepted.filter((other) => other !== one),
                }))
              }
            >
              Take back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}

const WORDS: Readonly<Record<Match, string>> = {
  same: 'the same on both sides',
  'same-mended': 'the same once mended',
  ambiguous: 'damaged, could be one of the other side',
  'only-left': 'only in this file',
  'only-right': 'only in the second',
  duplicate: 'stand there twice',
}

function Compare() {
  const { ask, run, decisions, tableRules } = useWorkbench()
  const bound = Object.keys(decisions.bindings)
  const [column, setColumn] = useState(bound[0] ?? '')
  const [second, setSecond] = useState<{ name: string; headers: readonly string[] }>()
  const [other, setOther] = useState('')
  const [found, setFound] = useState<Compared>()
  const [match, setMatch] = useState<Match>()
  const [pairs, setPairs] = useState<readonly ComparedPair[]>([])
  const open = async (given: File) => {
    const opened = await run(`Opening ${given.name}`, (progress) =>
      ask('second', { file: given }, { progress }),
    )
    if (!opened) return
    setSecond(opened)
    setOther(opened.headers.find((one) => one === column) ?? opened.headers[0] ?? '')
    setFound(undefined)
    setMatch(undefined)
  }
  const compare = async () => {
    const rules = tableRules()
    const compared = await run('Comparing', (progress) =>
      ask('compare', { rules, column, other }, { progress }),
    )
    setFound(compared)
    setMatch(undefined)
  }
  const list = async (wanted: Match) => {
    setMatch(wanted)
    setPairs(await ask('pairs', { match: wanted, from: 0, count: 200 }))
  }
  return (
    <section className="sheet" aria-labelledby="compare-title">
      <div className="title">
        <h2 id="compare-title">Compare with a second list</h2>
        <Choice
          label="Column here"
          value={column}
          onChange={setColumn}
          options={bound.map((id) => ({ id, text: id }))}
        />
        <FileTrigger onSelect={(files) => files?.[0] && void open(files[0])}>
          <Button className="plain">{second ? second.name : 'Open the second list'}</Button>
        </FileTrigger>
        {second && (
          <>
            <Choice
              label="Column there"
              value={other}
              onChange={setOther}
              options={second.headers.map((id) => ({ id, text: id }))}
            />
            <Button className="main" onPress={() => void compare()}>
              Compare
            </Button>
          </>
        )}
      </div>
      {found && (
        <ul className="matches">
          {(Object.keys(WORDS) as Match[]).map((one) => (
            <li key={one}>
              <Button
                className={match === one ? 'plain on' : 'plain'}
                isDisabled={found.counts[one] === 0}
                onPress={() => void list(one)}
              >
                <strong>{number(found.counts[one])}</strong> {WORDS[one]}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {match && (
        <div className="wide">
          <table>
            <caption>
              {WORDS[match]}
              {found && found.counts[match] > pairs.length ? `: the first ${pairs.length}` : ''}
            </caption>
            <thead>
              <tr>
                <th scope="col">Row here</th>
                <th scope="col">Value here</th>
                <th scope="col">Row there</th>
                <th scope="col">Value there</th>
                <th scope="col">Stored</th>
              </tr>
            </thead>
            <tbody>
              {pairs.map((pair, i) => (
                <tr key={i}>
                  <td className="num">{pair.left ? number(pair.left.record) : ''}</td>
                  <td>
                    <code>{pair.left?.value}</code>
                  </td>
                  <td className="num">
                    {pair.right ? number(pair.right.record) : pair.others.map(number).join(' or ')}
                  </td>
                  <td>
                    <code>{pair.right?.value}</code>
                  </td>
                  <td>
                    <code>{pair.value}</code>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  )
}

function Rehearse() {
  const { ask, run, tableRules } = useWorkbench()
  const [columns, setColumns] = useState<readonly RehearsedColumn[]>()
  const rehearse = async () => {
    const rules = tableRules()
    setColumns(await run('Rehearsing', (progress) => ask('rehearse', { rules }, { progress })))
  }
  const handOvers = columns?.[0]?.results ?? []
  const sample = columns?.find((one) => one.sample !== undefined)?.sample
  return (
    <section className="sheet" aria-labelledby="rehearse-title">
      <div className="title">
        <h2 id="rehearse-title">Rehearse hand-overs</h2>
        <Button className="main" onPress={() => void rehearse()}>
          Rehearse
        </Button>
      </div>
      <p className="lead">
        What would not survive, before it happens: values that fit now, sent through each way.
      </p>
      {sample !== undefined && (
        <p className="note">Tried on the first {number(sample)} values of each column.</p>
      )}
      {columns && (
        <div className="wide">
          <table className="matrix">
            <thead>
              <tr>
                <th scope="col">Hand-over</th>
                {columns.map(({ header, identifier }) => (
                  <th scope="col" key={`${header} ${identifier}`}>
                    {header}
                    <small>{identifier}</small>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {handOvers.map(({ id, title }, i) => (
                <tr key={id}>
                  <th scope="row">
                    {title}
                    <small>{id}</small>
                  </th>
                  {columns.map(({ header, identifier, results }) => {
                    const { values, damaged, lost, examples } = results[i]!
                    const level = lost > 0 ? 'lost' : damaged > 0 ? 'mendable' : 'intact'
                    return (
                      <td key={`${header} ${identifier}`} className={`cell c-${level}`}>
                        <strong>{damaged === 0 ? 'safe' : share(damaged, values)}</strong>
                        <small>
                          {damaged === 0
                            ? `${number(values)} values`
                            : lost > 0
                              ? `${number(lost)} lost for good`
                              : 'all can be mended'}
                        </small>
                        {examples[0] && (
                          <code>
                            {examples[0][0]} → {examples[0][1]}
                          </code>
                        )}
                      </td>
                    )
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  )
}

function Export() {
  const { ask, run, decisions, allRules } = useWorkbench()
  const { mend, chosen } = decisions
  const take = async (what: 'mended' | 'report') => {
    const files = await run('Writing', (progress) =>
      ask('export', { what, mend, chosen }, { progress }),
    )
    files?.forEach(({ name, blob }) => save(name, blob))
  }
  const rules = () => save('sornak.yaml', new Blob([rulesText(allRules())], { type: 'text/yaml' }))
  return (
    <section className="sheet" aria-labelledby="export-title">
      <h2 id="export-title">Take away</h2>
      <div className="actions">
        <Button className="main" onPress={() => void take('mended')}>
          Mended copy and change record
        </Button>
        <Button className="plain" onPress={rules}>
          Rules file
        </Button>
        <Button className="plain" onPress={() => void take('report')}>
          Report
        </Button>
      </div>
      <p className="note">
        The change record holds values in full; the report shows what the page shows.
      </p>
    </section>
  )
}
