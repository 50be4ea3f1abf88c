import { afterAll, describe, expect, it } from "vitest";
import { contradictions, DIALOGUES, held, type Dialogue, type Ending } from "./dialogue";

/** How a dialogue ended, as a practitioner would judge it. */
export type Judgement = "right" | "likely" | "nothing named" | "sound part blamed";

/** Whether the broken assembly was named, and nothing else. */
export function judgement({ kind, truth, assemblies }: Ending): Judgement {
  if (assemblies.some((a) => a !== truth)) return "sound part blamed";
  if (assemblies.length === 0) return "nothing named";
  return kind === "likely" ? "likely" : "right";
}

/** The dialogues of these machines: each by itself, then what all of them came to. */
export function judgeDialogues(machines: readonly string[]): void {
  const mine = DIALOGUES.map((dialogue, i) => ({ dialogue, seed: i + 1 })).filter(({ dialogue }) =>
    machines.includes(dialogue.machine),
  );
  const came = new Map<Judgement, number>();
  let [inVain, readings] = [0, 0];
  describe("searches answered by a circuit simulator", () => {
    it.each(mine.map((m): [string, Dialogue, number] => [nameOf(m.dialogue), m.dialogue, m.seed]))(
      "%s: no sound part is blamed",
      (_name, dialogue, seed) => {
        const ending = held(dialogue, seed);
        const j = judgement(ending);
        came.set(j, (came.get(j) ?? 0) + 1);
        inVain += ending.inVain.length;
        readings += ending.readings.length;
        expect({ ...ending, judgement: j }).not.toMatchObject({ judgement: "sound part blamed" });
      },
    );

    it("begin with a complaint that the circuit shows, its controllers awake where they are fed", () => {
      const wrong = mine.flatMap(({ dialogue, seed }) =>
        contradictions(dialogue, seed).map((words) => `${nameOf(dialogue)}: ${words}`),
      );
      expect(wrong).toEqual([]);
    });

    it("end at the broken assembly in nine of ten, and as likely in one of ten at most", () => {
      expect(came.get("right") ?? 0).toBeGreaterThanOrEqual(0.9 * mine.length);
      expect(came.get("likely") ?? 0).toBeLessThanOrEqual(0.1 * mine.length);
    });

    afterAll(() => {
      const words = [...came].map(([j, n]) => `${j} ${n}`).join(", ");
      console.log(
        `dialogues: ${words}; repairs in vain ${inVain}; ${(readings / Math.max(1, mine.length)).toFixed(1)} readings each`,
      );
    });
  });
}

const nameOf = (d: Dialogue) => `${d.machine} ${d.fault}`;
