"use client";

import { useRouter } from "next/navigation";
import { useMemo, useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import {
  type Checkpoint,
  checkpointsTo,
  type QuickMachine,
  readParts,
  readSupply,
  supplyWords,
} from "../../core/model";
import { sendOnce } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { SerialField } from "../unit/SerialField";
import { openQuickJob } from "../../contract/jobs";
import { Fault, faultOf, useFaults } from "../shell/useFaults";
import { serialFault } from "../unit/PlateFields";
import { BoardFields, FaceField, HeldFields, type QuickMore } from "./MoreFields";
import { ReadBack } from "./ReadBack";
import { say } from "#words/ui/quick";

/** Usual supplies, as they are typed. */
const SUPPLIES = [
  "120 V 60 Hz",
  "230 V 50 Hz",
  "120/240 V split",
  "400 V 3 phases",
  "24 VAC",
  "12 VDC",
  "18 V battery",
];

/**
 * A job on a machine nobody has a file for: what it is, what there is between plug and load, which load does not
 * work.
 */
export function QuickScreen() {
  const router = useRouter();
  const [what, setWhat] = useKept("unzo.quick.what");
  const [loads, setLoads] = useKept("unzo.quick.loads");
  const [who, setWho] = useKept("unzo.who");
  // Whoever works on one grid does so tomorrow too.
  const [keptSupply, keepSupply] = useKept("unzo.quick.supply");
  const [typedSupply, setTypedSupply] = useState<string | null>(null);
  const supply = typedSupply ?? (keptSupply || SUPPLIES[0]!);
  const setSupply = (text: string) => {
    setTypedSupply(text);
    keepSupply(text);
  };
  const [filter, setFilter] = useState(false);
  const [fuse, setFuse] = useState(true);
  const [dead, setDead] = useState(1);
  const [more, setMore] = useState<QuickMore>({});
  const [serial, setSerial] = useKept("unzo.quick.serial");
  const [noSerial, setNoSerial] = useState(false);
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const id = useRef<readonly [string, string] | null>(null);
  const { faults, check, mend } = useFaults();
  const known = useMemo(
    () => drawn({ supply, loads, filter, fuse, more, dead }),
    [supply, loads, filter, fuse, more, dead],
  );
  const { named, path } = known;

  async function begin(event: FormEvent) {
    event.preventDefault();
    const isNone = named.length === 0 && known.supplyProblem === "";
    const loadsFault = known.problem || (isNone ? say.nameAtLeastOneLoad : "");
    const whole = check([
      ["what", what.trim() ? "" : say.sayWhatMachineItIs],
      ["loads", loadsFault],
      ["supply", known.supplyProblem],
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
        supply,
        filter,
        fuse,
        loads,
        ...more,
        dead: Math.min(dead, named.length),
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
              as="textarea"
              rows={2}
              size="lg"
              value={loads}
              maxLength={600}
              onChange={(e) => setLoads(e.target.value)}
              onKeyDown={(e) => {
                // One thing follows another behind a comma; Enter begins, as in every field of this form.
                if (e.key !== "Enter" || e.shiftKey) return;
                e.preventDefault();
                e.currentTarget.form?.requestSubmit();
              }}
              placeholder={say.heater1800DrumMotor250w}
              {...faultOf(faults, "loads")}
              aria-describedby={faults.loads ? "loads-fault loads-read" : "loads-read"}
            />
            <Fault faults={faults} of="loads" />
            <ReadBack id="loads-read" text={loads} supply={known.supply} />
          </Form.Group>
          <Form.Group controlId="dead">
            <Form.Label>{say.whatDoesNotWork}</Form.Label>
            <Form.Select size="lg" value={dead} onChange={(e) => setDead(Number(e.target.value))}>
              {(named.length === 0 ? [{ name: say.theFirstLoad }] : named).map((l, i) => (
                <option key={i} value={i + 1}>
                  {l.name}
                </option>
              ))}
              <option value={0}>{say.nothingWorks}</option>
            </Form.Select>
          </Form.Group>
          <div className="quick-row">
            <Form.Group controlId="supply">
              <Form.Label>{say.itHangsOn}</Form.Label>
              <Form.Control
                size="lg"
                value={supply}
                maxLength={60}
                list="supplies"
                autoComplete="off"
                onFocus={(e) => e.currentTarget.select()}
                onChange={(e) => setSupply(e.target.value)}
                {...faultOf(faults, "supply")}
                aria-describedby={faults.supply ? "supply-fault supply-read" : "supply-read"}
              />
              <datalist id="supplies">
                {SUPPLIES.map((s) => (
                  <option key={s} value={s} />
                ))}
              </datalist>
              <Fault faults={faults} of="supply" />
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
          <Form.Text id="supply-read" className="quick-supply">
            {known.supply ? supplyWords(known.supply) : known.supplyProblem}
          </Form.Text>
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
          <fieldset className="quick-more">
            <legend className="form-label fs-6 mb-1">{say.ifYouHaveSeenIt}</legend>
            <BoardFields more={more} onChange={setMore} />
            <FaceField more={more} onChange={setMore} />
            <HeldFields more={more} onChange={setMore} />
          </fieldset>
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
              {path.map((c, i) => (
                <li key={`${i} ${c.name}`}>
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

interface Typed {
  readonly supply: string;
  readonly loads: string;
  readonly filter: boolean;
  readonly fuse: boolean;
  readonly more: QuickMore;
  /** The load that does not work, from 1; 0: none of them does. */
  readonly dead: number;
}

interface Drawn {
  readonly supply: QuickMachine["supply"] | null;
  readonly supplyProblem: string;
  readonly named: QuickMachine["loads"];
  /** From the plug to the load that does not work. */
  readonly path: readonly Checkpoint[];
  readonly problem: string;
}

/** What was typed as a machine, as far as it is understood; else a sentence for the field that is not. */
function drawn({ supply: typed, loads, filter, fuse, more, dead }: Typed): Drawn {
  const nothing = { supply: null, supplyProblem: "", named: [], path: [], problem: "" };
  let supply: QuickMachine["supply"];
  try {
    supply = readSupply(typed);
  } catch (error) {
    return { ...nothing, supplyProblem: (error as Error).message };
  }
  if (loads.trim() === "") return { ...nothing, supply };
  try {
    const parts = readParts(loads, supply);
    const base = { id: "preview", name: say.machine, family: "powered equipment", supply, filter, fuse } as const;
    const path = checkpointsTo({ ...base, ...parts, ...more }, Math.max(1, Math.min(dead, parts.loads.length)));
    return { ...nothing, supply, named: parts.loads, path };
  } catch (error) {
    return { ...nothing, supply, problem: (error as Error).message };
  }
}
