import { spawn, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { existsSync, readFileSync } from "node:fs";
import { createServer, type AddressInfo } from "node:net";

/** The built application in a process of its own, on the database of the tests. */
export interface RunningServer {
  readonly url: string;
  readonly port: number;
  readonly process: ChildProcess;
  /** Largest memory it has had so far, bytes. */
  peakBytes(): number;
  stop(): Promise<void>;
}

export async function freePort(): Promise<number> {
  const server = createServer();
  server.listen(0, "127.0.0.1");
  await once(server, "listening");
  const { port } = server.address() as AddressInfo;
  server.close();
  return port;
}

/** Starts the built application. Throws where it was not built. */
export async function startServer(env: Record<string, string> = {}): Promise<RunningServer> {
  if (!existsSync("build/server.mjs") || !existsSync(".next/BUILD_ID"))
    throw new Error("Build it first: npm run build.");
  const port = await freePort();
  const child = spawn(process.execPath, ["build/server.mjs", String(port)], {
    env: { ...process.env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1", ...env },
    stdio: ["ignore", "ignore", "inherit"],
  });
  const url = `http://127.0.0.1:${port}`;
  for (let tries = 0; tries < 200; tries++) {
    if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}`);
    const ok = await fetch(`${url}/api/alive`).then(
      (r) => r.ok,
      () => false,
    );
    if (ok) break;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return {
    url,
    port,
    process: child,
    peakBytes: () => 1024 * Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, "utf8"))![1]),
    stop: async () => {
      if (child.exitCode !== null) return;
      const gone = once(child, "exit");
      child.kill("SIGTERM");
      await gone;
    },
  };
}
