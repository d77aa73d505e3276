/** @jest-environment jsdom */
import { render, screen } from "@testing-library/react";
import { againstOf, inAll } from "@/core/plan/against";
import type { Tally } from "@/core/bench/events";
import { work } from "@/core/plan/tests/shop";
import { namesOf } from "@/core/work/names";
import { Happened, more } from "./Happened";

test("what was planned stands beside what happened, an operation and the whole job; lots of one are one, and only what is made is held against it", () => {
  const rip = work("rip", { name: "Rip", setup: 5, each: 1.5, pieces: 40 });
  const glue = [1, 2].map((k) => work(`0/glue/${k}`, { name: "Glue", line: 0, step: "glue", lot: `lot ${k} of 2`, setup: 0, each: 6, pieces: 8 })); // prettier-ignore
  const ops = [rip, ...glue];
  const names = namesOf(ops);
  const tally = (id: string, more: Partial<Tally>): Tally => ({ job: 1, name: names.get(id)!, made: 0, spoiled: [], measured: [], running: false, at: 0, setUps: 1, minutes: 0, ...more }); // prettier-ignore
  const all = againstOf(ops, [tally("rip", { made: 20, minutes: 49, setUps: 2, spoiled: [{ why: "knot", n: 2 }] })]);
  // By hand: two set-ups of 5 and 20 pieces of 1.5 are 40 minutes; 5 and 40 of 1.5 are 65; 16 of 6 are 96.
  expect(all.map((a) => [a.title, a.made, a.pieces, a.planned, a.forMade, a.took, a.begun])).toEqual([["Rip", 20, 40, 65, 40, 49, true], ["Glue", 0, 16, 96, 0, 0, false]]); // prettier-ignore
  expect(inAll(all)).toEqual({ planned: 161, forMade: 40, took: 49, spoiled: 2 });
  expect([more(49, 40), more(30, 40), more(41, 40), more(100, 40)]).toEqual(["23 % longer", "25 % shorter", "as planned", "2.5 times as long"]); // prettier-ignore
  // Three minutes for forty were counted when they were long made.
  const { unmount } = render(<Happened id={1} name="Forty" all={againstOf(ops, [tally("rip", { made: 20, minutes: 3, setUps: 2 })])} ready={null} now={0} />); // prettier-ignore
  expect([screen.queryByText(/pace so far/), screen.getByText(/tells no pace/).tagName]).toEqual([null, "B"]);
  unmount();
  render(<Happened id={1} name="Forty" all={all} ready={null} now={0} />);
  // 161 less 40 is 121 minutes by the plan; at 49 for 40 it is 148.
  expect(screen.getByText(/Left to do is 2 h 01 by the plan, 2 h 28 at the pace so far/)).toBeTruthy();
  expect(screen.getByText(/2 pieces were spoiled/)).toBeTruthy();
});
