import { existsSync } from "node:fs";
import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["better-sqlite3", "piscina", "pdfkit", "sharp"],
  typescript: { ignoreBuildErrors: true }, // `npm test` runs the type check on its own
  // The first build is mostly the only one: what would make a next one fast takes it a third longer.
  experimental: { turbopackFileSystemCacheForBuild: existsSync(".next/BUILD_ID") },
  poweredByHeader: false,
  devIndicators: false,
  headers: async () => [
    {
      source: "/:path*",
      headers: [
        { key: "X-Content-Type-Options", value: "nosniff" },
        { key: "X-Frame-Options", value: "DENY" },
        { key: "Referrer-Policy", value: "same-origin" },
      ],
    },
  ],
};

export default config;
