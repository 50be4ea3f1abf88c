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

/** Wrong words within a minute after which an address has to wait. */
const TRIES = 6;
const MINUTE = 60_000;
/** Addresses whose wrong words are remembered. */
const MOST_ADDRESSES = 1000;
/**
 * Each wrong word of the last minute, whoever gave it, holds up every answer by so long, and all of them by this at
 * the most; milliseconds.
 */
const HOLD_UP = 25;
const MOST_HOLD_UP = 3000;
/** A paired device stays paired so long, milliseconds. */
export const PAIRED_FOR = 12 * 60 * MINUTE;
const MOST_DEVICES = 40;

/** What came of a word that was tried, and how long the answer is held up, milliseconds. */
export type Tried = { readonly holdUp: number } & (
  | { readonly outcome: "paired"; readonly token: string }
  | { readonly outcome: "wrong" }
  | { readonly outcome: "wait"; readonly seconds: number }
);

/**
 * Lets devices of the workshop network in: each needs the word that stands on the screen where Unzo was started. A word
 * works once; the next device needs the next one. Wrong words are counted by address, so that a stranger can lock out
 * nobody else, and slow down everyone a little; they never change the word. Tokens are kept as hashes, in memory only:
 * a restart lets nobody in.
 */
export class Pairing {
  private current = newWord();
  /** When wrong words came, by address, the address heard from longest ago first. */
  private readonly wrong = new Map<string, number[]>();
  private readonly devices = new Map<string, number>();

  /** `onWord` is told each new word, so that it can be shown. */
  constructor(private readonly onWord: (word: string) => void) {}

  get word(): string {
    return this.current;
  }

  /** Tries a word that an address gives at a moment (milliseconds). */
  tries(word: string, address: string, now: number): Tried {
    this.forget(now);
    const all = [...this.wrong.values()].reduce((sum, times) => sum + times.length, 0);
    const holdUp = Math.min(MOST_HOLD_UP, HOLD_UP * all);
    const own = this.wrong.get(address) ?? [];
    if (own.length >= TRIES) return { outcome: "wait", seconds: Math.ceil((own[0]! + MINUTE - now) / 1000), holdUp };
    if (!same(plain(word), plain(this.current))) {
      this.wrong.delete(address);
      this.wrong.set(address, [...own, now]);
      if (this.wrong.size > MOST_ADDRESSES) this.wrong.delete(this.wrong.keys().next().value!);
      return { outcome: "wrong", holdUp };
    }
    const token = randomBytes(32).toString("base64url");
    if (this.devices.size >= MOST_DEVICES) this.devices.delete(this.devices.keys().next().value!);
    this.devices.set(hash(token), now + PAIRED_FOR);
    this.current = newWord();
    this.onWord(this.current);
    return { outcome: "paired", token, holdUp };
  }

  /** Whether a token is that of a paired device. */
  isPaired(token: string, now: number): boolean {
    const until = this.devices.get(hash(token));
    return until !== undefined && until > now;
  }

  private forget(now: number): void {
    for (const [address, times] of this.wrong) {
      const recent = times.filter((at) => at > now - MINUTE);
      if (recent.length > 0) this.wrong.set(address, recent);
      else this.wrong.delete(address);
    }
  }
}

/**
 * Three words and four digits: 40 x 40 x 40 x 10,000 = 640 million, 29 bits. Held up as everyone is while wrong words
 * come, the network together tries at most some 20 a second for each connection kept waiting, and 6 a minute from one
 * address.
 */
function newWord(): string {
  const words = Array.from({ length: 3 }, () => WORDS[randomInt(WORDS.length)]!);
  return [...words, String(randomInt(10_000)).padStart(4, "0")].join("-");
}

/** However it was typed: capitals, blanks and dashes do not matter. */
const plain = (word: string) => word.toLowerCase().replace(/[^a-z0-9]/g, "");
const hash = (text: string) => createHash("sha256").update(text).digest("hex");
const same = (a: string, b: string) => timingSafeEqual(Buffer.from(hash(a)), Buffer.from(hash(b)));
