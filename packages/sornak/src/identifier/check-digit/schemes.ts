// All check-digit schemes by the name that rules files use.

import { container } from './container.js'
import { luhn } from './luhn.js'
import type { CheckScheme } from './scheme.js'

export const SCHEMES: ReadonlyMap<string, CheckScheme> = new Map(
  [luhn, container].map((scheme) => [scheme.id, scheme]),
)
