"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { SettingEntry } from "../../core/model";
import { drawingOf, settingWords, unusedCodes } from "../../core/workbench";
import { send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { SwitchRow } from "../tools/SwitchRow";
import { logEntry } from "../../contract/entries";
import { settingFound, settingSet } from "../../core/journal";
import { say } from "#words/ui/settings";

interface Noted {
  readonly setting: string;
  readonly value: string;
  readonly moment: "found" | "set";
}
interface Props {
  readonly machines: readonly { readonly id: string; readonly name: string }[];
  readonly machine: string;
  readonly settings: readonly SettingEntry[];
  /** The job whose unit it is, and what its journal holds of settings. */
  readonly job: { readonly id: string; readonly actor: string; readonly noted: readonly Noted[] } | null;
}

/** The settings of a machine: what is found, recorded first; what is wanted, as the switches are to stand. */
export function SettingsScreen({ machines, machine, settings, job }: Props) {
  const router = useRouter();
  return (
    <div className="start">
      <TopBar here={say.calculatorsAndBench} title={say.codedSwitches} />
      <main id="main" tabIndex={-1} className="settings-main">
        <header className="rig-head">
          <h1>{say.settings}</h1>
          <Form.Select
            aria-label={say.machine}
            value={machine}
            disabled={job !== null}
            onChange={(e) => router.push(`/tools/settings?machine=${e.target.value}`)}
          >
            {machines.map((m) => (
              <option key={m.id} value={m.id}>
                {m.name}
              </option>
            ))}
          </Form.Select>
        </header>
        {settings.length === 0 ? (
          <p className="rig-sheet" role="status">
            {say.theFileOfThisMachine}
          </p>
        ) : (
          settings.map((s) => <Setting key={s.id} setting={s} job={job} />)
        )}
      </main>
    </div>
  );
}

function Setting({ setting, job }: { setting: SettingEntry; job: Props["job"] }) {
  const [who] = useKept("unzo.who");
  const last = (moment: Noted["moment"]) =>
    [...(job?.noted ?? [])].reverse().find((n) => n.setting === setting.id && n.moment === moment)?.value;
  const [recorded, setRecorded] = useState({ found: last("found"), set: last("set") });
  const [found, setFound] = useState(recorded.found ?? "");
  const [wanted, setWanted] = useState(recorded.set ?? setting.factory ?? "");
  const [problem, setProblem] = useState("");
  const unused = setting.coding
    ? unusedCodes(
        setting.values.map((v) => v.value),
        setting.coding.switches.length,
      )
    : [];
  const options = [
    ...setting.values.map((v) => [v.value, `${v.value}: ${v.words}`] as const),
    ...unused.map((u) => [u, `${u}: not in its table`] as const),
  ];
  async function note(moment: Noted["moment"], value: string) {
    setProblem("");
    try {
      await send(logEntry, [job!.id], {
        id: crypto.randomUUID(),
        v: 1,
        actor: who || job!.actor,
        body: (moment === "found" ? settingFound : settingSet)(setting, value, settingWords(setting, value)),
      });
      setRecorded((r) => ({ ...r, [moment]: value }));
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  const drawing = (value: string, caption: string) => {
    const d = value ? drawingOf(setting, value, caption) : null;
    return d ? <SwitchRow drawing={d} /> : null;
  };
  return (
    <section className="setting rig-sheet" aria-label={setting.name}>
      <div>
        <h2>{setting.name}</h2>
        <p className="quiet mb-1">
          {setting.where}
          {setting.factory ? `. Factory: ${setting.factory}, ${settingWords(setting, setting.factory)}` : ""}
        </p>
        {unused.length > 0 && unused.length <= 16 ? (
          <p className="quiet mb-0">{say.notInItsTable(unused.join(", "))}</p>
        ) : null}
      </div>
      <div>
        <Form.Label htmlFor={`found-${setting.id}`}>{say.found}</Form.Label>
        <Form.Select id={`found-${setting.id}`} value={found} onChange={(e) => setFound(e.target.value)}>
          <option value="">{say.notReadYet}</option>
          {options.map(([v, words]) => (
            <option key={v} value={v}>
              {words}
            </option>
          ))}
        </Form.Select>
        {drawing(found, say.asFound)}
        {job ? (
          <Button
            className="mt-2"
            size="sm"
            disabled={!found || recorded.found === found}
            onClick={() => void note("found", found)}
          >
            {recorded.found === found && found ? "Recorded" : say.recordAsFound}
          </Button>
        ) : null}
      </div>
      <div>
        <Form.Label htmlFor={`wanted-${setting.id}`}>{say.wanted}</Form.Label>
        <Form.Select id={`wanted-${setting.id}`} value={wanted} onChange={(e) => setWanted(e.target.value)}>
          {setting.values.map((v) => (
            <option key={v.value} value={v.value}>
              {v.value}: {v.words}
            </option>
          ))}
        </Form.Select>
        {drawing(wanted, say.toBeSet)}
        {job ? (
          <Button
            className="mt-2"
            size="sm"
            disabled={!recorded.found || recorded.set === wanted}
            onClick={() => void note("set", wanted)}
          >
            {recordWords(recorded, wanted)}
          </Button>
        ) : null}
      </div>
      <p className="problem" role="alert">
        {problem}
      </p>
    </section>
  );
}

function recordWords(recorded: { found: string | undefined; set: string | undefined }, wanted: string): string {
  if (recorded.set === wanted) return "Recorded";
  if (recorded.found) return say.recordAsSet;
  return say.recordWhatWasFoundFirst;
}
