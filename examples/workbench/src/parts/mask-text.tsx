// The text of a mask with its slots marked; what cannot be read is shown as it is.

import { everySlot, mask } from 'sornak'
import { Fragment } from 'react'

export function MaskText({ text }: { readonly text: string }) {
  const spans = spansOf(text)
  return (
    <code className="mask">
      {spans.map(({ from, to, slot }, i) => (
        <Fragment key={i}>
          {slot === undefined ? (
            text.slice(from, to)
          ) : (
            <mark className={`slot s${slot % 4}`}>{text.slice(from, to)}</mark>
          )}
        </Fragment>
      ))}
      {'\u200b'}
    </code>
  )
}

function spansOf(text: string): { from: number; to: number; slot?: number }[] {
  let slots: { at: number; end: number }[]
  try {
    slots = everySlot(mask(text).nodes)
  } catch {
    slots = [...text.matchAll(/\{[^{}]*\}/g)].map(({ index, 0: found }) => ({
      at: index,
      end: index + found.length,
    }))
  }
  const spans: { from: number; to: number; slot?: number }[] = []
  let at = 0
  slots.forEach((slot, i) => {
    if (slot.at > at) spans.push({ from: at, to: slot.at })
    spans.push({ from: slot.at, to: slot.end, slot: i })
    at = slot.end
  })
  if (at < text.length) spans.push({ from: at, to: text.length })
  return spans
}
