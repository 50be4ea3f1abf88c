"use client";

import { useMemo } from "react";
import { compileMachine, type MachineFile } from "../../core/model";
import { whatRuns } from "../../core/simulate";
import { say } from "#words/ui/machine/WhatItDoes";

/** What a machine made of a file does in each of its states: what lights, turns, flows and heats. */
export function WhatItDoes({ file }: { readonly file: MachineFile }) {
  const states = useMemo(() => whatRuns(compileMachine(file)), [file]);
  return (
    <>
      <p className="quiet mb-2">
        {say.counts(file.parts.length, file.connectors.length, file.points.length, file.setups.length)}
      </p>
      <dl className="does">
        {states.map((s) => {
          const on = s.parts.filter((p) => p.isOn);
          return (
            <div key={s.setup}>
              <dt>{s.name}</dt>
              <dd>
                {on.length === 0 ? (
                  <span className="quiet">{say.allStill}</span>
                ) : (
                  <ul>
                    {on.map((p) => (
                      <li key={p.part}>
                        {p.name} <strong>{p.does}</strong>
                      </li>
                    ))}
                  </ul>
                )}
              </dd>
            </div>
          );
        })}
      </dl>
    </>
  );
}
