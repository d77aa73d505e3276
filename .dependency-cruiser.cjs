/** The core knows no interface, file system, clock, chance or database; nothing is imported in a ring. */
module.exports = {
  forbidden: [
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^src/core", pathNot: "\\.test\\.ts$" },
      to: { pathNot: "^src/core|node_modules/(zod|jsep|fraction\\.js|polyclip-ts|fastest-levenshtein)/" },
    },
    { name: "ui-does-no-io", severity: "error", from: { path: "^src/ui" }, to: { path: "^src/(store|workers)" } },
    {
      name: "store-and-workers-know-no-pages",
      severity: "error",
      from: { path: "^src/(store|workers|cli)" },
      to: { path: "^src/(app|ui)" },
    },
    {
      name: "no-ring",
      severity: "error",
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
    },
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.next|dist" },
  },
};
