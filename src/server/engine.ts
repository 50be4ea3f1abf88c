import { createHash } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import { say } from "#words/server";

/** The bundle of the engine, which the build makes beside the application. Throws where it is missing. */
export function engineBundle(): string {
  const bundle = [process.cwd(), "build", "isolation.thread.mjs"].join("/");
  if (!existsSync(bundle)) throw new Error(say.isMissingNpmRunBuild(bundle));
  return bundle;
}

let known: string | null = null;

/** Names the engine by the content of its bundle, SHA-256: what one engine has built another one may not use. */
export function engineHash(): string {
  return (known ??= createHash("sha256").update(readFileSync(engineBundle())).digest("hex"));
}
