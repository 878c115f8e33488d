/**
 * Which room may use which. Dependencies point one way; inside the core lower rooms
 * never import higher ones, and a room is entered by its index alone.
 */

/** Rooms of the core, the lowest first: each may use those before it. */
const ROOMS = [
  ['units', 'chance'],
  ['crops'],
  ['warmth', 'logger'],
  ['method', 'carrier', 'preparing', 'moving', 'seedtest', 'paper'],
  ['forecast'],
  ['parcel'],
  ['looking', 'nursing', 'sowing', 'seedbox', 'season', 'trials'],
  ['judging'],
  ['practice'],
  ['words'],
];
/** What may import what among the packages. */
const PACKAGES = {
  core: ['core'],
  contract: ['contract', 'core'],
  server: ['server', 'contract', 'core'],
  web: ['web', 'contract', 'core'],
  demo: ['demo', 'server', 'contract', 'core'],
};
const TESTS = '\\.spec\\.ts$|/testing/|/effort/';
const room = (names) => `^core/src/(${names.join('|')})/`;

const lowerNeverHigher = ROOMS.map((tier, index) => {
  const higher = ROOMS.slice(index + 1).flat();
  return (
    higher.length > 0 && {
      name: `core-${tier[0]}-and-its-like-are-lower`,
      severity: 'error',
      comment: `${tier.join(', ')} may not import ${higher.join(', ')}: lower rooms never use higher ones`,
      from: { path: room(tier), pathNot: TESTS },
      to: { path: room(higher) },
    }
  );
}).filter(Boolean);

const oneWay = Object.entries(PACKAGES).map(([name, mayUse]) => ({
  name: `${name}-uses-${mayUse.join('-')}`,
  severity: 'error',
  comment: `${name}/ may use only ${mayUse.join(', ')}`,
  from: { path: `^${name}/` },
  to: {
    path: `^(${Object.keys(PACKAGES).join('|')})/`,
    pathNot: `^(${mayUse.join('|')})/`,
  },
}));

module.exports = {
  forbidden: [
    {
      name: 'no-circle-of-files',
      severity: 'error',
      comment: 'two files that need each other are one file, or lack a third',
      from: {},
      to: { circular: true },
    },
    {
      name: 'no-circle-of-folders',
      severity: 'error',
      scope: 'folder',
      comment: 'two folders that need each other are one folder, or lack a third',
      from: { path: '^(core|contract|server|web|demo)/src' },
      to: { circular: true },
    },
    {
      name: 'core-by-its-index',
      severity: 'error',
      comment: 'a room of the core is entered by its index.ts',
      from: { path: '^core/src/([^/]+)/', pathNot: TESTS },
      to: { path: '^core/src/[^/]+/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$'] },
    },
    ...lowerNeverHigher,
    ...oneWay,
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules|\\.angular)/|\\.spec\\.ts$' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.js', '.mjs', '.json'],
    },
  },
};
