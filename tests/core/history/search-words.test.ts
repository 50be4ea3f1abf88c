import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { JournalEvent } from "../../../src/core/journal/events";
import { type MachineNames, namesOf, saidIn, termsOf, termsOfJob } from "../../../src/core/history/indexed";
import { matchesOf } from "../../../src/core/history/matched";
import { isFoundBy, LONGEST, searchWords, termsIn } from "../../../src/core/history/search-words";
import { demoMachine } from "../../support/demo-machine";

const FOLDER = new URL("../../journals/", import.meta.url);
const journals = readdirSync(FOLDER)
  .filter((name) => name.endsWith(".events.json"))
  .map((name) => JSON.parse(readFileSync(new URL(name, FOLDER), "utf8")) as JournalEvent[]);
const names: MachineNames = namesOf(demoMachine().file);

/** Whether a typed text finds another one. */
const finds = (typed: string, text: string) =>
  searchWords(typed).every((word) => [...termsIn(text)].some((term) => isFoundBy(term, word)));

describe("a word that is looked for", () => {
  it.each([
    ["E4", "shows E4", true],
    ["e4", "E4", true],
    ["E4", "shows E41", false],
    ["SB-210", "Quellmoor SB-210", true],
    ["sb210", "Quellmoor SB-210", true],
    ["sb 210", "Quellmoor SB-210", true],
    ["SB-2", "Quellmoor SB-210", true],
    ["heat", "heater relay", true],
    ["eater", "heater relay", false],
    ["heater welded", "heater relay: contacts welded", true],
    ["heater pump", "heater relay", false],
    ["4017", "40177", true],
    ["401", "40177", false],
    ["Türe", "the TURE is open", true],
    ["the door", "a door", true],
    ["", "anything", true],
  ])("%s in “%s”: %s", (typed, text, is) => {
    expect(finds(typed, text)).toBe(is);
  });

  it("that stands everywhere is left out, unless it is all there is", () => {
    expect(searchWords("the heater").map((w) => w.word)).toEqual(["heater"]);
    expect(searchWords("the").map((w) => w.word)).toEqual(["the"]);
    expect(searchWords("a b c d e f g h i").length).toBe(6);
  });
});

describe("the journals kept for ever", () => {
  it("are found by every word that stands in them, and say where it stands", () => {
    let words = 0;
    for (const events of journals) {
      const terms = termsOfJob(events, names);
      for (const { text } of events.flatMap((e) => saidIn(e, names)))
        for (const word of searchWords(text)) {
          words++;
          expect(
            terms.some(({ term }) => isFoundBy(term, word)),
            `${word.word} of “${text}”`,
          ).toBe(true);
          expect(matchesOf(events, names, [word]), word.word).toHaveLength(1);
        }
    }
    expect(words).toBeGreaterThan(300);
  });

  it("give each term once a field, none longer than is kept, entry by entry the same as read whole", () => {
    for (const events of journals) {
      const whole = termsOfJob(events, names).map((t) => `${t.field} ${t.term}`);
      expect(new Set(whole).size).toBe(whole.length);
      expect(whole.every((t) => t.length <= LONGEST + 12)).toBe(true);
      const struck = new Set(events.flatMap(({ body }) => (body.type === "struck" ? [body.event] : [])));
      // What was struck out is still found by its words; it is no evidence.
      const single = events.flatMap((e) =>
        termsOf(e, names).flatMap((t) => (t.field === "evidence" && struck.has(e.id) ? [] : [`${t.field} ${t.term}`])),
      );
      expect(new Set(single)).toEqual(new Set(whole));
    }
  });
});
