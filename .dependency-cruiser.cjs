/**
 * Which way dependencies may point. Core has nine rooms, from the general to the particular, with subjects in them; a subject
 * imports only the face (index.ts) of a subject that stands before it in `core/rooms.json`.
 */
const ROOMS = Object.fromEntries(
  Object.entries(require('./core/rooms.json')).map(([room, { subjects }]) => [room, Object.keys(subjects)]),
);

const rooms = Object.keys(ROOMS);

const roomsLeftwards = rooms.slice(0, -1).map((room, i) => ({
  name: `${room}-only-leftwards`,
  severity: 'error',
  comment: `core/${room} may only import rooms that stand before it`,
  from: { path: `^core/src/${room}/`, pathNot: '\\.spec\\.ts$' },
  to: { path: `^core/src/(${rooms.slice(i + 1).join('|')})/` },
}));

const subjectsLeftwards = Object.entries(ROOMS).flatMap(([room, subjects]) =>
  subjects.slice(0, -1).map((subject, i) => ({
    name: `${room}-${subject}-only-leftwards`,
    severity: 'error',
    comment: `core/${room}/${subject} may only import subjects that stand before it`,
    from: { path: `^core/src/${room}/${subject}/`, pathNot: '\\.spec\\.ts$' },
    to: { path: `^core/src/${room}/(${subjects.slice(i + 1).join('|')})/` },
  })),
);

const facesOnly = Object.entries(ROOMS).flatMap(([room, subjects]) =>
  subjects.map((subject) => ({
    name: `${room}-${subject}-by-its-face`,
    severity: 'error',
    comment: `others import core/${room}/${subject} by its index.ts`,
    from: { pathNot: [`^core/src/${room}/${subject}/`, '\\.spec\\.ts$'] },
    to: { path: `^core/src/${room}/${subject}/(?!index\\.ts$)` },
  })),
);

module.exports = {
  forbidden: [
    ...roomsLeftwards,
    ...subjectsLeftwards,
    ...facesOnly,
    {
      name: 'every-subject-in-a-room',
      severity: 'error',
      comment: 'a file of core stands in a subject of a room, and both are named above',
      from: {
        path: '^core/src/',
        pathNot: `^core/src/(testing/|(${Object.entries(ROOMS)
          .map(([room, subjects]) => `${room}/(${subjects.join('|')})`)
          .join('|')})/)`,
      },
      to: {},
    },
    {
      name: 'testing-is-for-tests',
      severity: 'error',
      from: { path: '^core/src/', pathNot: ['\\.(spec|testdata)\\.ts$', '^core/src/testing/'] },
      to: { path: '^core/src/testing/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.spec\\.ts$' },
      to: {
        path: '^(app|server|cli|kernels|node:)|^@angular|^node_modules/(@angular|primeng|rxjs|dexie|hono)',
      },
    },
    {
      name: 'kernels-know-core-only',
      severity: 'error',
      from: { path: '^kernels/src' },
      to: { path: '^(app|server|cli)/' },
    },
    {
      name: 'no-app-outside-app',
      severity: 'error',
      from: { path: '^(server|cli)/' },
      to: { path: '^app/' },
    },
    {
      name: 'stations-call-no-solvers',
      severity: 'error',
      comment:
        'a station or room lays out what state/ and its view function give it; computing is for workers',
      from: { path: '^app/src/(stations|rooms|frame|panel|ui)/', pathNot: '\\.(spec|view)\\.ts$' },
      to: {
        path: '^core/src/(simulation/water|order/(schedule|sitting|finish)|advice/(checks|whites))/',
        dependencyTypesNot: ['type-only'],
      },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(node_modules|dist|\\.angular|kernels/build|kernels/assembly)' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
