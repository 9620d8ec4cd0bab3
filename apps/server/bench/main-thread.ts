import { chromium } from '@playwright/test';
import { CHROMIUM } from '../../../e2e/browser';

/** Main-thread time of a screen in Debian's Chromium, milliseconds. */
export interface MainThread {
  /** Script, style and layout of the renderer's main thread, median. */
  readonly busy: number;
  /** Longest single task of the median's run. */
  readonly longest: number;
}

const TIMES = 9;

/**
 * What a screen costs the browser when it is come to from another one, with the program loaded already.
 * @param from address of the other screen
 * @param link text of the link that leads to it
 * @param there text that stands on it when it is done
 */
export async function mainThreadOf(
  base: string,
  cookies: readonly string[],
  { from, link, there }: { readonly from: string; readonly link: string; readonly there: RegExp },
): Promise<MainThread> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addCookies(
      cookies.map((c) => ({ name: c.slice(0, c.indexOf('=')), value: c.slice(c.indexOf('=') + 1), url: base })),
    );
    const page = await context.newPage();
    await page.addInitScript({
      content: `globalThis.longTasks = [];
        new PerformanceObserver((l) => longTasks.push(...l.getEntries().map((e) => e.duration))).observe({ type: 'longtask' });`,
    });
    const cdp = await context.newCDPSession(page);
    await cdp.send('Performance.enable');
    const busySoFar = async (): Promise<number> => {
      const { metrics } = await cdp.send('Performance.getMetrics');
      return 1000 * metrics.find((m) => m.name === 'TaskDuration')!.value;
    };
    const runs: MainThread[] = [];
    for (let i = 0; i < TIMES; i++) {
      await page.goto(base + from, { waitUntil: 'networkidle' });
      // Once there and back: what is measured is the screen, not the loading of its code.
      await page.getByRole('link', { name: link, exact: true }).first().click();
      await page.getByText(there).first().waitFor();
      await page.goBack({ waitUntil: 'networkidle' });
      await page.waitForTimeout(500);
      await page.evaluate(() => void ((globalThis as unknown as { longTasks: number[] }).longTasks.length = 0));
      const before = await busySoFar();
      await page.getByRole('link', { name: link, exact: true }).first().click();
      await page.getByText(there).first().waitFor();
      await page.waitForTimeout(500);
      const busy = (await busySoFar()) - before;
      const long = await page.evaluate(() => (globalThis as unknown as { longTasks: number[] }).longTasks);
      runs.push({ busy, longest: Math.max(0, ...long) });
    }
    return runs.sort((a, b) => a.busy - b.busy)[Math.floor(TIMES / 2)]!;
  } finally {
    await browser.close();
  }
}
