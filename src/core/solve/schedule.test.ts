import { readSolverFile, SolverFileError } from "./files";
import { scheduleFileSchema, solveSchedule } from "./schedule";

const read = (file: object) => readSolverFile(scheduleFileSchema, JSON.stringify(file));
const cut = (minutes: number, more: object = {}) => ({ station: "saw", minutes, ...more });
const fence = { key: "fence 9 5/8", minutes: 6 };

test("a file comes to operations with their times, set-ups at their start, lots by themselves, and a bound of what is aimed at", () => {
  const file = read({
    jobs: [
      {
        id: "bodies",
        operations: [cut(20, { people: 1, setUp: fence }), { station: "bench", minutes: 30, people: 1 }],
      },
      { id: "floors", due: 20, weight: 3, lots: 2, operations: [cut(10, { people: 1, setUp: fence })] },
    ],
    people: 2,
    stations: [{ id: "saw" }],
    aim: "lateness",
  });
  const found = solveSchedule(file, () => 0);
  // Floors first: 6 to set the fence, twice 5; then bodies without setting it again, 16 + 20 + 30.
  expect(found.operations.map((o) => [o.job, o.index, o.lot, o.station, o.start, o.end, o.setUp])).toEqual([
    ["floors", 0, 0, "saw", 0, 11, 6],
    ["floors", 0, 1, "saw", 11, 16, 0],
    ["bodies", 0, 0, "saw", 16, 36, 0],
    ["bodies", 1, 0, "bench", 36, 66, 0],
  ]);
  expect([found.finish, found.lateness, found.bound, found.proven]).toEqual([66, 0, 0, true]);
  expect(solveSchedule(read({ ...file, stations: [{ id: "saw", count: 2 }], aim: "finish" }), () => 0)).toMatchObject({ finish: 56, bound: 56, proven: true }); // prettier-ignore
});

test.each([
  [{ jobs: [{ id: "a", operations: [cut(5, { people: 4 })] }], people: 2 }, "jobs.0.operations.0.people: read 4; there are 2"],
  [{ jobs: [{ id: "a", operations: [cut(5)] }, { id: "a", operations: [cut(5)] }] }, 'jobs.1.id: two are called "a"'],
  [{ jobs: [{ id: "a", lots: 200, operations: Array.from({ length: 30 }, () => cut(1)) }] }, "jobs: 6000 operations, each lot its own; at most 5000 are planned"],
  [{ jobs: [{ id: "a", operations: [cut(1.5)] }] }, /jobs\.0\.operations\.0\.minutes: /],
  [{ jobs: [] }, /^jobs: /],
])("what is wrong with a file is said at its field: %#", (file, message) => {
  expect(() => read(file)).toThrow(SolverFileError);
  expect(() => read(file)).toThrow(message);
}); // prettier-ignore
