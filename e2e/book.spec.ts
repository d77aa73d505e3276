import { expect, serious, test } from "./page";

test("a box comes back with a rotten corner and a broken rest: found by half a mark, measured, mended to fit, counted", async ({
  page,
}) => {
  // Six of what a job made are marked.
  await page.goto("/book");
  await page.getByLabel("Which job").selectOption({ label: "Spring bodies" });
  await page.waitForURL(/job=\d+/);
  await page.getByLabel("Code of the shop").fill("zq");
  await page.getByLabel("made on").fill("2021-02-03");
  const many = page.getByLabel(/^How many: Body, deep/).first();
  await many.fill("6");
  await many.press("Enter");
  await page.getByRole("button", { name: "6 marks" }).click();
  await expect(page.getByRole("status")).toHaveText(/^Burn in ZQ-21-\d{4} to ZQ-21-\d{4}\.$/);

  // One goes out, and comes back years later with half its mark.
  await page.getByLabel("Find a piece").fill("ZQ-2?-000?");
  await expect(page.getByRole("list", { name: "Found" }).getByRole("listitem")).toHaveCount(6);
  await page.getByLabel("Find a piece").fill("?Q-21-0004");
  await page.getByRole("link", { name: /ZQ-21-0004/ }).click();
  const tell = page.getByRole("region", { name: "What happens to it" });
  await tell.getByRole("button", { name: "Goes out" }).click();
  await tell.getByLabel("to whom or where").fill("Moor stand");
  await tell.getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByText("Out to Moor stand", { exact: true })).toBeVisible();
  await tell.getByRole("button", { name: "Comes back" }).click();
  await tell.getByRole("button", { name: "Write it down" }).click();
  await expect(page.getByText("Here", { exact: true })).toBeVisible();
  await tell.getByRole("button", { name: "Inspected" }).click();
  await tell.getByLabel("corner rotten").check();
  await tell.getByLabel("rest broken").check();
  await tell.getByRole("button", { name: "Write it down" }).click();

  // Measured: it has shrunk; what is cut fits it as it is.
  const mend = page.getByRole("region", { name: "How it is mended" });
  await expect(mend.getByRole("row", { name: /^new end/ })).toContainText("16 1/4 × 9 5/8 × 3/4");
  const measures = page.getByRole("region", { name: "What it measures" });
  await measures.getByLabel("depth", { exact: true }).fill("9 1/2");
  await measures.getByLabel("depth", { exact: true }).press("Enter");
  await measures.getByLabel("outside width").fill("16 3/8");
  await measures.getByLabel("outside width").press("Enter");
  await expect(mend.getByRole("row", { name: /^new end/ })).toContainText("16 3/8 × 9 1/2 × 3/4");
  await expect(mend.getByRole("row", { name: /^lip strip/ })).toContainText("14 3/4 × 5/8 × 3/8");
  await expect(mend.getByText(/local rules and licensed practice/).first()).toBeVisible();
  await expect(
    mend.getByText(/corner rotten 40 \+ rest broken 20 = 60 min.*; a new one \d+ min.*: (not )?worth it/),
  ).toBeVisible();
  await mend.getByRole("button", { name: "It is mended" }).click();
  await expect(mend).toBeHidden();
  await expect(page.getByText(/1 repair/)).toBeVisible();
  await expect(page.getByText(/repaired: corner rotten, rest broken; new end 16 3\/8 × 9 1\/2 × 3\/4, lip strip/)).toBeVisible(); // prettier-ignore
  expect(await serious(page)).toEqual([]); // prettier-ignore

  // What it is known by finds it, in the Book's count too.
  await page.goto("/book");
  await page.getByLabel("Find a piece").fill("new end rest");
  await expect(page.getByRole("link", { name: /ZQ-21-0004/ })).toBeVisible();

  // It counts in the record of its design: six more of the 80 there were.
  await page.getByRole("link", { name: "Body, 86 pieces" }).click();
  await expect(page.getByRole("heading", { name: /^Body how it did/ })).toBeVisible();
  await expect(page.getByText(/86 pieces, \d+ still; 1 repair;.*rest broken in \d+/)).toBeVisible();
});

test("an unknown box comes in, is measured and known, photographed, its mending planned as work; its list goes out and a scanned label opens it", async ({
  page,
}, info) => {
  // Tried again it is another box.
  const mark = `QQ ${7 + info.retry}`;
  await page.goto("/book");
  const cameIn = page.getByRole("region", { name: "One that came in" });
  await expect(cameIn.getByText(/foulbrood.*local bee inspector/s)).toBeVisible();
  await cameIn.getByLabel("What it is").fill("Old body from a sale");
  await cameIn.getByLabel("Its mark").fill(mark);
  await cameIn.getByRole("button", { name: "put it in the Book" }).click();
  const measures = page.getByRole("region", { name: "What it measures" });
  for (const [label, value] of [["depth", "6 1/2"], ["outside width", "16 3/8"], ["inside width", "14 3/4"]] as const) {
    await measures.getByLabel(label, { exact: true }).fill(value);
    await measures.getByLabel(label, { exact: true }).press("Enter");
  } // prettier-ignore
  await measures.getByRole("button", { name: "Keep the measures" }).click();
  await expect(measures.getByRole("button", { name: "Keep the measures" })).toBeHidden();
  const what = page.getByRole("region", { name: "What it is" });
  await expect(what.getByText("Langstroth 10, medium", { exact: true })).toBeVisible();
  await what.getByRole("button", { name: "Keep it as one" }).click();
  await expect(what).toBeHidden();

  // A picture of it; one that is none is refused in words.
  const picture = page.getByLabel("Choose or take a picture");
  await picture.setInputFiles({
    name: "a.jpg",
    mimeType: "image/jpeg",
    buffer: Buffer.from("<script>alert(1)</script>"),
  });
  await expect(page.getByRole("alert").filter({ hasText: "picture" })).toHaveText(
    /read a file that is no picture; wanted a picture as JPEG, PNG or WebP/,
  );
  await page.getByLabel("what it shows").fill("the sale's corner");
  await picture.setInputFiles("docs/screenshots/today.png");
  const shown = page.getByRole("img", { name: "the sale's corner" });
  await expect(shown).toBeVisible();
  expect(await shown.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBeGreaterThan(600);

  const tell = page.getByRole("region", { name: "What happens to it" });
  await tell.getByRole("button", { name: "Inspected" }).click();
  await tell.getByLabel("rest broken").check();
  await tell.getByRole("button", { name: "Write it down" }).click();
  const mend = page.getByRole("region", { name: "How it is mended" });
  await mend.getByRole("button", { name: "make it a line of it" }).click();
  await mend.getByRole("link", { name: `Mending ${mark}` }).click();
  await page.waitForURL(/jobs\/\d+/);
  // The strip is as long as the box was measured inside.
  await expect(page.getByRole("cell", { name: /14 3\/4/ }).first()).toBeVisible();
  const job = /jobs\/(\d+)/.exec(page.url())![1];

  await page.goto("/book");
  await page.getByLabel("Find a piece").fill(`mending ${mark}`);
  await expect(
    page.getByRole("list", { name: "Elsewhere" }).getByRole("link", { name: new RegExp(`job Mending ${mark}`) }),
  ).toBeVisible();
  await page.getByLabel("Find a piece").fill(mark);
  await page.getByLabel("Find a piece").press("Enter");
  await expect(page.getByRole("heading", { name: mark })).toBeVisible();
  // Other specs count the shop's jobs.
  await page.evaluate((id) => fetch(`/api/jobs/${id}`, { method: "DELETE" }), job);
});
