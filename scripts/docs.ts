// Writes what is generated in docs: the drawing of the layers, the HTTP interface, the list of decisions.
// npm run docs
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { CORE, LAYERS } from "../architecture.mjs";
import { apiPage } from "./lib/api-page";
import { kindPages } from "./lib/kind-pages";
import { layersDrawing } from "./lib/layers-drawing";
import { functionsPage } from "./lib/functions-page";
import { exampleDrawing, workedExample } from "./lib/worked-example";

const docs = new URL("../docs/", import.meta.url);

/** Every generated file, by its path in `docs`. */
export function generated(): Readonly<Record<string, string>> {
  return {
    "architecture-layers.svg": layersDrawing(LAYERS, "src"),
    "architecture-core.svg": layersDrawing(CORE, "src/core"),
    "api.md": apiPage(),
    "charts/worked-example.svg": exampleDrawing(workedExample()),
    "decisions/README.md": decisions(),
    "functions.md": functionsPage(),
    ...kindPages(),
  };
}

function decisions(): string {
  const folder = new URL("decisions/", docs);
  const rows = readdirSync(folder)
    .filter((n) => /^\d{4}-.*\.md$/.test(n))
    .sort()
    .map((n) => {
      const title = /^# (.*)$/m.exec(readFileSync(new URL(n, folder), "utf8"))?.[1] ?? n;
      return `- [${n.slice(0, 4)}](${n}) ${title}`;
    });
  return `# Decisions\n\nWhat was decided and why, in order. A later one may take an earlier one back; it says so.\n\n${rows.join("\n")}\n`;
}

if (process.argv[1]?.endsWith("docs.ts"))
  for (const [name, text] of Object.entries(generated())) writeFileSync(new URL(name, docs), text);
