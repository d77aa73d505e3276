/**
 * The rooms of the core, from the ground up: what stands in one knows only the rooms before it, types included. Wood goes
 * through them the other way: standard → recipe → shape → fit → boards → layout → plan.
 */
const ROOMS = [
  "length",
  "money",
  "problem",
  "standards",
  "formula",
  "solid",
  "feature",
  "recipes",
  "shape",
  "designs",
  "line",
  "judge",
  "fit",
  "drawing",
  "hive",
  "boards",
  "layout",
  "keeping",
  "shop",
  "quote",
  "catalogue",
  "yard",
  "job",
  "work",
  "order",
  "purchase",
  "bench",
  "plan",
  "papers",
  "weigh",
  "book",
  "today",
  "trial",
  "solve",
];

/** The rooms of the pages, from the ground up: an open job shows its stations, and each of those knows the desk it stands on. */
const PAGE_ROOMS = [
  "parts",
  "drawing",
  "desk",
  "top",
  "bench",
  "plan",
  "orders",
  "designs",
  "stations",
  "sheets",
  "patterns",
  "weigh",
  "book",
  "job",
  "shop",
  "yard",
  "catalogue",
  "today",
  "door",
];

const downOnly = (rooms, house) =>
  rooms
    .slice(0, -1)
    .map((room, i) => ({
      name: `${room}-imports-only-down`,
      severity: "error",
      from: { path: `^src/${house}/${room}/`, pathNot: "\\.test\\.tsx?$" },
      to: { path: `^src/${house}/(${rooms.slice(i + 1).join("|")})/` },
    }));

/** The core knows no interface, file system, clock, chance or database; nothing is imported upwards or in a ring. */
module.exports = {
  forbidden: [
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^src/core", pathNot: "\\.test\\.ts$" },
      to: {
        pathNot:
          "^src/core|node_modules/(zod|jsep|fraction\\.js|polyclip-ts|fastest-levenshtein|date-fns|@date-fns/utc)/",
      },
    },
    {
      name: "a-room-for-everything-in-the-core",
      severity: "error",
      from: { path: "^src/core", pathNot: `^src/core/(${ROOMS.join("|")})/` },
      to: {},
    },
    ...downOnly(ROOMS, "core"),
    ...downOnly(PAGE_ROOMS, "ui"),
    { name: "ui-does-no-io", severity: "error", from: { path: "^src/ui" }, to: { path: "^src/(store|workers)" } },
    {
      name: "store-and-workers-know-no-pages",
      severity: "error",
      from: { path: "^src/(store|workers|cli)" },
      to: { path: "^src/(app|ui)" },
    },
    { name: "no-ring", severity: "error", from: {}, to: { circular: true } },
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.next|dist" },
  },
};
