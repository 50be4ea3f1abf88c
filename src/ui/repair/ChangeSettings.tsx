"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { settingSet } from "../../core/journal";
import { codeProblem, plainCode, type SettingEntry } from "../../core/model";
import { changeSetting, foundSettings } from "../../core/repair";
import { drawingOf, settingWords } from "../../core/workbench";
import { SwitchRow } from "../tools/SwitchRow";
import { KeySteps } from "./KeySteps";
import { AsFound } from "./AsFound";
import type { RepairProps } from "./repair-props";
import { say } from "#words/ui/repair/ChangeSettings";

type Props = Pick<RepairProps, "machine" | "job" | "busy" | "onLog">;

/** Settings of a living board, one by one: as it is found, as it is wanted, how it gets there. */
export function ChangeSettings({ onDone, ...props }: Props & { readonly onDone: () => void }) {
  const { settings } = props.machine.file;
  if (settings.length === 0) return <p className="rig-sheet">{say.noSettings}</p>;
  return (
    <>
      <p className="quiet">{say.readFirst}</p>
      {settings.map((s) => (
        <OneSetting key={s.id} setting={s} {...props} />
      ))}
      <div>
        <Button size="lg" disabled={!props.job.answers.some(isSet)} onClick={onDone}>
          {say.goOnToTheProof}
        </Button>
      </div>
    </>
  );
}

const isSet = ({ body }: { readonly body: { readonly type: string; readonly moment?: string } }) =>
  body.type === "setting" && body.moment === "set";

function OneSetting({ setting, machine, job, busy, onLog }: Props & { readonly setting: SettingEntry }) {
  const found = foundSettings(job)[setting.id] ?? null;
  const now = job.answers.findLast((a) => isSet(a) && "setting" in a.body && a.body.setting === setting.id)?.body;
  const set = now?.type === "setting" ? now.value : null;
  const [typed, setTyped] = useState(set ?? "");
  const known = setting.values.find((v) => v.value === typed || plainCode(v.value) === plainCode(typed));
  const problem = wrongWith(setting, typed, known !== undefined);
  const value = known?.value ?? plainCode(typed);
  const isNew = typed !== "" && problem === null && value !== found;
  const change = isNew && found !== null ? changeSetting(machine, job, setting.id, value) : null;
  const drawing = isNew ? drawingOf(setting, value, setting.name) : null;
  const field = `want-${setting.id}`;
  return (
    <section className="rig-sheet" aria-label={setting.name}>
      <h2>{setting.name}</h2>
      <p className="quiet">{setting.where}</p>
      <div className="repair-asks">
        <div>
          <p className="form-label">{say.asItIs}</p>
          <AsFound setting={setting} value={found} busy={busy} onLog={onLog} />
        </div>
        <Form.Group controlId={field}>
          <Form.Label>{say.asItIsWanted}</Form.Label>
          {setting.rule ? (
            <Form.Control
              className="value"
              value={typed}
              maxLength={40}
              autoComplete="off"
              isInvalid={problem !== null}
              onChange={(e) => setTyped(e.target.value)}
            />
          ) : (
            <Form.Select value={typed} onChange={(e) => setTyped(e.target.value)}>
              <option value="">{say.leaveIt}</option>
              {setting.values.map((v) => (
                <option key={v.value} value={v.value}>
                  {v.value}: {v.words}
                </option>
              ))}
            </Form.Select>
          )}
        </Form.Group>
      </div>
      <p className="problem mb-0" role="alert">
        {typed === "" ? null : problem}
      </p>
      {isNew && found === null ? <p className="swap-caution">{say.readItFirst}</p> : null}
      {change ? (
        <KeySteps keys={change.keys} checked={change.checked} agrees={say.tried} differs={say.comesOutOtherwise} />
      ) : null}
      {drawing ? <SwitchRow drawing={drawing} /> : null}
      {change ? (
        <Button
          className="d-block mt-3"
          disabled={busy || set === value || change.checked === false}
          onClick={() => void onLog(settingSet(setting, value, settingWords(setting, value)))}
        >
          {set === value ? (
            <>
              <i className="bi bi-check-lg" aria-hidden /> {say.set}
            </>
          ) : (
            say.setAndItShows
          )}
        </Button>
      ) : null}
    </section>
  );
}

function wrongWith(setting: SettingEntry, typed: string, isKnown: boolean): string | null {
  if (typed === "" || isKnown || !setting.rule) return null;
  return codeProblem(setting.rule, typed);
}
