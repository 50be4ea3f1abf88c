"use client";

import Link from "next/link";
import { useState } from "react";
import Form from "react-bootstrap/Form";
import type { KindPage } from "../../core/model";
import { TopBar } from "../shell/TopBar";
import { say } from "#words/ui/machine/Kinds";

/** Every kind of part that a machine file may name. */
export function KindsScreen({ kinds }: { readonly kinds: readonly Pick<KindPage, "kind" | "name" | "says">[] }) {
  const [wanted, setWanted] = useState("");
  const found = kinds.filter((k) =>
    `${k.kind} ${k.name} ${k.says}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  );
  return (
    <div className="start">
      <TopBar here="Machines" title={say.kindsOfParts} />
      <main id="main" tabIndex={-1} className="tools-main">
        <h1>{say.kindsOfParts}</h1>
        <Form.Control
          type="search"
          size="lg"
          aria-label={say.findAKind}
          placeholder={say.findAKind}
          value={wanted}
          onChange={(e) => setWanted(e.target.value)}
        />
        <ul className="kind-list">
          {found.map((k) => (
            <li key={k.kind}>
              <Link href={`/machines/kinds/${encodeURIComponent(k.kind)}`}>
                <strong>{k.name}</strong>
                <span className="quiet">{k.says}</span>
              </Link>
            </li>
          ))}
        </ul>
        {found.length === 0 ? <p className="quiet">{say.noKindLikeThat}</p> : null}
      </main>
    </div>
  );
}
