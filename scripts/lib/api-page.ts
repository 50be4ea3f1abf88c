import { z } from "zod";
import * as entries from "../../src/contract/entries";
import * as jobs from "../../src/contract/jobs";
import * as machines from "../../src/contract/machines";
import * as meters from "../../src/contract/meters";
import * as shop from "../../src/contract/shop";
import * as units from "../../src/contract/units";
import type { Endpoint } from "../../src/contract/endpoint";

const MODULES = { jobs, entries, units, machines, meters, shop } as const;

/** The HTTP interface as a page, made from the contract that browser and server share. */
export function apiPage(): string {
  const parts = Object.entries(MODULES).map(([name, module]) => {
    const rows = Object.entries(module)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .flatMap(([id, value]) => (isEndpoint(value) ? [row(id, value)] : []));
    return `## ${name[0]!.toUpperCase()}${name.slice(1)}\n\n| call | address | sends | answers |\n| --- | --- | --- | --- |\n${rows.join("\n")}\n`;
  });
  return [
    "# The HTTP interface",
    "",
    "Made from `src/contract` by `npm run docs`. JSON both ways; `?` marks what may be left out. A refusal has the status 4xx",
    'and `{ "error": "a sentence" }`; `again: true` says that the same may be taken in a moment, `problems` names lines of a',
    "machine file. Ids are made by the client, so that what is sent twice counts once.",
    "",
    ...parts,
  ].join("\n");
}

const isEndpoint = (value: unknown): value is Endpoint =>
  typeof value === "object" && value !== null && "method" in value && "address" in value;

function row(id: string, endpoint: Endpoint): string {
  const names = /^\(?([^)=]*)\)?\s*=>/.exec(endpoint.address.toString())?.[1]?.split(",") ?? [];
  const parts = names.map((n) => `{${n.trim()}}`).filter((n) => n !== "{}");
  const address = decodeURIComponent((endpoint.address as (...p: string[]) => string)(...parts));
  return `| \`${id}\` | ${endpoint.method} \`${address}\` | ${shape(endpoint.request)} | ${shape(endpoint.answer)} |`;
}

/** The fields of a shape, by name; a shape of the core is named as that. */
function shape(schema: z.ZodType): string {
  if (schema instanceof z.ZodUndefined) return "";
  const json = z.toJSONSchema(schema, { io: "input", unrepresentable: "any" }) as {
    readonly properties?: Readonly<Record<string, unknown>>;
    readonly required?: readonly string[];
    readonly anyOf?: readonly { readonly properties?: Readonly<Record<string, unknown>> }[];
  };
  const fields = Object.keys(json.properties ?? json.anyOf?.[0]?.properties ?? {});
  if (fields.length === 0) return "a shape of the core";
  return `\`${fields.map((f) => (json.required?.includes(f) === false ? `${f}?` : f)).join("`, `")}\``;
}
