"use client";

import { useRouter } from "next/navigation";
import { useHotkeys } from "react-hotkeys-hook";
import { VIEWS, type View } from "./job-views";

const EVERYWHERE = { enableOnFormTags: true, preventDefault: true } as const;

interface Doings {
  readonly onNumbers: () => void;
  readonly onCall: () => void;
  readonly onVary: () => void;
  readonly onStrike: () => void;
  readonly onView: (view: View) => void;
}

/** The keys of a job; they work while one types. */
export function useJobKeys({ onNumbers, onCall, onVary, onStrike, onView }: Doings): void {
  const router = useRouter();
  useHotkeys("alt+t", () => router.push("/tools"), EVERYWHERE);
  useHotkeys("alt+n", onNumbers, EVERYWHERE);
  useHotkeys("alt+k", onCall, EVERYWHERE);
  useHotkeys("alt+d", onVary, EVERYWHERE);
  useHotkeys("alt+z", onStrike, EVERYWHERE, [onStrike]);
  useHotkeys(
    "alt+1, alt+2, alt+3, alt+4",
    (e) => {
      const chosen = VIEWS[Number(e.code.replace(/\D/g, "")) - 1];
      if (chosen) onView(chosen.id);
    },
    EVERYWHERE,
  );
}
