import type { WebDriver } from 'selenium-webdriver';
import axe, { type AxeResults, type RunOptions } from 'axe-core';

/** By day every rule; where the same view was looked at in other colours, only contrast can have changed. */
const ALL: RunOptions = {
  resultTypes: ['violations'],
  rules: { 'target-size': { enabled: true } },
};
const COLOURS: RunOptions = {
  resultTypes: ['violations'],
  runOnly: { type: 'rule', values: ['color-contrast'] },
};

/** Contrast is measured on what is painted. */
const AT_REST = 'requestIdleCallback(() => arguments[0](), { timeout: 2000 })';
const RUN = `
  const [options, done] = arguments;
  window.axe.run(document, options).then(
    ({ violations }) => done({ violations }),
    (error) => done({ error: String(error) }),
  );
`;

/**
 * What axe finds wrong with a page. It is brought into each page once: it is large.
 *
 * @param isRecoloured the same view was looked at before in other colours
 */
export async function violationsOn(
  driver: WebDriver,
  isRecoloured: boolean,
): Promise<readonly string[]> {
  await driver.executeAsyncScript(AT_REST);
  if (!(await driver.executeScript<boolean>('return Boolean(window.axe)')))
    await driver.executeScript(axe.source);
  const { violations, error } = await driver.executeAsyncScript<
    Pick<AxeResults, 'violations'> & { readonly error?: string }
  >(RUN, isRecoloured ? COLOURS : ALL);
  if (error !== undefined) throw new Error(error);
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`,
  );
}
