import { createHash, randomBytes, randomInt, timingSafeEqual } from "node:crypto";

/** Plain words that are hard to mishear over the noise of a workshop. */
const WORDS = [
  "alder",
  "anvil",
  "basin",
  "birch",
  "brook",
  "cairn",
  "cedar",
  "copper",
  "ember",
  "falcon",
  "ferry",
  "flint",
  "garnet",
  "glade",
  "harbor",
  "hazel",
  "ivory",
  "juniper",
  "kettle",
  "lantern",
  "larch",
  "marble",
  "meadow",
  "mortar",
  "otter",
  "pebble",
  "pine",
  "quarry",
  "raven",
  "ridge",
  "saddle",
  "spruce",
  "thistle",
  "timber",
  "tunnel",
  "valley",
  "walnut",
  "willow",
  "winter",
  "yarrow",
] as const;

/** Wrong words within a minute, from everyone together, after which nobody may try. */
const TRIES = 6;
const MINUTE = 60_000;
/** Wrong words after which the word is a new one. */
const MOST_WRONG = 30;
/** A paired device stays paired so long, milliseconds. */
export const PAIRED_FOR = 12 * 60 * MINUTE;
const MOST_DEVICES = 40;

/** What came of a word that was tried. */
export type Tried =
  | { readonly outcome: "paired"; readonly token: string }
  | { readonly outcome: "wrong" }
  | { readonly outcome: "wait"; readonly seconds: number };

/**
 * Lets devices of the workshop network in: each needs the word that stands on the screen where Unzo was started. A word
 * works once; the next device needs the next one. Tokens are kept as hashes, in memory only: a restart lets nobody in.
 */
export class Pairing {
  private current = newWord();
  private wrong = 0;
  private recent: number[] = [];
  private readonly devices = new Map<string, number>();

  /** `onWord` is told each new word, so that it can be shown. */
  constructor(private readonly onWord: (word: string) => void) {}

  get word(): string {
    return this.current;
  }

  /** Tries a word at a moment (milliseconds). */
  tries(word: string, now: number): Tried {
    this.recent = this.recent.filter((at) => at > now - MINUTE);
    if (this.recent.length >= TRIES)
      return { outcome: "wait", seconds: Math.ceil((this.recent[0]! + MINUTE - now) / 1000) };
    if (!same(plain(word), plain(this.current))) {
      this.recent.push(now);
      this.wrong++;
      if (this.wrong >= MOST_WRONG) this.renew();
      return { outcome: "wrong" };
    }
    const token = randomBytes(32).toString("base64url");
    if (this.devices.size >= MOST_DEVICES) this.devices.delete(this.devices.keys().next().value!);
    this.devices.set(hash(token), now + PAIRED_FOR);
    this.renew();
    return { outcome: "paired", token };
  }

  /** Whether a token is that of a paired device. */
  isPaired(token: string, now: number): boolean {
    const until = this.devices.get(hash(token));
    return until !== undefined && until > now;
  }

  private renew(): void {
    this.current = newWord();
    this.wrong = 0;
    this.onWord(this.current);
  }
}

/** Two words and four digits: 1 in 15 million, at six tries a minute. */
function newWord(): string {
  return `${WORDS[randomInt(WORDS.length)]}-${WORDS[randomInt(WORDS.length)]}-${String(randomInt(10_000)).padStart(4, "0")}`;
}

/** However it was typed: capitals, blanks and dashes do not matter. */
const plain = (word: string) => word.toLowerCase().replace(/[^a-z0-9]/g, "");
const hash = (text: string) => createHash("sha256").update(text).digest("hex");
const same = (a: string, b: string) => timingSafeEqual(Buffer.from(hash(a)), Buffer.from(hash(b)));
