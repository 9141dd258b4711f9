// The sornak command: its words and options. Each command is loaded when it is called.

import './compiling.js'
import { Command, CommanderError, Option } from 'commander'
import { FileProblem } from 'sornak-files/problem'
import { removeUnfinished, tell, toPeople } from './output.js'
import { STATUS, Stop, usage } from './stop.js'

const program = new Command('sornak')
  .description(
    'Checks identifiers in files for damage done by numeric conversion, and shows them through masks.',
  )
  .version(VERSION, '-V, --version')
  .showHelpAfterError('(--help says more)')
  .exitOverride()
  .configureHelp({ showGlobalOptions: true })
  .configureOutput({ writeOut: (text) => toPeople(1, text), writeErr: (text) => toPeople(2, text) })
  .addHelpText(
    'after',
    `
Exit status: 0 nothing to report; 1 findings; 2 wrong use or a bad rules file;
3 an input could not be read or an output not written; 130 interrupted.`,
  )

declare const VERSION: string

const rules = [
  '-r, --rules <file>',
  'the rules file (default: sornak.yaml, where there is one)',
] as const
const out = ['-o, --out <file>', 'write to a file: beside it first, then renamed'] as const
const reveal = ['--reveal', 'show what the rules file hides'] as const

program
  .command('demo')
  .description('run the whole example on the bundled data and say where it put what')
  .addOption(new Option('--to <dir>', 'where to put the data').default('harrow-sound'))
  .option(...reveal)
  .option('--no-color', 'no colour on a terminal')
  .addHelpText('after', examples('sornak demo', 'sornak demo --to /tmp/ferries --reveal'))
  .action(async (flags) => finish(await (await import('./commands/demo.js')).demo(flags)))

program
  .command('survey')
  .description('what each column seems to hold and what looks damaged; no rules needed')
  .argument('[file...]', 'files of any format, database tables; "-" for standard input')
  .option('--draft <file>', 'write a rules file that inspect can use at once')
  .addOption(new Option('--format <format>', 'text or jsonl').default('text'))
  .option(...out)
  .option('-q, --quiet', 'no progress')
  .option('--no-color', 'no colour on a terminal')
  .addHelpText(
    'after',
    examples('sornak survey crew.csv', 'sornak survey crew.csv passes.csv --draft sornak.yaml'),
  )
  .action(async (files, flags) =>
    finish(await (await import('./commands/survey.js')).survey(files, flags)),
  )

program
  .command('inspect')
  .description('a verdict for every bound value')
  .argument('[file...]', 'files of any format, database tables; "-" for standard input')
  .option(...rules)
  .option('--as <identifier>', 'bind one column to an identifier of the catalog or the rules file')
  .option('--stored <mask>', 'bind one column to a stored mask')
  .option('--column <header>', 'the column that --as or --stored speaks of')
  .addOption(
    new Option('--format <format>', 'text, json, jsonl, csv, html or markdown').default('text'),
  )
  .option(...out)
  .option(...reveal)
  .option(
    '--fail-on <list>',
    'verdicts and findings that make the exit status 1 (default: all but intact and blank)',
  )
  .addOption(new Option('--candidates <n>', 'how many possible originals to list').default('10'))
  .option('--stdin-name <name>', 'the file name that standard input stands for')
  .option('--all', 'every file that the rules file names')
  .option('--one-pass', 'value by value, without what the rows of a column say together')
  .option('--allow-missing', 'a bound column may be missing')
  .option(
    '--profile',
    'padding and precision of each column too, and what number columns would lose',
  )
  .option('-q, --quiet', 'no progress')
  .option('--no-color', 'no colour on a terminal')
  .addHelpText(
    'after',
    examples(
      'sornak inspect crew.csv -r sornak.yaml',
      'sornak inspect crew*.csv -r sornak.yaml --format html -o report.html',
    ),
  )
  .action(async (files, flags) =>
    finish(await (await import('./commands/inspect.js')).inspect(files, flags)),
  )

program
  .command('mend')
  .description('a mended copy and a record of its changes; nothing in place')
  .argument('<file>', 'a CSV file')
  .option(...rules)
  .option('--as <identifier>', 'bind one column to an identifier of the catalog or the rules file')
  .option('--stored <mask>', 'bind one column to a stored mask')
  .option('--column <header>', 'the column that --as or --stored speaks of')
  .option(...out)
  .option('--only <codes>', 'mend only these findings, such as zeros-lost,decimal-tail')
  .option('--accept <proof>', 'exact: only where no other original is possible')
  .option('--dry-run', 'say what would be mended, and write nothing')
  .option('--ask <file>', 'write what must be asked at the source')
  .option('--answers <file>', 'check the answers that were filled in, and apply them')
  .option('--replay <changes>', 'make the changes of a record again, on the file it was made for')
  .option('--undo <changes>', 'take the changes of a record back, in the copy that it made')
  .option('--allow-missing', 'a bound column may be missing')
  .option('-q, --quiet', 'no progress')
  .option('--no-color', 'no colour on a terminal')
  .addHelpText(
    'after',
    examples(
      'sornak mend crew.csv -r sornak.yaml -o crew-mended.csv --ask questions.csv',
      'sornak mend crew-mended.csv --undo crew-mended.csv.changes.jsonl -o crew-again.csv',
    ),
  )
  .action(async (file, flags) =>
    finish(await (await import('./commands/mend.js')).mend(file, flags)),
  )

program
  .command('compare')
  .description('two lists held against each other, whatever damage each has met')
  .argument('<first>', 'a file of any format')
  .argument('[second]', 'another; not with --sent')
  .option('--as <identifier>', 'what both hold: an identifier of the catalog or the rules file')
  .option(...rules)
  .option('--left <header>', 'the column of the first; of both, where --right is left out')
  .option('--right <header>', 'the column of the second')
  .option('--sent <manifest>', 'whether what "hand-over" sent has arrived as the first file')
  .option('--join <file>', 'write the records that are the same side by side')
  .addOption(new Option('--format <format>', 'text, csv or jsonl').default('text'))
  .option(...out)
  .option(...reveal)
  .option('-q, --quiet', 'no progress')
  .option('--no-color', 'no colour on a terminal')
  .addHelpText(
    'after',
    examples(
      'sornak compare crew.csv payroll.csv --as crew-number -r sornak.yaml --left "Crew No" --right Number',
      'sornak compare old.csv new.csv --as phone/gb --left Mobile --format csv -o matches.csv',
    ),
  )
  .action(async (first, second, flags) =>
    finish(await (await import('./commands/compare.js')).compare(first, second, flags)),
  )

program
  .command('hand-over')
  .description('copies in which identifiers are text, with descriptions and a manifest')
  .argument('[file...]', 'files of any format, database tables; "-" for standard input')
  .option(...rules)
  .requiredOption('--to <dir>', 'the directory to write into')
  .option('--in <format>', 'csv, xlsx, ods, json, jsonl or parquet (default: csv)')
  .option('-q, --quiet', 'no progress')
  .addHelpText(
    'after',
    examples(
      'sornak hand-over crew.csv -r sornak.yaml --to outbox',
      'sornak hand-over crew.csv -r sornak.yaml --to outbox --in xlsx',
    ),
  )
  .action(async (files, flags) =>
    finish(await (await import('./commands/hand-over.js')).handOver(files, flags)),
  )

program
  .command('rehearse')
  .description('what would not survive each hand-over, before it happens')
  .argument('[file...]', 'files of any format, database tables; "-" for standard input')
  .option(...rules)
  .option(
    '--through <name...>',
    'only these hand-overs (default: all that ship and are in the rules)',
  )
  .option('--as <identifier>', 'bind one column to an identifier of the catalog or the rules file')
  .option('--stored <mask>', 'bind one column to a stored mask')
  .option('--column <header>', 'the column that --as or --stored speaks of')
  .addOption(new Option('--format <format>', 'text or jsonl').default('text'))
  .option(...out)
  .option(...reveal)
  .option('-q, --quiet', 'no progress')
  .addHelpText(
    'after',
    examples(
      'sornak rehearse crew.csv -r sornak.yaml',
      'sornak rehearse passes.csv -r sornak.yaml --through spreadsheet json-numbers',
    ),
  )
  .action(async (files, flags) =>
    finish(await (await import('./commands/rehearse.js')).rehearse(files, flags)),
  )

program
  .command('show')
  .description('values through a mask, a line each')
  .argument('<mask>', 'a mask, or an identifier of the catalog or the rules file')
  .argument('[value...]', 'the values (default: standard input, a line each), or a CSV file')
  .option(...rules)
  .option('--given <what>', 'plain, shown or stored: what the values are')
  .option('--form <name>', 'the display form of an identifier, such as international')
  .option(
    '--column <header>',
    'show a column of a CSV file; with a rules file the mask may be left out',
  )
  .option('--beside', 'the whole table, with the shown column beside its source')
  .option('--into <header>', 'the header of the shown column (default: "… (shown)")')
  .option('--watch', 'write the output file again whenever the source changes')
  .option(...out)
  .option('-q, --quiet', 'do not say why a value does not fit')
  .addHelpText(
    'after',
    examples(
      "sornak show '({3}) {3}-{4}' 2065550142",
      'sornak show crew.csv -r sornak.yaml --column Mobile --beside -o crew-shown.csv',
    ),
  )
  .action(async (mask, values, flags) =>
    finish(await (await import('./commands/show.js')).show(mask, values, flags)),
  )

program
  .command('type')
  .description('keys replayed into a field, a line for each state')
  .argument('<mask>', 'a mask, or an identifier of the catalog or the rules file')
  .argument(
    '<keys>',
    'characters, and <Back> <Delete> <Word> <Left> <Right> <Home> <End> <All> <Cut> <Undo> <Redo> <Leave> <Paste TEXT> <Set TEXT>',
  )
  .option('--or <mask...>', 'further masks of the same field, the preferred first')
  .option('--country <digits>', 'the country code that may stand before a pasted number')
  .option('-r, --rules <file>', rules[1])
  .addOption(new Option('--format <format>', 'text or jsonl').default('text'))
  .option(...out)
  .option('--no-color', 'no colour on a terminal')
  .addHelpText(
    'after',
    examples(
      "sornak type '({3}) {3}-{4}' '2065x50<Back>142'",
      "sornak type card/payment '<Paste 4111-1111-1111-1111><Leave>'",
    ),
  )
  .action(async (mask, keys, flags) =>
    finish((await import('./commands/type.js')).type(mask, keys, flags)),
  )

program
  .command('explain')
  .description(
    'a mask, a finding, a channel or an identifier in plain words; with a value: why it fits, or why not',
  )
  .argument('<what>', 'a mask, finding code, channel or identifier')
  .argument('[value]', 'a value under a mask or an identifier')
  .option(...rules)
  .option(...reveal)
  .option(...out)
  .addHelpText(
    'after',
    examples('sornak explain zeros-lost', 'sornak explain card/payment 4.30022E+15'),
  )
  .action(async (what, value, flags) =>
    finish((await import('./commands/explain.js')).explain(what, value, flags)),
  )

program
  .command('publish')
  .description('the rules for another place, and what it cannot say')
  .option(...rules)
  .requiredOption(
    '--as <form>',
    'json-schema, csvw, table-schema, postgres, sqlite, html, regex or markdown',
  )
  .option(...out)
  .option('-q, --quiet', 'do not tell what the form cannot say')
  .addHelpText(
    'after',
    examples(
      'sornak publish -r sornak.yaml --as json-schema -o crew.schema.json',
      'sornak publish -r sornak.yaml --as sqlite',
    ),
  )
  .action(async (flags) => finish((await import('./commands/publish.js')).publish(flags)))

program
  .command('catalog')
  .description('the definitions that ship')
  .argument('[word...]', 'only those that speak of these words')
  .addOption(new Option('--format <format>', 'text or jsonl').default('text'))
  .option(...out)
  .addHelpText('after', examples('sornak catalog', 'sornak catalog phone --format jsonl'))
  .action(async (words, flags) =>
    finish((await import('./commands/catalog.js')).catalog(words, flags)),
  )

function examples(first: string, second: string): string {
  return `\nExamples:\n  $ ${first}\n  $ ${second}`
}

function finish(status: number): void {
  process.exitCode = status
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
  process.on(signal, () => {
    removeUnfinished()
    if (process.stderr.isTTY) process.stderr.write('\r\u001b[2K')
    process.exit(signal === 'SIGINT' ? STATUS.interrupted : 128 + (signal === 'SIGTERM' ? 15 : 1))
  })
}

const READING: readonly (readonly [flags: string, description: string])[] = [
  ['--sheet <name>', 'only this sheet, table or list of the file'],
  ['--delimiter <char>', 'what separates fields (default: found)'],
  ['--quote <char>', 'what stands around fields (default: ")'],
  ['--encoding <name>', 'how the file is encoded (default: UTF-8, or as its first bytes show)'],
  ['--layout <fields>', 'fields at fixed places: "Crew No: 1-5, Mobile: 6-15"'],
  ['--query <select>', 'rows of a database: the result of a query'],
  [
    '--header-row <n>',
    'the row of headers, from 1 (default: as the rules file says; survey finds it)',
  ],
]
const READERS = ['survey', 'inspect', 'mend', 'compare', 'hand-over', 'rehearse', 'show']
for (const command of program.commands)
  if (READERS.includes(command.name())) for (const option of READING) command.option(...option)

// Options that every command takes, whether or not it has anything to be quiet about or to colour.
for (const command of program.commands) {
  const has = (long: string) => command.options.some((option) => option.long === long)
  if (!has('--quiet')) command.option('-q, --quiet', 'no progress')
  if (!has('--no-color')) command.option('--no-color', 'no colour on a terminal')
  if (!has('--reveal')) command.option(...reveal)
  command.addOption(
    new Option(
      '--jobs <n>',
      'how many threads may work (default: one, for large files one a core); the output is the same',
    ).argParser(jobs),
  )
}

function jobs(text: string): string {
  if (/^[1-9]\d{0,3}$/.test(text)) return text
  throw usage(`--jobs takes a whole number from 1, not "${text}".`)
}

try {
  await program.parseAsync()
} catch (error) {
  if (error instanceof CommanderError)
    process.exitCode = error.exitCode === 0 ? STATUS.fine : STATUS.usage
  else if (error instanceof Stop) {
    tell(error.todo ? `${error.message}\n  ${error.todo}` : error.message)
    process.exitCode = error.status
  } else if (error instanceof FileProblem) {
    tell(error.todo ? `${error.message}\n  ${error.todo}` : error.message)
    process.exitCode = error.code === 'unbound' ? STATUS.usage : STATUS.unreadable
  } else throw error
} finally {
  removeUnfinished()
}
