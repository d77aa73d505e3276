import { test as base, type Page } from "@playwright/test";

/** Until the page's controls answer: what is pressed before is lost, as a person would see and press again. */
const usable = (page: Page) => page.waitForFunction(() => performance.getEntriesByName("usable").length > 0);

/** A page that has been gone to, or loaded again, is one that answers. */
export const test = base.extend({
  page: async ({ page }, use) => {
    const { goto, reload } = page;
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
  },
});
export { expect, type Page } from "@playwright/test";
