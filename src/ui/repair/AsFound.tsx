"use client";

import { useState } from "react";
import Form from "react-bootstrap/Form";
import { settingFound } from "../../core/journal";
import { codeProblem, plainCode, type SettingEntry } from "../../core/model";
import { settingWords } from "../../core/workbench";
import type { RepairProps } from "./repair-props";
import { say } from "#words/ui/repair/AsFound";

interface Props extends Pick<RepairProps, "busy" | "onLog"> {
  readonly setting: SettingEntry;
  /** As it was found; null: not read yet. */
  readonly value: string | null;
}

/** What the old board is set to: chosen from its table, or typed from the plate and checked by its rule. */
export function AsFound(props: Props) {
  return props.setting.rule ? <Typed {...props} /> : <Chosen {...props} />;
}

function Chosen({ setting, value, busy, onLog }: Props) {
  return (
    <Form.Select
      aria-label={say.nameAsFound(setting.name)}
      value={value ?? ""}
      disabled={busy}
      onChange={(e) => {
        if (e.target.value) void onLog(settingFound(setting, e.target.value, settingWords(setting, e.target.value)));
      }}
    >
      <option value="">{say.notReadYet}</option>
      {setting.values.map((v) => (
        <option key={v.value} value={v.value}>
          {v.value}: {v.words}
        </option>
      ))}
    </Form.Select>
  );
}

function Typed({ setting, value, busy, onLog }: Props) {
  const [typed, setTyped] = useState(value ?? "");
  const [tried, setTried] = useState(false);
  const code = plainCode(typed);
  const known = setting.values.find((v) => plainCode(v.value) === code);
  const problem = known ? null : codeProblem(setting.rule!, typed);
  const id = `code-${setting.id}`;
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (problem === null && code !== "")
          void onLog(settingFound(setting, known?.value ?? code, known?.words ?? say.byItsRule));
      }}
    >
      <Form.Control
        aria-label={say.nameAsFound(setting.name)}
        aria-describedby={id}
        className="value"
        value={typed}
        maxLength={60}
        autoComplete="off"
        spellCheck={false}
        isInvalid={tried && problem !== null}
        placeholder={say.typeItFromThePlate}
        disabled={busy}
        onChange={(e) => {
          setTyped(e.target.value);
          setTried(false);
        }}
      />
      <p id={id} className="problem mb-0" role="alert">
        {tried ? problem : null}
      </p>
    </Form>
  );
}
