import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const SERVER = `http://127.0.0.1:${process.env.GULLWIND_PORT ?? 4870}`;

/**
 * Packages that several views share, each group in a file of its own so that it is kept between releases. What every
 * page needs comes first: nothing of it may lie among the charts or the lists, which only some pages load.
 */
const GROUPS = [
  // What writes drawings out as text is loaded when one is saved; it lies in the same package.
  {
    name: 'markup',
    test: /react-dom.(?:cjs.react-dom-server[^\\/]*|server[^\\/]*)/u,
    isFile: true,
  },
  {
    name: 'react',
    test: /(@reduxjs|@standard-schema|@babel|clsx|cookie|hoist-non-react-statics|immer|react|react-dom|react-is|react-redux|react-router|react-transition-group|redux|redux-thunk|reselect|scheduler|set-cookie-parser|use-sync-external-store)/u,
  },
  { name: 'style', test: /(@emotion|stylis|@mui.(system|utils|styled-engine|private-theming))/u },
  { name: 'sums', test: /(d3-array|internmap|fast-deep-equal|lru-cache)/u },
  // A small thing that every page may need: not among what the stages of a rig load.
  { name: 'hints', test: /(@popperjs.core|@mui.material.(Tooltip|Popper))/u },
  { name: 'lists', test: /react-virtuoso/u },
  {
    name: 'charts',
    test: /(recharts|victory-vendor|d3-[a-z-]+|es-toolkit|decimal.js-light|eventemitter3)/u,
  },
].map(({ name, test, isFile = false }, at, all) => ({
  name,
  priority: all.length - at,
  test: new RegExp(`node_modules.${test.source}${isFile ? '$' : '[\\\\/]'}`, 'u'),
}));

export default defineConfig({
  plugins: [react()],
  root: import.meta.dirname,
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 700,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: GROUPS,
          includeDependenciesRecursively: false,
        },
      },
    },
  },
  server: { proxy: { '/api': SERVER } },
});
