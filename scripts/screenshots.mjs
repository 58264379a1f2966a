import { ensureBrowser } from './lib/browserInstall.mjs';
import { ensureBuilt, ensurePackages, run } from './lib/project.mjs';

ensurePackages();
ensureBrowser();
ensureBuilt();
run(process.execPath, ['--import', 'tsx', 'e2e/takeScreenshots.ts']);
