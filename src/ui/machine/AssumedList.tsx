"use client";

import Button from "react-bootstrap/Button";
import { assumedIn, type MachineFile, withSeen } from "../../core/model";
import { useFileGrowth } from "./useFileGrowth";
import { say } from "#words/ui/machine/AssumedList";

/** What a file has from its family only; one press says that it was seen. */
export function AssumedList({ file }: { readonly file: MachineFile }) {
  const { busy, problem, put } = useFileGrowth(file.id);
  const assumed = assumedIn(file);
  const seen = (ids: readonly string[]) => void put((now) => withSeen(now, ids));
  return (
    <section className="assumed" aria-labelledby="assumed-title">
      <h2 id="assumed-title">{say.notSeenYet(assumed.length)}</h2>
      <p className="quiet">{say.drawnFromItsFamily}</p>
      {(["plug", "cover", "part"] as const).map((sort) => {
        const own = assumed.filter((a) => a.sort === sort);
        if (own.length === 0) return null;
        return (
          <div key={sort}>
            <div className="assumed-head">
              <h3>{say.sorts[sort]}</h3>
              <Button size="sm" variant="outline-dark" disabled={busy} onClick={() => seen(own.map((a) => a.id))}>
                {say.allSeen(say.sorts[sort].toLowerCase())}
              </Button>
            </div>
            <ul className="assumed-list">
              {own.map((a) => (
                <li key={a.id}>
                  <span>{a.name}</span>
                  <Button
                    variant="outline-dark"
                    disabled={busy}
                    aria-label={say.seenName(a.name)}
                    onClick={() => seen([a.id])}
                  >
                    <i className="bi bi-eye" aria-hidden /> {say.seen}
                  </Button>
                </li>
              ))}
            </ul>
          </div>
        );
      })}
      <p className="problem" role="alert">
        {problem}
      </p>
    </section>
  );
}
