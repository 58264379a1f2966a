import concurrently from 'concurrently';
import { ensurePackages, ensureTemplate, ROOT } from './lib/project.mjs';

/** Server and page with reload: the server on 4870, the page on 5173 with /api passed on. */
ensurePackages();
ensureTemplate();
const { result } = concurrently(
  [
    { name: 'server', command: 'tsx watch server/src/main.ts --demo --data data/dev' },
    { name: 'web', command: 'vite --config web/vite.config.ts' },
  ],
  { cwd: ROOT, killOthersOn: ['failure', 'success'] },
);
await result.catch(() => process.exit(1));
