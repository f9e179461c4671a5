/**
 * The folders of the core, a tree: each may use those before it and none of those behind it, not even for a type. Where
 * something is needed further up, it is a smaller thing than the folder that it stands in.
 */
const coreFolders = [
  'vocabulary',
  'thermal',
  'leak',
  'signals',
  'schedule',
  'rework',
  'methods',
  'model',
  'heat',
  'seal',
  'derive',
  'pairing',
  'knowledge',
  'log',
  'record',
  'steps',
  'screws',
  'consents',
  'checks',
  'diagnose',
  'suspects',
  'rules',
  'route',
  'progress',
  'quote',
  'day',
  'wire',
];
const coreIsATree = coreFolders.slice(0, -1).map((folder, at) => ({
  name: `core-is-a-tree-${folder}`,
  severity: 'error',
  from: { path: `^core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^core/(${coreFolders.slice(at + 1).join('|')})/` },
}));

/** The rings: arrows point inwards. */
module.exports = {
  forbidden: [
    ...coreIsATree,
    {
      name: 'core-folders-are-known',
      comment: 'a new folder takes its place in the order above',
      severity: 'error',
      from: {},
      to: { path: '^core/', pathNot: `^core/(${coreFolders.join('|')}|testing)/` },
    },
    {
      name: 'core-is-pure',
      comment: 'core imports nothing of the app, the server or the demo',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$|^core/testing/' },
      to: { path: '^(app|server|demo|cli|words|forms)/' },
    },
    {
      name: 'core-packages',
      comment: 'core uses Zod, small numeric packages and one for the clocks of zones',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$|^core/testing/' },
      to: {
        dependencyTypes: ['npm', 'core'],
        pathNot:
          'node_modules/(zod|dayjs|fft\\.js|flatqueue|simple-statistics|stemmer|d3-array|d3-random|pure-rand|safe-stable-stringify|ml-matrix|ml-levenberg-marquardt)/',
      },
    },
    {
      name: 'screens-call-use-cases',
      comment:
        'of the server, a route module uses the use cases and reports; what both sides speak of is in core/wire',
      severity: 'error',
      from: { path: '^app/routes/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^server/', pathNot: '^server/(use-cases|report)/' },
    },
    {
      name: 'no-types-of-the-server',
      comment: 'not even for a type: what browser and server share is in core/wire',
      severity: 'error',
      from: { path: '^app/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^server/', dependencyTypes: ['type-only'] },
    },
    {
      name: 'ui-knows-no-route',
      severity: 'error',
      from: { path: '^app/(ui|job)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^(app/routes|server)/' },
    },
    {
      name: 'words-say-what-the-core-knows',
      comment: 'what is said, and how: for the screens, the reports and the command line',
      severity: 'error',
      from: { path: '^words/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(app|server|demo|cli|forms)/' },
    },
    {
      name: 'forms-say-what-may-be-typed',
      comment: 'schemas that a form and its action share, with what they answer',
      severity: 'error',
      from: { path: '^forms/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(app|server|demo|cli)/' },
    },
    {
      name: 'server-knows-no-screen',
      comment: 'one module mounts the screens',
      severity: 'error',
      from: { path: '^server/', pathNot: '^server/app\\.ts$|\\.test\\.ts$|^server/testing/' },
      to: { path: '^app/' },
    },
    {
      name: 'demo-for-seed-only',
      severity: 'error',
      from: { path: '^(app|server)/', pathNot: '^server/seed/|\\.test\\.ts$|^server/testing/' },
      to: { path: '^demo/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '\\+types|virtual:' },
  },
};
