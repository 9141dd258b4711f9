// All check-digit schemes by the name that rules files use.

import { container } from './container.js'
import { damm, verhoeff } from './groups.js'
import * as iso7064 from './iso-7064.js'
import { luhn, luhnLetters, luhnValues } from './luhn.js'
import * as national from './national.js'
import type { CheckScheme } from './scheme.js'
import { gs1, isbn10, issn, routing, sedol, vehicle } from './weighted.js'

export const SCHEMES: ReadonlyMap<string, CheckScheme> = new Map(
  [
    luhn,
    luhnLetters,
    luhnValues,
    ...Object.values(iso7064),
    gs1,
    isbn10,
    issn,
    container,
    verhoeff,
    damm,
    routing,
    vehicle,
    sedol,
    ...Object.values(national),
  ].map((scheme) => [scheme.id, scheme]),
)
