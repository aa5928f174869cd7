/**
 * Which way dependencies may point. Inside core the subjects stand in one order, from the general to the
 * particular, and import only the face (index.ts) of a subject to their left.
 */
const SUBJECTS = [
  'units',
  'colour',
  'geometry',
  'photo',
  'climate',
  'clock',
  'paper',
  'pigment',
  'dish',
  'water',
  'card',
  'occasion',
  'guides',
  'lamp',
  'lettering',
  'sketch',
  'masking',
  'tracing',
  'plan',
  'areas',
  'whites',
  'values',
  'amounts',
  'learning',
  'sequencing',
  'schedule',
  'checks',
  'proposals',
  'trials',
  'sitting',
  'finish',
  'practice',
  'versions',
  'formats',
  'prints',
];

const toTheRight = SUBJECTS.map((subject, i) => ({
  name: `${subject}-only-leftwards`,
  severity: 'error',
  comment: `core/${subject} may only import subjects that stand before it`,
  from: { path: `^core/src/${subject}/`, pathNot: '\\.spec\\.ts$' },
  to: {
    path: `^core/src/(${SUBJECTS.slice(i + 1)
      .concat('testing')
      .join('|')})/`,
  },
}));

const facesOnly = SUBJECTS.map((subject) => ({
  name: `${subject}-by-its-face`,
  severity: 'error',
  comment: `others import core/${subject} by its index.ts`,
  from: { pathNot: [`^core/src/${subject}/`, '\\.spec\\.ts$'] },
  to: { path: `^core/src/${subject}/(?!index\\.ts$)` },
}));

module.exports = {
  forbidden: [
    ...toTheRight,
    ...facesOnly,
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
        path: '^core/src/(water|schedule|checks|whites|sitting|finish)/',
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
