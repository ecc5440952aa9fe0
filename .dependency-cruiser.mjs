/**
 * Who may import whom. The rooms of core, from the ground up: each may use those above its own line in this list, never
 * those below it. docs/architecture.md draws them.
 */
const CORE = [
  ['schema'],
  ['math'],
  ['records'],
  ['log', 'geometry'],
  ['steel', 'uncertainty', 'use'],
  ['placement', 'observe'],
  ['photo', 'process', 'exchange'],
  ['simulation'],
]
const APP = [
  ['saving', 'navigation', 'devices', 'workers'],
  ['stores'],
  ['words'],
  ['forms'],
  ['job'],
  ['drawing', 'composables'],
  ['controls'],
  ['photographs', 'print'],
  ['shelf'],
  ['stations', 'home'],
  ['owners'],
  ['jobPage'],
  ['shell', 'preferences'],
  ['pages'],
]
const SERVER = [
  ['database'],
  ['repositories'],
  ['demo'],
  ['store'],
  ['access'],
  ['http'],
  ['api', 'middleware', 'plugins'],
]

const within = (storey, floors) =>
  floors.flatMap((rooms, floor) =>
    rooms.map((room) => {
      const notBelow = floors
        .slice(floor)
        .flat()
        .filter((other) => other !== room)
      return {
        name: `${storey}/${room} uses only what lies below it`,
        severity: 'error',
        from: { path: `^${storey}/${room}/` },
        to: { path: `^${storey}/(${notBelow.join('|')})/` },
      }
    }),
  )

export default {
  forbidden: [
    ...within('core', CORE),
    ...within('app', APP),
    ...within('server', SERVER),
    {
      name: 'stations do not know each other',
      severity: 'error',
      from: { path: '^app/stations/([^/]+)/' },
      to: { path: '^app/stations/', pathNot: '^app/stations/$1/' },
    },
    { name: 'no circles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no circles among folders', scope: 'folder', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(\\.(test|bench|fixture|trial)\\.ts$|/fixtures/|node_modules|^public/)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.imports.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.json', '.mjs'] },
  },
}
