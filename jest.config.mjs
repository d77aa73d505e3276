export default {
  testEnvironment: "node",
  // Every core: of two, jest would leave one idle.
  maxWorkers: "100%",
  roots: ["<rootDir>/src"],
  testMatch: ["**/*.test.{ts,tsx}"],
  // Pages are filled in key by key, on machines that may be busy.
  testTimeout: 120_000,
  transform: {
    "^.+\\.tsx?$": [
      "<rootDir>/scripts/jest-transform.mjs",
      {
        jsc: {
          parser: { syntax: "typescript", tsx: true },
          target: "es2022",
          transform: { react: { runtime: "automatic" } },
        },
        module: { type: "es6" },
      },
    ],
  },
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  moduleNameMapper: {
    "^@/(.*)$": "<rootDir>/src/$1",
    // Its package names a script as its module.
    "^maxrects-packer$": "<rootDir>/node_modules/maxrects-packer/dist/maxrects-packer.mjs",
  },
};
