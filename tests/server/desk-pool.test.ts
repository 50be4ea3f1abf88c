import { describe, expect, it } from "vitest";
import { DeskPool, type Desk } from "../../src/server/desk-pool";

/** A worker that is built and asked when the test says so. */
class FakeDesk {
  built = 0;
  ended = false;
  lose!: (error: Error) => void;
}
const made: FakeDesk[] = [];
const begin = (): Desk<FakeDesk> => {
  const desk = new FakeDesk();
  made.push(desk);
  const lost = new Promise<never>((_, reject) => (desk.lose = reject));
  lost.catch(() => {});
  return { desk, lost, end: () => (desk.ended = true) };
};
const tick = () => new Promise((resolve) => setTimeout(resolve, 1));
const build = async (desk: FakeDesk) => {
  await tick();
  desk.built++;
};

describe("workers for more machines at once than are kept", () => {
  it("answer twenty clients on sixteen machines, each built in its turn, none taken away while it is in use", async () => {
    const pool = new DeskPool<FakeDesk>(3);
    let most = 0;
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        pool.use(`machine ${i % 16}`, begin, build, async (desk) => {
          most = Math.max(most, pool.size);
          for (let n = 0; n < 3; n++) {
            await tick();
            expect(desk.ended, "a busy worker was put away").toBe(false);
          }
          return i;
        }),
      ),
    );
    expect(answers).toEqual(Array.from({ length: 20 }, (_, i) => i));
    expect(most).toBeLessThanOrEqual(3);
    expect(pool.begun).toBeGreaterThanOrEqual(16);
  });

  it("keep what is used last, and put away what was longest unused", async () => {
    const pool = new DeskPool<FakeDesk>(2);
    const use = (key: string) => pool.use(key, begin, build, (desk) => Promise.resolve(desk));
    const [a] = [await use("a"), await use("b")];
    expect(await use("a")).toBe(a);
    await use("c");
    expect([pool.isReady("a"), pool.isReady("b"), pool.isReady("c")]).toEqual([true, false, true]);
  });

  it("that end by themselves reject what waits on them, and are begun anew by whoever asks next", async () => {
    const pool = new DeskPool<FakeDesk>(1);
    const waiting = pool.use("a", begin, build, () => new Promise<never>(() => {}));
    const behind = pool.use("b", begin, build, () => Promise.resolve("b"));
    await tick();
    await tick();
    made.at(-1)!.lose(new Error("gone"));
    await expect(waiting).rejects.toThrow("gone");
    expect(await behind).toBe("b");
    expect(await pool.use("a", begin, build, () => Promise.resolve("again"))).toBe("again");
  });

  it("whose build fails say so to everyone who waits, and are tried again", async () => {
    const pool = new DeskPool<FakeDesk>(1);
    const bad = () => Promise.reject(new Error("no operating point"));
    const both = [1, 2].map(() => pool.use("a", begin, bad, () => Promise.resolve(1)));
    for (const one of both) await expect(one).rejects.toThrow("no operating point");
    expect(pool.size).toBe(0);
    expect(await pool.use("a", begin, build, () => Promise.resolve(2))).toBe(2);
  });

  it("are prepared once, however often that is asked for", async () => {
    const pool = new DeskPool<FakeDesk>(1);
    for (let i = 0; i < 5; i++) pool.prepare("a", begin, build);
    for (let i = 0; i < 20 && !pool.isReady("a"); i++) await tick();
    expect([pool.isReady("a"), pool.begun]).toEqual([true, 1]);
  });
});
