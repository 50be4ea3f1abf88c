"use client";

import { type FormEvent, useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Table from "react-bootstrap/Table";
import {
  type BoardCell,
  type BoardRow,
  boardTable,
  type MachineFile,
  type Measured,
  type PinBoard,
  readMeasured,
  spreadWords,
  UNFED,
  withMeasured,
} from "../../core/model";
import { Fault, faultOf, useFaults } from "../shell/useFaults";
import { useKept } from "../shell/useKept";
import { PinLines } from "./PinLines";
import { useFileGrowth } from "./useFileGrowth";
import { say } from "#words/ui/machine/BoardPins";

/** A board by its pins: what its sheet says in each state, and what good units showed. */
export function BoardPins({ file, board, isOld }: { file: MachineFile; board: PinBoard; isOld: boolean }) {
  const rows = useMemo(() => boardTable(board.fields), [board]);
  const allStates = [...board.fields.states.map((s) => ({ id: s.id, name: s.name })), { id: UNFED, name: say.unfed }];
  const states = allStates.filter((s) => s.id !== UNFED || rows.some((r) => r.function === "ohms"));
  return (
    <section className="board-pins" aria-labelledby={`pins-${board.id}`}>
      <h2 id={`pins-${board.id}`}>{board.name}</h2>
      <div className="table-wide" tabIndex={0} role="region" aria-label={say.pinByPin(board.name)}>
        <Table size="sm">
          <thead>
            <tr>
              <th scope="col">{say.pins}</th>
              {states.map((s) => (
                <th key={s.id} scope="col">
                  {s.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                <th scope="row">
                  <span className="value">{row.between.join(" – ")}</span> <span className="quiet">{row.name}</span>
                </th>
                {states.map((s) => (
                  <td key={s.id}>
                    <Cell row={row} cell={row.cells.find((c) => c.state === s.id)} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      </div>
      <p className="quiet">{say.anEmptyCell}</p>
      {isOld ? null : (
        <>
          <PinLines file={file} board={board} states={allStates} />
          <MeasureForm file={file} board={board} rows={rows} states={allStates} />
        </>
      )}
    </section>
  );
}

function Cell({ row, cell }: { row: BoardRow; cell: BoardCell | undefined }) {
  if (!cell || (cell.said === null && cell.spread === null)) return <span className="quiet">{say.notSaid}</span>;
  return (
    <>
      {cell.said === null ? null : (
        <span className="pin-said">
          <span className="value">{cell.said}</span> <span className="quiet">{say.source[cell.source!]}</span>
        </span>
      )}
      {cell.spread ? (
        <span className="pin-said">
          <i className="bi bi-rulers" aria-hidden />{" "}
          <span className="value">{spreadWords(cell.spread, row.function)}</span>
        </span>
      ) : null}
      {cell.against ? (
        <strong className="pin-against">
          <i className="bi bi-exclamation-diamond" aria-hidden /> {cell.against}
        </strong>
      ) : null}
    </>
  );
}

/** One reading on a good unit: between which pins, in which state, on what unit and with which meter. */
function MeasureForm({
  file,
  board,
  rows,
  states,
}: {
  file: MachineFile;
  board: PinBoard;
  rows: readonly BoardRow[];
  states: readonly { readonly id: string; readonly name: string }[];
}) {
  const { pins } = board.fields;
  const [at, setAt] = useState(0);
  const [own, setOwn] = useState<readonly [string, string]>([pins[0]!, pins[1]!]);
  const [state, setState] = useState(states[0]!.id);
  const [shown, setShown] = useState("");
  const [unit, setUnit] = useKept("unzo.good.unit");
  const [meter, setMeter] = useKept("unzo.good.meter");
  const [mains, setMains] = useKept("unzo.good.mains");
  const [room, setRoom] = useKept("unzo.good.room");
  const [who] = useKept("unzo.who");
  const { busy, problem, put } = useFileGrowth(file.id);
  const { faults, check, mend } = useFaults();
  const row = rows[at];
  const between = row ? row.between : own;
  const fn: Measured["function"] = state === UNFED ? "ohms" : voltsAt(board, row);

  async function log(event: FormEvent) {
    event.preventDefault();
    let shownAs: ReturnType<typeof readMeasured> | null = null;
    let sentence = "";
    try {
      shownAs = readMeasured(shown, fn);
    } catch (error) {
      sentence = (error as Error).message;
    }
    const whole = check([
      [`${board.id}-shown`, sentence],
      [`${board.id}-unit`, unit.trim() ? "" : say.sayWhichUnit],
      [`${board.id}-meter`, meter.trim() ? "" : say.sayWhichMeter],
    ]);
    if (!whole || !shownAs) return;
    const [volts, celsius] = [mains, room].map((text) => Number(text.replace(",", ".")));
    const measured = {
      between: [...between] as [string, string],
      state,
      function: fn,
      ...shownAs,
      unit: unit.trim(),
      meter: meter.trim(),
      ...(mains.trim() !== "" && volts! > 0 ? { mains: volts! } : {}),
      ...(room.trim() !== "" && Number.isFinite(celsius) ? { celsius: celsius! } : {}),
      ...(who.trim() ? { by: who.trim() } : {}),
      on: new Date().toISOString().slice(0, 10),
    };
    if (await put((now) => withMeasured(now, board.id, measured))) setShown("");
  }

  return (
    <Form className="measure-good" onSubmit={(e) => void log(e)} onInput={mend} noValidate>
      <h3>{say.measuredOnAGoodUnit}</h3>
      <div className="quick-row">
        <Form.Group controlId={`${board.id}-between`}>
          <Form.Label>{say.between}</Form.Label>
          <Form.Select value={at} onChange={(e) => setAt(Number(e.target.value))}>
            {rows.map((r, i) => (
              <option key={i} value={i}>{`${r.between.join(" – ")}, ${r.name}`}</option>
            ))}
            <option value={rows.length}>{say.otherPins}</option>
          </Form.Select>
        </Form.Group>
        {row
          ? null
          : ([0, 1] as const).map((end) => (
              <Form.Group key={end} controlId={`${board.id}-pin-${end}`}>
                <Form.Label>{end === 0 ? say.red : say.black}</Form.Label>
                <Form.Select
                  value={own[end]}
                  onChange={(e) => setOwn(end === 0 ? [e.target.value, own[1]] : [own[0], e.target.value])}
                >
                  {pins.map((p) => (
                    <option key={p}>{p}</option>
                  ))}
                </Form.Select>
              </Form.Group>
            ))}
        <Form.Group controlId={`${board.id}-state`}>
          <Form.Label>{say.inState}</Form.Label>
          <Form.Select value={state} onChange={(e) => setState(e.target.value)}>
            {states.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId={`${board.id}-shown`}>
          <Form.Label>{say.theMeterShows(say.unitOf[fn])}</Form.Label>
          <Form.Control
            className="value"
            size="lg"
            value={shown}
            maxLength={40}
            autoComplete="off"
            onChange={(e) => setShown(e.target.value)}
            {...faultOf(faults, `${board.id}-shown`)}
          />
          <Fault faults={faults} of={`${board.id}-shown`} />
        </Form.Group>
      </div>
      <div className="quick-row">
        {(
          [
            ["unit", say.unit, unit, setUnit],
            ["meter", say.meter, meter, setMeter],
            ["mains", say.mains, mains, setMains],
            ["room", say.room, room, setRoom],
          ] as const
        ).map(([key, label, value, set]) => (
          <Form.Group key={key} controlId={`${board.id}-${key}`}>
            <Form.Label>{label}</Form.Label>
            <Form.Control
              value={value}
              maxLength={60}
              onChange={(e) => set(e.target.value)}
              {...faultOf(faults, `${board.id}-${key}`)}
            />
            <Fault faults={faults} of={`${board.id}-${key}`} />
          </Form.Group>
        ))}
        <Button type="submit" disabled={busy}>
          {say.logIt}
        </Button>
      </div>
      <p className="quiet mb-0">{say.liveOnEveryPin}</p>
      <p className="problem" role="alert">
        {problem}
      </p>
    </Form>
  );
}

/** What is measured between two pins that something feeds. */
function voltsAt(board: PinBoard, row: BoardRow | undefined): Measured["function"] {
  if (row && row.function !== "ohms") return row.function;
  return "dcv";
}
