import eslint from '@eslint/js';
import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier/flat';
import tseslint from 'typescript-eslint';

/** What each room may not import: core ← contract ← server, and core, contract ← web. */
const ROOMS = 'Imports go core ← contract ← server, and core, contract ← web.';
const forbid = (...group) => ({
  'no-restricted-imports': ['error', { patterns: [{ group, message: ROOMS }] }],
});
const SERVER_ONLY = ['express*', 'typeorm', 'mysql2', 'pino*', 'helmet', '@node-rs/*'];
const WEB_ONLY = ['@angular/*', 'rxjs', 'chart.js', '@ng-icons/*'];

const CORE_MAY_NOT = ['@yandle/*', 'node:*', 'joi', '**/contract/**', '**/apps/**', ...SERVER_ONLY, ...WEB_ONLY];
/** Folders of core from left to right: each imports from those before it only, so that no circle can form. */
const CORE_FOLDERS = [
  'math',
  'anatomy',
  'technique',
  'catalogue',
  'schedule',
  'dose',
  'figure',
  'instruments',
  'measuring',
  'screening',
  'styles',
  'trend',
  'session',
  'planning',
  'composing',
  'routine',
  'review',
  'formats',
  'words',
];
/** What a folder of core may not import: the rooms, the folders to its right, and single files of the catalogue's data. */
const coreFolder = (folder, at) => {
  const later = CORE_FOLDERS.slice(at + 1);
  const patterns = [
    { group: CORE_MAY_NOT, message: ROOMS },
    ...(later.length > 0
      ? [
          {
            regex: `^(\\.\\./)+(${later.join('|')})/`,
            message: `core/${folder} imports only from folders to its left: ${CORE_FOLDERS.slice(0, at).join(', ') || 'none'}.`,
          },
        ]
      : []),
    ...(folder === 'catalogue'
      ? []
      : [
          {
            regex: 'catalogue/(exercises|rom)/',
            message: 'Reach the catalogue’s data through exercises.ts and tests.ts.',
          },
        ]),
  ];
  return {
    files: [`packages/core/src/${folder}/**/*.ts`],
    ignores: ['**/*.spec.ts', '**/*.fixture.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns }] },
  };
};

/** The time comes from the request or the clock that is passed in. */
const CLOCK = [
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'Take the moment of the request: data.now or contextOf(res).now.',
  },
  {
    selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
    message: 'Take the moment of the request, or a Clock that is passed in.',
  },
];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '**/.angular/**', '.data/**', '**/coverage/**', '.test-output/**'] },
  {
    files: ['**/*.ts'],
    extends: [eslint.configs.recommended, tseslint.configs.recommendedTypeChecked],
    languageOptions: {
      parserOptions: {
        projectService: true,
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/unbound-method': 'off',
      'no-console': 'error',
    },
  },
  {
    files: ['packages/core/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/*.config.ts'],
    rules: forbid(...CORE_MAY_NOT),
  },
  ...CORE_FOLDERS.map(coreFolder),
  {
    files: ['packages/contract/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/*.config.ts'],
    rules: forbid(
      '@yandle/server*',
      '@yandle/web*',
      'node:*',
      '**/apps/**',
      '**/core/src/**',
      ...SERVER_ONLY,
      ...WEB_ONLY,
    ),
  },
  {
    files: ['apps/server/**/*.ts'],
    rules: forbid('@yandle/web*', '**/apps/web/**', '**/packages/**', ...WEB_ONLY),
  },
  {
    files: ['apps/server/src/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/clock.ts', '**/database/**', '**/accounts/**', '**/demo/**', '**/http/health.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'MemberExpression[property.name=/^(manager|createQueryBuilder|createQueryRunner|getRepository)$/]',
          message: 'Features reach the database through StudioData only.',
        },
        {
          selector: "CallExpression[callee.property.name='where']",
          message: 'where() would replace the studio’s scope: narrow StudioData.rows() with andWhere().',
        },
        ...CLOCK,
      ],
    },
  },
  {
    files: ['apps/server/src/{database,accounts}/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: { 'no-restricted-syntax': ['error', ...CLOCK] },
  },
  {
    files: ['apps/web/**/*.ts'],
    extends: [angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      ...forbid(
        '@yandle/server*',
        '@yandle/contract/schemas',
        'joi',
        'node:*',
        '**/apps/server/**',
        '**/packages/**',
        ...SERVER_ONLY,
      ),
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'y', style: 'kebab-case' }],
      '@angular-eslint/component-class-suffix': 'off',
    },
  },
  { files: ['apps/web/src/main.ts', 'e2e/**/*.ts', 'scripts/**/*.ts'], rules: { 'no-console': 'off' } },
  {
    files: ['**/*.spec.ts', '**/*.test.ts', 'e2e/**/*.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/require-await': 'off',
    },
  },
  {
    files: ['**/*.html'],
    extends: [angular.configs.templateRecommended, angular.configs.templateAccessibility],
    rules: {},
  },
  {
    files: ['**/*.mjs'],
    extends: [eslint.configs.recommended],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        fetch: 'readonly',
      },
    },
  },
  prettier,
);
