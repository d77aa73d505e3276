import { expect, test } from "./page";

test("two standards side by side say what interchanges and why not; u turns inches to mm", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Patterns" }).click();
  await expect(
    page.getByRole("heading", { name: "A Langstroth 10 frame in a Commercial box does not fit" }),
  ).toBeVisible();
  await page.getByLabel("Second standard", { exact: true }).selectOption("langstroth-8");
  await expect(
    page.getByRole("heading", { name: "A Langstroth 8 frame in a Langstroth 10 box goes in and hangs as it should" }),
  ).toBeVisible();
  await page.getByLabel("First standard, size").selectOption("medium");
  await expect(page.getByText("stands out of the box")).toBeVisible();
  await page.getByRole("heading", { level: 1 }).click();
  await page.keyboard.press("u");
  await expect(page.getByRole("row", { name: /inside length of the standard/ })).toContainText("466.7");
});

test("a standard of one's own: copied, changed with its fit in view, kept, used in a job, and the job keeps its copy", async ({
  page,
}) => {
  await page.goto("/patterns");
  await page.getByRole("button", { name: "Copy Langstroth 10 and change it" }).click();
  await page.getByLabel("Name").fill("Heath deep");
  const depth = page.getByLabel("body depth of the standard (sizes.deep.values.bodyDepth)");
  await depth.fill("9 1/");
  await expect(page.getByRole("alert").filter({ hasText: "no lower number" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Keep it" })).toBeDisabled();
  await depth.fill("9");
  await expect(page.getByText("the frame stands out of the box").first()).toBeVisible();
  await depth.fill("9 1/2");
  await page.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByLabel("First standard", { exact: true })).toContainText("Heath deep");

  await page.goto("/");
  await page.getByRole("button", { name: "start an empty job" }).click();
  await page.getByRole("combobox", { name: "What to make" }).fill("6 heath deep");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await page.getByText("Wanted").click();
  await page.keyboard.press("2");
  await expect(page.getByRole("button", { name: /^Side, width/ })).toHaveAccessibleName('Side, width: 9 1/2"');
  await expect(page.getByText("keeping …")).toBeHidden();

  const job = page.url();
  await page.goto("/patterns");
  await page.getByLabel("First standard", { exact: true }).selectOption({ label: "Heath deep" });
  await page.getByRole("button", { name: "change Heath deep", exact: true }).click();
  await page.getByLabel("body depth of the standard (sizes.deep.values.bodyDepth)").fill("9 3/8");
  await page.getByRole("button", { name: "Keep it" }).click();
  await page.goto(job);
  await expect(page.getByRole("button", { name: /^Side, width/ })).toHaveAccessibleName('Side, width: 9 1/2"');
});

test("a made box measured in changes what hangs on it, and is there after a reload", async ({ page }) => {
  await page.goto("/jobs/1/prove");
  await page.getByLabel("Measured body depth of Body, medium").fill("6 3/8");
  await page.keyboard.press("Enter");
  const made = page.getByRole("region", { name: "Made boxes" });
  await expect(made).toContainText("the frame stands out of the box by 1/8");
  await page.reload();
  await expect(made).toContainText("the frame stands out of the box by 1/8");
});

test("two people at one job: what each does to another line stands and is shown; what both do to one is said", async ({
  page,
  request,
}) => {
  await page.goto("/jobs/2/ask");
  const { revision } = (await (await request.get("/api/jobs/2")).json()) as { revision: number };
  const other = (key: string, quantity: number) =>
    request.post("/api/jobs/2/act", {
      data: { key, revision: revision + 2, act: { do: "change line", at: 0, to: { quantity } } },
    });
  await request.post("/api/jobs/2/act", {
    data: { key: "other.1", revision, act: { do: "change line", at: 0, to: { quantity: 77 } } },
  });
  await page.getByLabel("Quantity of line 2").fill("61");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Quantity of line 1")).toHaveValue("77");
  await expect(page.getByLabel("Quantity of line 2")).toHaveValue("61");
  await other("other.2", 78);
  await page.getByLabel("Quantity of line 1").fill("5");
  await page.keyboard.press("Enter");
  const told = page.getByRole("alert").filter({ hasText: "was changed elsewhere meanwhile" });
  await expect(told).toContainText("Not kept:");
  await expect(page.getByLabel("Quantity of line 1")).toHaveValue("78");
  await told.getByRole("button", { name: "leave it" }).click();
  await expect(told).toBeHidden();
  for (let i = 0; i < 3; i++) await request.post("/api/jobs/2/act", { data: { undo: true } });
});

test("when the server does not answer, the page says so; what was done waits over a reload, and is kept once it is back", async ({
  page,
}) => {
  await page.goto("/jobs/2/ask");
  const quantity = (line: number) => page.getByLabel(`Quantity of line ${line}`);
  const before = [await quantity(1).inputValue(), await quantity(2).inputValue()];
  await page.route("**/act", (route) => route.abort());
  await quantity(1).fill("8");
  await page.keyboard.press("Enter");
  await quantity(2).fill("9");
  await page.keyboard.press("Enter");
  const out = page.getByRole("alert").filter({ hasText: "The server does not answer; 2 changes are not kept yet" });
  await expect(out).toBeVisible();
  page.on("dialog", (d) => void d.accept());
  await page.reload();
  await expect(out).toBeVisible();
  await page.unroute("**/act");
  await out.getByRole("button", { name: "try now" }).click();
  await expect(out).toBeHidden();
  await expect(quantity(1)).toHaveValue("8");
  await page.reload();
  await expect(quantity(2)).toHaveValue("9");
  for (const was of [...before].reverse()) {
    await page.getByRole("button", { name: "undo" }).click();
    await expect(was === before[1] ? quantity(2) : quantity(1)).toHaveValue(was);
  }
});

test("laying out can be stopped and started again", async ({ page }) => {
  let hold = true;
  await page.route("**/api/layout?*", async (route) => {
    while (hold) await new Promise((r) => setTimeout(r, 50));
    await route.continue().catch(() => undefined);
  });
  await page.goto("/jobs/1/lay-out");
  await page.waitForTimeout(400);
  await expect(page.getByRole("link", { name: /Lay out/ })).toContainText("working");
  await page.keyboard.press("1");
  await page.keyboard.press("3");
  await page.getByRole("button", { name: "stop" }).click();
  await expect(page.getByText("The layout was stopped.")).toBeVisible();
  hold = false;
  // What was known when it was stopped is shown, and the search can be taken up again.
  await page.getByRole("button", { name: "look further" }).click({ timeout: 60_000 });
  await expect(page.getByText("Stopped early.")).toBeHidden({ timeout: 60_000 });
  await expect(page.getByText("Set-ups, in sawing order")).toBeVisible();
});
