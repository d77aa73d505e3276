import AxeBuilder from "@axe-core/playwright";
import { expect, test as base, type Page } from "@playwright/test";

/** Until the page's controls answer: what is pressed before is lost, as a person would see and press again. */
const usable = (page: Page) => page.waitForFunction(() => performance.getEntriesByName("usable").length > 0);

/** A page that has been gone to, or loaded again, is one that answers; nothing on it may throw, or be drawn twice because server and browser differ. */
export const test = base.extend({
  page: async ({ page }, use) => {
    const { goto, reload } = page;
    const thrown: string[] = [];
    page.on("pageerror", (e) => thrown.push(`${page.url()}: ${e.message}`));
    page.goto = async (...at) => {
      const reply = await goto.apply(page, at);
      if (page.url().startsWith("http")) await usable(page);
      return reply;
    };
    page.reload = async (...how) => {
      const reply = await reload.apply(page, how);
      await usable(page);
      return reply;
    };
    await use(page);
    expect(thrown).toEqual([]);
  },
});
export { expect, type Page };

/** What axe finds serious on a page: each rule with the first place that breaks it. */
export async function serious(page: Page): Promise<string[]> {
  // What passes is not worked out in full, and no frame is looked for, as there is none: that takes most of the time on a long page.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ["violations"] });
  const { violations } = await axe.analyze();
  return violations
    .filter((v) => v.impact === "serious" || v.impact === "critical")
    .map((v) => `${v.id} ${v.nodes[0]?.html}`);
}

/**
 * The beginnings of paragraphs, lines and cells whose text reaches out of them, over what stands beside; of figures that their field
 * cuts off; and of what may not be broken though it begins with what parts it from the one before: of many such, one after another, none
 * can go to the next line.
 */
export const reachingOut = (page: Page) =>
  page.evaluate(() =>
    [
      ...[...document.querySelectorAll("main p, main li, main td, main th")].filter(
        (el) =>
          el.clientWidth > 0 && el.scrollWidth > el.clientWidth + 1 && getComputedStyle(el).overflowX === "visible",
      ),
      ...[...document.querySelectorAll("main .whitespace-nowrap")].filter((el) => /^\s*[,;·]/.test(el.textContent!)),
      ...[...document.querySelectorAll("main input.font-mono")].filter((el) => el.scrollWidth > el.clientWidth + 1),
    ].map((el) => (el instanceof HTMLInputElement ? el.value : el.textContent!).slice(0, 60)),
  );
