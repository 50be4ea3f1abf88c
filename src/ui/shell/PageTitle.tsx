import { say } from "#words/ui/shell";

/** What the window, the history and a screen reader call this page. */
export function PageTitle({ of }: { readonly of: string }) {
  return <title>{say.textUnzo(of)}</title>;
}
