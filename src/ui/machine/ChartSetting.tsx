"use client";

import { useDeferredValue, useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { chartValues, readChart, Refused, rulesOf } from "../../core/workbench";
import type { Row } from "./useRows";
import { say } from "#words/ui/machine/ChartSetting";

/** A setting of the file from a chart as its sheet prints it: the rule is found, misprints are shown and mended. */
export function ChartSetting({ taken, onAdd }: { readonly taken: readonly string[]; onAdd: (setting: Row) => void }) {
  const [name, setName] = useState("");
  const [where, setWhere] = useState("");
  const [chart, setChart] = useState("");
  // A long chart takes a moment: what is typed stands before it is understood.
  const resting = useDeferredValue(chart);
  const read = useMemo(() => (resting.trim() === "" ? null : readWhole(resting)), [resting]);
  const id = idOf(name, taken);
  const isReady = resting === chart && read !== null && read.ok && name.trim() !== "" && where.trim() !== "";
  return (
    <section aria-label={say.fromAChart} className="chart-setting">
      <h2>{say.fromAChart}</h2>
      <Form.Label htmlFor="chart-name">{say.name}</Form.Label>
      <Form.Control id="chart-name" value={name} placeholder={say.nameHint} onChange={(e) => setName(e.target.value)} />
      <Form.Label htmlFor="chart-where">{say.where}</Form.Label>
      <Form.Control
        id="chart-where"
        value={where}
        placeholder={say.whereHint}
        onChange={(e) => setWhere(e.target.value)}
      />
      <Form.Label htmlFor="chart-rows">{say.rows}</Form.Label>
      <Form.Control
        id="chart-rows"
        as="textarea"
        rows={5}
        className="value"
        value={chart}
        placeholder={"24: 1 3 5\n30: 1 2 4 5"}
        onChange={(e) => setChart(e.target.value)}
      />
      {read === null ? null : (
        <p className={read.ok ? "quiet" : "problem"} role="status">
          {read.words}
        </p>
      )}
      <Button
        variant="outline-dark"
        disabled={!isReady}
        onClick={() => {
          if (!read?.ok) return;
          // Cells of a file are text.
          onAdd({
            id,
            name: name.trim(),
            where: where.trim(),
            values: read.values,
            coding: { switches: read.switches.map(String) },
          });
          setName("");
          setWhere("");
          setChart("");
        }}
      >
        {say.add}
      </Button>
    </section>
  );
}

function readWhole(chart: string) {
  try {
    const rows = readChart(chart);
    const [rule] = rulesOf(rows);
    const setting = chartValues(rows, rule);
    const told = [
      ...(rule?.misprints ?? []).map((m) => say.misprint(rows[m.row]!.setting, m.nearest?.join(" ") ?? null)),
      ...setting.twice.map((s) => say.twice(s)),
    ];
    return { ok: true as const, ...setting, words: say.understood(rows.length, told.join("; ")) };
  } catch (error) {
    if (error instanceof Refused) return { ok: false as const, words: error.message };
    throw error;
  }
}

/** An id from a name, apart from those that are taken. */
function idOf(name: string, taken: readonly string[]): string {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "")
      .slice(0, 30) || "setting";
  for (let n = 1; ; n++) {
    const id = n === 1 ? plain : `${plain}-${n}`;
    if (!taken.includes(id)) return id;
  }
}
