/** A view of the job: what is next, what the machine says, its service modes, its own tests. */
export type View = "measure" | "says" | "modes" | "sheet";
/** The views in the order of their keys, Alt 1 to Alt 4. */
export const VIEWS: readonly { readonly id: View; readonly name: string; readonly icon: string }[] = [
  { id: "measure", name: "Next", icon: "bi-signpost" },
  { id: "says", name: "It says", icon: "bi-chat-square-dots" },
  { id: "modes", name: "Modes", icon: "bi-diagram-2" },
  { id: "sheet", name: "Run sheet", icon: "bi-list-check" },
];
