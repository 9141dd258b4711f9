// Values tried against a definition as they are typed: stored, shown, verdict.

import { judge, spaceOf, why, type Definition } from 'sornak'
import { useState } from 'react'
import { TextArea, TextField, Label } from 'react-aria-components'

export function Samples({ definition }: { readonly definition: Definition }) {
  const [text, setText] = useState(() => start(definition).join('\n'))
  const values = text.split('\n').filter((line) => line !== '')
  const open = { ...definition, reveal: { first: 0, last: Infinity } }
  return (
    <div className="samples">
      <TextField value={text} onChange={setText}>
        <Label>
          Try values <small>one a line</small>
        </Label>
        <TextArea rows={4} spellCheck={false} />
      </TextField>
      <div className="wide">
        <table>
          <thead>
            <tr>
              <th scope="col">Stored</th>
              <th scope="col">Shown</th>
              <th scope="col">Verdict</th>
            </tr>
          </thead>
          <tbody>
            {values.slice(0, 50).map((value, i) => {
              const found = judge(definition, value, 5)
              const stored = found.mend ?? value
              const read = definition.stored.read(stored)
              const shown = read.ok ? definition.display.show(read.plain) : undefined
              return (
                <tr key={i}>
                  <td>
                    <code>{value}</code>
                    {found.mend !== undefined && <code> → {found.mend}</code>}
                  </td>
                  <td>
                    <code>{shown?.ok ? shown.text : ''}</code>
                  </td>
                  <td>
                    <span className={`dot d-${found.verdict}`} aria-hidden="true" />
                    {found.verdict}
                    {found.verdict !== 'intact' && <small>{why(open, found, value)}</small>}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
    </div>
  )
}

// Values of the definition's own, and what is often made of them.
function start(definition: Definition): string[] {
  const own = [...definition.samples.fits, ...definition.samples.doesNotFit].slice(0, 3)
  const made = own.length ? own : [sampleOf(definition)].filter((one) => one !== undefined)
  const [first = ''] = made
  const damaged = /^\d+$/.test(first) ? [first.replace(/^0+(?=\d)/, ''), `${first}.0`] : []
  return [...new Set([...made, ...damaged])]
}

function sampleOf(definition: Definition): string | undefined {
  const { widest, list } = spaceOf(definition)
  return widest ? list(417n, 10n ** BigInt(widest), 1)[0] : undefined
}
