// Finds examples in documents and doc comments, and runs those that are code: a line `expression // value`
// is a test, any other line is run for what it does.

import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { expect } from 'vitest'
import * as core from 'sornak'
import * as typing from 'sornak/entry'

const library = { ...core, ...typing }

export interface Block {
  readonly file: string
  readonly line: number
  readonly language: string
  readonly text: string
}

export function filesUnder(path: string, ending: string): string[] {
  if (!statSync(path).isDirectory()) return path.endsWith(ending) ? [path] : []
  return readdirSync(path)
    .filter((name) => name !== 'node_modules' && name !== 'api')
    .flatMap((name) => filesUnder(join(path, name), ending))
}

/** Fenced blocks of a Markdown file. */
export function fencedBlocks(file: string): Block[] {
  const text = readFileSync(file, 'utf8')
  return [...text.matchAll(/^```(\w+)\n([\s\S]*?)^```$/gm)].map(([, language, body], i, all) => ({
    file,
    line: text.slice(0, all[i]!.index).split('\n').length,
    language: language!,
    text: body!,
  }))
}

/** What follows `@example` in the doc comments of a source file. */
export function exampleBlocks(file: string): Block[] {
  const text = readFileSync(file, 'utf8')
  return [...text.matchAll(/@example\n((?: +\*(?!\/| @).*\n)+)/g)].map((found) => ({
    file,
    line: text.slice(0, found.index).split('\n').length,
    language: 'js',
    text: found[1]!.replace(/^ +\* ?/gm, ''),
  }))
}

/** Runs a block of code; returns how many values it tested. */
export function runCode({ text }: Block): number {
  let tested = 0
  const check = (value: unknown, want: unknown, loosely: boolean) => {
    tested++
    if (loosely) expect(value).toMatchObject(want as object)
    else expect(value).toEqual(want)
  }
  const lines = text
    .replace(/^import .*$/gm, '')
    .split('\n')
    .map((line) => {
      const found = /^(?!\s*\/\/)(?!const |let )(.*?);? \/\/ (.*)$/.exec(line)
      if (!found) return line
      const want = found[2]!.replace(/, …(?= ?[}\]])/g, '')
      return `;check(${found[1]}, (${want}), ${want !== found[2]})`
    })
  const names = Object.keys(library)
  const run = new Function('check', ...names, `'use strict';\n${lines.join('\n')}`)
  run(check, ...Object.values(library))
  return tested
}
