// One table of a file described for whoever takes it over: every column is text, and identifiers say what
// they look like. As CSVW (W3C) and as Table Schema (Data Package v2).

import type { Definition } from '../identifier/definition.js'
import { patternOf } from './pattern.js'

export interface DescribedColumn {
  readonly header: string
  /** Undefined for what is no identifier. */
  readonly definition: Definition | undefined
  /** Every value fits: the description may say so. */
  readonly fits: boolean
}

export function csvwTable(url: string, columns: readonly DescribedColumn[]): unknown {
  return {
    '@context': 'http://www.w3.org/ns/csvw',
    url,
    dialect: { encoding: 'utf-8', delimiter: ',', quoteChar: '"', header: true },
    tableSchema: {
      columns: columns.map(({ header, definition, fits }) => ({
        titles: header,
        datatype:
          definition && fits ? { base: 'string', format: patternOf(definition).source } : 'string',
      })),
    },
  }
}

export function tableSchema(columns: readonly DescribedColumn[]): unknown {
  return {
    fields: columns.map(({ header, definition, fits }) => ({
      name: header,
      ...(definition && { title: definition.title }),
      type: 'string',
      ...(definition && fits && { constraints: { pattern: patternOf(definition).source } }),
    })),
    missingValues: [''],
  }
}
