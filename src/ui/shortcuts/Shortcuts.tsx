"use client";

import { usePathname, useRouter } from "next/navigation";
import { useState } from "react";
import { ShortcutsDialog } from "./ShortcutsDialog";
import { useShortcut } from "./useShortcut";
import { say } from "#words/ui/shortcuts";

/** The way to the list of shortcuts, and the shortcuts that work on every page. */
export function Shortcuts() {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  useShortcut("help", () => setOpen(true));
  const job = /^\/jobs\/([^/]+)/.exec(usePathname())?.[1];
  useShortcut("calculators", () => router.push(job ? `/tools?from=${job}` : "/tools"));
  useShortcut("anything", () => router.push("/find"));
  return (
    <>
      <button
        type="button"
        className="shortcuts-open"
        aria-label={say.keyboardAndColours}
        onClick={() => setOpen(true)}
      >
        <i className="bi bi-keyboard" aria-hidden />
      </button>
      <ShortcutsDialog show={open} onHide={() => setOpen(false)} />
    </>
  );
}
