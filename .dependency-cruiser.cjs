/** Which room may import what. Read by the boundary tests; types that vanish on compiling do not count. */
const CORE_LIBRARIES = [
  'zod',
  'fraction\\.js',
  'decimal\\.js',
  'franc-min', 'snowball-stemmers',
  're2js',
  'commonmark',
  'fast-xml-parser',
  'fflate',
];
/** Rooms of the core, lowest first: each imports those before it and itself. */
const CORE_ROOMS = ['base', 'text', 'content', 'rules', 'kinds', 'bank', 'exchange', 'exams', 'sittings', 'marking', 'results', 'gradebook'];
/** Rooms of the core that stand beside the others: they import nothing but base, and themselves. */
const BESIDE = ['agreement', 'aids', 'analysis', 'drawing', 'people', 'simulations', 'speech', 'pictures'];
const any = (names) => `(${names.join('|')})`;

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-unknown-rooms',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/(core|server|actions|ui|app|demo)/|^src/(instrumentation|proxy)\\.ts$' },
      to: {},
    },
    {
      name: 'no-unknown-rooms-of-the-core',
      severity: 'error',
      from: { path: '^src/core/', pathNot: `^src/core/${any([...CORE_ROOMS, ...BESIDE])}/` },
      to: {},
    },
    {
      name: 'core-imports-core-and-what-computes',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { pathNot: `^src/core/|node_modules/${any(CORE_LIBRARIES)}/` },
    },
    ...CORE_ROOMS.map((room, i) => ({
      name: `core-${room}-imports-downwards`,
      severity: 'error',
      from: { path: `^src/core/${room}/` },
      to: { path: '^src/core/', pathNot: `^src/core/${any([...CORE_ROOMS.slice(0, i + 1), ...BESIDE])}/` },
    })),
    ...BESIDE.map((room) => ({
      name: `core-${room}-imports-nothing-above-base`,
      severity: 'error',
      from: { path: `^src/core/${room}/` },
      to: { path: '^src/core/', pathNot: `^src/core/${any(['base', room])}/` },
    })),
    {
      name: 'server-knows-no-screens',
      severity: 'error',
      from: { path: '^src/server/' },
      to: { path: '^src/(ui|app|actions|demo)/|node_modules/(react-bootstrap|react-dom)/' },
    },
    {
      name: 'ui-takes-types-from-the-server-and-nothing-from-app',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/(server|app|demo)/' },
    },
    {
      // Formulas are drawn where their sheet is read.
      name: 'actions-translate-for-the-server',
      severity: 'error',
      from: { path: '^src/actions/' },
      to: { path: '^src/(ui|app|demo)/', pathNot: '^src/ui/sheet/formulas' },
    },
    {
      name: 'the-demo-goes-through-the-use-cases',
      severity: 'error',
      from: { path: '^src/(core|server|actions|ui|app)/' },
      to: { path: '^src/demo/' },
    },
    {
      name: 'only-the-server-touches-the-database',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/server/' },
      to: { path: 'node_modules/(drizzle-orm|@libsql)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.tsx?$' },
    tsPreCompilationDeps: false,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};
