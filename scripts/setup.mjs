// Brings a fresh clone to where the command and the tests can run: dependencies, then the build. Does
// only what is missing or older than its sources. With --for-tests also what tests
// drive, where it may be installed.

import { execFileSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'

process.chdir(new URL('..', import.meta.url).pathname)
const run = (command, args) =>
  execFileSync(command, args, { stdio: ['ignore', 2, 2], shell: process.platform === 'win32' })
const time = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0)

if (time('node_modules/.package-lock.json') < time('package-lock.json'))
  run('npm', ['ci', '--no-audit', '--no-fund'])

const newest = (path) => {
  if (!existsSync(path)) return 0
  if (!statSync(path).isDirectory()) return time(path)
  const inside = readdirSync(path).filter((name) => name !== 'dist' && name !== 'node_modules')
  return Math.max(0, ...inside.map((name) => newest(join(path, name))))
}
const sources = [
  'packages/sornak/src',
  'packages/sornak-files/src',
  'packages/sornak-cli/src',
  'examples/data',
  'scripts/build.mjs',
]
if (time('packages/sornak-cli/dist/.built') <= Math.max(...sources.map(newest))) {
  run(process.execPath, ['scripts/build.mjs'])
}

// What the tests drive besides Node: a real browser, and the databases that rules are published to.
if (process.argv.includes('--for-tests')) {
  const wanted = [
    ['/usr/bin/chromium', ['chromium', 'fonts-dejavu-core']],
    ['/usr/bin/sqlite3', ['sqlite3']],
    ['/usr/lib/postgresql', ['postgresql']],
  ].filter(([path]) => !existsSync(path))
  const debian = existsSync('/etc/debian_version') && process.getuid?.() === 0
  if (wanted.length && debian) {
    run('apt-get', ['update', '-qq'])
    run('apt-get', [
      'install',
      '-y',
      '-qq',
      '--no-install-recommends',
      ...wanted.flatMap(([, packages]) => packages),
    ])
  } else if (!existsSync('/usr/bin/chromium') && !process.env.CHROMIUM) {
    console.error(
      'Tests of pages need Chromium: install it as /usr/bin/chromium, or name it in CHROMIUM.',
    )
  }
}
