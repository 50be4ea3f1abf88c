"use client";

import { TopBar } from "../shell/TopBar";
import { LampReader } from "./LampReader";
import { say } from "#words/ui/lamp";

/** The lamp reader by itself, for a machine without a file. */
export function LampScreen() {
  return (
    <div className="start">
      <TopBar here={say.blinkReader} title={say.blinkReader} />
      <main id="main" tabIndex={-1} className="machine lamp-screen">
        <h1>{say.readALamp}</h1>
        <p className="quiet">{say.countsTheFlashesForYou}</p>
        <LampReader />
      </main>
    </div>
  );
}
