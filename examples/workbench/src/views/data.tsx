// See what each column seems to hold; accept that or say what it is.

import { Button } from 'react-aria-components'
import { CATALOG, type Plain, type PlainMap } from 'sornak'
import { Choice, type Option } from '../parts/choice.js'
import { OpenButton, OpenRules } from '../parts/open-button.js'
import { findingTitle, number, share } from '../parts/words.js'
import { useNews, useWorkbench } from '../state/workbench.js'
import type { SurveyedColumn } from '../worker/protocol.js'

const NONE = '—'
const DEPENDS = 'by'

export function Data({
  onInspected,
  edit,
}: {
  readonly onInspected: () => void
  readonly edit: () => void
}) {
  const { file, survey, choose, decisions, decide } = useWorkbench()
  if (!file || !survey) return null
  const bound = Object.keys(decisions.bindings).length
  const headers = survey.columns.map(({ header }) => header)
  return (
    <section aria-labelledby="data-title" className="sheet">
      <div className="title">
        <h2 id="data-title">What the columns hold</h2>
        {file.sheets.length > 1 && (
          <Choice
            label="Sheet"
            value={survey.sheet ?? ''}
            options={file.sheets.map((name) => ({ id: name ?? '', text: name ?? '' }))}
            onChange={(sheet) => void choose(sheet)}
          />
        )}
        <Choice
          label="A row is named by"
          value={decisions.key ?? NONE}
          options={[{ id: NONE, text: 'its number' }, ...headers.map((id) => ({ id, text: id }))]}
          onChange={(key) =>
            decide('name of rows', (now) => ({ ...now, key: key === NONE ? undefined : key }))
          }
        />
      </div>
      {file.notices.map((notice) => (
        <p key={notice} className="note">
          {notice}
        </p>
      ))}
      {survey.headerRow > 1 && (
        <p className="note">The headers were found in row {number(survey.headerRow)}.</p>
      )}
      {survey.first !== undefined && (
        <p className="note">
          The file is long: this is a look at its first {number(survey.first)} rows. All of them are
          inspected.
        </p>
      )}
      {decisions.besides.rules['trusted'] !== undefined && (
        <p className="note">The trusted lists that the rules file names are not looked at here.</p>
      )}
      <p className="lead">
        {decisions.besides.entry === undefined
          ? 'Proposed from the values and the header. Take it as it is, or choose what a column holds; only columns that hold an identifier are inspected.'
          : 'As the rules file says. Choose what a column holds to change it; only columns that hold an identifier are inspected.'}
      </p>
      <div className="wide">
        <table className="survey">
          <thead>
            <tr>
              <th scope="col">Column</th>
              <th scope="col">Holds</th>
              <th scope="col">Why</th>
              <th scope="col">Widths</th>
              <th scope="col">Damage seen</th>
            </tr>
          </thead>
          <tbody>
            {survey.columns.map((column) => (
              <ColumnRow key={column.header} column={column} />
            ))}
          </tbody>
        </table>
      </div>
      <div className="actions">
        <InspectButton columns={bound} onInspected={onInspected} />
        <Button className="plain" onPress={edit}>
          Write a definition
        </Button>
        <OpenButton>Open another file</OpenButton>
        <OpenRules>Open a rules file</OpenRules>
      </div>
    </section>
  )
}

function InspectButton({
  columns,
  onInspected,
}: {
  readonly columns: number
  readonly onInspected: () => void
}) {
  const { inspected, inspect } = useWorkbench()
  const { work } = useNews()
  return (
    <Button
      className="main"
      isDisabled={columns === 0 || work !== undefined}
      onPress={() => void inspect(onInspected)}
    >
      {inspected ? 'Inspect again' : `Inspect ${columns} ${columns === 1 ? 'column' : 'columns'}`}
    </Button>
  )
}

function ColumnRow({ column }: { readonly column: SurveyedColumn }) {
  const { decisions, decide } = useWorkbench()
  const { header, values, blank, why, widths, leadingZeros, damaged, entry, others } = column
  const likely = [entry, ...others].filter((one) => one !== undefined)
  const bound = decisions.bindings[header]
  const options: Option[] = [
    { id: NONE, text: 'no identifier' },
    ...(typeof bound === 'object' ? [{ id: DEPENDS, text: dependsWords(bound) }] : []),
    ...Object.keys(decisions.identifiers).map((id) => ({ id, text: `${id} (own)` })),
    ...likely.map((id) => ({ id, text: `${id} (likely)` })),
    ...[...CATALOG.keys()].filter((id) => !likely.includes(id)).map((id) => ({ id, text: id })),
  ]
  const bind = (to: string) =>
    decide(`${header} holds ${to === NONE ? 'no identifier' : to}`, (now) => {
      if (to !== NONE) return { ...now, bindings: { ...now.bindings, [header]: to } }
      const { [header]: _before, ...bindings } = now.bindings
      return { ...now, bindings }
    })
  return (
    <tr>
      <th scope="row">
        {header}
        <small>
          {number(values - blank)} values{blank ? `, ${number(blank)} blank` : ''}
        </small>
      </th>
      <td>
        <Choice
          label={`What ${header} holds`}
          bare
          value={typeof bound === 'string' ? bound : bound === undefined ? NONE : DEPENDS}
          options={options}
          onChange={bind}
        />
      </td>
      <td className="why">{why}</td>
      <td>
        {widths
          .slice(0, 4)
          .map(([width, count]) => `${width} (${number(count)})`)
          .join(', ')}
        {widths.length > 4 ? ' …' : ''}
        {leadingZeros > 0 && <small>{number(leadingZeros)} start with a zero</small>}
      </td>
      <td>
        {damaged.slice(0, 3).map(([code, part]) => (
          <span key={code} className="mark">
            {findingTitle(code)} {share(part * 1000, 1000)}
          </span>
        ))}
      </td>
    </tr>
  )
}

// The rule depends on what another column holds.
function dependsWords(binding: Plain): string {
  const { by, ...cases } = binding as PlainMap
  const each = Object.entries(cases).map(([value, name]) => `${value} ${String(name)}`)
  return `by ${String(by)}: ${each.join(', ')}`
}
