/** Arrows run one way: core <- contract, decode <- apps; apps do not import each other. */
const apps = ['server', 'web', 'cli', 'practice-host'];

/** Folders from the ground up: each imports those before it, types included, and none behind it. */
const floors = {
  'packages/core/src': [
    ...['memo', 'base', 'colour', 'tree', 'css', 'value', 'page', 'picture', 'paint', 'check', 'component', 'look'],
    ...[
      'palette',
      'handover',
      'parts',
      'incremental',
      'ledger',
      'sheet',
      'what-if',
      'session',
      'remedy',
      'report',
      'site',
    ],
    ...['testing', 'entries'],
  ],
  'packages/core/src/css': [
    ...['syntax', 'selector', 'conditions', 'values', 'property', 'shorthand', 'sheet', 'cascade', 'explain'],
  ],
  'apps/web/src': [
    ...['theme', 'shell', 'api', 'engine', 'frame', 'anew', 'assets', 'measuring', 'preview', 'ledger', 'style'],
    ...['palette', 'showing', 'handover', 'sites', 'survey'],
  ],
  'apps/web/src/style': ['look', 'saving', 'site', 'checks', 'frames', 'reach', 'grid', 'editor', 'bench'],
  'apps/server/src': [
    ...[
      'database',
      'http',
      'owners',
      'storage',
      'work',
      'pictures',
      'palettes',
      'finishes',
      'sites',
      'assets',
      'components',
      'pages',
    ],
    ...['handovers', 'health', 'measuring', 'jobs', 'demo', 'web'],
  ],
};

const inside = (root, names) => `^${root}/(${names.join('|')})/`;
const noTests = '\\.test\\.tsx?$|/testing/';
const floorRules = Object.entries(floors).flatMap(([root, names]) => [
  {
    name: `floor-of-${root}`,
    severity: 'error',
    comment: 'A new folder is put into the list of floors, above what it imports.',
    from: { path: `^${root}/[^/]+/`, pathNot: inside(root, [...names, 'testing']) },
    to: {},
  },
  ...names.slice(0, -1).map((name, i) => ({
    name: `${root}/${name}-imports-downwards`,
    severity: 'error',
    from: { path: inside(root, [name]), pathNot: noTests },
    to: { path: inside(root, names.slice(i + 1)) },
  })),
]);

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
      name: 'behaviours-stand-alone',
      severity: 'error',
      comment: 'They run on sites of others, with nothing of ours.',
      from: { path: '^packages/behaviours/' },
      to: { path: '^(packages/(core|contract|decode)|apps)/' },
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
      to: { circular: true },
    },
    ...floorRules,
  ],
  options: {
    doNotFollow: { path: 'node_modules|/dist/' },
    exclude: { path: '/dist(-types)?/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'node', 'default', 'types'] },
  },
};
