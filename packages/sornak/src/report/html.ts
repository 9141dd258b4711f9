// The report as one page that stands by itself: no script, no address outside, and nothing that stands in a
// file can become markup. It prints well.

import { FINDINGS } from '../channel/findings.js'
import { VERDICTS, type Verdict } from '../inspect/judgement.js'
import type { Summary } from './jsonl.js'
import { nextStep } from './next-step.js'
import { PARTS, type Strip } from './strip.js'
import type { ColumnTally, FindingTally } from './tally.js'
import { outcome, PLAIN, rowsText, type FileReport } from './text.js'

export interface PageFile extends FileReport {
  /** Where the damage lies, by column. */
  readonly strips: ReadonlyMap<string, Strip>
}

export function htmlPage(
  files: readonly PageFile[],
  summary: Summary,
  { title, revealed }: { readonly title: string; readonly revealed: boolean },
): string {
  const parts = files.map(filePart)
  const notes = summary.notices.map((notice) => `<p class="note">${safe(notice)}</p>`)
  const hidden = revealed
    ? '<p class="note warn">This report shows values in full.</p>'
    : '<p class="note">Values are hidden as the rules file says.</p>'
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<title>${safe(title)}</title>
<style>${STYLE}</style>
</head>
<body>
<header>
<h1>${safe(title)}</h1>
<p>${number(summary.files)} ${summary.files === 1 ? 'file' : 'files'}, ${number(summary.records)} records</p>
${tiles(summary)}
${hidden}
${notes.join('\n')}
</header>
<main>
${parts.join('\n')}
</main>
</body>
</html>
`
}

function tiles({ columns }: Summary): string {
  const list = VERDICTS.map((verdict) => {
    const count = columns.reduce((sum, { verdicts }) => sum + verdicts[verdict], 0)
    return `<li class="${verdict}${count ? '' : ' zero'}"><b>${number(count)}</b> ${verdict}</li>`
  })
  return `<ul class="tiles">${list.join('')}</ul>`
}

function filePart({ file, records, columns, unbound, ragged, strips }: PageFile): string {
  const notes = [
    ragged.count
      ? `${number(ragged.count)} records with more or fewer fields than the header: ${rowsText(ragged.rows, ragged.count)}.`
      : '',
    unbound.length ? `Not inspected: ${unbound.join(', ')}.` : '',
  ].filter(Boolean)
  return `<section>
<h2>${safe(file)} <small>${number(records)} records</small></h2>
${columns.map((tally) => columnPart(tally, strips.get(tally.column))).join('\n')}
${notes.map((note) => `<p class="note">${safe(note)}</p>`).join('\n')}
</section>`
}

function columnPart(tally: ColumnTally, strip: Strip | undefined): string {
  const { column, identifiers, values, verdicts, findings, runs } = tally
  const known = VERDICTS.filter((verdict) => verdicts[verdict] > 0)
  const shares = known.map(
    (verdict) =>
      `<span class="${verdict}" style="flex-grow:${verdicts[verdict]}" title="${number(verdicts[verdict])} ${verdict}"></span>`,
  )
  const words = known.map(
    (verdict) => `<span class="key ${verdict}"></span>${number(verdicts[verdict])} ${verdict}`,
  )
  const sorted = [...findings].sort(([, a], [, b]) => b.count - a.count)
  const evidence = runs.length
    ? `<h4>What the column says as a whole</h4><ul>${runs.map(({ why }) => `<li>${safe(why)}</li>`).join('')}</ul>`
    : ''
  return `<article>
<h3>${safe(column)} <small>${safe(identifiers.join(', '))}</small></h3>
<div class="bar" role="img" aria-label="${safe(known.map((one) => `${verdicts[one]} ${one}`).join(', '))}">${values ? shares.join('') : ''}</div>
<p class="legend">${words.join(' ')}</p>
${strip && sorted.length ? stripPart(strip) : ''}
${sorted.map(([code, finding]) => findingPart(code, finding)).join('\n')}
${evidence}
</article>`
}

const KINDS = ['mendable', 'open', 'gone'] as const

// One bar for each part of the file, as high as its fullest.
function stripPart(strip: Strip): string {
  const totals = strip.mendable.map((_, i) => KINDS.reduce((sum, kind) => sum + strip[kind][i]!, 0))
  const most = Math.max(1, ...totals)
  const bars: string[] = []
  for (let i = 0; i < PARTS; i++) {
    let top = 30
    for (const kind of KINDS) {
      const height = (strip[kind][i]! / most) * 30
      if (height === 0) continue
      top -= Math.max(height, 1)
      bars.push(
        `<rect class="${kind}" x="${i}" y="${top.toFixed(1)}" width="1" height="${Math.max(height, 1).toFixed(1)}"/>`,
      )
    }
  }
  return `<figure><svg viewBox="0 0 ${PARTS} 30" preserveAspectRatio="none" role="img" aria-label="Where in the file the damage lies">${bars.join('')}</svg><figcaption><span>row 1</span><span>row ${number(strip.rows)}</span></figcaption></figure>`
}

function findingPart(code: keyof typeof FINDINGS, finding: FindingTally): string {
  const { title } = FINDINGS[code]
  const kinds = [...finding.verdicts]
    .map(([verdict, count]) => `${number(count)} ${verdict}`)
    .join(', ')
  const rows = finding.examples.map(
    (example) =>
      `<tr><td>row ${number(example.record)}</td><td><code>${safe(example.value)}</code></td><td>${safe(outcome(example, PLAIN))}</td></tr>`,
  )
  return `<h4>${safe(title)} <small>${code}</small></h4>
<p>${kinds}; ${safe(rowsText(finding.rows, finding.count))}.</p>
<table>${rows.join('')}</table>
<p class="next">${safe(nextStep(code, finding.verdicts.keys()))}</p>`
}

const number = (n: number) => n.toLocaleString('en')

const ENTITIES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
}
const safe = (text: string) => text.replace(/[&<>"']/g, (char) => ENTITIES[char]!)

const COLOURS: Readonly<Record<Verdict | 'open' | 'gone', string>> = {
  intact: '#2f7d73',
  mendable: '#c9a227',
  ambiguous: '#d9772b',
  open: '#d9772b',
  suspect: '#8a63a8',
  lost: '#b13a2e',
  gone: '#b13a2e',
  misfit: '#6d2320',
  blank: '#c5cfce',
}

const STYLE = `
:root{font:15px/1.5 system-ui,'DejaVu Sans',sans-serif;color:#17292c;background:#f6f8f7}
body{max-width:62rem;margin:0 auto;padding:1.5rem 1rem 3rem}
h1{margin:0;font-size:1.6rem}header p{margin:.2rem 0;color:#54686b}
h2{margin:2rem 0 .5rem;font-size:1.25rem}h3{margin:0;font-size:1.05rem}h4{margin:1rem 0 .1rem;font-size:.95rem}
small{font-weight:400;color:#54686b}
article{margin:.75rem 0;padding:1rem 1.25rem;background:#fff;border:1px solid #d5dddc;border-radius:.5rem;break-inside:avoid}
p{margin:.15rem 0}code{font:.9rem ui-monospace,'DejaVu Sans Mono',monospace;overflow-wrap:anywhere}
.tiles{display:flex;flex-wrap:wrap;gap:.5rem;margin:.75rem 0;padding:0;list-style:none}
.tiles li{padding:.35rem .8rem;background:#fff;border:1px solid #d5dddc;border-left:.4rem solid;border-radius:.3rem}
.tiles .zero{opacity:.55}
.bar{display:flex;height:1.1rem;margin:.5rem 0 .25rem;overflow:hidden;border-radius:.25rem}
.bar span{min-width:3px}.key{display:inline-block;width:.75rem;height:.75rem;margin:0 .3rem 0 .6rem;border-radius:.15rem}
.legend{color:#37494c;font-size:.9rem}.legend .key:first-child{margin-left:0}
figure{margin:.5rem 0 0}svg{display:block;width:100%;height:34px;background:#eef2f1;border-radius:.25rem}
figcaption{display:flex;justify-content:space-between;font-size:.8rem;color:#54686b}
table{margin:.25rem 0;border-collapse:collapse}td{padding:.1rem 1rem .1rem 0;vertical-align:top;font-size:.92rem}
.next::before{content:'Next: ';font-weight:600}.note{color:#54686b}.warn{color:#8c2a1c}
${Object.entries(COLOURS)
  .map(
    ([name, colour]) =>
      `.bar .${name},.key.${name}{background:${colour}}svg .${name}{fill:${colour}}.tiles .${name}{border-left-color:${colour}}`,
  )
  .join('')}
@media print{:root{background:#fff}body{padding:0}article{border-color:#999}.bar span,.key,svg{print-color-adjust:exact;-webkit-print-color-adjust:exact}}
`
