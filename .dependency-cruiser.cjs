/** Imports go downward only: app → features → ui, messages → workers, adapters → core. */
/** Tests may look at what a person reads of the thing they test. */
const test = '\\.test\\.ts$';

const layer = (name, from, to) => ({ name, severity: 'error', from, to });

module.exports = {
  forbidden: [
    layer('no-circles', {}, { circular: true }),
    layer('core-is-pure', { path: '^src/core/', pathNot: test }, { path: '^src/(?!core/)' }),
    layer(
      'core-has-no-platform',
      { path: '^src/core/', pathNot: test },
      { path: 'node_modules', pathNot: 'node_modules/(zod|d3-array)/' },
    ),
    layer('core-has-no-node', { path: '^src/core/', pathNot: test }, { dependencyTypes: ['core'] }),
    layer(
      'simulation-shares-no-costs',
      { path: '^src/core/simulate/', pathNot: test },
      { path: '^src/core/(load|causes|fixes|diagnose|belief)/' },
    ),
    layer(
      'simulation-takes-only-the-shape-of-a-card',
      { path: '^src/core/simulate/', pathNot: test },
      { path: '^src/core/(card|footage|machine)/', dependencyTypesNot: ['type-only'] },
    ),
    layer('messages-know-core-only', { path: '^src/messages/', pathNot: test }, { path: '^src/(?!core/|messages/)' }),
    layer('ui-knows-no-cards', { path: '^src/ui/' }, { path: '^src/(?!ui/)' }),
    layer(
      'adapters-below-faces',
      { path: '^src/adapters/', pathNot: test },
      { path: '^src/(app|features|ui|workers|messages)/' },
    ),
    layer('workers-below-faces', { path: '^src/workers/' }, { path: '^src/(app|features|ui|messages)/' }),
    layer(
      'browser-code-has-no-node',
      { path: '^src/(features|ui|workers|adapters/(shared|browser))/', pathNot: test },
      { dependencyTypes: ['core'] },
    ),
    layer('node-adapters-stay-off-the-page', { path: '^src/(features|ui|workers)/' }, { path: '^src/adapters/node/' }),
    layer('features-below-routes', { path: '^src/(?!app/)' }, { path: '^src/app/' }),
    layer('demo-is-data', { path: '^src/demo/' }, { path: '^src/(?!core/|demo/)' }),
    layer(
      'only-adapters-touch-dexie',
      { path: '^src/', pathNot: '^src/adapters/browser/' },
      { path: 'node_modules/dexie/' },
    ),
    layer(
      'only-adapters-touch-containers',
      { path: '^src/', pathNot: '^src/adapters/' },
      { path: 'node_modules/mediabunny/' },
    ),
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^\\.next' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'] },
  },
};
