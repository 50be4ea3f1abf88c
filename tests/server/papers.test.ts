import { randomUUID as uuid } from "node:crypto";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET as paperOf } from "../../src/app/api/jobs/[id]/paper/route";
import { POST as setHead } from "../../src/app/api/shop/letterhead/route";
import { newestMachine } from "../../src/server/machine-store";
import { customerPaper, quotePaper } from "../../src/server/papers";
import { shopLetterhead } from "../../src/server/shop";
import { asked, at, closeShop, log, newJob, newUnit, posted, prepareShop, said } from "../support/shop";

const MACHINE = "quellmoor-sb-210";
beforeAll(prepareShop);
afterAll(closeShop);

/** The text of a PDF as another program reads it, without its blanks. */
async function textOf(answer: Response): Promise<string> {
  expect(answer.headers.get("content-type")).toBe("application/pdf");
  const pdf = await getDocument({ data: new Uint8Array(await answer.arrayBuffer()), verbosity: 0 }).promise;
  let text = "";
  for (let n = 1; n <= pdf.numPages; n++)
    for (const item of (await (await pdf.getPage(n)).getTextContent()).items) if ("str" in item) text += item.str;
  return text.replace(/\s+/g, "");
}
const tight = (words: string) => words.replace(/\s+/g, "");

async function begun() {
  const { machine } = await newestMachine(MACHINE);
  const job = await newJob(await newUnit(MACHINE, { site: "Larch Pass Hut" }), machine.file.complaints[0]!.id);
  return { machine, job, board: machine.file.pieces.find((p) => p.board)!.id };
}

describe("papers of a job", () => {
  it("an offer holds the lines that were chosen, at their prices, to the day that was said, and no others", async () => {
    const { job, board } = await begun();
    const { options } = await quotePaper(job, board, null);
    expect(options.length).toBeGreaterThan(2);
    expect(options.map((o) => o.option)).not.toContain("give-up");
    const [first, second] = options;
    const query = new URLSearchParams({ kind: "quote", assembly: board, only: first!.option, until: "2026-12-24" });
    const text = await textOf(await paperOf(asked(`?${query}`), at(job)));
    expect(text).toContain(tight(first!.words));
    expect(text).toContain(tight("These prices hold until Thursday, 24 December 2026."));
    expect(text).not.toContain(tight(second!.words));
  });

  it("what was handed out stays as it was, whatever it would cost now", async () => {
    const { job, board } = await begun();
    const option = { option: "maker-board", words: "The maker's board, as agreed", price: 199, holds: 0.9, days: 3 };
    await log(job, { type: "quoted", piece: board, until: "2026-12-31", options: [option] });
    expect((await quotePaper(job, board, null)).given?.options[0]).toMatchObject({ price: 199, words: option.words });
    const query = new URLSearchParams({ kind: "quote", assembly: board });
    const text = await textOf(await paperOf(asked(`?${query}`), at(job)));
    expect(text).toContain(tight(option.words));
    expect(text).toContain("199");
  });

  it("an offer for what the machine has not, and a customer's page of an open job, are refused with a sentence", async () => {
    const { job } = await begun();
    const query = new URLSearchParams({ kind: "quote", assembly: "flux capacitor" });
    expect(await said(await paperOf(asked(`?${query}`), at(job)))).toMatchObject({ status: 404 });
    const open = await said(await paperOf(asked(), at(job)));
    expect([open.status, open.error]).toEqual([409, "The customer's page is made when the job is closed."]);
    expect((await said(await paperOf(asked(), at(uuid())))).status).toBe(404);
  });

  it("the head of the page is set for the whole shop, once for the same id; a page without a name is refused", async () => {
    const head = { id: uuid(), actor: "Ida", name: "Workshop at the valley station", contact: "Station road 2" };
    expect((await setHead(posted(head))).status).toBe(200);
    expect((await setHead(posted(head))).status).toBe(200);
    expect(await shopLetterhead()).toEqual({ name: head.name, contact: head.contact });
    expect((await setHead(posted({ ...head, id: uuid(), name: " " }))).status).toBe(400);
    expect((await shopLetterhead())!.name).toBe(head.name);
    const { machine, job } = await begun();
    // Nothing is named as its cause: the shop learns nothing from it.
    await log(job, {
      type: "called",
      piece: machine.file.pieces[0]!.id,
      pieceName: "Board",
      cause: "c",
      action: "Looked at",
      sure: "likely",
      proofs: [],
      excluded: ["The mains"],
    });
    const text = await textOf(await paperOf(asked(), at(job)));
    expect(text).toContain(tight(head.name));
    expect(text).toContain(tight("We found no fault in the machine."));
  });

  it("a choice for the page that was made after the call is shown, and changes nothing of the call", async () => {
    const { machine, job } = await begun();
    await log(job, {
      type: "called",
      piece: machine.file.pieces[0]!.id,
      pieceName: "Board",
      cause: "c",
      action: "Looked at",
      sure: "likely",
      proofs: [],
      excluded: [],
    });
    const before = await customerPaper(job);
    await log(job, { type: "customer page", photos: ["a".repeat(64)], words: "Thank you", next: "2027-01-15" });
    const after = await customerPaper(job);
    expect(after.page.words).toBe("Thank you");
    expect(after.page.next).toMatchObject({ on: "2027-01-15" });
    // A photo that is none of this job is not shown.
    expect(after.page.photos).toEqual([]);
    expect([after.page.wrong, after.page.done, after.head]).toEqual([before.page.wrong, before.page.done, before.head]);
  });
});
