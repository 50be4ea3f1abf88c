import { describe, expect, test } from "vitest";
import {
  again,
  BEGIN,
  mark,
  secondsLeft,
  seen,
  stepWords,
  tick,
  type Count,
} from "../../../../src/core/model/program/counting";
import { guideTo, keyMarks, waySeconds } from "../../../../src/core/model/program/guide";
import { gesturesTo } from "../../../../src/core/model/program/program";
import { programOf } from "../../../../src/core/simulate/conditions";
import { machineNamed } from "../../../support/fleet";

const firnau = programOf(machineNamed("firnau-bf-330"))!;
const velmoor = programOf(machineNamed("velmoor-dw-45"))!;

describe("counting along with a gesture", () => {
  const legs = guideTo(firnau, "run", "service")!;
  const steps = legs[0]!.steps.map((s) => s.do);

  test("door, key kept down, three presses within six seconds, let go, look", () => {
    expect(steps).toEqual(["open", "keep", "press", "let go"]);
    let c: Count = BEGIN;
    c = mark(legs, c, 0);
    c = mark(legs, c, 1);
    expect(stepWords(legs[0]!.steps[2]!, c, (id) => id)).toBe("Press A: 1 of 3");
    c = mark(legs, c, 2);
    expect(secondsLeft(legs, c, 3.5)).toBeCloseTo(4.5, 9);
    c = mark(legs, c, 4);
    expect(stepWords(legs[0]!.steps[2]!, c, (id) => id)).toBe("Press A: 3 of 3");
    c = mark(legs, c, 6);
    c = mark(legs, c, 7);
    expect(c.state).toBe("look");
    expect(seen(legs, c).state).toBe("done");
  });

  test("too slow is said at once, and begun again", () => {
    let c = [0, 1, 2].reduce((count, t) => mark(legs, count, t), BEGIN);
    expect(tick(legs, c, 7.9).state).toBe("doing");
    c = tick(legs, c, 8.1);
    expect(c.state).toBe("late");
    expect(mark(legs, c, 9)).toBe(c);
    expect(again(legs, c)).toEqual(BEGIN);
  });

  test("a hold counts down from the press and ends by itself; nothing counts before it", () => {
    const hold = guideTo(firnau, "run", "defrost")!;
    expect(secondsLeft(hold, BEGIN, 5)).toBeNull();
    let c = mark(hold, BEGIN, 5);
    expect(mark(hold, c, 6)).toBe(c);
    expect(secondsLeft(hold, c, 9)).toBe(6);
    expect(tick(hold, c, 14.9).state).toBe("doing");
    c = tick(hold, c, 15);
    expect(c.state).toBe("look");
  });

  test("after a power cycle the time is short; too late begins with the power again", () => {
    const recall = guideTo(velmoor, "idle", "recall")!;
    let c = mark(recall, BEGIN, 0);
    expect(mark(recall, c, 5)).toBe(c);
    expect(secondsLeft(recall, c, 4)).toBe(6);
    c = seen(recall, mark(recall, c, 11));
    expect([c.leg, secondsLeft(recall, c, 13)]).toEqual([1, 8]);
    expect(tick(recall, c, 21.5).state).toBe("late");
    expect(again(recall, tick(recall, c, 21.5))).toEqual(BEGIN);
    const held = mark(recall, c, 14);
    expect(tick(recall, held, 17).state).toBe("look");
  });

  test("the keys of a way as marks, and the seconds it takes", () => {
    expect(keyMarks(gesturesTo(firnau, "run", "service")!)).toEqual(["keep B", "A", "A", "A"]);
    expect(keyMarks(gesturesTo(firnau, "run", "defrost")!)).toEqual(["hold B 10 s"]);
    expect(waySeconds(guideTo(velmoor, "idle", "recall")!)).toBeGreaterThan(13);
    expect(guideTo(firnau, "run", "nowhere")).toBeNull();
  });
});
