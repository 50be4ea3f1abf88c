"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { Waits } from "./Waits";
import { useHydrated } from "./useHydrated";

const PLACES = [
  ["/", "Jobs"],
  ["/machines", "Machines"],
  ["/codes", "Codes"],
  ["/lamp", "Lamp"],
  ["/tools", "Tools"],
] as const;

/** The head of every screen that is not a job: where one is, and where else one can go. */
export function TopBar({ here, children }: { here: (typeof PLACES)[number][1]; children?: ReactNode }) {
  const router = useRouter();
  useHotkeys("alt+t", () => router.push("/tools"), { enableOnFormTags: true, preventDefault: true });
  return (
    <header className="bar" data-live={useHydrated() ? "" : undefined}>
      <Link href="/" className="brand">
        Unzo
      </Link>
      <nav className="places" aria-label="Places">
        {PLACES.map(([href, name]) => (
          <Link key={href} href={href} aria-current={name === here ? "page" : undefined}>
            {name}
          </Link>
        ))}
      </nav>
      {children}
      <Waits />
    </header>
  );
}
