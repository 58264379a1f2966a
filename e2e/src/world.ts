import type { WebDriver } from 'selenium-webdriver';
import { openBrowser } from './browser';
import { Page } from './page';
import { startServerProcess, type ServerProcess, type ServerStart } from './serverProcess';

/** A server and a browser for one test. */
export interface World {
  readonly server: ServerProcess;
  readonly driver: WebDriver;
  readonly page: Page;
  close(): Promise<void>;
}

/** @param flags of the browser beside the usual ones */
export async function openWorld(
  start: ServerStart = {},
  flags: readonly string[] = [],
): Promise<World> {
  const server = await startServerProcess(start);
  const driver = await openBrowser(flags);
  return {
    server,
    driver,
    page: new Page(driver, server.address),
    close: async () => {
      await driver.quit();
      await server.stop();
    },
  };
}
