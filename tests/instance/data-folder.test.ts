import { randomUUID as uuid } from "node:crypto";
import { once } from "node:events";
import { existsSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { Command, newFolder, processesOn, removeFolder } from "../support/start-command";

const folder = newFolder();
const commands: Command[] = [];
const begin = async (...args: Parameters<typeof Command.begin>) => {
  const command = await Command.begin(...args);
  commands.push(command);
  return command;
};
afterAll(async () => {
  for (const command of commands) if (command.process.exitCode === null) await command.stop();
  removeFolder(folder);
});

const json = { "content-type": "application/json" };
const COMPLAINT = "still";
async function openJob(url: string): Promise<{ status: number; unit: string }> {
  const unit = uuid();
  const newUnit = { id: unit, site: "Larch Pass Hut", machine: "zirvald-bw-15", serial: unit.slice(0, 8) };
  const body = JSON.stringify({ id: uuid(), newUnit, complaint: COMPLAINT, actor: "Ida" });
  const response = await fetch(`${url}/api/jobs`, { method: "POST", headers: json, body });
  return { status: response.status, unit };
}
const knows = (url: string, unit: string) => fetch(`${url}/api/units/${unit}`).then((r) => r.status === 200);
const mark = (name: string) => JSON.parse(readFileSync(path.join(folder, name), "utf8")) as { pid: number };

describe("a shop of one's own", () => {
  let unit = "";

  it("starts empty, without demo data, and says what to do first", async () => {
    const command = await begin(folder);
    await command.ready();
    expect(command.said).toContain(folder);
    const page = await (await fetch(command.url)).text();
    expect(page).toContain("Begin a job.");
    expect((await (await fetch(`${command.url}/api/units?q=larch`)).json()) as unknown).toMatchObject({ units: [] });
    const opened = await openJob(command.url);
    expect(opened.status).toBe(200);
    unit = opened.unit;
    for (const log of ["application.log", "database.log"])
      expect(existsSync(path.join(folder, "logs", log)), log).toBe(true);
  });

  it("is held by one start: a second one says who has it, and touches nothing", async () => {
    const [first] = commands;
    const second = await begin(folder, "demo", ["--fresh"]);
    expect(await second.ended()).toBe(1);
    expect(second.said).toContain(`process ${first!.process.pid}`);
    expect(second.said).toContain("UNZO_DATA=");
    expect(await knows(first!.url, unit)).toBe(true);
  });

  it("is watched over: database and application, killed, are there again, and that is said", async () => {
    const [command] = commands;
    for (const [file, name] of [
      ["application.json", "The application"],
      ["mariadb.json", "The database"],
    ] as const) {
      const killed = performance.now();
      process.kill(mark(file).pid, "SIGKILL");
      await command!.says(new RegExp(`${name} runs again`));
      for (let i = 0; i < 400; i++) {
        const is = await knows(command!.url, unit).catch(() => false);
        if (is) break;
        await new Promise((resolve) => setTimeout(resolve, 25));
      }
      console.log(`${name}: answers again ${((performance.now() - killed) / 1000).toFixed(1)} s after SIGKILL`);
      expect(command!.said).toMatch(new RegExp(`${name} ended by itself; it is started again`));
      expect(await knows(command!.url, unit)).toBe(true);
    }
  });

  it("is backed up while it is in use, and the file restores into an empty folder, whole", async () => {
    const [command] = commands;
    const file = path.join(folder, "copy.gz");
    const writing = Promise.all(Array.from({ length: 10 }, () => openJob(command!.url)));
    const backup = await begin(folder, "backup", [file]);
    expect(await backup.ended(), backup.said).toBe(0);
    await writing;
    expect(statSync(file).size).toBeGreaterThan(10_000);
    // Not over what is there, neither the file nor a folder with data.
    const again = await begin(folder, "backup", [file]);
    expect(await again.ended()).toBe(1);
    const onto = await begin(folder, "restore", [file]);
    expect(await onto.ended()).toBe(1);
    const empty = newFolder();
    try {
      const none = await begin(empty, "restore", [path.join(folder, "folder.json")]);
      expect(await none.ended()).toBe(1);
      expect(none.said).toContain("no backup");
      const restore = await begin(empty, "restore", [file]);
      expect(await restore.ended(), restore.said).toBe(0);
      const twice = await begin(empty, "restore", [file]);
      expect(await twice.ended()).toBe(1);
      expect(twice.said).toContain("holds data");
      const other = await begin(empty);
      await other.ready();
      expect(await knows(other.url, unit)).toBe(true);
      expect((await openJob(other.url)).status).toBe(200);
      await other.stop();
    } finally {
      removeFolder(empty);
    }
  });

  it("killed itself leaves orphans, which the next start stops and does not adopt", async () => {
    const [command] = commands;
    const [database, application] = [mark("mariadb.json").pid, mark("application.json").pid];
    command!.process.kill("SIGKILL");
    await once(command!.process, "exit");
    const pids = () => processesOn(folder).map((p) => p.pid);
    expect(pids()).toEqual(expect.arrayContaining([database, application]));
    const next = await begin(folder);
    await next.ready();
    expect(next.said).toContain(`(process ${database}) is stopped`);
    expect(next.said).toContain(`(process ${application}) is stopped`);
    expect(pids()).not.toContain(database);
    expect(pids()).not.toContain(application);
    expect(await knows(next.url, unit)).toBe(true);
    expect(await next.stop()).toBe(143);
    expect(processesOn(folder)).toEqual([]);
  });

  it.each([
    ["missing", null],
    ["empty", ""],
    ["damaged", '{"port": 4'],
    ["of another program", '["ready"]'],
  ])("outlives a settings file that is %s", async (_name, text) => {
    const file = path.join(folder, "database.json");
    if (text === null) rmSync(file);
    else writeFileSync(file, text);
    const command = await begin(folder);
    await command.ready();
    expect(await knows(command.url, unit)).toBe(true);
    const kept = statSync(file).mtimeMs;
    await command.stop();
    // Written when something changed, and only then.
    expect(statSync(file).mtimeMs).toBe(kept);
  });

  it("ended at any moment of its first set-up leaves nothing running, and starts whole afterwards", async () => {
    const fresh = newFolder();
    try {
      for (const moment of [0, 150, 400, 800, 1300, 2000, 3000]) {
        const command = await begin(fresh);
        await new Promise((resolve) => setTimeout(resolve, moment));
        command.process.kill("SIGINT");
        await command.ended();
        expect(processesOn(fresh), `after ${moment} ms`).toEqual([]);
        expect(existsSync(path.join(fresh, "lock.json")), `after ${moment} ms`).toBe(false);
      }
      const whole = await begin(fresh);
      await whole.ready();
      expect((await openJob(whole.url)).status).toBe(200);
      await whole.stop();
    } finally {
      removeFolder(fresh);
    }
  });

  it("is not begun anew but by --fresh, and that by the demo only", async () => {
    const start = await begin(folder, "start", ["--fresh"]);
    expect(await start.ended()).toBe(1);
    expect(start.said).toContain("knows --lan");
    expect(existsSync(path.join(folder, "data"))).toBe(true);
  });
});
