// Bundles what runs beside the application in Node: threads, the reader of machine files, scripts. Ready in a
// fraction of a second.
import path from "node:path";
import { build as esbuild } from "esbuild";
import { root } from "./steps.mjs";

const ENTRIES = {
  "isolation.thread": "src/workers/isolation.thread.ts",
  "machine-reader": "src/server/machine-reader/child.ts",
  "prepare-database": "scripts/prepare-database.ts",
  lan: "scripts/lan.ts",
  server: "src/main.ts",
};

export async function bundle() {
  await esbuild({
    entryPoints: Object.fromEntries(Object.entries(ENTRIES).map(([name, file]) => [name, path.join(root, file)])),
    outdir: path.join(root, "build"),
    outExtension: { ".js": ".mjs" },
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    // Packages stay packages, but the core and the server's own files become one file each.
    packages: "external",
    logLevel: "warning",
  });
}
