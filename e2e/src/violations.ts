import { AxeBuilder } from '@axe-core/webdriverjs';
import type { WebDriver } from 'selenium-webdriver';

/**
 * What axe finds wrong with a page.
 *
 * @param isRecoloured the same view was looked at before in other colours: only contrast can have changed
 */
export async function violationsOn(
  driver: WebDriver,
  isRecoloured: boolean,
): Promise<readonly string[]> {
  // Contrast is measured on what is painted.
  await driver.executeAsyncScript('requestIdleCallback(() => arguments[0](), { timeout: 2000 })');
  // In one go: its other mode gives each step one second, which a busy machine may not have. Pages here have no frames.
  const axe = new AxeBuilder(driver).setLegacyMode();
  const { violations } = await (
    isRecoloured
      ? axe.withRules(['color-contrast'])
      : axe.options({ rules: { 'target-size': { enabled: true } } })
  ).analyze();
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`,
  );
}
