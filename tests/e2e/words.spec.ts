import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import { alive, beginJob } from "./look";

/** The phrases that the glossary marks as those nobody reads here. */
const NEVER = [...readFileSync(new URL("../../docs/glossary.md", import.meta.url), "utf8").matchAll(/^\|.*\|$/gm)]
  .map(([row]) => row.split("|").at(-2) ?? "")
  .flatMap((cell) => [...cell.matchAll(/\*\*([^*]+)\*\*/g)].map(([, phrase]) => phrase!));

/** Everything a person reads or hears on a page: text, labels, placeholders, titles. */
async function wordsOn(page: Page): Promise<string> {
  return page.evaluate(() => {
    const texts = [document.title, document.body.innerText];
    for (const element of document.querySelectorAll("[aria-label],[placeholder],[title],option,.visually-hidden"))
      texts.push(
        element.getAttribute("aria-label") ?? "",
        element.getAttribute("placeholder") ?? "",
        element.getAttribute("title") ?? "",
        element.textContent ?? "",
      );
    return texts.join("\n");
  });
}

const found = (text: string) =>
  NEVER.filter((phrase) => new RegExp(`(^|[^\\p{L}])${phrase}([^\\p{L}]|$)`, "mu").test(text));

// Two by two: together they are as long as any other file.
test.describe.configure({ mode: "parallel" });

/** Looks at the pages one after the other; answers with the phrases that should not be there, by page. */
function eye(page: Page) {
  const seen: Record<string, readonly string[]> = {};
  const look = async (name: string) => {
    await page.locator("main").first().waitFor();
    await page.waitForTimeout(200);
    const phrases = found(await wordsOn(page));
    if (phrases.length > 0) seen[name] = phrases;
  };
  return { seen, look };
}

test("no list, machine or tool shows a phrase that the glossary keeps away", async ({ page }) => {
  expect(NEVER.length).toBeGreaterThan(25);
  // What looks for them would see one.
  expect(found("Still to do: The call is open")).toEqual(["The call"]);
  const { seen, look } = eye(page);
  const ids = ["quellmoor-sb-210", "velmoor-dw-45", "hochkar-ip-4"];
  const tools = await page.request.get("/tools").then((r) => r.text());
  const toolPaths = [...new Set([...tools.matchAll(/href="(\/tools\/[a-z-]+)"/g)].map(([, href]) => href!))];
  expect(toolPaths.length).toBeGreaterThan(10);
  const paths = ["/", "/jobs", "/machines", "/machines/new", "/codes", "/lamp", "/quick", "/tools", ...toolPaths];
  for (const id of ids) paths.push(`/machines/${id}`, `/machines/${id}/edit`, `/machines/${id}/hand`);
  for (const tab of ["panels", "apart"]) paths.push(`/machines/${ids[0]}?tab=${tab}`);
  for (const path of paths) {
    await page.goto(path);
    await look(path);
  }
  expect(seen).toEqual({});
});

test("no view of a job, its repair or its record shows one", async ({ page }) => {
  const { seen, look } = eye(page);
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Door panel dark, no beep, still cold inside");
  const job = new URL(page.url()).pathname;
  for (const view of ["", "?view=says", "?view=modes", "?view=sheet"]) {
    await page.goto(`${job}${view}`);
    await look(`a job ${view}`);
  }
  await page.goto(job);
  await alive(page);
  await page.keyboard.press("Alt+k");
  await look("the diagnosis");
  for (const step of ["decide", "swap", "set-up", "prove", "back", "change"]) {
    await page.goto(`${job}/repair?step=${step}`);
    await look(`repair, ${step}`);
  }
  await page.goto(`${job}/record`);
  await look("the record");
  expect(seen).toEqual({});
});
