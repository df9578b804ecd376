import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

/** Core folders in the order the trade's work flows; each may use itself and those before it. */
const CORE = [
  'units',
  'working',
  'stock',
  'geometry',
  'standing',
  'loads',
  'job',
  'survey',
  'sharing',
  'spread',
  'checks',
  'chain',
  'shop',
  'prove',
  'options',
  'formats',
  'reference',
];

const oneWay = CORE.map((folder, i) => ({
  files: [`packages/core/src/${folder}/**/*.ts`],
  ignores: ['**/*.spec.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          ...CORE.slice(i + 1).map((later) => ({
            group: [`../${later}/*`, `@core/${later}/*`],
            message: `${folder} comes before ${later}: imports go one way (docs/architecture.md)`,
          })),
          {
            group: ['@angular/*', '@ngrx/*', 'rxjs', 'node:*', 'express', 'better-sqlite3', '../testing/*'],
            message: 'the core is pure: no interface, no Node, no I/O',
          },
        ],
      },
    ],
    'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage', 'Buffer', 'require'],
  },
}));

/** A check asks the resolved job and its demand, never the document nor where a figure came from: so by hand and as solved run one path. */
const resolvedOnly = {
  files: ['packages/core/src/checks/**/*.ts', 'packages/core/src/sharing/**/*.ts'],
  ignores: ['**/*.spec.ts'],
  rules: {
    'no-restricted-syntax': [
      'error',
      { selector: "MemberExpression[property.name='job']", message: 'a check reads the resolved job, not the document' },
      {
        selector: "VariableDeclarator > ObjectPattern > Property[key.name='job']",
        message: 'a check reads the resolved job, not the document',
      },
    ],
  },
};
/** Only the demand knows whether a figure was solved. */
const eitherWay = {
  files: ['packages/core/src/checks/**/*.ts'],
  ignores: ['**/*.spec.ts', 'packages/core/src/checks/demand/**'],
  rules: {
    'no-restricted-syntax': [
      'error',
      ...resolvedOnly.rules['no-restricted-syntax'].slice(1),
      {
        selector: "MemberExpression[property.name='solved']",
        message: 'a check takes its demand as it comes, by hand or as solved',
      },
    ],
  },
};

const away = (files, groups, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group: groups, message }] }] },
});

export default tseslint.config(
  { ignores: ['dist/', 'node_modules/', '.angular/', 'data/', 'test-results/', 'playwright-report/', 'packages/core/wasm/'] },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommended],
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
    },
  },
  { files: ['**/*.spec.ts'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
  {
    files: ['**/*.ts'],
    rules: {
      eqeqeq: 'error',
      'no-console': 'off',
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      complexity: ['error', 26],
    },
  },
  ...oneWay,
  resolvedOnly,
  eitherWay,
  away(
    ['packages/paper/**/*.ts'],
    ['@angular/*', '**/apps/*', 'express', 'better-sqlite3'],
    'paper uses the core only: server and command line make the same sheets',
  ),
  away(['apps/server/**/*.ts'], ['@angular/*', '../../web/*', '../../cli/*'], 'the server uses the core and paper only'),
  away(['apps/cli/**/*.ts'], ['@angular/*', '../../web/*', '../../server/*'], 'the command line uses the core and paper only'),
  away(
    ['apps/web/**/*.ts'],
    ['node:*', 'express', 'better-sqlite3', '@paper/*', '../../server/*', '../../cli/*'],
    'the web uses the core only',
  ),
  {
    files: ['apps/web/src/app/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: { '@angular-eslint/component-selector': 'off', '@angular-eslint/component-class-suffix': 'off' },
  },
  {
    files: ['apps/web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
);
