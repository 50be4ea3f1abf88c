import { say } from "#words/ui/shell";

/** The first stop of the keyboard: past the head of the page. */
export function SkipLink() {
  return (
    <a className="skip-link" href="#main">
      {say.skipToContent}
    </a>
  );
}
