import { renderToBuffer } from "@react-pdf/renderer";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { describe, expect, it } from "vitest";
import type { CustomerPaper, QuotePaper } from "../../src/contract/paper";
import { CustomerPdf } from "../../src/ui/paper/pdf/CustomerPdf";
import { registerFonts } from "../../src/ui/paper/pdf/fonts";
import { QuotePdf } from "../../src/ui/paper/pdf/QuotePdf";

/** A text without its blanks: where a letter is taken from another typeface, a reader begins anew. */
const tight = (text: string) => text.replace(/\s+/g, "");

/** The text of each page, as another program reads it, tight. */
async function pagesOf(pdf: Buffer): Promise<string[]> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let n = 1; n <= document.numPages; n++) {
    const { items } = await (await document.getPage(n)).getTextContent();
    pages.push(
      items
        .map((item) => ("str" in item ? item.str : ""))
        .map(tight)
        .join(""),
    );
  }
  return pages;
}

const head: CustomerPaper["head"] = {
  job: "4f2e1d7c-0000-4000-8000-000000000000",
  letterhead: { name: "Dílna Žluťoučký kůň", contact: "ул. Горная 5" },
  site: "Łąka pod Σκάλα",
  machine: "Quellmoor SB-210, Washer",
  serial: "40177",
  at: "2026-11-30T10:00:00.000Z",
  by: "Ida",
};

const paper: CustomerPaper = {
  head,
  page: {
    wrong: ["You told us: Door panel dark."],
    done: ["Door loom was replaced."],
    proven: ["The electrical safety test passed."],
    watch: ["Nothing special ≤ 5 🙂"],
    unsafe: null,
    price: 55,
    warranty: false,
    next: { on: "2026-12-14", words: "We ask whether it holds." },
    safety: {
      says: "",
      passed: true,
      rows: [{ words: "Insulation", value: "85 MΩ", limit: "at least 0.3 MΩ", passed: true }],
      tester: { name: "Tester 4", calibrated: "2026-03-01" },
      by: "Ida",
      at: "2026-11-30T09:50:00.000Z",
    },
    photos: [],
    words: "",
  },
  record: Array.from({ length: 60 }, (_, i) => ({
    at: "2026-11-30T09:00:00.000Z",
    test: `Ohms at plug ${i + 1}`,
    shown: `${i} Ω`,
    expected: "below 0.5 Ω",
    verdict: "fits" as const,
  })),
};

registerFonts();

describe("papers, read by another program", () => {
  it("the customer's page is one page; the safety test overleaf, the record behind it whole, pages numbered", async () => {
    const pages = await pagesOf(
      await renderToBuffer(<CustomerPdf paper={paper} photos={new Map()} money={(n) => `${n} EUR`} />),
    );
    expect(pages[0]).toContain(tight("You told us: Door panel dark."));
    expect(pages[0]).toContain(tight("55 EUR"));
    expect(pages[0]).toContain(tight("Monday, 14 December 2026"));
    expect(pages[0]).toContain(tight(`page 1 of ${pages.length}`));
    expect(pages[1]).toContain(tight("The safety test in numbers"));
    expect(pages[1]).toContain(tight("85 MΩ"));
    expect(pages[1]).toContain(tight("Tester 4"));
    expect(pages[1]).toContain(tight("1 March 2026"));
    const record = pages.slice(2).join("");
    for (let i = 1; i <= 60; i++) expect(record).toContain(tight(`Ohms at plug ${i}${i - 1}Ω`));
    expect(pages.at(-1)).toContain(tight(`page ${pages.length} of ${pages.length}`));
  });

  it("names in other alphabets and the ohm come out as they are, what no typeface has as words or a mark", async () => {
    const [first] = await pagesOf(
      await renderToBuffer(<CustomerPdf paper={paper} photos={new Map()} money={String} />),
    );
    expect(first).toContain(tight("Dílna Žluťoučký kůň"));
    expect(first).toContain(tight("ул. Горная 5"));
    expect(first).toContain(tight("Łąka pod Σκάλα"));
    expect(first).toContain(tight("Nothing special <= 5 ?"));
  });

  it("an offer has each line with its price, its chance and until when it holds", async () => {
    const quote: QuotePaper = { head, wrong: "It was broken.", piece: "p", fault: null, options: [], given: null };
    const options = [
      { option: "a", words: "A new board", price: 220, holds: 0.97, days: 3, means: "Costs most." },
      { option: "b", words: "Solder the joint", price: 18, holds: 0.5, days: 0, means: "May come back." },
    ];
    const [page, ...more] = await pagesOf(
      await renderToBuffer(<QuotePdf paper={quote} options={options} until="2026-12-30" money={String} />),
    );
    expect(more).toEqual([]);
    for (const words of ["A new board", "220", "lasts with 97 % chance, part in 3 days", "at once", "May come back."])
      expect(page).toContain(tight(words));
    expect(page).toContain(tight("These prices hold until Wednesday, 30 December 2026."));
  });
});
