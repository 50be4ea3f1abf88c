"use client";

import { TopBar } from "../shell/TopBar";
import { LampReader } from "./LampReader";

/** The lamp reader by itself, for a machine without a file. */
export function LampScreen() {
  return (
    <div className="start">
      <TopBar here="Blink reader" title="Blink reader" />
      <main id="main" tabIndex={-1} className="machine lamp-screen">
        <h1>Read a lamp</h1>
        <p className="quiet">Counts the flashes for you, and says how sure it is. Pictures stay in this device.</p>
        <LampReader />
      </main>
    </div>
  );
}
