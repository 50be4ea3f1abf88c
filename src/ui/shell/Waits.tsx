"use client";

import { dryingOf } from "../../core/journal";
import Link from "next/link";
import { type OpenWait, waiting } from "../../contract/jobs";
import { useRoute } from "../engine/useRoute";
import { useNews } from "./useNews";
import { useNow } from "./useNow";
import { say } from "#words/ui/shell";

/** How often the list is read anew, milliseconds. */
const EVERY = 20_000;

/**
 * Everything that is waited for in any open job, wherever one is; what is overdue says so, also after the page was
 * closed.
 */
export function Waits() {
  const { value } = useRoute(waiting, [], { every: EVERY, news: useNews() });
  const waits = value?.waits ?? [];
  const now = useNow(waits.length > 0);
  if (waits.length === 0) return null;
  return (
    <ul className="waits" aria-label={say.waitingFor}>
      {waits.slice(0, 3).map((w) => {
        const left = Math.round((Date.parse(w.due) - now) / 1000);
        return (
          <li key={`${w.job} ${w.wait}`} className={left <= 0 ? "is-due" : ""}>
            <Link href={placeOf(w)}>
              <i className={`bi ${left <= 0 ? "bi-bell-fill" : "bi-hourglass-split"}`} aria-hidden />{" "}
              <span>{w.words}</span> <strong className="value">{leftWords(left)}</strong>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}

/** Where what is waited for goes on: a contact that dries belongs to the work, all else to the proof. */
function placeOf({ job, wait, assembly }: OpenWait): string {
  if (!assembly) return `/jobs/${job}/repair?step=prove`;
  const step = wait === dryingOf(assembly) ? "swap" : "prove";
  return `/jobs/${job}/repair?step=${step}&assembly=${encodeURIComponent(assembly)}`;
}

function clock(seconds: number): string {
  if (seconds >= 3600)
    return `${Math.floor(seconds / 3600)} h ${String(Math.floor((seconds % 3600) / 60)).padStart(2, "0")}`;
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

function leftWords(left: number): string {
  if (left > 0) return clock(left);
  if (left > -60) return "due";
  return `overdue ${clock(-left)}`;
}
