import type { TakeAlong } from "../core/visit";

/** A question for the phone, before anybody drives. */
export interface PhoneQuestion {
  readonly id: string;
  readonly ask: string;
  /** The answer that means: this is the cause; and what is done then. */
  readonly cause: "yes" | "no";
  readonly then: string;
  /** In a hundred such jobs, how often this is it. */
  readonly odds: number;
}

/** What is known of a visit before one drives. */
export interface BeforeDriving {
  readonly job: string;
  readonly site: string;
  readonly machine: string;
  readonly complaint: string | null;
  /** When one drives, ISO 8601; null: nobody has said. */
  readonly visitAt: string | null;
  readonly questions: readonly PhoneQuestion[];
  /** What was answered already, as it was put down. */
  readonly answered: readonly string[];
  /** What it may be, likeliest first. */
  readonly suspects: readonly { readonly name: string; readonly probability: number }[];
  /** What to take along: it takes a while, for each repair is proven in thought. */
  readonly take: Promise<TakeAlong>;
}
