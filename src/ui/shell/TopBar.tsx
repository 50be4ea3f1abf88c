"use client";

import Link from "next/link";
import type { ReactNode } from "react";
import { Waits } from "../waits/Waits";
import { useLiveMark } from "./useLiveMark";
import { Shortcuts } from "../shortcuts/Shortcuts";
import { PageTitle } from "./PageTitle";
import { SkipLink } from "./SkipLink";
import { BackToJob } from "./BackToJob";
import { say } from "#words/ui/shell";

const PLACES = [
  ["/", "Jobs"],
  ["/find", "Find"],
  ["/machines", "Machines"],
  ["/codes", "Codes"],
  ["/lamp", say.blinkReader],
  ["/tools", say.calculatorsAndBench],
  ["/figures", "Figures"],
] as const;

interface Props {
  readonly here: (typeof PLACES)[number][1];
  /** Of the page, for the window, the history and whoever hears it read. */
  readonly title: string;
  readonly children?: ReactNode;
}

/** The head of every screen that is not a job: where one is, and where else one can go. */
export function TopBar({ here, title, children }: Props) {
  return (
    <header className="bar" ref={useLiveMark()}>
      <PageTitle of={title} />
      <SkipLink />
      <Link href="/" className="brand">
        {say.unzo}
      </Link>
      <nav className="places" aria-label={say.places}>
        {PLACES.map(([href, name]) => (
          <Link key={href} href={href} aria-current={name === here ? "page" : undefined}>
            {name}
          </Link>
        ))}
      </nav>
      <BackToJob />
      {children}
      <Waits />
      <Shortcuts />
    </header>
  );
}
