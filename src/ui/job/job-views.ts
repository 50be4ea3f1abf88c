import type { ActionId } from "../shortcuts/actions";

/** A view of the job: what is next, what the machine says, its service modes, its own tests. */
export type View = "measure" | "says" | "modes" | "sheet";
/** The views in the order of their tabs. */
export const VIEWS: readonly {
  readonly id: View;
  readonly name: string;
  /** On a narrow screen. */
  readonly short: string;
  readonly icon: string;
  readonly key: ActionId;
}[] = [
  { id: "measure", name: "Next test", short: "Next", icon: "bi-signpost", key: "next" },
  { id: "says", name: "Codes and signs", short: "Codes", icon: "bi-chat-square-dots", key: "signs" },
  { id: "modes", name: "Service modes", short: "Modes", icon: "bi-diagram-2", key: "modes" },
  { id: "sheet", name: "Service tests", short: "Tests", icon: "bi-list-check", key: "serviceTests" },
];
