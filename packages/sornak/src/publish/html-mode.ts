// Which on-screen keyboard serves a stored form (HTML `inputmode`).

import type { Definition } from '../identifier/definition.js'

export const entryMode = ({ stored }: Definition): 'numeric' | 'text' =>
  stored.masks.every(({ nodes }) =>
    nodes.every(
      (node) =>
        (node.kind === 'slot' && node.chars.kind === 'digit') ||
        (node.kind === 'literal' && /^\d+$/.test(node.text)),
    ),
  )
    ? 'numeric'
    : 'text'
