"use client";

import Link from "next/link";
import { useEffect, useState } from "react";
import type { OpenWait } from "../../server/waits";

/** How often the list is fetched anew, and the clocks renewed, milliseconds. */
const FETCH = 20_000;
const TICK = 1000;

/** Everything that is waited for in any open job, wherever one is; what is overdue says so, also after the page was closed. */
export function Waits() {
  const [waits, setWaits] = useState<readonly OpenWait[]>([]);
  const [now, setNow] = useState(0);
  useEffect(() => {
    let current = true;
    const fetchNow = () => {
      fetch("/api/waits")
        .then((r) => (r.ok ? (r.json() as Promise<{ waits: OpenWait[] }>) : null))
        .then((a) => {
          if (current && a) {
            setWaits(a.waits);
            setNow(Date.now());
          }
        })
        .catch(() => {
          /* shown again when it is reached */
        });
    };
    fetchNow();
    const [again, tick] = [setInterval(fetchNow, FETCH), setInterval(() => setNow(Date.now()), TICK)];
    window.addEventListener("focus", fetchNow);
    window.addEventListener("unzo:logged", fetchNow);
    return () => {
      current = false;
      clearInterval(again);
      clearInterval(tick);
      window.removeEventListener("focus", fetchNow);
      window.removeEventListener("unzo:logged", fetchNow);
    };
  }, []);
  if (waits.length === 0) return null;
  return (
    <ul className="waits" aria-label="Waiting for">
      {waits.slice(0, 3).map((w) => {
        const left = Math.round((Date.parse(w.due) - now) / 1000);
        return (
          <li key={`${w.job} ${w.wait}`} className={left <= 0 ? "is-due" : ""}>
            <Link href={`/jobs/${w.job}/repair?step=prove${w.piece ? `&piece=${encodeURIComponent(w.piece)}` : ""}`}>
              <i className={`bi ${left <= 0 ? "bi-bell-fill" : "bi-hourglass-split"}`} aria-hidden />{" "}
              <span>{w.words}</span>{" "}
              <strong className="value">
                {left > 0 ? clock(left) : left > -60 ? "due" : `overdue ${clock(-left)}`}
              </strong>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}

function clock(seconds: number): string {
  if (seconds >= 3600)
    return `${Math.floor(seconds / 3600)} h ${String(Math.floor((seconds % 3600) / 60)).padStart(2, "0")}`;
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}
