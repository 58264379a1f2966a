import { readdirSync } from 'node:fs';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import { importX } from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { ownLines } from './scripts/lint/ownLines.mjs';
import { zones } from './scripts/lint/rooms.mjs';

/** Dependencies run one way: core <- contract <- server, and core <- contract <- web. */
const forbid = (...patterns) => ({
  'no-restricted-imports': [
    'error',
    { patterns: patterns.map(([group, message]) => ({ group, message })) },
  ],
});

const FEATURES = readdirSync(new URL('web/src/features', import.meta.url));

const NO_FRAMEWORKS = [
  ['react', 'react-*', '@mui/*', 'express', 'joi', 'node:*', '@gullwind/*'],
  'The core knows no interface, no I/O and no other workspace.',
];

const OF_THE_PAGE = [
  [['express', 'node:*', '@gullwind/server'], 'The page knows core and contract.'],
  [
    FEATURES.map((name) => `**/${name}/*`),
    'Features reach each other only through their index.ts.',
  ],
];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'data/**', '.cache/**', 'coverage/**'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      eqeqeq: 'error',
      'no-console': 'error',
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['core/src/**', 'contract/src/**', 'server/src/**', 'cli/src/**', 'web/src/**'],
    plugins: { 'import-x': importX, house: { rules: { 'own-lines': ownLines } } },
    settings: {
      ...importX.flatConfigs.typescript.settings,
      'import-x/resolver-next': [createTypeScriptImportResolver({ project: 'tsconfig.json' })],
    },
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      complexity: ['error', { max: 12, variant: 'modified' }],
      'house/own-lines': ['error', { max: 40 }],
      'import-x/no-cycle': 'error',
      'import-x/no-restricted-paths': ['error', { zones }],
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    files: ['web/src/**'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
    },
  },
  { files: ['core/src/**'], rules: forbid(NO_FRAMEWORKS) },
  {
    files: ['core/src/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'setTimeout',
        'Date',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Take the random source as an argument.' },
      ],
    },
  },
  {
    files: ['contract/src/**'],
    rules: forbid([
      ['react', '@mui/*', 'express', 'node:*', '@gullwind/server', '@gullwind/web'],
      'The contract knows only the core.',
    ]),
  },
  {
    files: ['server/src/**'],
    rules: forbid([['react', '@mui/*', '@gullwind/web'], 'The server knows core and contract.']),
  },
  {
    files: ['cli/src/**'],
    rules: forbid([
      ['react', '@mui/*', 'express', '@gullwind/server', '@gullwind/web'],
      'Commands know core and contract.',
    ]),
  },
  { files: ['web/src/**'], rules: forbid(...OF_THE_PAGE) },
  {
    files: ['web/src/features/*/model/**'],
    rules: forbid(...OF_THE_PAGE, [
      ['react', 'react-*', '@mui/*', 'notistack', '**/*.tsx'],
      'A model decides what is shown and done; components draw and do it.',
    ]),
  },
  {
    files: ['scripts/**', 'bench/**', 'server/src/**/main.ts', '**/*.mjs'],
    rules: { 'no-console': 'off' },
  },
);
