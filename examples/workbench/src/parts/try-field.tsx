// A field that guides typing by the definition, to try it.

import { useEffect, useRef, useState } from 'react'
import { attach, type State } from 'sornak/dom'
import type { Definition } from 'sornak'

export function TryField({ definition }: { readonly definition: Definition }) {
  const input = useRef<HTMLInputElement>(null)
  const [state, setState] = useState<State>()
  const [problem, setProblem] = useState('')
  useEffect(() => {
    setProblem('')
    try {
      const field = attach(input.current!, definition, { onChange: setState })
      return () => field.detach()
    } catch (error) {
      setProblem((error as Error).message)
      return undefined
    }
  }, [definition])
  return (
    <div className="try">
      <label htmlFor="try-field">Type it</label>
      <input id="try-field" ref={input} autoComplete="off" spellCheck={false} />
      {problem ? (
        <p className="problem">{problem}</p>
      ) : (
        <dl className="meaning">
          <div>
            <dt>Plain value</dt>
            <dd>
              <code>{state?.plain ?? ''}</code>
            </dd>
          </div>
          <div>
            <dt>It is</dt>
            <dd>{state?.status ?? 'empty'}</dd>
          </div>
        </dl>
      )}
    </div>
  )
}
