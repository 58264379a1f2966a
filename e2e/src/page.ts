import type { Rig } from '@gullwind/core';
import { By, Key, Origin, until, type WebDriver, type WebElement } from 'selenium-webdriver';

export const WAIT_MS = 30_000;
/** How often it is looked for what is waited for. */
const LOOK_EVERY_MS = 100;

/** The pages as a person sees and handles them: waits are for what that person waits for. */
export class Page {
  constructor(
    readonly driver: WebDriver,
    readonly address: string,
  ) {}

  async open(path: string): Promise<void> {
    await this.driver.get(this.address + path.replace(/^\//u, ''));
  }

  find(css: string): Promise<WebElement> {
    return this.driver.wait(until.elementLocated(By.css(css)), WAIT_MS, css, LOOK_EVERY_MS);
  }

  findText(tag: string, text: string): Promise<WebElement> {
    const path = `//${tag}[contains(normalize-space(.), "${text}")]`;
    return this.driver.wait(until.elementLocated(By.xpath(path)), WAIT_MS, path, LOOK_EVERY_MS);
  }

  async click(css: string): Promise<void> {
    await this.eventually(css, async () => {
      await (await this.find(css)).click();
      return true;
    });
  }

  async press(...keys: string[]): Promise<void> {
    for (const key of keys) await this.driver.actions().sendKeys(key).perform();
  }

  async chord(modifier: string, key: string): Promise<void> {
    await this.driver.actions().keyDown(modifier).sendKeys(key).keyUp(modifier).perform();
  }

  /** Waits until a question about the page is answered with something other than null or false. */
  async eventually<T>(what: string, ask: () => Promise<T | null | false>): Promise<T> {
    const answer = await this.driver.wait(
      async () => {
        try {
          return await ask();
        } catch (error) {
          // The element was replaced while it was read.
          if ((error as Error).name === 'StaleElementReferenceError') return null;
          throw error;
        }
      },
      WAIT_MS,
      what,
      LOOK_EVERY_MS,
    );
    return answer as T;
  }

  /** Waits until something stays where it is: what comes in beside it has come. */
  async atRest(css: string): Promise<WebElement> {
    let before = '';
    return this.eventually(`${css} at rest`, async () => {
      const element = await this.find(css);
      const now = JSON.stringify(await element.getRect());
      if (now === before) return element;
      before = now;
      return null;
    });
  }

  async textOf(css: string): Promise<string> {
    return (await this.find(css)).getText();
  }

  /** Treble against straight in, as the page shows it, dB. */
  async trebleDb(): Promise<number> {
    return readDb(await this.textOf('[data-testid="treble"]'));
  }

  /** Waits for the treble figure to leave a value, and gives the new one. */
  trebleOtherThan(before: number): Promise<number> {
    return this.eventually(`treble other than ${before}`, async () => {
      const now = await this.trebleDb();
      return now === before ? null : { now };
    }).then(({ now }) => now);
  }

  async saved(): Promise<void> {
    await this.find('[data-save="saved"]');
  }

  /** Waits until the selected stop of the Run begins with these words. */
  async selected(words: string): Promise<void> {
    await this.find(`[role="option"][aria-selected="true"][aria-label^="${words}"]`);
  }

  /** Waits until the field of this label has the focus. */
  async focused(label: string): Promise<void> {
    await this.eventually(`focus on ${label}`, async () => {
      const [active, input] = [this.driver.switchTo().activeElement(), await this.inputOf(label)];
      return (await active.getAttribute('id')) === (await input.getAttribute('id'));
    });
  }

  async drag(element: WebElement, dx: number): Promise<void> {
    const moves = this.driver.actions({ async: true }).move({ origin: element }).press();
    // Relative to the pointer: what is dragged moves along.
    for (let step = 0; step < 4; step++) {
      moves.move({ origin: Origin.POINTER, x: Math.round(dx / 4), y: 0, duration: 40 });
    }
    await moves.release().perform();
  }

  async typeInto(label: string, text: string): Promise<WebElement> {
    const input = await this.inputOf(label);
    await input.click();
    await input.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER);
    return input;
  }

  /** Opens one of the sides of the middle column. */
  async lookAt(side: 'now' | 'states' | 'scenes' | 'advice' | 'pins'): Promise<void> {
    await this.click(`[aria-label="What to look at"] [value="${side}"]`);
  }

  /** Gives the server a rig that nobody built by hand. */
  async keep(id: string, rig: Rig): Promise<void> {
    const answer = await fetch(`${this.address}api/rigs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ id, rig }),
    });
    if (!answer.ok) throw new Error(await answer.text());
  }

  /** Adds a pedal after the selection by typing a part of its kind, and waits until it is selected. */
  async addPedal(kind: string): Promise<void> {
    await this.press('a');
    await this.find('[role="dialog"] input');
    await this.press(`typical ${kind}`);
    await this.findText('li', kind);
    await this.press(Key.ENTER);
    await this.find(`[role="option"][aria-selected="true"][aria-label*="${kind}"]`);
    // What is typed next is not for the list that is going.
    await this.eventually(
      'no dialog',
      async () => (await this.driver.findElements(By.css('[role="dialog"]'))).length === 0,
    );
  }

  /** Steps on by Tab until what has the focus is called so. */
  async tabTo(name: string, most = 80): Promise<void> {
    for (let step = 0; step < most; step++) {
      const active = this.driver.switchTo().activeElement();
      const called = (await active.getAttribute('aria-label')) ?? (await active.getText());
      if (called.trim().startsWith(name)) return;
      await this.press(Key.TAB);
    }
    throw new Error(`“${name}” was not reached in ${most} steps`);
  }

  /** Lets a file go over the page, as a hand would that drags it in. */
  async drop(name: string, text: string): Promise<void> {
    await this.driver.executeAsyncScript(
      `const [name, text, done] = arguments;
       const data = new DataTransfer();
       data.items.add(new File([text], name));
       const send = (target, kind) =>
         target.dispatchEvent(new DragEvent(kind, { bubbles: true, cancelable: true, dataTransfer: data }));
       send(document.querySelector('main'), 'dragenter');
       // With time between them, as a hand takes: what a drag shows is gone once it is over.
       const carry = setInterval(() => {
         const place = document.querySelector('[data-testid="drop-place"]');
         if (!place) return;
         clearInterval(carry);
         ['dragenter', 'dragover', 'drop'].forEach((kind, i) => setTimeout(() => {
           send(place, kind);
           if (kind === 'drop') done();
         }, 80 * i));
       }, 20);`,
      name,
      text,
    );
  }

  /** From now on files that leave the page are kept to be read instead. */
  async watchDownloads(): Promise<void> {
    await this.driver.executeScript(`
      window.leftFiles = [];
      let text = null;
      const create = URL.createObjectURL;
      URL.createObjectURL = (blob) => {
        text = blob.text();
        return create.call(URL, blob);
      };
      const dispatch = EventTarget.prototype.dispatchEvent;
      HTMLAnchorElement.prototype.dispatchEvent = function (event) {
        if (event.type !== 'click' || !this.download) return dispatch.call(this, event);
        const entry = { name: this.download, text: null };
        window.leftFiles.push(entry);
        text.then((read) => (entry.text = read));
        return true;
      };`);
  }

  /** Those that were read to their end. */
  async downloads(): Promise<readonly { readonly name: string; readonly text: string }[]> {
    return this.driver.executeScript('return window.leftFiles.filter(({ text }) => text !== null)');
  }

  /** Chooses in a plain list by the words of the option. */
  async choose(label: string, words: string): Promise<void> {
    const select = await this.inputOf(label);
    await select.findElement(By.xpath(`./option[normalize-space(.)="${words}"]`)).click();
  }

  /** The same in a list that only its title names. */
  async chooseIn(title: string, words: string): Promise<void> {
    const select = await this.find(`select[aria-label="${title}"]`);
    await select.findElement(By.xpath(`./option[normalize-space(.)="${words}"]`)).click();
  }

  async inputOf(label: string): Promise<WebElement> {
    const labelled = await this.driver.wait(
      until.elementLocated(By.xpath(`//label[normalize-space(.)="${label}"]`)),
      WAIT_MS,
      `label ${label}`,
      LOOK_EVERY_MS,
    );
    return this.driver.findElement(By.id((await labelled.getAttribute('for'))!));
  }
}

export function readDb(text: string): number {
  return Number(text.replace('−', '-').replace(/[^\d.-]/gu, ''));
}

export const PIT_BOARD = '5d0c7f6e-1a51-4c1e-9a01-000000000001';
export const STORM_BOARD = '5d0c7f6e-1a51-4c1e-9a01-000000000002';
export const TAVERN_BOARD = '5d0c7f6e-1a51-4c1e-9a01-000000000003';
export const RICH_BOARD = '5d0c7f6e-1a51-4c1e-9a01-000000000009';
