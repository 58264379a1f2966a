import { join } from 'node:path';

/** Every workspace is a project of its own: the same transform, another environment where it needs one. */
const shared = {
  cacheDirectory: join(import.meta.dirname, '.cache/jest'),
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
};

const project = (name, options = {}) => ({
  ...shared,
  displayName: name,
  rootDir: `<rootDir>/${name}`,
  testMatch: ['<rootDir>/**/*.test.{ts,tsx}'],
  testEnvironment: '<rootDir>/../scripts/lib/FlatEnvironment.mjs',
  ...options,
});

export default {
  projects: [
    project('core'),
    project('contract'),
    project('server'),
    project('cli'),
    project('web', { testEnvironment: '<rootDir>/test/BrowserEnvironment.mjs' }),
    project('e2e', { testMatch: ['<rootDir>/**/*.e2e.ts'] }),
  ],
  testTimeout: 180_000,
};
