"use client";

import { useRouter } from "next/navigation";
import { useMemo, useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { type QuickHeld, checkpointsTo, type QuickLoad, readLoads } from "../../core/model";
import { decimal } from "../../core/quantity";
import { sendOnce } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { SerialField } from "../unit/SerialField";
import { openQuickJob } from "../../contract/jobs";
import { Fault, faultOf, useFaults } from "../shell/useFaults";
import { serialFault } from "../unit/PlateFields";
import { say } from "#words/ui/quick";

const VOLTS = [120, 230, 240] as const;

const NOT_LOOKED_AT: QuickHeld = { screws: false, clips: false, ribbon: false, plugs: 0 };
const TICKS = [
  ["screws", say.screws],
  ["clips", say.clips],
  ["ribbon", say.aRibbon],
] as const;

/** How the board is held: a few ticks, none of them needed. */
function HeldFields({ held, onChange }: { held: QuickHeld; onChange: (held: QuickHeld) => void }) {
  return (
    <fieldset className="quick-held">
      <legend className="form-label fs-6 mb-1">{say.howIsTheBoardHeld}</legend>
      <div className="d-flex gap-3 flex-wrap align-items-center">
        {TICKS.map(([key, label]) => (
          <Form.Check
            key={key}
            id={`held-${key}`}
            label={label}
            checked={held[key]}
            onChange={(e) => onChange({ ...held, [key]: e.target.checked })}
          />
        ))}
        <Form.Group controlId="held-plugs" className="d-flex gap-2 align-items-center">
          <Form.Label className="mb-0">{say.plugs}</Form.Label>
          <Form.Control
            className="value"
            style={{ width: "4.5rem" }}
            inputMode="numeric"
            value={held.plugs === 0 ? "" : held.plugs}
            maxLength={2}
            onChange={(e) => onChange({ ...held, plugs: Math.min(40, Number(e.target.value.replace(/\D/g, ""))) })}
          />
        </Form.Group>
      </div>
    </fieldset>
  );
}

/**
 * A job on a machine nobody has a file for: what it is, what there is between plug and load, which load does not
 * work.
 */
export function QuickScreen() {
  const router = useRouter();
  const [what, setWhat] = useKept("unzo.quick.what");
  const [loads, setLoads] = useKept("unzo.quick.loads");
  const [who, setWho] = useKept("unzo.who");
  const [volts, setVolts] = useState<(typeof VOLTS)[number]>(120);
  const [filter, setFilter] = useState(false);
  const [fuse, setFuse] = useState(true);
  const [dead, setDead] = useState(1);
  const [held, setHeld] = useState<QuickHeld>(NOT_LOOKED_AT);
  const [serial, setSerial] = useKept("unzo.quick.serial");
  const [noSerial, setNoSerial] = useState(false);
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const id = useRef<readonly [string, string] | null>(null);
  const { faults, check, mend } = useFaults();
  const read = useMemo(() => readOrSay(loads, volts), [loads, volts]);
  const path = useMemo(
    () =>
      read.loads.length === 0
        ? []
        : checkpointsTo(
            {
              id: "preview",
              name: what || say.machine,
              family: "powered equipment",
              volts,
              hertz: volts === 230 ? 50 : 60,
              filter,
              fuse,
              loads: read.loads,
            },
            Math.max(1, Math.min(dead, read.loads.length)),
          ),
    [what, volts, filter, fuse, read, dead],
  );

  async function begin(event: FormEvent) {
    event.preventDefault();
    const whole = check([
      ["what", what.trim() ? "" : say.sayWhatMachineItIs],
      ["loads", read.problem || (read.loads.length === 0 ? say.nameAtLeastOneLoad : "")],
      ["serial", serialFault(serial, noSerial)],
      ["who", who.trim() ? "" : say.sayWhoYouAre],
    ]);
    if (!whole) return;
    setBusy(true);
    setProblem("");
    id.current ??= [crypto.randomUUID(), crypto.randomUUID()];
    try {
      const job = await sendOnce(openQuickJob, [], {
        id: id.current[0],
        unit: id.current[1],
        serial: noSerial ? null : serial.trim(),
        what: what.trim(),
        site: "",
        volts,
        filter,
        fuse,
        loads,
        ...(held === NOT_LOOKED_AT ? {} : { held }),
        dead: Math.min(dead, read.loads.length),
        actor: who.trim(),
      });
      setWhat("");
      setLoads("");
      setSerial("");
      router.push(`/jobs/${job.id}`);
    } catch (error) {
      // Corrected and sent again it is another job: it gets another id.
      id.current = null;
      setProblem((error as Error).message);
      setBusy(false);
    }
  }

  return (
    <div className="start">
      <TopBar here="Jobs" title={say.aMachineWithoutAFile} />
      <main id="main" tabIndex={-1} className="quick-main">
        <Form
          className="new-job"
          onSubmit={(e) => void begin(e)}
          onInput={mend}
          noValidate
          aria-labelledby="quick-title"
        >
          <h1 id="quick-title">{say.aMachineWithoutAFile}</h1>
          <Form.Group controlId="what">
            <Form.Label>{say.whatIsIt}</Form.Label>
            <Form.Control
              size="lg"
              autoFocus
              value={what}
              maxLength={60}
              onChange={(e) => setWhat(e.target.value)}
              placeholder={say.tumbleDryer}
              {...faultOf(faults, "what")}
            />
            <Fault faults={faults} of="what" />
          </Form.Group>
          <Form.Group controlId="loads">
            <Form.Label>{say.itsLoadsByTheirRating}</Form.Label>
            <Form.Control
              size="lg"
              value={loads}
              maxLength={600}
              onChange={(e) => setLoads(e.target.value)}
              placeholder={say.heater1800DrumMotor250w}
              {...faultOf(faults, "loads")}
              aria-describedby={faults.loads ? "loads-fault loads-read" : "loads-read"}
            />
            <Fault faults={faults} of="loads" />
            <Form.Text id="loads-read">
              {loads.trim() === ""
                ? say.oneAfterAnotherTheOne
                : read.problem || read.loads.map((l) => `${l.name} ${decimal(l.watts)} W`).join(", ")}
            </Form.Text>
          </Form.Group>
          <Form.Group controlId="dead">
            <Form.Label>{say.whatDoesNotWork}</Form.Label>
            <Form.Select size="lg" value={dead} onChange={(e) => setDead(Number(e.target.value))}>
              {(read.loads.length === 0 ? [{ name: say.theFirstLoad }] : read.loads).map((l, i) => (
                <option key={i} value={i + 1}>
                  {l.name}
                </option>
              ))}
              <option value={0}>{say.nothingWorks}</option>
            </Form.Select>
          </Form.Group>
          <div className="quick-row">
            <Form.Group controlId="volts">
              <Form.Label>{say.mains}</Form.Label>
              <Form.Select
                size="lg"
                value={volts}
                onChange={(e) => setVolts(Number(e.target.value) as (typeof VOLTS)[number])}
              >
                {VOLTS.map((v) => (
                  <option key={v} value={v}>
                    {v} V
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
            <Form.Check
              type="checkbox"
              id="filter"
              label={say.lineFilter}
              checked={filter}
              onChange={(e) => setFilter(e.target.checked)}
            />
            <Form.Check
              type="checkbox"
              id="fuse"
              label={say.boardFuse}
              checked={fuse}
              onChange={(e) => setFuse(e.target.checked)}
            />
          </div>
          <SerialField serial={serial} none={noSerial} onSerial={setSerial} onNone={setNoSerial} faults={faults} />
          <Form.Group controlId="who">
            <Form.Label>{say.who}</Form.Label>
            <Form.Control
              size="lg"
              value={who}
              maxLength={80}
              autoComplete="name"
              {...faultOf(faults, "who")}
              onChange={(e) => setWho(e.target.value)}
            />
            <Fault faults={faults} of="who" />
          </Form.Group>
          <HeldFields held={held} onChange={setHeld} />
          <p className="problem" role="alert">
            {problem}
          </p>
          <Button type="submit" size="lg" disabled={busy}>
            {say.begin}
          </Button>
        </Form>
        <section className="quick-path" aria-label={say.checkpoints}>
          <h2>{say.checkpoints}</h2>
          {path.length === 0 ? (
            <p className="quiet">{say.theyAppearAsYouType}</p>
          ) : (
            <ol>
              {path.map((c) => (
                <li key={c.name}>
                  <strong>{c.name}</strong>
                  <span className="value">{c.expect}</span>
                </li>
              ))}
            </ol>
          )}
        </section>
      </main>
    </div>
  );
}

function readOrSay(text: string, volts: number): { loads: readonly QuickLoad[]; problem: string } {
  if (text.trim() === "") return { loads: [], problem: "" };
  try {
    return { loads: readLoads(text, volts), problem: "" };
  } catch (error) {
    return { loads: [], problem: (error as Error).message };
  }
}
