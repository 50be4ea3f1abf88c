import { say } from "#words/server";

/**
 * Who may speak to Unzo. A browser carries any page's requests to any address, so being on the same machine proves
 * nothing: a request must name a host that Unzo answers to, must not come from another site, and must be what only our
 * own pages send. Used by the application and by the gate of the workshop network.
 */
export interface Knock {
  readonly method: string;
  /** Header `Host`. */
  readonly host: string | null;
  readonly origin: string | null;
  /** Headers `Sec-Fetch-Site`, `-Mode` and `-Dest`; browsers set them and pages cannot. */
  readonly fetchSite: string | null;
  readonly fetchMode: string | null;
  readonly fetchDest: string | null;
  readonly contentType: string | null;
}

/** What a body may be: JSON, or a picture or an archive where one is uploaded. */
export type BodyKind = "json" | "picture" | "archive";

/** By what a body's type is known, and what is said of another. */
const BODIES: Readonly<Record<BodyKind, { readonly fits: RegExp; readonly sentence: string }>> = {
  json: { fits: /^application\/json$/, sentence: say.sendApplicationJsonNothingWas },
  picture: { fits: /^image\/(jpeg|png|webp)$/, sentence: say.sendAJpegPngOr },
  archive: { fits: /^application\/(?:zip|x-zip-compressed|octet-stream)$/, sentence: say.sendAZipArchive },
};

export interface Refused {
  readonly status: number;
  readonly sentence: string;
}

/** Names of this machine itself. */
const OWN_NAMES = ["localhost", "127.0.0.1", "[::1]"];

/**
 * The host names that Unzo answers to: its own, and those that `UNZO_HOSTS` lists for a reverse proxy of the shop's.
 */
export function knownHosts(listed: string | undefined): ReadonlySet<string> {
  const further = (listed ?? "").split(",").map((name) => name.trim().toLowerCase());
  return new Set([...OWN_NAMES, ...further].filter(Boolean));
}

/** Why a request is not let in; null when it is. */
export function refusedAtDoor(knock: Knock, hosts: ReadonlySet<string>, body: BodyKind = "json"): Refused | null {
  return refusedByOrigin(knock, hosts) ?? refusedByBody(knock, body);
}

/** The same by where it comes from and by what name it calls, whatever it carries. */
export function refusedByOrigin(knock: Knock, hosts: ReadonlySet<string>): Refused | null {
  const host = (knock.host ?? "").toLowerCase();
  // A foreign name that leads here is how a page of elsewhere reads what is only meant for this machine.
  if (!hosts.has(host.replace(/:\d+$/, ""))) return { status: 421, sentence: say.unzoDoesNotAnswerTo };
  const reads = knock.method === "GET" || knock.method === "HEAD";
  const foreign: Refused = { status: 403, sentence: say.thisCameFromAnotherSite };
  if (knock.origin !== null && hostOf(knock.origin) !== host) return foreign;
  const isLink = reads && knock.fetchMode === "navigate" && knock.fetchDest === "document";
  if (knock.fetchSite !== null && !["same-origin", "none"].includes(knock.fetchSite) && !isLink) return foreign;
  return null;
}

function refusedByBody(knock: Knock, body: BodyKind): Refused | null {
  if (knock.method === "GET" || knock.method === "HEAD") return null;
  const type = (knock.contentType ?? "").split(";")[0]!.trim().toLowerCase();
  const { fits, sentence } = BODIES[body];
  return fits.test(type) ? null : { status: 415, sentence };
}

/** A request's headers as a knock. */
export function knockOf(method: string, header: (name: string) => string | null): Knock {
  return {
    method,
    host: header("host"),
    origin: header("origin"),
    fetchSite: header("sec-fetch-site"),
    fetchMode: header("sec-fetch-mode"),
    fetchDest: header("sec-fetch-dest"),
    contentType: header("content-type"),
  };
}

function hostOf(origin: string): string | null {
  return /^https?:\/\/([^/]+)$/i.exec(origin)?.[1]?.toLowerCase() ?? null;
}
