/** One direction of dependency: core <- formats <- server <- web; demo seeds through the services. */
const only = (from, allowed) => ({
  name: `${from}-imports`,
  severity: 'error',
  comment: `${from}/ may import only ${allowed.join(', ') || 'itself'} of this project`,
  from: { path: `^${from}/`, pathNot: '\\.test\\.ts$|/tests/' },
  to: { path: '^(core|formats|server|web|demo|scripts|tests|bench)/', pathNot: [`^${from}/`, ...allowed.map((a) => `^${a}/`)] },
});

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
    only('core', []),
    only('formats', ['core']),
    only('server', ['core', 'formats']),
    only('web', ['core', 'formats', 'server', 'demo']),
    only('demo', ['core', 'formats', 'server']),
    {
      name: 'stage-knows-no-goal-and-no-score',
      severity: 'error',
      from: { path: '^web/stage/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^(core/(goals|scoring|criteria|advice)|web/(goals|islands))/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'criteria-know-no-goal-and-no-score',
      severity: 'error',
      from: { path: '^core/(criteria|measures|model)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/(goals|scoring|advice|exercise)/' },
    },
    {
      name: 'advice-knows-no-score',
      severity: 'error',
      from: { path: '^core/(advice|goals)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/scoring/' },
    },
    {
      name: 'a-card-knows-no-practise',
      severity: 'error',
      from: { path: '^web/(islands/card|goals)/' },
      to: { path: '^web/islands/(practise|author)/' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$|/tests/' },
      to: { path: '^node_modules/', pathNot: '^node_modules/(zod|quickhull3d|clipper2-ts|ts-fsrs)/' },
    },
    { name: 'core-knows-no-node', severity: 'error', from: { path: '^core/', pathNot: '\\.test\\.ts$' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'browser-has-no-server',
      severity: 'error',
      from: { path: '^web/(islands|stage|workers|ui/.*\\.tsx?$)', pathNot: '\\.astro$' },
      to: { path: '^server/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'pages-know-no-database',
      severity: 'error',
      from: { path: '^web/', pathNot: '^web/http/service\\.ts$' },
      to: { path: '^server/(database|repositories|migrations)', dependencyTypesNot: ['type-only'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^dist/' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js', '.d.ts'] },
  },
};
