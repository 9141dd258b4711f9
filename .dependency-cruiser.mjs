// Dependencies point one way: words < quantity < date < mask < identifier < channel < inspect < compare < survey < publish < report; rows stand alone.
// identifier < entry < dom.
const layers = [
  'words',
  'quantity',
  'date',
  'mask',
  'identifier',
  'channel',
  'inspect',
  'compare',
  'report',
]
// And within inspect: ways < short < evidence < runs, and what stands on its own uses all of them.
const steps = ['ways', 'short', 'evidence', 'runs']
const above = (layer, list = layers) => list.slice(list.indexOf(layer) + 1).join('|')

export default {
  forbidden: [
    {
      name: 'no-circle',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { pathNot: 'mask/(messages|misfit|problem)\\.ts$' } },
    },
    ...layers.slice(0, -1).map((layer) => ({
      name: `${layer}-looks-up`,
      severity: 'error',
      from: { path: `^packages/sornak/src/${layer}/` },
      to: { path: `^packages/sornak/src/(${above(layer)})/` },
    })),
    ...steps.map((step) => ({
      name: `${step}-looks-up`,
      severity: 'error',
      from: { path: `^packages/sornak/src/inspect/${step}/` },
      to: {
        path: `^packages/sornak/src/inspect/(?:(?:${above(step, steps)})/|[^/]+$)`,
      },
    })),
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^packages/sornak/src/' },
      to: { pathNot: '^packages/sornak/src/' },
    },
    {
      name: 'typing-looks-no-further',
      severity: 'error',
      from: { path: '^packages/sornak/src/entry/' },
      to: {
        path: '^packages/sornak/src/(dom|channel|inspect|compare|survey|publish|report|rows)/',
      },
    },
    {
      name: 'pages-look-no-further',
      severity: 'error',
      from: { path: '^packages/sornak/src/dom/' },
      to: { path: '^packages/sornak/src/(channel|inspect|compare|survey|publish|report|rows)/' },
    },
    {
      name: 'nothing-needs-typing',
      severity: 'error',
      from: { path: `^packages/sornak/src/(${layers.join('|')}|rows)/` },
      to: { path: '^packages/sornak/src/(entry|dom)/' },
    },
    {
      name: 'rows-stand-alone',
      severity: 'error',
      from: { path: '^packages/sornak/src/rows/' },
      to: { pathNot: '^packages/sornak/src/rows/' },
    },
  ],
  options: { tsPreCompilationDeps: true, tsConfig: { fileName: 'tsconfig.base.json' } },
}
