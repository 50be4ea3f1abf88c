import { KIND_IDS, kindPage, type KindPage, plainestParts } from "../core/model";
import { librarySummaries } from "./library";
import { machineByHash } from "./machine-store";

/** The page of every kind of part, with the plainest example that the library of this shop has. */
export async function kindPages(): Promise<readonly KindPage[]> {
  const library = await librarySummaries();
  const files = await Promise.all(
    library.filter((m) => m.origin !== "quick").map(async ({ hash }) => (await machineByHash(hash)).file),
  );
  const examples = plainestParts(files);
  return KIND_IDS.map((id) => kindPage(id, examples.get(id) ?? null));
}
