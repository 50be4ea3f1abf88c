import { readdirSync, readFileSync } from "node:fs";
import { KIND_IDS, kindPage, type KindPage, plainestParts, readMachineYaml } from "../../src/core/model";

const folder = new URL("../../machines/", import.meta.url);

/** The generated pages of the kinds, by path in `docs`. */
export function kindPages(): Readonly<Record<string, string>> {
  const files = readdirSync(folder)
    .filter((n) => n.endsWith(".yaml"))
    .map((n) => readMachineYaml(readFileSync(new URL(n, folder), "utf8"), n).file);
  const of = plainestParts(files);
  const pages = KIND_IDS.map((id) => kindPage(id, of.get(id) ?? null));
  return {
    "kinds/README.md": index(pages),
    ...Object.fromEntries(pages.map((p) => [`kinds/${slug(p.kind)}.md`, page(p)])),
  };
}

const slug = (kind: string) => kind.replace(/ /g, "-");

function index(pages: readonly KindPage[]): string {
  const rows = pages.map((p) => `| [${p.kind}](${slug(p.kind)}.md) | ${p.says} |`);
  return `# Kinds of parts\n\nWhat a machine file may name, from the kinds' own definitions.\n\n| kind | what it is |\n| --- | --- |\n${rows.join("\n")}\n`;
}

function page(p: KindPage): string {
  const lines = [`# ${p.name}`, "", `\`kind: ${p.kind}\`. ${p.says}`, ""];
  if (p.terminals.length > 0) lines.push(`Terminals: ${p.terminals.map((t) => `\`${t}\``).join(", ")}`, "");
  if (p.fields.length > 0)
    lines.push(
      "| field | what it says | unit | usual |",
      "| --- | --- | --- | --- |",
      ...p.fields.map(
        (f) =>
          `| \`${f.name}\`${f.isRequired ? "" : ", may be left out"} | ${f.says} | ${f.unit ?? ""} | ${f.usual ?? ""}${f.default === null ? "" : `${f.usual ? "; " : ""}left out: ${f.default}`} |`,
      ),
      "",
    );
  if (p.failures.length > 0)
    lines.push("How it fails (odds beside each other):", "", ...p.failures.map((f) => `- ${f.words} (${f.odds})`), "");
  if (p.signs.length > 0) lines.push("What is noticed of it:", "", ...p.signs.map((s) => `- ${s}`), "");
  if (p.alone) lines.push(`By itself: ${p.alone}`, "");
  if (p.cautions.length > 0) lines.push(...p.cautions.map((c) => `**Caution:** ${c}`), "");
  if (p.example) lines.push("```yaml", p.example.trimEnd(), "```", "");
  return lines.join("\n");
}
