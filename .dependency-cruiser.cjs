/**
 * The import rule: arrows point one way. Inside the core
 *   text → vocabulary → pattern → reading → counting → deciding → explaining → style → materials → document → shape → checks → fixes → report → terms → overview → comparing → querying → publishing → bench → training → planning
 * each folder knows only those before it; the core knows nothing outside itself but Zod.
 */
const order = [
  'text',
  'vocabulary',
  'pattern',
  'reading',
  'counting',
  'deciding',
  'explaining',
  'style',
  'materials',
  'document',
  'shape',
  'checks',
  'fixes',
  'report',
  'terms',
  'overview',
  'comparing',
  'querying',
  'publishing',
  'bench',
  'training',
  'planning',
];

const down = order.map((folder, i) => ({
  name: `core-${folder}-knows-only-what-comes-before`,
  severity: 'error',
  from: { path: `^src/core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^src/core/(${[...order.slice(i + 1), 'index'].join('|')})` },
}));

module.exports = {
  forbidden: [
    ...down,
    {
      name: 'core-stands-alone',
      comment: 'Pure TypeScript: no interface, no server, no database, no Node.',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: ['^src/core/', '^node_modules/zod/'] },
    },
    {
      name: 'core-through-its-face',
      comment: 'Everything outside uses the core through its index, and the worker fetches what few need by itself.',
      severity: 'error',
      from: { path: '^src/(?!core/)' },
      to: { path: '^src/core/(?!(?:index|onRequest|fixing|understanding|checking|series)\\.ts$)' },
    },
    {
      name: 'terminal-knows-only-the-core-and-files',
      severity: 'error',
      from: { path: '^src/cli/' },
      to: { path: '^src/(lib/(?!server/(backups|documents|files|publishing)/)|routes/)' },
    },
    {
      name: 'components-know-no-crochet',
      severity: 'error',
      from: { path: '^src/lib/components/' },
      to: { path: '^src/(core|lib/(desk|shelf|server|workers)|routes)/' },
    },
    {
      name: 'server-stays-on-the-server',
      severity: 'error',
      from: { path: '^src/lib/(?!server/)', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/lib/server/' },
    },
    {
      name: 'routes-are-the-top',
      severity: 'error',
      from: { path: '^src/(core|lib|cli)/' },
      to: { path: '^src/routes/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.svelte'] },
  },
};
