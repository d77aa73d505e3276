import { emptyWeight } from "@/core/hive/weigh";
import { carryOut } from "@/core/job/acts";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { woodCalled, WOODS } from "./woods";

test.each([
  ["pine", "eastern-white-pine"],
  ["southern yellow pine", "loblolly-pine"],
  ["Ponderosa", "ponderosa-pine"],
  ["cedar", "western-redcedar"],
  ["yellow cedar", "alaska-cedar"],
  ["white-cedar", "northern-white-cedar"],
  ["Douglas fir", "douglas-fir"],
  ["fir", "engelmann-spruce"],
  ["tulip poplar", "yellow-poplar"],
  ["rough larch", "western-larch"],
  ["oak", undefined],
])("a yard's %s", (said, id) => expect(woodCalled(said)?.id).toBe(id));
test("every wood is found by its own name", () =>
  expect(WOODS.map((w) => woodCalled(w.label)?.id)).toEqual(WOODS.map((w) => w.id)));
test("a job's wood is that of all its lines, frames too; what a line says of itself beats it, and of a wood nothing is known of nothing changes", () => {
  const line = (item: string, options = {}) => ({
    item,
    standard: "langstroth-10",
    size: "deep",
    quantity: 1,
    options,
  });
  const lines = [line("body"), line("frame", { foundation: "none" }), line("body", { wood: "loblolly-pine" })];
  const asked = { ...emptyJob("Heath", "in"), lines };
  const weights = (wood: string) =>
    workJob(carryOut(asked, { do: "wood", wood })).lines.map((l) => emptyWeight(l.shape));
  const [pine, larch] = [weights("pine"), weights("larch")];
  // Specific gravities 0.35 and 0.52.
  expect(larch.slice(0, 2).map((kg, i) => kg / pine[i]!)).toEqual([
    expect.closeTo(52 / 35, 2),
    expect.closeTo(52 / 35, 2),
  ]);
  expect(larch[2]).toBe(pine[2]);
  expect(weights("oak")).toEqual(weights(""));
});
