"use client";

import { useState } from "react";
import { TopBar } from "../shell/TopBar";
import { NewJob } from "../start/NewJob";
import { say } from "#words/ui/machine/MachineJobScreen";

/** A job on a new unit of a machine that was looked up first. */
export function MachineJobScreen({ machine }: { machine: { id: string; maker: string; model: string } }) {
  const [unit] = useState(() => crypto.randomUUID());
  return (
    <div className="start">
      <TopBar here="Machines" title={say.newJobOn(machine.maker, machine.model)} />
      <main id="main" tabIndex={-1} className="library">
        <h1>{say.aJobOnAMaker(machine.maker, machine.model)}</h1>
        <div className="one-form">
          <NewJob fixed={{ kind: "new", machine, id: unit }} />
        </div>
      </main>
    </div>
  );
}
