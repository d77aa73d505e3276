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

test("what is typed at a line stays with it when another screen takes out one above it, and so does the line that is open", async ({
  page,
  browser,
  request,
}) => {
  const line = (size: string, quantity: number) => ({ item: "body", standard: "langstroth-10", size, quantity });
  const lines = [line("deep", 4), line("medium", 5), line("shallow", 6)];
  const file = { format: "rundik-job", version: 1, name: "Lines that move", units: "in", lines, stock: [] };
  const { id } = (await (await request.post("/api/jobs", { data: file })).json()) as { id: number };
  const other = await (await browser.newContext()).newPage();
  for (const p of [page, other]) await p.goto(`/jobs/${id}/ask`);
  const size = (n: number) => page.getByLabel(`Size of line ${n}`);
  await quantity(page, 2).fill("88");
  await other.getByRole("button", { name: "Take out line 1" }).click();
  await expect(size(1)).toHaveText(/medium/i);
  await expect(quantity(page, 1)).toBeFocused();
  await expect(quantity(page, 1)).toHaveValue("88");
  await expect(quantity(page, 2)).toHaveValue("6");
  await quantity(page, 1).press("Enter");
  await expect(quantity(other, 1)).toHaveValue("88");
  await expect(quantity(other, 2)).toHaveValue("6");
  // The line that is open at Shape stays open.
  await page.goto(`/jobs/${id}/shape`);
  const shallow = page.getByRole("button", { name: /^6.*shallow/i });
  await shallow.click();
  await other.getByRole("button", { name: "Take out line 1" }).click();
  await expect(page.getByRole("button", { name: /^88.*medium/i })).toBeHidden();
  await expect(shallow).toHaveAttribute("aria-current", "true");
  await other.context().close();
});

test("the shop: what is said there every job has at once, on other screens too; what a job does otherwise stays until it is given back", async ({
  page,
  browser,
}) => {
  const other = await (await browser.newContext()).newPage();
  await other.goto("/jobs/2/lay-out");
  await other.getByText("The saw and the panels, as the shop has them").click();
  const kerf = (p: Page) => p.getByLabel("Saw removes", { exact: true });
  await expect(kerf(other)).toHaveValue("3.175");
  await page.goto("/");
  await page.getByRole("link", { name: "Shop", exact: true }).click();
  await kerf(page).fill("7/64");
  await kerf(page).press("Enter");
  await expect(kerf(other)).toHaveValue('7/64"');
  await kerf(other).fill("3");
  await kerf(other).press("Enter");
  await expect(other.getByText("only in this job; the shop has 2.8")).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^otherwise in.*Shallow boxes/).first()).toBeVisible();
  // What cannot be is said where it is, and nothing changes.
  await kerf(page).fill("3");
  await kerf(page).press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "more than a saw takes" })).toBeVisible();
  await kerf(page).press("Escape");
  await page.getByLabel("Hours", { exact: true }).fill("7-12");
  await page.getByLabel("Hours", { exact: true }).press("Enter");
  await expect(page.getByText("keeping …")).toBeHidden();
  await page.getByRole("button", { name: "undo" }).click();
  await expect(page.getByLabel("Hours", { exact: true })).toHaveValue("08:00–12:00, 12:30–16:30");
  await page.getByRole("button", { name: "undo" }).click();
  await expect(kerf(page)).toHaveValue("1/8");
  await other.getByRole("button", { name: "kerf: as the shop has it" }).click();
  await expect(kerf(other)).toHaveValue("3.175");
  await expect(other.getByText("keeping …")).toBeHidden();
  await other.context().close();
});

test("a copy of everything is carried off as one file", async ({ page }) => {
  await page.goto("/");
  const [file] = await Promise.all([page.waitForEvent("download"), page.getByText("carry a copy off").click()]);
  expect(file.suggestedFilename()).toMatch(/^rundik-\d{4}-\d\d-\d\d\.db$/);
});
