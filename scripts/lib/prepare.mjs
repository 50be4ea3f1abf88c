// Brings in what a fresh Debian 12 with Node 20 lacks: Debian packages, npm packages, a build.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { fingerprint, root, run, say, Stop, which } from "./steps.mjs";

const PACKAGES = {
  database: {
    programs: ["mariadbd", "mariadb-install-db", "mariadb-admin"],
    debian: ["mariadb-server-core", "mariadb-client"],
  },
  client: { programs: ["mariadb", "mariadb-dump"], debian: ["mariadb-client"] },
  browser: { programs: ["chromium-headless-shell"], debian: ["chromium-headless-shell"] },
  circuits: { programs: ["ngspice"], debian: ["ngspice"] },
};

/** Installs the Debian packages behind `needs` where their programs are missing. */
export async function debianPackages(...needs) {
  const missing = needs.flatMap((need) => (PACKAGES[need].programs.every(which) ? [] : PACKAGES[need].debian));
  if (missing.length === 0) return;
  const isRoot = process.getuid?.() === 0;
  const sudo = which("sudo");
  if (!which("apt-get") || (!isRoot && !sudo)) {
    throw new Stop(
      `Missing on this machine: ${missing.join(", ")}. Have an administrator run: apt-get install --no-install-recommends ${missing.join(" ")}`,
    );
  }
  say(`Installing Debian packages: ${missing.join(", ")}`);
  const env = { DEBIAN_FRONTEND: "noninteractive" };
  const apt = (args) =>
    isRoot
      ? run("apt-get", args, { env })
      : run("sudo", ["DEBIAN_FRONTEND=noninteractive", "apt-get", ...args], { show: true });
  try {
    await apt(["update", "-qq"]);
    await apt(["install", "-y", "-qq", "--no-install-recommends", ...missing]);
  } catch (error) {
    throw new Stop(
      `The Debian packages ${missing.join(", ")} could not be installed; is the network up?\n${error.message.slice(-1500)}`,
    );
  }
}

/**
 * npm packages as the lock file says. `npm install`, not `npm ci`: see docs/decisions/0001-install-from-the-lock.md.
 */
export async function npmPackages() {
  const mark = path.join(root, "node_modules/.unzo-lock");
  const wanted = fingerprint(["package-lock.json", "package.json"]);
  if (existsSync(mark) && readFileSync(mark, "utf8") === wanted) return;
  say("Installing npm packages");
  await run("npm", ["install", "--no-audit", "--no-fund"]);
  writeFileSync(mark, fingerprint(["package-lock.json", "package.json"]));
}

/**
 * Builds the application and what runs beside it, unless the last build was of the same sources. Types are checked by
 * the test command.
 */
export async function build() {
  const mark = path.join(root, ".next/.unzo-build");
  const wanted = fingerprint(["src", "scripts", "public", "next.config.ts", "package-lock.json", "tsconfig.json"]);
  if (
    existsSync(mark) &&
    existsSync(path.join(root, ".next/BUILD_ID")) &&
    existsSync(path.join(root, "build")) &&
    readFileSync(mark, "utf8") === wanted
  )
    return;
  say("Building the application (about a minute)");
  // Only now: the bundler is one of the packages that a fresh checkout has to install first.
  const { bundle } = await import("./bundle.mjs");
  await bundle();
  await run("npx", ["next", "build"], { env: { NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production" } });
  mkdirSync(path.dirname(mark), { recursive: true });
  writeFileSync(mark, wanted);
}
