// What programs make of texts that they take for numbers. Values go into the standard input of each, one a line, and its lines
// come back; what a program cannot read it leaves as it is, or reads as far as it goes. Programs that are not on the machine
// are left out.

import { spawnSync } from 'node:child_process'

const program =
  (command, ...words) =>
  (expression) => ({
    command,
    convert(values) {
      const { stdout, stderr } = spawnSync(command, [...words, expression], {
        input: `${values.join('\n')}\n`,
        encoding: 'utf8',
      })
      const lines = stdout.replace(/\n$/, '').split('\n')
      if (lines.length !== values.length) throw new Error(`${command} ${expression}: ${stderr}`)
      return lines
    },
  })

const javascript = (expression) =>
  program(
    process.execPath,
    '-e',
  )(
    `for (const s of require('fs').readFileSync(0, 'utf8').trimEnd().split('\\n')) { let r = s; try { r = ${expression} } catch {} console.log(Number.isNaN(r) ? s : String(r)) }`,
  )
const python = (expression) =>
  program(
    'python3',
    '-c',
  )(
    `import sys, decimal\nfor s in sys.stdin:\n s = s.rstrip("\\n")\n try: print(${expression})\n except Exception: print(s)`,
  )
const awk = (format) => program('awk')(`{ printf "${format}\\n", $0 }`)
const perl = (expression) =>
  program('perl', '-ne')(`no warnings; chomp; $_ = ${expression}; print "$_\\n"`)
const jq = (expression) =>
  program('jq', '-rR')(`. as $s | try (tonumber | ${expression} | tostring) catch $s`)
const tcl = (expression) => ({
  command: 'tclsh',
  convert(values) {
    const quoted = values.map((text) => `{${text}}`).join(' ')
    const script = `foreach s {${quoted}} { if {[catch {set r [${expression}]}]} {set r $s}; puts $r }`
    const { stdout } = spawnSync('tclsh', { input: script, encoding: 'utf8' })
    return stdout.trimEnd().split('\n')
  },
})
const sqlite = (type, expression) => ({
  command: 'sqlite3',
  convert(values) {
    const rows = values.map((text) => `insert into t(s) values('${text}');`)
    const script = `create table t(s ${type}); ${rows.join('\n')} select ${expression} from t order by rowid;`
    const { stdout } = spawnSync('sqlite3', [':memory:'], { input: script, encoding: 'utf8' })
    return stdout.replace(/\n$/, '').split('\n')
  },
})

const ALL = {
  'JavaScript number': javascript('+s'),
  'JavaScript parseInt': javascript('parseInt(s, 10)'),
  'JavaScript 32 bits': javascript('isNaN(+s) ? s : +s | 0'),
  'JavaScript grouped': javascript("(isNaN(+s) ? s : (+s).toLocaleString('en-US'))"),
  'JavaScript grouped by points': javascript("(isNaN(+s) ? s : (+s).toLocaleString('de-DE'))"),
  'JavaScript two decimals': javascript('isNaN(+s) ? s : (+s).toFixed(2)'),
  'JavaScript ten digits': javascript('isNaN(+s) ? s : (+s).toPrecision(10)'),
  'JavaScript single precision': javascript('Math.fround(+s)'),
  'JavaScript 16 bits': javascript('isNaN(+s) ? s : new Int16Array([+s])[0]'),
  'Python int': python('int(s)'),
  'Python float': python('float(s)'),
  'Python %g': python('"%g" % float(s)'),
  'Python %.15g': python('"%.15g" % float(s)'),
  'Python %.0f': python('"%.0f" % float(s)'),
  'Python grouped': python('f"{int(s):,}"'),
  'Python grouped float': python('f"{float(s):,.2f}"'),
  'Python percent': python('f"{float(s):.0%}"'),
  'Python fifteen digits': python(
    'format(decimal.Context(15).create_decimal(s), "f").split(".")[0]',
  ),
  'Python exponent with a comma': python('("%.4E" % float(s)).replace(".", ",")'),
  'awk %d': awk('%d'),
  'awk %.6g': awk('%.6g'),
  'awk to the right': awk('%20.0f'),
  'Perl number': perl('/^\\d+$/ ? 0 + $_ : $_'),
  'Perl octal': perl('/^0[0-7]+$/ ? oct($_) : $_'),
  'Perl 16 bits': perl('/^\\d+$/ ? unpack("n", pack("n", $_)) : $_'),
  'jq number': jq('.'),
  'jq product': jq('. * 1'),
  'Tcl expression': tcl('expr {$s + 0}'),
  'Tcl double': tcl('expr {double($s)}'),
  'SQLite real': sqlite('real', 's'),
  'SQLite numeric': sqlite('numeric', 's'),
  'SQLite cast': sqlite('text', 'cast(s as integer)'),
  'SQLite grouped': sqlite('text', 'printf("%,d", s)'),
}

const isHere = new Map()
function isOnMachine({ command }) {
  if (!isHere.has(command)) isHere.set(command, !spawnSync(command, { input: '' }).error)
  return isHere.get(command)
}

/** By name: what comes back for values, in the same order. */
export const PROGRAMS = Object.fromEntries(
  Object.entries(ALL)
    .filter(([, one]) => isOnMachine(one))
    .map(([name, { convert }]) => [name, convert]),
)
