import { describe, expect, it } from "vitest";
import { changesKey, decide, type Facts } from "../../../src/core/journal/decide";
import type { EventBody, JournalEvent, RawEvent } from "../../../src/core/journal/events";
import { activeChanges, emptyLedger, enter, ledgerOf, type Ledger } from "../../../src/core/journal/ledger";
import type { CircuitChange } from "../../../src/core/model/as-found";
import { variantOf } from "../../../src/core/model/as-found";
import { machineNamed } from "../../support/fleet";
import { demoDictionary } from "../../support/demo-machine";
import { changesIn } from "../../../src/core/journal/slices/changes";

const { machine } = demoDictionary();
const uuid = (n: number) => `0b0e8f6e-6a3c-4c57-9a53-${String(n).padStart(12, "0")}`;
const HASH = "c".repeat(64);
const opened: EventBody = {
  type: "opened",
  kind: "repair",
  machine: machine.file.id,
  machineHash: "a".repeat(64),
  complaint: "panel-dark",
  site: "Larch Pass Hut",
  serial: null,
};
const events = (...bodies: EventBody[]): JournalEvent[] =>
  bodies.map((body, i) => ({
    id: uuid(i + 1),
    job: "j",
    seq: i + 1,
    v: 1,
    actor: "Ida",
    at: "2026-11-24T08:00:00.000Z",
    body,
  }));
const after = (...bodies: EventBody[]) => ledgerOf("j", events(opened, ...bodies));
/** The decision on a body after others, on the unit as those have left it. */
function on(ledger: Ledger, body: EventBody, facts?: Facts) {
  const changes = activeChanges(ledger);
  const unit = changes.length === 0 ? machine : variantOf(machine.file, changes);
  return decide(ledger, { file: machine.file, machine: unit }, { id: uuid(99), v: 1, actor: "Ida", body }, facts);
}
const waiting = (care: "leave" | "watch" | "locked"): EventBody => ({
  type: "waiting",
  wait: "log",
  words: "Log",
  seconds: 600,
  care,
});
const reading = (
  test: Partial<Extract<EventBody, { type: "reading" }>["test"]>,
  shown: object = { kind: "value", value: 13 },
) =>
  ({
    type: "reading",
    test: { setup: "cold-call", function: "dcv", red: "H1-1.cab", black: "H1-3.cab", instant: "settled", ...test },
    typed: "13",
    shown,
    as: {
      title: "t",
      red: "r",
      setup: "s",
      exposure: "low voltage",
      expected: "e",
      shown: "13",
      verdict: "fits",
      proposed: true,
    },
    coreVersion: "1",
  }) as EventBody;
const takenOut: EventBody = {
  type: "varied",
  change: { change: "taken out", part: "F1", bridged: true },
  words: "no fuse",
};

describe("a decision on the next entry of a job", () => {
  it("takes that a job was opened by mistake, once, and not of a closed one", () => {
    const dropped: EventBody = { type: "dropped", reason: "wrong unit" };
    expect(on(after(), dropped)).toEqual({ kind: "accepted" });
    expect(on(after(dropped), dropped)).toMatchObject({ kind: "refused", status: 409 });
  });

  it.each<[string, EventBody, string]>([
    ["a setup the machine has not", { type: "standing", setup: "flying" }, "no setup flying"],
    ["a cover it has not", { type: "standing", setup: "cold-call", panel: "roof" }, "no cover roof"],
    ["a reading in no setup", reading({ setup: "flying" }), "no setup flying"],
    ["a red lead nowhere", reading({ red: "X9-1" }), "no point X9-1"],
    ["a black lead nowhere", reading({ black: "X9-2" }), "no point X9-2"],
    ["no black lead", reading({ black: undefined }), "black lead"],
    ["both leads on one point", reading({ black: "H1-1.cab" }), "Both leads"],
    ["a clamp where none fits", reading({ function: "clamp", red: "H1-1.cab", black: undefined }), "for a clamp"],
    ["a clamp with a black lead", reading({ function: "clamp" }), "no black lead"],
    ["ohms on a live circuit", reading({ function: "ohms" }), "dead circuit"],
    ["volts that beep", reading({}, { kind: "beep", beeps: true }), "no other function"],
    ["volts that are seen", reading({}, { kind: "label", label: "dark" }), "A look shows"],
    [
      "a look at nothing",
      reading({ function: "look", red: "F1", black: undefined }, { kind: "label", label: "dark" }),
      "to look at",
    ],
    ["a sign no part has", { type: "noticed", part: "F1", sign: "sings", there: true, words: "w" }, "no such sign"],
    [
      "a fuse bridged to see",
      { type: "by hand", trial: "bridged", of: "F1", came: "alive", words: "w" },
      "is never bridged",
    ],
    ["a plug nobody has", { type: "by hand", trial: "reseated", of: "X9", came: "alive", words: "w" }, "no part X9"],
    [
      "a lamp in place of a wire",
      { type: "by hand", trial: "series lamp", of: "W1", came: "bright", words: "w" },
      "cannot be tried so",
    ],
    [
      "a plug that shines",
      { type: "by hand", trial: "reseated", of: "J2", came: "bright", words: "w" },
      "cannot be tried so",
    ],
    [
      "a part it has not",
      { type: "alone", part: "nobody", found: "bad", tool: "fuse", typed: {}, words: "w" },
      "no part nobody",
    ],
    ["an assembly it has not", { type: "tried", piece: "wing", result: "gone", words: "w" }, "no assembly wing"],
    [
      "a wait for an assembly it has not",
      { type: "waiting", wait: "x", words: "w", seconds: 9, piece: "wing" },
      "no assembly wing",
    ],
    [
      "a setting it has not",
      { type: "setting", setting: "mood", value: "1", moment: "found", words: "w" },
      "no setting mood",
    ],
    ["a question nobody asks", { type: "answered", first: "why", answer: "yes", words: "w" }, "no such question"],
    [
      "a change that cannot be",
      { ...takenOut, change: { change: "taken out", part: "nobody", bridged: true } },
      "no part called",
    ],
  ])("%s is refused by a sentence", (_name, body, words) => {
    const decision = on(after(), body);
    expect(decision).toMatchObject({ kind: "refused", status: 400 });
    expect(decision.kind === "refused" && decision.sentence).toContain(words);
  });

  it("takes what a hand may try, and why a fuse blew", () => {
    for (const body of [
      { type: "by hand", trial: "reseated", of: "J2", came: "alive for a while", words: "w" },
      { type: "by hand", trial: "bridged", of: "J2-1", came: "still dead", words: "w" },
      { type: "by hand", trial: "series lamp", of: "F1", came: "dim", words: "w" },
      { type: "noticed", part: "F1", sign: "why surge", there: true, words: "w" },
    ] satisfies EventBody[])
      expect(on(after(), body)).toEqual({ kind: "accepted" });
  });

  it("takes what this machine can show", () => {
    for (const body of [reading({}), reading({ function: "ohms", setup: "unplugged" }, { kind: "overload" }), takenOut])
      expect(on(after(), body as EventBody)).toEqual({ kind: "accepted" });
  });

  it("what has power and a cover off is not safe to leave; in sight, locked, closed or dead it is", () => {
    // Read live at the hinge: its cover is off.
    const open = [reading({})];
    expect(on(after(...open), waiting("leave"))).toMatchObject({ kind: "refused", status: 400 });
    expect((on(after(...open), waiting("leave")) as { sentence: string }).sentence).toMatch(
      /power.*cover is off.*lock/,
    );
    for (const care of ["watch", "locked"] as const) expect(on(after(...open), waiting(care)).kind).toBe("accepted");
    expect(on(after(), waiting("leave")).kind).toBe("accepted");
    expect(on(after(...open, { type: "standing", setup: "unplugged" }), waiting("leave")).kind).toBe("accepted");
    const back: EventBody = { type: "restored", item: "cover hinge-cover", words: "Hinge cover on" };
    expect(on(after(...open, back), waiting("leave")).kind).toBe("accepted");
    expect(on(after(...open, back, reading({})), waiting("leave")).kind).toBe("refused");
    // A journal that comes in from elsewhere tells how it was, and is taken.
    expect(on(after(...open), waiting("leave"), { isPast: true }).kind).toBe("accepted");
  });

  it("opens no job twice, and strikes only what can be struck", () => {
    expect(on(after(), opened)).toMatchObject({ kind: "refused", status: 409 });
    expect(on(after(reading({})), { type: "struck", event: uuid(2), reason: "r" })).toEqual({ kind: "accepted" });
    expect(on(after({ type: "note", text: "n" }), { type: "struck", event: uuid(2), reason: "r" })).toMatchObject({
      status: 404,
    });
    expect(on(after(), { type: "struck", event: uuid(7), reason: "r" })).toMatchObject({ status: 404 });
  });

  it("does not take a find back before what builds on it", () => {
    const putIn: EventBody = {
      type: "varied",
      change: { change: "put in", kind: "fuse", name: "Lead fuse", part: "F1", terminal: "a", fields: { amps: "5" } },
      words: "w",
    };
    const ledger = after(putIn, {
      type: "varied",
      change: { change: "other part", part: "found-fuse-1", fields: { amps: "3" } },
      words: "w",
    });
    expect(on(ledger, { type: "struck", event: uuid(2), reason: "r" })).toMatchObject({ kind: "refused", status: 409 });
    expect(on(ledger, { type: "struck", event: uuid(3), reason: "r" })).toEqual({ kind: "accepted" });
  });

  it("asks for a photo, a temporary repair and a proof, and decides by what it is told", () => {
    const photo: EventBody = { type: "photo", hash: HASH, stage: "open", caption: "", marks: [] };
    expect(on(after(), photo)).toEqual({ kind: "needs", needs: [{ need: "photo", hash: HASH }] });
    expect(on(after(), photo, { photos: new Map([[HASH, true]]) })).toEqual({ kind: "accepted" });
    expect(on(after(), photo, { photos: new Map([[HASH, false]]) })).toMatchObject({ status: 400 });
    const good: EventBody = { type: "made good", event: uuid(50), words: "w" };
    expect(on(after(), good)).toMatchObject({ kind: "needs" });
    expect(on(after(), good, { temporaryRepairs: new Map([[uuid(50), false]]) })).toMatchObject({ status: 404 });
    const change = takenOut.type === "varied" ? (takenOut.change as CircuitChange) : null;
    const modified: EventBody = {
      type: "modified",
      changes: [change!],
      words: "w",
      reason: "r",
      customer: "c",
      proof: ["p"],
    };
    expect(on(after(), modified)).toMatchObject({ kind: "needs", needs: [{ need: "proof" }] });
    const key = changesKey([], [change!]);
    expect(on(after(), modified, { proof: { key, fault: null } })).toEqual({ kind: "accepted" });
    expect(on(after(), modified, { proof: { key, fault: "It burns." } })).toMatchObject({ status: 409 });
    // A proof made on another state of the unit proves nothing of this one.
    const other = changesKey([{ change: "taken out", part: "W4", bridged: true }], [change!]);
    expect(on(after(), modified, { proof: { key: other, fault: null } })).toMatchObject({ kind: "needs" });
  });

  it("wants a setting recorded as found before it is changed; a struck record is none", () => {
    const washer = machineNamed("brenzik-cd-30");
    const setting = washer.file.settings[0]!;
    const value = setting.values[0]?.value ?? "1";
    const onWasher = (ledger: Ledger, body: EventBody) =>
      decide(ledger, { file: washer.file, machine: washer }, { id: uuid(99), v: 1, actor: "Ida", body });
    const found: EventBody = { type: "setting", setting: setting.id, value, moment: "found", words: "w" };
    const set: EventBody = { ...found, moment: "set" };
    expect(onWasher(after(), set)).toMatchObject({ kind: "refused", status: 400 });
    expect(onWasher(after(found), set)).toEqual({ kind: "accepted" });
    expect(onWasher(after(found, { type: "struck", event: uuid(2), reason: "r" }), set)).toMatchObject({
      kind: "refused",
    });
  });

  it("adds nothing to a journal with an entry of a later program", () => {
    const raw: RawEvent = {
      raw: true,
      id: uuid(2),
      job: "j",
      seq: 2,
      v: 1,
      actor: "Ida",
      at: "",
      body: { type: "gas checked" },
    };
    const ledger = ledgerOf("j", [...events(opened), raw]);
    expect(on(ledger, { type: "note", text: "n" })).toMatchObject({ kind: "refused", status: 409 });
  });
});

describe("the ledger", () => {
  const bodies: EventBody[] = [
    opened,
    reading({}),
    reading({}),
    takenOut,
    { type: "waiting", wait: "dry", words: "w", seconds: 600 },
    { type: "struck", event: uuid(2), reason: "r" },
    { type: "struck", event: uuid(2), reason: "once more" },
    { type: "struck", event: uuid(4), reason: "r" },
    { type: "called", piece: "hinge-plug", pieceName: "H1", cause: "c", action: "a", sure: "likely", proofs: [] },
    reading({}),
  ];

  it("counts what stands, once, and nothing after the call", () => {
    const ledger = ledgerOf("j", events(...bodies));
    expect([ledger.told.counting.size, activeChanges(ledger), ledger.told.waits.size]).toEqual([1, [], 0]);
    expect(ledger.told.called).toMatchObject({ pieceName: "H1" });
    const before = ledgerOf("j", events(...bodies.slice(0, 5)));
    expect([
      before.told.counting.size,
      activeChanges(before).length,
      before.told.waits.get("dry")!.body.seconds,
    ]).toEqual([2, 1, 600]);
    expect(changesIn(events(...bodies.slice(0, 5)))).toEqual(activeChanges(before));
  });

  it("is the same taken in one by one or as a whole, in any order", () => {
    const all = events(...bodies);
    const one = emptyLedger("j");
    for (const event of all) enter(one, event);
    expect(ledgerOf("j", [...all].reverse())).toEqual(one);
  });

  it("takes no entry that does not follow", () => {
    const ledger = ledgerOf("j", events(opened));
    expect(() => enter(ledger, events(opened, opened, opened)[2]!)).toThrow(RangeError);
    expect(() => enter(ledger, events(opened)[0]!)).toThrow(RangeError);
  });
});
