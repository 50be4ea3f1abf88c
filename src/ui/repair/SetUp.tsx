"use client";

import type { ReactNode } from "react";
import Link from "next/link";
import { useMemo } from "react";
import Button from "react-bootstrap/Button";
import { type EventBody, settingCarried } from "../../core/journal";
import { carryOver } from "../../core/repair";
import { drawingOf } from "../../core/workbench";
import { SwitchRow } from "../tools/SwitchRow";
import { KeySteps } from "./KeySteps";
import { ModuleWork } from "./ModuleWork";
import { AsFound } from "./AsFound";
import type { RepairProps } from "./repair-props";
import { say } from "#words/ui/repair/SetUp";

/**
 * The settings of the old board onto the new one, key by key, tried on a simulated board first; and modules that are
 * added.
 */
export function SetUp({
  machine,
  job,
  assembly,
  busy,
  onLog,
  onDone,
  refusal,
}: RepairProps & { readonly onDone: () => void; readonly refusal: (body: EventBody) => string | null }) {
  const { file } = machine;
  const carried = useMemo(() => carryOver(machine, job), [machine, job]);
  const setNow = (setting: string) =>
    job.answers.findLast(({ body }) => body.type === "setting" && body.setting === setting && body.moment === "set")
      ?.body;
  const setting = (id: string) => file.settings.find((s) => s.id === id)!;
  let keys: ReactNode;
  if (carried.keys.length > 0)
    keys = (
      <>
        <KeySteps
          keys={carried.keys}
          checked={carried.checked === true}
          agrees={say.triedOnTheSimulatedBoard}
          differs={say.onTheSimulatedBoardA}
        />
        <Button
          disabled={busy || !carried.checked}
          onClick={() =>
            void (async () => {
              for (const s of carried.settings)
                if (s.by === "menu" && s.value !== null)
                  await onLog(settingCarried(setting(s.setting), s.value, "menu"));
            })()
          }
        >
          {say.enteredAndItShowsThem}
        </Button>
      </>
    );
  else if (carried.missing.length === 0)
    keys = (
      <p className="mb-0" role="status">
        {say.theNewBoardComesWith}
      </p>
    );
  else keys = null;
  return (
    <>
      {file.settings.length === 0 ? (
        <p className="rig-sheet" role="status">
          {say.thisMachineHasNoSettings}
        </p>
      ) : (
        <section className="rig-sheet" aria-label={say.settings}>
          <h2>{say.fromTheOldBoard}</h2>
          <ul className="settings-carried">
            {carried.settings.map((s) => {
              const drawing = s.value === null ? null : drawingOf(setting(s.setting), s.value, `${s.name}: ${s.words}`);
              const now = setNow(s.setting);
              const isSet = now?.type === "setting" && now.value === s.value;
              const set = settingCarried(setting(s.setting), s.value ?? "", "hand");
              const refused = s.value === null || isSet ? null : refusal(set);
              return (
                <li key={s.setting}>
                  <div>
                    <strong>{s.name}</strong>
                    <span className="quiet d-block">{s.where}</span>
                    <AsFound setting={setting(s.setting)} value={s.value} busy={busy} onLog={onLog} />
                  </div>
                  {drawing ? <SwitchRow drawing={drawing} /> : <span className="value big-value">{s.value ?? ""}</span>}
                  {s.value !== null && s.by !== "menu" ? (
                    <Button
                      variant={isSet ? "outline-dark" : "primary"}
                      disabled={busy || isSet || refused !== null}
                      title={refused ?? undefined}
                      onClick={() => void onLog(set)}
                    >
                      {isSet ? (
                        <>
                          <i className="bi bi-check-lg" aria-hidden /> {say.set}
                        </>
                      ) : (
                        say.setOnTheNewOne
                      )}
                    </Button>
                  ) : null}
                  {s.by === "menu" && isSet ? (
                    <span>
                      <i className="bi bi-check-lg" aria-hidden /> {say.entered}
                    </span>
                  ) : null}
                </li>
              );
            })}
          </ul>
          {carried.missing.length > 0 ? (
            <p className="swap-caution">{say.readFirstBeforeTheOld(carried.missing.join(", "))}</p>
          ) : null}
        </section>
      )}
      {carried.keys.length > 0 || carried.virgin ? (
        <section className="rig-sheet" aria-label={say.ontoTheNewBoard}>
          <h2>{say.ontoTheNewBoard}</h2>
          {carried.virgin ? (
            <p>
              {say.aBoardThatWasNever} <strong className="value">{carried.virgin.shows}</strong>
              {say.itTakesSToWake(carried.virgin.wakes)}
            </p>
          ) : null}
          {keys}
        </section>
      ) : null}
      {file.addOns.map((a) => (
        <ModuleWork key={a.id} purpose={a.id} machine={machine} job={job} busy={busy} onLog={onLog} />
      ))}
      <div>
        <Button size="lg" onClick={onDone}>
          {say.goOnToTheProof}
        </Button>{" "}
        <Link className="btn btn-link" href={`/tools/settings?job=${job.id}&assembly=${assembly}`}>
          {say.switchesAndSettings}
        </Link>
      </div>
    </>
  );
}
