import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

/**
 * What works things out, and is for workers alone: a station, a room or the state of the app asks for it. By the core's subject,
 * since a name may mean something harmless elsewhere.
 */
const SOLVERS = {
  'order/areas': ['composing', 'composition', 'filledAt', 'measuringWidths', 'widthsOf'],
  'commission/card': ['cutSheet', 'cutting', 'offcutsOf'],
  'advice/checks': ['checkAllVariants', 'checking', 'checkingAllVariants', 'checkingStops', 'runChecks'],
  'materials/dish': ['suggestPalettes'],
  'files/formats': ['mergedPicture', 'readKettleFile'],
  'materials/pigment': [
    'calibrate',
    'choosePalette',
    'choosePaletteFrom',
    'matchColour',
    'matchIn',
    'matching',
  ],
  'files/prints': ['cutTemplate', 'readSwatchSheet', 'writeOpenRaster'],
  'advice/proposals': ['proposePasses', 'proposing'],
  'order/schedule': [
    ...[
      'areaLooks',
      'batchOf',
      'cheapestWayOut',
      'findingWaits',
      'idleWaits',
      'inOrder',
      'layOut',
      'layingOut',
      'lookingOn',
    ],
    ...['possibleStarts', 'rehearse', 'rehearsing'],
  ],
  'advice/trials': ['asPasses', 'carryOut', 'difference', 'runUntil', 'sheetLayers'],
  'advice/values': ['reachAt', 'sharedEdges', 'squinting', 'toneShares', 'tracingBorders', 'wetMeetings'],
  'simulation/water': [
    'Replay',
    'brushing',
    'brushwork',
    'creeping',
    'dampCreep',
    'pictureOf',
    'picturing',
    'simulate',
  ],
  'advice/whites': ['fluidForAll', 'measuringWhite', 'rankWays', 'removals', 'whiteFacts'],
};

const solversAreForWorkers = {
  paths: Object.entries(SOLVERS).map(([subject, importNames]) => ({
    ...{ name: `@kettle/core/${subject}`, importNames, allowTypeImports: true },
    message: 'computing is for workers: ask one of their services',
  })),
  patterns: [
    {
      group: ['@kettle/core/order/sequencing'],
      message: 'computing is for workers: ask one of their services',
    },
  ],
};

/** What only this lint knows: the framework's rules, templates, and who may compute. Every other rule stands in .oxlintrc.json. */
export default tseslint.config(
  { ignores: ['**/node_modules', 'dist', '.angular', 'app/public'] },
  {
    files: ['app/src/**/*.ts'],
    extends: [tseslint.configs.base, ...angular.configs.tsRecommended],
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'kd', style: 'kebab-case' }],
      '@angular-eslint/directive-selector': [
        'error',
        { type: 'attribute', prefix: 'kd', style: 'camelCase' },
      ],
    },
    processor: angular.processInlineTemplates,
  },
  {
    files: ['app/src/{stations,rooms,frame,panel,ui,state}/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: { '@typescript-eslint/no-restricted-imports': ['error', solversAreForWorkers] },
  },
  {
    files: ['app/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
);
