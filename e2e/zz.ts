import { openWorld } from './src/world';
import { savePicture, setView } from './src/browser';
import { PIT_BOARD } from './src/page';
const w = await openWorld({});
const { page, driver } = w;
try {
  await page.open(`/rigs/${PIT_BOARD}/trace`);
  await page.findText('h2', 'What is wrong?');
  await driver.sleep(500);
  await savePicture(driver, '/tmp/t1.png');
  await (await page.findText('button', 'Hum')).click();
  await page.find('[data-test]');
  await driver.sleep(1500);
  await savePicture(driver, '/tmp/t2.png');
  await page.press('n'); await driver.sleep(500);
  await page.press('y'); await driver.sleep(500);
  await page.press('n'); await driver.sleep(1200);
  await savePicture(driver, '/tmp/t3.png');
  await setView(driver, { width: 375, height: 720 });
  await driver.sleep(800);
  await savePicture(driver, '/tmp/t4.png');
} finally { await w.close(); }
