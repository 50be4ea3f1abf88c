"use client";

import Button from "react-bootstrap/Button";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/job/BetterStep";

/**
 * That two faults were weighed meanwhile and another step is better; `title` null: the search has come to its end. The
 * step on the screen stays until one takes it.
 */
export function BetterStep({ title, onTake }: { readonly title: string | null; readonly onTake: () => void }) {
  useShortcut("next", onTake);
  return (
    <p className="others-note better-step" role="status">
      <i className="bi bi-intersect" aria-hidden />{" "}
      <span>{title === null ? say.theSearchHasComeTo : say.aBetterStep(title)}</span>{" "}
      <Button size="sm" variant="outline-dark" onClick={onTake}>
        {say.takeIt} <Key of="next" />
      </Button>
    </p>
  );
}
