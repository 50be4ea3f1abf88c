import { z } from "zod";

/** A number that may be left out; what is none is refused by name. */
const number = z.coerce.number().min(0).optional();

/** What the surroundings of the process say to it; everything is optional, and a name that is misspelt says nothing. */
const envSchema = z.object({
  /** Where the database is; the start command sets it. */
  UNZO_DATABASE_URL: z.string().min(1).optional(),
  /** Connections that are held at most. */
  UNZO_DATABASE_CONNECTIONS: z.coerce.number().int().min(1).max(200).optional(),
  /** The folder of this installation, whose disk is watched. */
  UNZO_DATA: z.string().min(1).optional(),
  /** Free bytes, in the stead of looking at the disk; for tests. */
  UNZO_FREE_BYTES: number,
  /** Bytes that all photos together may take. */
  UNZO_PHOTO_BYTES: number,
  /** Further host names that Unzo answers to, apart by commas. */
  UNZO_HOSTS: z.string().default(""),
  /** Meters and supplies on the shop's network: `Bench=10.0.0.5:5025; Loan=10.0.0.6:5025`. */
  UNZO_METERS: z.string().default(""),
  UNZO_SUPPLIES: z.string().default(""),
  /** "0": no stand-in meter and supply. */
  UNZO_STAND_INS: z.string().default("1"),
  /** How much is written into the log. */
  UNZO_LOG: z.enum(["debug", "info", "warn", "error", "silent"]).default("info"),
});
export type Env = Readonly<z.output<typeof envSchema>>;

const store = globalThis as { unzoEnv?: Env };

/** What the surroundings say, read once. Throws an Error that names what cannot be read. */
export function env(): Env {
  return (store.unzoEnv ??= read(process.env));
}

/** Reads them anew: for tests, which change them. */
export function readEnvAnew(): Env {
  return (store.unzoEnv = read(process.env));
}

function read(given: Readonly<Record<string, string | undefined>>): Env {
  // A variable set to nothing is one that is not set.
  const parsed = envSchema.safeParse(Object.fromEntries(Object.entries(given).filter(([, value]) => value !== "")));
  if (parsed.success) return parsed.data;
  const [issue] = parsed.error.issues;
  throw new Error(`${issue!.path.join(".")}: ${issue!.message}. Unzo does not start with a setting it cannot read.`);
}
