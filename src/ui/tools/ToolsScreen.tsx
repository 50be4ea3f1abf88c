"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState, type FormEvent } from "react";
import Form from "react-bootstrap/Form";
import { TOOLS } from "../../core/workbench";
import { TopBar } from "../shell/TopBar";
import { Letter } from "../shortcuts/Key";
import { useLetters, useShortcut } from "../shortcuts/useShortcut";
import { useFromJob } from "../shell/BackToJob";
import { say } from "#words/ui/tools";

/** Tools with a screen of their own, beside the ones with fields and a sheet. */
const OWN = [
  {
    id: "sleep",
    name: say.sleepCurrent,
    group: "records",
    words: say.aCurrentLogAwakeAsleep,
  },
  {
    id: "settings",
    name: say.settingsOfAMachine,
    group: "records",
    words: say.foundAndRecordedFirstWanted,
  },
  { id: "rig", name: say.benchRig, group: "boards", words: say.aBoardWithLampsFor },
  { id: "meter", name: say.meterLink, group: "boards", words: say.readingsStraightFromABench },
] as const;
const ALL = [...TOOLS.map(({ id, name, group, words }) => ({ id, name, group, words })), ...OWN];
const GROUPS = ["loads", "sensors", "joints", "boards", "records"] as const;
const SORTED = GROUPS.flatMap((group) => ALL.filter((t) => t.group === group));

/** Every tool, by what is in hand. A letter opens it. */
export function ToolsScreen() {
  const router = useRouter();
  const [wanted, setWanted] = useState("");
  const from = useFromJob();
  const pathOf = (id: string) => (from ? `/tools/${id}?from=${from}` : `/tools/${id}`);
  const field = useRef<HTMLInputElement>(null);
  const found = SORTED.filter((t) =>
    `${t.name} ${t.words} ${say.groups[t.group]}`.toLowerCase().includes(wanted.trim().toLowerCase()),
  );
  useShortcut("find", () => field.current?.focus());
  useLetters(SORTED.length, (i) => router.push(pathOf(SORTED[i]!.id)));
  const open = (event: FormEvent) => {
    event.preventDefault();
    if (found[0]) router.push(pathOf(found[0].id));
  };
  return (
    <div className="start">
      <TopBar here={say.calculatorsAndBench} title={say.calculatorsAndBench} />
      <main id="main" tabIndex={-1} className="tools-main">
        <Form className="tools-find" onSubmit={open} role="search">
          <h1>{say.whatIsInYourHand}</h1>
          <Form.Control
            ref={field}
            size="lg"
            type="search"
            aria-label={say.findATool}
            placeholder={say.heaterRelayFuseThermistor}
            value={wanted}
            onChange={(e) => setWanted(e.target.value)}
          />
        </Form>
        {found.length === 0 ? (
          <p className="problem" role="status">
            {say.noToolForTryThe(wanted)}
          </p>
        ) : null}
        <div className="tools-groups">
          {GROUPS.map((group) => {
            const own = found.filter((t) => t.group === group);
            return own.length === 0 ? null : (
              <section key={group} aria-labelledby={`group-${group}`}>
                <h2 id={`group-${group}`}>{say.groups[group]}</h2>
                <ul className="tool-list">
                  {own.map((t) => (
                    <li key={t.id}>
                      <Link href={pathOf(t.id)}>
                        <Letter n={SORTED.indexOf(t)} />
                        <strong>{t.name}</strong>
                        <span className="quiet">{t.words}</span>
                      </Link>
                    </li>
                  ))}
                </ul>
              </section>
            );
          })}
        </div>
      </main>
    </div>
  );
}
