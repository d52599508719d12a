/** Unit and API tests; TypeScript is stripped by SWC, modules stay ES modules. */
const swc = [
  '<rootDir>/tools/lib/quick-globals.mjs',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: true, decorators: true },
      transform: { legacyDecorator: true, decoratorMetadata: true, react: { runtime: 'automatic' } },
      target: 'es2022',
    },
    module: { type: 'es6' },
    sourceMaps: 'inline',
  },
];

const COMPUTING = 'css-tree|culori';

const shared = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': swc,
    // What computes most of the packages in use.
    [`/node_modules/(${COMPUTING})/.+\\.js$`]: ['<rootDir>/tools/lib/quick-globals.mjs', { asItIs: true }],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${COMPUTING})/)`],
  moduleNameMapper: {
    '^@retoque/core$': '<rootDir>/packages/core/src/index.ts',
    '^@retoque/core/(.*)$': '<rootDir>/packages/core/src/entries/$1.ts',
    '^@retoque/contract$': '<rootDir>/packages/contract/src/index.ts',
    '^@retoque/behaviours$': '<rootDir>/packages/behaviours/src/index.ts',
    '^@retoque/decode$': '<rootDir>/packages/decode/src/index.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
  testEnvironment: 'node',
  modulePathIgnorePatterns: ['/dist/'],
};

export default {
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: ['<rootDir>/{packages,apps}/**/src/**/*.test.ts'],
      testPathIgnorePatterns: ['/node_modules/', '/dist/', '\\.api\\.test\\.ts$'],
    },
    { ...shared, displayName: 'api', testMatch: ['<rootDir>/apps/server/src/**/*.api.test.ts'] },
  ],
};
