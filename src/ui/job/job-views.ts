import type { ActionId } from "../shortcuts/actions";
import { say } from "#words/ui/job/job-views";

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
  { id: "measure", name: say.nextTest, short: say.next, icon: "bi-signpost", key: "next" },
  { id: "says", name: say.codesAndSigns, short: say.codes, icon: "bi-chat-square-dots", key: "signs" },
  { id: "modes", name: say.serviceModes, short: say.modes, icon: "bi-diagram-2", key: "modes" },
  { id: "sheet", name: say.serviceTests, short: say.tests, icon: "bi-list-check", key: "serviceTests" },
];
