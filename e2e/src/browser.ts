import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Browser, Builder, By, Key, error, logging, type WebDriver, type WebElement } from 'selenium-webdriver';
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--hide-scrollbars',
  '--force-color-profile=srgb',
  '--lang=en-GB',
  // Somebody who asked for less motion: nothing fades between two looks, and a page is painted half as often.
  '--force-prefers-reduced-motion',
  '--disable-smooth-scrolling',
  // A page that was left is not kept alive behind the next, no process stands ready for one that may come, and the
  // browser draws no lists of its own that nobody sees.
  '--disable-features=BackForwardCache,SpareRendererForSitePerProcess,WebUIOmniboxPopup,WebUIOmniboxAimPopup',
];

/** How long a page may take to show what is waited for, ms: a machine that others use too is slow at times. */
export const PATIENCE_MS = 20_000;
/** How long each answer is held up, ms, and how many times slower a page works, where a run is to show what is looked at too soon. */
const LATENCY_MS = Number(process.env['LATENCY_MS'] ?? 0);
const SLOWER = Number(process.env['SLOWER'] ?? 1);
/** How often it is looked for, ms. */
const LOOK_MS = 50;

/** What the driver says of an element that a redraw took away, or moved under something that stays in its place. */
const MEANWHILE = [error.StaleElementReferenceError, error.ElementClickInterceptedError];

/** Whether an element is to be seen: drawn, and of some size, itself or what it holds. */
const IS_SEEN = `
const isOfSize = (e) => { const { width, height } = e.getBoundingClientRect(); return width > 0 && height > 0; };
const isSeen = (e) => e.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
  (isOfSize(e) || [...e.querySelectorAll('*')].some(isOfSize));`;
const ALL_BY_XPATH = `(() => {
  const found = document.evaluate(asked, within, null, XPathResult.ORDERED_NODE_SNAPSHOT_TYPE);
  return Array.from({ length: found.snapshotLength }, (_, i) => found.snapshotItem(i));
})()`;

/** A headless browser of 1280 by 800 with words for what a technician does with it. */
export class Bench {
  private constructor(
    readonly driver: WebDriver,
    private readonly profile: string,
    readonly address: string,
  ) {}

  /**
   * @param flags what this browser is started with beside the usual
   * @param settings a person's own, as the browser's settings page would write them
   * @param keepsShell whether its first page may keep the application for times without a network: fetching and
   * compiling all of it takes longer than most tests
   */
  static async open(
    address: string,
    size = { width: 1280, height: 800 },
    flags: readonly string[] = [],
    settings: Readonly<Record<string, unknown>> = {},
    keepsShell = false,
  ): Promise<Bench> {
    const profile = mkdtempSync(join(tmpdir(), 'warm-jar-chromium-'));
    const options = new Options();
    options.addArguments(...FLAGS, ...flags, `--user-data-dir=${profile}`);
    options.setUserPreferences(settings);
    options.setChromeBinaryPath(process.env['CHROMIUM'] ?? '/usr/bin/chromium');
    const preferences = new logging.Preferences();
    preferences.setLevel(logging.Type.BROWSER, logging.Level.ALL);
    options.setLoggingPrefs(preferences);
    const driver = await new Builder()
      .forBrowser(Browser.CHROME)
      .setChromeOptions(options)
      .setChromeService(new ServiceBuilder(process.env['CHROMEDRIVER'] ?? '/usr/bin/chromedriver'))
      .build();
    const bench = new Bench(driver, profile, address);
    await bench.resize(size);
    await bench.slowly();
    if (!keepsShell)
      await bench.devTools('Page.addScriptToEvaluateOnNewDocument', {
        source: 'delete Navigator.prototype.serviceWorker',
      });
    return bench;
  }

  /** Another browser before the same studio, with nothing of this one's. */
  another(): Promise<Bench> {
    return Bench.open(this.address);
  }

  async resize({ width, height }: { width: number; height: number }): Promise<void> {
    await this.devTools('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false });
  }

  /** Files the page gives out land in this folder. */
  async saveInto(folder: string): Promise<void> {
    await this.devTools('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
  }

  /**
   * A page of a slow machine, where it is asked for: what a test looks at before the view has come shows here, and on a
   * quick machine once in a hundred runs.
   */
  private async slowly(): Promise<void> {
    if (LATENCY_MS > 0) await this.offline(false);
    if (SLOWER > 1) await this.devTools('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  }

  /** Cuts this browser's network, or joins it again. */
  async offline(cut: boolean): Promise<void> {
    await this.devTools('Network.enable', {});
    await this.devTools('Network.emulateNetworkConditions', {
      offline: cut,
      latency: LATENCY_MS,
      downloadThroughput: -1,
      uploadThroughput: -1,
    });
  }

  /** Takes on what a system asks for: forced colours, less motion, paper. */
  async emulate(features: Readonly<Record<string, string>>, media = ''): Promise<void> {
    await this.devTools('Emulation.setEmulatedMedia', {
      media,
      features: Object.entries(features).map(([name, value]) => ({ name, value })),
    });
  }

  /** What the browser tells of itself by its tools for developers. */
  async ask<T>(name: string, values: object = {}): Promise<T> {
    const driver = this.driver as WebDriver & {
      sendAndGetDevToolsCommand: (name: string, values: object) => Promise<unknown>;
    };
    return (await driver.sendAndGetDevToolsCommand(name, values)) as T;
  }

  private async devTools(name: string, values: object): Promise<void> {
    await (
      this.driver as WebDriver & { sendDevToolsCommand: (name: string, values: object) => Promise<void> }
    ).sendDevToolsCommand(name, values);
  }

  async go(path: string): Promise<void> {
    await this.driver.get(`${this.address}${path}`);
  }

  /** Goes to another place as links do: nothing is loaded anew where the application stands already. */
  async goOn(path: string): Promise<void> {
    if (!(await this.driver.getCurrentUrl()).startsWith(this.address)) return this.go(path);
    await this.driver.executeAsyncScript(
      `const [path, done] = arguments;
       document.querySelector('#app').__vue_app__.config.globalProperties.$router.push(path).then(() => done(), () => done());`,
      path,
    );
  }

  /** Waits until something is so, and gives what it is. */
  private async until<T>(isSo: () => Promise<T>, message: string): Promise<T> {
    return (await this.driver.wait(isSo, PATIENCE_MS, message, LOOK_MS)) as T;
  }

  /** Waits for something to be there to be seen; what a redraw takes away meanwhile is looked for again. */
  async see(css: string): Promise<WebElement> {
    const found = await this.until(
      () => this.seenNow('document.querySelectorAll(asked)', css),
      `nothing to be seen at ${css}`,
    );
    return found!;
  }

  /**
   * The first of some elements that is to be seen, looked for by the page itself: the driver's own ways to tell what is
   * displayed and what a page says take as long as all that the page does.
   * @param all an expression for the elements: of `asked`, and of the place that they lie in, `within`
   */
  private async seenNow(all: string, asked: string, within?: WebElement): Promise<WebElement | null> {
    const script = `${IS_SEEN} const [asked, within] = arguments; return [...${all}].find(isSeen) ?? null;`;
    return this.driver.executeScript<WebElement | null>(script, asked, within).catch(() => null);
  }

  /** Waits until the page's text holds these words. */
  async read(words: string | RegExp): Promise<void> {
    await this.until(async () => {
      const text = await this.driver
        .executeScript<string>('return document.body.innerText.replace(/[^\\S\\n]+/g, " ")')
        .catch(() => '');
      return typeof words === 'string' ? text.includes(words) : words.test(text);
    }, `the page never says ${words.toString()}`);
  }

  /** Waits until something is no longer there. */
  async gone(css: string): Promise<void> {
    await this.until(async () => (await this.driver.findElements(By.css(css))).length === 0, `${css} stays`);
  }

  /** Waits until the page stands at this path: a view comes when its files are there. */
  async at(path: string | RegExp): Promise<void> {
    await this.until(async () => {
      const { pathname } = new URL(await this.driver.getCurrentUrl());
      return typeof path === 'string' ? pathname === path : path.test(pathname);
    }, `the page never stands at ${path.toString()}`);
  }

  async text(css: string): Promise<string> {
    return (await this.see(css)).getText();
  }

  async tap(css: string): Promise<void> {
    const element = await this.see(css);
    await this.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element);
    await element.click();
  }

  /** Taps a button or link by its words, within a place on the page. */
  async tapWords(words: string, within = 'body'): Promise<void> {
    const place = await this.see(within);
    const xpath = `.//*[self::button or self::a or @role="option" or @role="tab"][contains(normalize-space(.), "${words}")]`;
    const element = await this.until(() => this.seenNow(ALL_BY_XPATH, xpath, place), `nothing to tap says "${words}"`);
    await this.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element);
    await element!.click();
  }

  /** Replaces what stands in a field; done again where the field went or moved meanwhile. */
  async type(css: string, text: string): Promise<void> {
    const until = Date.now() + PATIENCE_MS;
    for (;;) {
      try {
        await this.typeOnce(css, text);
        return;
      } catch (cause) {
        if (!MEANWHILE.some((moved) => cause instanceof moved) || Date.now() > until) throw cause;
      }
    }
  }

  private async typeOnce(css: string, text: string): Promise<void> {
    const element = await this.see(css);
    await this.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element);
    await element.click();
    await element.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    await element.sendKeys(text);
  }

  async press(...keys: string[]): Promise<void> {
    await this.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  }

  /** A key pressed while another is held. */
  async pressWith(held: string, key: string): Promise<void> {
    await this.driver.actions().keyDown(held).sendKeys(key).keyUp(held).perform();
  }

  /** Opens a list and picks the option with these words. */
  async pick(css: string, words: string): Promise<void> {
    await this.tap(css);
    await this.tapWords(words, '.p-select-overlay');
    await this.gone('.p-select-overlay');
  }

  async valueOf(css: string): Promise<string> {
    return this.driver.executeScript<string>('return arguments[0].value', await this.see(css));
  }

  /**
   * Errors and warnings the page's console holds since last asked; the network's
   * own notes of a refused answer are the caller's to expect.
   */
  async complaints(): Promise<string[]> {
    const entries = await this.driver.manage().logs().get(logging.Type.BROWSER);
    return entries.filter((e) => e.level.value >= logging.Level.WARNING.value).map((e) => e.message);
  }

  async close(): Promise<void> {
    await this.driver.quit();
    rmSync(this.profile, { recursive: true, force: true });
  }
}
