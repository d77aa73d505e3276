import { expect, type Page, test } from "./page";

const quantity = (page: Page, n: number) => page.getByLabel(`Quantity of line ${n}`);

test("two screens on one job: each sees what the other does, nothing that is being typed moves, and undo is one's own", async ({
  page,
  browser,
  request,
}) => {
  const line = { item: "body", standard: "langstroth-10", size: "deep", quantity: 4 };
  const file = { format: "rundik-job", version: 1, name: "Two screens", units: "in", lines: [line, line], stock: [] };
  const { id } = (await (await request.post("/api/jobs", { data: file })).json()) as { id: number };
  const other = await (await browser.newContext()).newPage();
  for (const p of [page, other]) await p.goto(`/jobs/${id}/ask`);
  await expect(quantity(other, 1)).toHaveValue("4");
  await quantity(other, 2).fill("88");
  await quantity(page, 1).fill("41");
  await quantity(page, 1).press("Enter");
  await expect(quantity(other, 1)).toHaveValue("41");
  await expect(quantity(other, 2)).toHaveValue("88");
  await quantity(other, 2).press("Enter");
  await expect(quantity(page, 2)).toHaveValue("88");
  await quantity(page, 1).blur();
  await page.locator("body").press("z");
  await expect(quantity(other, 1)).toHaveValue("4");
  await expect(quantity(page, 2)).toHaveValue("88");
  await other.context().close();
});

test("a copy of everything is carried off as one file", async ({ page }) => {
  await page.goto("/");
  const [file] = await Promise.all([page.waitForEvent("download"), page.getByText("carry a copy off").click()]);
  expect(file.suggestedFilename()).toMatch(/^rundik-\d{4}-\d\d-\d\d\.db$/);
});
