// XML as a stream of elements. Names lose their prefix: these formats use one vocabulary a file. A document
// type is refused, since entities can grow without end and none of these formats has any.

import { SaxesParser } from 'saxes'
import { FileProblem, unreadable } from '../problem.js'

export interface XmlVisitor {
  open?(name: string, attributes: Attributes): void
  close?(name: string): void
  text?(text: string): void
}

/** By local name: `r:id` is `id`. */
export type Attributes = Readonly<Record<string, string>>

export interface XmlReader {
  feed(bytes: Uint8Array): void
  end(): void
}

const DEEPEST = 200
/** No cell of a workbook is longer than 32,767 characters; texts are held until they end. */
const LONGEST = 4 * 1024 * 1024

export function xmlReader(name: string, { open, close, text }: XmlVisitor): XmlReader {
  const parser = new SaxesParser()
  const decoder = new TextDecoder()
  let depth = 0
  let since = 0
  parser.on('error', (error) => {
    throw error
  })
  parser.on('doctype', () => {
    throw unreadable(
      `${name} declares a document type, which no such file does; it is not read.`,
      'Save it anew in its program.',
    )
  })
  parser.on('opentag', ({ name: whole, attributes }) => {
    since = 0
    if (++depth > DEEPEST) throw unreadable(`${name} has elements in more than ${DEEPEST} levels.`)
    open?.(local(whole), localised(attributes))
  })
  parser.on('closetag', ({ name: whole }) => {
    depth--
    since = 0
    close?.(local(whole))
  })
  if (text) {
    parser.on('text', text)
    parser.on('cdata', text)
  }
  const guarded = (run: () => void) => {
    try {
      run()
    } catch (error) {
      if (error instanceof FileProblem) throw error
      throw unreadable(
        `${name} is damaged: it is not well-formed XML.`,
        'Save it anew in its program.',
      )
    }
  }
  return {
    feed: (bytes) =>
      guarded(() => {
        parser.write(decoder.decode(bytes, { stream: true }))
        since += bytes.length
        if (since > LONGEST)
          throw unreadable(`${name} holds a text longer than ${LONGEST / 1024 / 1024} MiB.`)
      }),
    end: () => guarded(() => void parser.close()),
  }
}

const local = (name: string) => name.slice(name.indexOf(':') + 1)

function localised(attributes: Readonly<Record<string, string>>): Attributes {
  const found: Record<string, string> = {}
  for (const name in attributes) found[local(name)] = attributes[name]!
  return found
}
