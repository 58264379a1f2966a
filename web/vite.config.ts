import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const SERVER = `http://127.0.0.1:${process.env.GULLWIND_PORT ?? 4870}`;

/** Large packages that several views share, each in a file of its own so that it is kept between releases. */
function chunkOf(id: string): string | undefined {
  if (!id.includes('node_modules')) return undefined;
  if (/recharts|victory-vendor|d3-/u.test(id)) return 'charts';
  if (/@mui\/(?!x-)|@emotion/u.test(id)) return 'interface';
  if (/react-router|react-redux|@reduxjs|immer|reselect|[\\/]react(-dom)?[\\/]|scheduler/u.test(id))
    return 'react';
  return undefined;
}

export default defineConfig({
  plugins: [react()],
  root: import.meta.dirname,
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 700,
    rollupOptions: { output: { manualChunks: chunkOf } },
  },
  server: { proxy: { '/api': SERVER } },
});
