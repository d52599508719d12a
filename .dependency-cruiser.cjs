/** Arrows run one way: core <- contract, decode <- apps; apps do not import each other. */
const apps = ['server', 'web', 'cli', 'practice-host'];

module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      comment: 'The core imports nothing of ours.',
      from: { path: '^packages/core/' },
      to: { path: '^(packages/(contract|decode)|apps)/' },
    },
    {
      name: 'core-computes-only',
      severity: 'error',
      comment: 'No file system, no network, no process in the core.',
      from: { path: '^packages/(core|contract)/src/', pathNot: '\\.test\\.ts$|/testing/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'decode-imports-the-core-alone',
      severity: 'error',
      from: { path: '^packages/decode/' },
      to: { path: '^(packages/contract|apps)/' },
    },
    {
      name: 'contract-imports-no-app',
      severity: 'error',
      from: { path: '^packages/contract/' },
      to: { path: '^apps/' },
    },
    ...apps.map((app) => ({
      name: `${app}-imports-no-other-app`,
      severity: 'error',
      from: { path: `^apps/${app}/` },
      to: { path: '^apps/', pathNot: `^apps/${app}/` },
    })),
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules|/dist/' },
    exclude: { path: '/dist(-types)?/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'node', 'default', 'types'] },
  },
};
