/** Who may import whom; the order inside core is that of docs/architecture.md. */
const core = (folder) => `^src/core/${folder}/`;

/** For each folder of core, the folders of core it may import; all may find, work and remember. */
const inside = {
  finding: [],
  derive: [],
  number: [],
  curve: ['number'],
  symmetry: ['number', 'curve'],
  bend: ['number', 'curve'],
  words: ['number', 'curve', 'merge'],
  arrangement: ['number', 'curve'],
  merge: ['number', 'curve', 'symmetry', 'arrangement'],
  maker: ['number', 'curve', 'words', 'symmetry', 'merge', 'paint', 'scene'],
  scene: ['number', 'curve', 'symmetry'],
  paint: ['number', 'curve', 'symmetry', 'scene'],
  figure: ['number', 'curve', 'symmetry', 'bend', 'words', 'merge', 'maker', 'scene', 'paint'],
  picture: ['number', 'curve', 'symmetry', 'merge'],
  stock: ['number', 'curve', 'symmetry', 'maker', 'scene', 'paint', 'figure'],
  format: ['number', 'curve', 'symmetry', 'bend', 'words', 'merge', 'maker', 'scene', 'paint', 'figure'],
  trial: ['number', 'curve', 'symmetry', 'bend', 'merge', 'maker', 'scene', 'paint', 'figure', 'format'],
  rebuild: ['number', 'curve', 'picture', 'merge', 'maker', 'scene', 'paint', 'figure', 'format'],
  proof: [
    'number',
    'curve',
    'symmetry',
    'bend',
    'words',
    'merge',
    'maker',
    'scene',
    'paint',
    'figure',
    'format',
  ],
};

const everywhere = ['finding', 'derive'];

const ui = (folder) => `^src/ui/${folder}/`;

/** For each folder of ui, the folders of ui it may import; all may common. */
const seen = {
  common: [],
  tools: [],
  desk: ['tools'],
  colour: ['desk'],
  keys: ['tools', 'desk'],
  pane: ['tools', 'desk'],
  compare: [],
  guide: ['desk'],
  trial: ['desk'],
  import: ['tools', 'desk'],
  reach: ['tools', 'desk'],
  proof: ['desk', 'keys'],
  export: ['desk', 'proof'],
  history: ['desk', 'compare'],
  motif: ['desk', 'import'],
  inspector: ['tools', 'desk', 'colour', 'trial', 'reach', 'motif'],
  drawer: ['desk', 'inspector'],
  find: ['tools', 'desk', 'keys', 'guide', 'import', 'reach'],
  bench: ['tools', 'desk', 'colour', 'keys', 'pane', 'import', 'proof'],
  whole: ['tools', 'desk', 'pane', 'import', 'proof'],
  editor: [
    'tools',
    'desk',
    'keys',
    'guide',
    'import',
    'reach',
    'proof',
    'export',
    'history',
    'inspector',
    'drawer',
    'find',
    'bench',
    'whole',
  ],
  shelf: ['export', 'guide', 'import'],
};

/** Folders that others know by their face alone, which is their index.ts; inside one, files name one another. */
const FACED = 'src/(?:core/[^/]+|ui/[^/]+|state|worker|server)';
const TEST = '\\.test\\.tsx?$';
const FACE = ['/index\\.ts$', '\\.worker\\.ts$'];

export default {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      comment: 'core knows nothing of React, the browser, Node or the rest of ours',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: ['^src/(?!core/)', '^(node:|react|next|knex|better-sqlite3)'] },
    },
    ...Object.entries(inside).map(([folder, allowed]) => ({
      name: `core-${folder}`,
      severity: 'error',
      from: { path: core(folder), pathNot: '\\.test\\.ts$' },
      to: {
        path: '^src/core/',
        pathNot: [
          '^src/core/remembered',
          ...[folder, ...(folder === 'finding' ? [] : everywhere), ...allowed].map(core),
        ],
      },
    })),
    ...Object.entries(seen).map(([folder, allowed]) => ({
      name: `ui-${folder}`,
      severity: 'error',
      from: { path: ui(folder), pathNot: TEST },
      to: { path: '^src/ui/', pathNot: [folder, 'common', ...allowed].map(ui) },
    })),
    {
      name: 'by-its-face',
      comment:
        'What a folder offers to others is in its index.ts; what is loaded only when it is wanted is named itself.',
      severity: 'error',
      from: { path: `^(${FACED})/`, pathNot: TEST },
      to: { path: `^${FACED}/`, pathNot: ['^$1/', ...FACE], dynamic: false },
    },
    {
      name: 'by-its-face-from-elsewhere',
      severity: 'error',
      from: { path: '^(src/app|src/[^/]+\\.ts|cli|demo)', pathNot: TEST },
      to: { path: `^${FACED}/`, pathNot: FACE, dynamic: false },
    },
    {
      name: 'interface-without-server',
      severity: 'error',
      from: { path: '^src/(ui|state|worker)/' },
      to: { path: '^src/(server|app)/' },
    },
    {
      name: 'server-without-interface',
      severity: 'error',
      from: { path: '^(src/server|cli|demo)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(ui|state|app)/' },
    },
    {
      name: 'state-without-pictures',
      severity: 'error',
      from: { path: '^src/state/' },
      to: { path: '^src/ui/' },
    },
    {
      name: 'no-development-libraries',
      severity: 'error',
      from: { path: '^(src|cli)/', pathNot: '\\.test\\.tsx?$' },
      to: { dependencyTypes: ['npm-dev'], pathNot: ['tailwindcss', '^node_modules/@types/'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
};
