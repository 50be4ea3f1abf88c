import { checkedFile } from "../file/checked-file";
import { readLines, type SheetTable } from "./sheet-line";
import { say } from "#words/core/model/sheet/cover-screws";

/** Screws of a cover as a sheet lists them. */
export interface ScrewRow {
  readonly cover: string;
  readonly count: number;
  readonly size: string;
  readonly place: string;
  /** What undoes them; null: not said. */
  readonly tool: string | null;
}

const TOOL =
  /\b(Torx\s*\d+|T\d{1,2}|crosshead|slotted|hex\s*\d+(?:\.\d)?|\d+(?:\.\d)?\s*mm\s+(?:spanner|hex)|Allen\s*\d+)\b/i;

/** Screws and covers: `Rear panel 6 x M4 Torx 20 along the top`: the cover by its name, how many, their size, their place. */
export const coverScrews: SheetTable<ScrewRow> = {
  read: (text, file) =>
    readLines(text, (line) => {
      const plain = line.replace(/[\t;:]+|,\s+/g, " ").replace(/\s+/g, " ");
      const named = file.panels
        .filter((p) => plain.toLowerCase().startsWith(p.name.toLowerCase()))
        .sort((a, b) => b.name.length - a.name.length)[0];
      if (!named) throw new RangeError(say.noSuchCover(plain.slice(0, 40)));
      const rest = plain.slice(named.name.length).trim();
      const match = /^(\d{1,2})\s*(?:x|×)?\s*(?:screws?\s*)?(.*)$/i.exec(rest);
      if (!match || match[2]!.trim() === "" || Number(match[1]) < 1) throw new RangeError(say.howMany(named.name));
      const tool = TOOL.exec(match[2]!)?.[0] ?? null;
      const said = match[2]!.replace(TOOL, " ").replace(/\s+/g, " ").trim();
      const size = /^(?:M\d(?:[.,]\d)?(?:\s*x\s*\d+)?|\d[.,]\d(?:\s*x\s*\d+)?)/i.exec(said)?.[0] ?? tool;
      if (size === null) throw new RangeError(say.whatSize(named.name));
      const place =
        said
          .replace(size, "")
          .trim()
          .replace(/^(?:at|along|in|on)\s+(?:the\s+)?/i, "")
          .trim() || say.allRound;
      const item = { cover: named.id, count: Number(match[1]), size, place, tool };
      return { item, words: say.screws(named.name, item.count, size, place, tool) };
    }),
  apply(file, items) {
    const panels = file.panels.map((p) => {
      const own = items.filter((i) => i.cover === p.id);
      if (own.length === 0) return p;
      const tools = new Set([...p.tools, ...own.flatMap((i) => (i.tool ? [i.tool] : []))]);
      const screws = own.map(({ count, size, place }) => ({ count, size, place }));
      return { ...p, tools: [...tools].slice(0, 12), screws };
    });
    return checkedFile({ ...file, panels });
  },
};
