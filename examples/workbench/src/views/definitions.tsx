// Definitions: from the catalog, or one's own. The mask with its slots marked, what it says in plain words, values
// tried against it, and a field to type in.

import { useMemo, useState } from 'react'
import { Button, Input, Label, SearchField, TextArea, TextField } from 'react-aria-components'
import { CATALOG, SCHEMES, type PlainMap } from 'sornak'
import { Choice } from '../parts/choice.js'
import { MaskText } from '../parts/mask-text.js'
import { TryField } from '../parts/try-field.js'
import { Samples } from '../parts/samples.js'
import { nameFor } from '../state/decisions.js'
import { defined, textsOf, type Defined } from '../state/definition.js'
import { useWorkbench } from '../state/workbench.js'

const START: PlainMap = { title: 'Crew number', stored: '{5}', display: 'HS-{5}' }

export function Definitions() {
  const { decisions, decide } = useWorkbench()
  const own = Object.keys(decisions.identifiers)
  const [name, setName] = useState(own[0] ?? '')
  const [search, setSearch] = useState('')
  const exists = name in decisions.identifiers
  const entries = useMemo(
    () =>
      [...CATALOG.keys()].filter((key) =>
        `${key} ${String(CATALOG.get(key)!['title'] ?? '')}`
          .toLowerCase()
          .includes(search.toLowerCase()),
      ),
    [search],
  )
  const put = (key: string, plain: PlainMap) => {
    decide(`definition ${key}`, (now) => ({
      ...now,
      identifiers: { ...now.identifiers, [key]: plain },
    }))
    setName(key)
  }
  const fresh = (wanted: string) => {
    for (let i = 1; ; i++) {
      const key = i === 1 ? wanted : `${wanted}-${i}`
      if (!(key in decisions.identifiers) && !CATALOG.has(key)) return key
    }
  }
  return (
    <div className="definitions">
      <nav className="sheet" aria-label="Definitions">
        <h2>Own</h2>
        <ul className="names">
          {own.map((key) => (
            <li key={key}>
              <Button className={key === name ? 'plain on' : 'plain'} onPress={() => setName(key)}>
                {key}
              </Button>
            </li>
          ))}
        </ul>
        <Button className="plain" onPress={() => put(fresh('crew-number'), START)}>
          Write a new one
        </Button>
        <h2>Catalog</h2>
        <SearchField value={search} onChange={setSearch} aria-label="Search the catalog">
          <Input placeholder="phone, card, container …" />
        </SearchField>
        <ul className="names catalog">
          {entries.map((key) => (
            <li key={key}>
              <Button className={key === name ? 'plain on' : 'plain'} onPress={() => setName(key)}>
                {key}
                <small>{String(CATALOG.get(key)!['title'] ?? '')}</small>
              </Button>
            </li>
          ))}
        </ul>
      </nav>
      {exists ? (
        <Editor key={name} name={name} plain={decisions.identifiers[name]!} put={put} />
      ) : CATALOG.has(name) ? (
        <CatalogEntry
          key={name}
          name={name}
          take={() => put(fresh(nameFor(name)), { like: name })}
        />
      ) : (
        <section className="sheet">
          <p className="lead">Choose an entry of the catalog, or write a definition of your own.</p>
        </section>
      )}
    </div>
  )
}

function CatalogEntry({ name, take }: { readonly name: string; readonly take: () => void }) {
  const found = useMemo(() => defined(name, { like: name }), [name])
  const entry = CATALOG.get(name)!
  return (
    <section className="sheet" aria-labelledby="entry-title">
      <div className="title">
        <h2 id="entry-title">
          {String(entry['title'] ?? name)} <small>{name}</small>
        </h2>
        <Button className="main" onPress={take}>
          Make it my own
        </Button>
      </div>
      {typeof entry['note'] === 'string' && <p className="lead">{entry['note']}</p>}
      {found.definition && (
        <p className="masks">
          {found.definition.stored.masks.map(({ text }) => (
            <MaskText key={text} text={text} />
          ))}
        </p>
      )}
      <Meaning found={found} />
    </section>
  )
}

function Editor({
  name,
  plain,
  put,
}: {
  readonly name: string
  readonly plain: PlainMap
  readonly put: (key: string, plain: PlainMap) => void
}) {
  const found = useMemo(() => defined(name, plain), [name, plain])
  const whole = {
    ...(typeof plain['like'] === 'string' ? CATALOG.get(plain['like']) : {}),
    ...plain,
  }
  const set = (key: string, value: PlainMap[string] | undefined) => {
    const { [key]: _before, ...others } = plain
    put(name, value === undefined ? others : { ...others, [key]: value })
  }
  const lines = (key: string, text: string) => {
    const all = text.split('\n').filter(Boolean)
    set(key, all.length === 0 ? undefined : all.length === 1 ? all[0]! : all)
  }
  const of = (key: string) => found.problems.filter(({ path }) => path[2] === key)
  const rest = found.problems.filter(({ path }) => !FIELDS.includes(String(path[2])))
  return (
    <section className="sheet" aria-labelledby="own-title">
      <h2 id="own-title">
        {String(whole['title'] ?? name)} <small>{name}</small>
      </h2>
      <div className="form">
        <TextField
          value={String(whole['title'] ?? '')}
          onChange={(text) => set('title', text || undefined)}
        >
          <Label>Title</Label>
          <Input />
        </TextField>
        <MaskField
          label="Stored"
          hint="how it is kept; one mask a line"
          text={textsOf(whole['stored']).join('\n')}
          onChange={(text) => lines('stored', text)}
          problems={of('stored')}
        />
        <MaskField
          label="Shown"
          hint="how it is shown; left out, as it is stored"
          text={textsOf(whole['display']).join('\n')}
          onChange={(text) => lines('display', text)}
          problems={of('display')}
        />
        <div className="fields">
          <Choice
            label="Zeros at the front"
            value={String(whole['zeros'] ?? 'significant')}
            onChange={(value) => set('zeros', value)}
            options={[
              { id: 'significant', text: 'belong to it' },
              { id: 'padding', text: 'are padding' },
            ]}
          />
          <Choice
            label="Check digit"
            value={typeof whole['check'] === 'string' ? whole['check'] : NO_CHECK}
            onChange={(value) => set('check', value === NO_CHECK ? undefined : value)}
            options={[
              { id: NO_CHECK, text: 'none' },
              ...[...SCHEMES].map(([id, { title }]) => ({ id, text: title })),
            ]}
          />
          <Choice
            label="Who may see it"
            value={String(whole['sensitivity'] ?? 'personal')}
            onChange={(value) => set('sensitivity', value)}
            options={[
              { id: 'open', text: 'everybody' },
              { id: 'personal', text: 'hidden unless revealed' },
              { id: 'secret', text: 'secret' },
            ]}
          />
        </div>
        {['zeros', 'check', 'sensitivity']
          .flatMap(of)
          .concat(rest)
          .map((problem) => (
            <p key={problem.message} className="problem" role="alert">
              {problem.message} {problem.todo}
            </p>
          ))}
      </div>
      <Meaning found={found} />
    </section>
  )
}

const NO_CHECK = '—'
const FIELDS = ['title', 'stored', 'display', 'zeros', 'check', 'sensitivity']

function MaskField({
  label,
  hint,
  text,
  onChange,
  problems,
}: {
  readonly label: string
  readonly hint: string
  readonly text: string
  readonly onChange: (text: string) => void
  readonly problems: Defined['problems']
}) {
  const [typed, setTyped] = useState(text)
  const [first] = problems
  return (
    <TextField
      value={typed}
      onChange={(next) => {
        setTyped(next)
        onChange(next)
      }}
      isInvalid={first !== undefined}
    >
      <Label>
        {label} <small>{hint}</small>
      </Label>
      <div className="mask-field">
        <div className="marked" aria-hidden="true">
          {typed.split('\n').map((line, i) => (
            <MaskText key={i} text={line} />
          ))}
        </div>
        <TextArea
          rows={Math.max(1, typed.split('\n').length)}
          spellCheck={false}
          autoCapitalize="off"
        />
      </div>
      {first && (
        <p className="problem" role="alert">
          {first.offset !== undefined && <code>{`${' '.repeat(first.offset)}^`}</code>}
          {first.message} {first.todo}
        </p>
      )}
    </TextField>
  )
}

function Meaning({ found }: { readonly found: Defined }) {
  const { definition } = found
  if (!definition)
    return <p className="note">Once the masks are right, values can be tried here.</p>
  return (
    <>
      <dl className="meaning">
        {definition.stored.masks.map((mask) => (
          <div key={mask.text}>
            <dt>Stored</dt>
            <dd>
              {mask.explain()} <code>{mask.outline}</code>
            </dd>
          </div>
        ))}
        {definition.display.masks.map((mask) => (
          <div key={mask.text}>
            <dt>Shown</dt>
            <dd>
              {mask.explain()} <code>{mask.outline}</code>
            </dd>
          </div>
        ))}
      </dl>
      <div className="two">
        <Samples
          key={definition.stored.masks.map(({ text }) => text).join()}
          definition={definition}
        />
        <TryField definition={definition} />
      </div>
    </>
  )
}
