"use client";

import Link from "next/link";
import { useMemo, useState } from "react";
import Form from "react-bootstrap/Form";
import { compileMachine } from "../../core/machine/compile";
import type { MachineFile } from "../../core/machine/schema";
import { METRIC, readQuantity } from "../../core/quantity/units";
import { optionsFor, outlay, USUAL_RATES, weighOptions, type ShopRates } from "../../core/repair/options";
import { swapPlan, type SwapStage } from "../../core/repair/swap-plan";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";

interface Props {
  readonly job: string;
  readonly site: string;
  readonly file: MachineFile;
  readonly piece: string;
  /** The fault it is taken for, "part:mode"; the first of the piece where none is known. */
  readonly fault: string | null;
}

/** What to do about a cause, by expected cost; and how the piece comes out and goes in, from the file's covers and plugs. */
export function RepairScreen({ job, site, file, piece, fault }: Props) {
  const machine = useMemo(() => compileMachine(file), [file]);
  const faults = machine.parts.filter((p) => p.piece === piece).flatMap((p) => p.modes.map((m) => ({ id: `${p.id}:${m.id}`, name: `${p.name}: ${m.words}` })));
  const [cause, setCause] = useState(faults.some((f) => f.id === fault) ? fault! : faults[0]?.id ?? "");
  const [transfer, setTransfer] = useState(false);
  const [minute, setMinute] = useKept("unzo.rates.minute");
  const [back, setBack] = useKept("unzo.rates.back");
  const [worth, setWorth] = useKept("unzo.rates.worth");
  const [ticked, setTicked] = useKept(`unzo.swap.${job}.${piece}`);
  const rates: ShopRates = { ...USUAL_RATES, perMinute: money(minute, USUAL_RATES.perMinute), comeBack: money(back, USUAL_RATES.comeBack) };
  const lost = money(worth, 400);
  const [part, mode] = cause.split(":") as [string, string];
  const weighed = useMemo(() => (machine.partById.has(part) ? weighOptions(optionsFor(machine, { part, mode }), { ...USUAL_RATES, perMinute: rates.perMinute, comeBack: rates.comeBack }, lost) : []), [machine, part, mode, rates.perMinute, rates.comeBack, lost]);
  const plan = useMemo(() => swapPlan(machine, piece, transfer), [machine, piece, transfer]);
  const done = new Set(ticked.split(" ").filter(Boolean));
  const tick = (id: string) => setTicked([...(done.has(id) ? [...done].filter((d) => d !== id) : [...done, id])].join(" "));
  const name = machine.pieceById.get(piece)!.name;
  const licensed = machine.pieceById.get(piece)!.licensed;
  return (
    <div className="start">
      <TopBar here="Jobs" />
      <main className="repair-main">
        <header className="rig-head"><h1>{name} <span className="quiet">{site}</span></h1><Link className="btn btn-outline-dark btn-sm" href={`/jobs/${job}`}>Back to the job</Link></header>
        <section className="rig-sheet" aria-label="What to do about it" tabIndex={0}>
          <div className="repair-asks">
            <Form.Group controlId="cause"><Form.Label>Cause</Form.Label><Form.Select value={cause} onChange={(e) => setCause(e.target.value)}>{faults.map((f) => <option key={f.id} value={f.id}>{f.name}</option>)}</Form.Select></Form.Group>
            <Form.Group controlId="minute"><Form.Label>A minute costs</Form.Label><Form.Control value={minute} placeholder={String(USUAL_RATES.perMinute)} onChange={(e) => setMinute(e.target.value)} /></Form.Group>
            <Form.Group controlId="back"><Form.Label>Coming back costs</Form.Label><Form.Control value={back} placeholder={String(USUAL_RATES.comeBack)} onChange={(e) => setBack(e.target.value)} /></Form.Group>
            <Form.Group controlId="worth"><Form.Label>Worth to its owner</Form.Label><Form.Control value={worth} placeholder="400" onChange={(e) => setWorth(e.target.value)} /></Form.Group>
          </div>
          <table className="table table-sm mb-0">
            <thead><tr><th>What</th><th>Work</th><th>Parts</th><th>Holds</th><th>Costs on average</th><th>Flips at</th></tr></thead>
            <tbody>
              {weighed.map(({ option, expected, breakEven }, i) => (
                <tr key={option.id} className={i === 0 ? "is-best" : undefined}>
                  <td><strong>{option.words}</strong>{i === 0 ? " (cheapest)" : ""}{option.temporary ? <span className="temporary"> temporary</span> : null}<span className="quiet d-block">{option.school}</span></td>
                  <td>{option.minutes} min{option.leadDays ? `, ${option.leadDays} days` : ""}</td><td>{option.parts}</td><td>{option.id === "give-up" ? "" : `${Math.round(100 * option.holds)} %`}</td>
                  <td className="value" title={`Outlay ${outlay(option, rates).toFixed(0)}`}>{expected.toFixed(0)}</td><td>{breakEven === null ? "" : `${Math.round(100 * breakEven)} %`}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="quiet mb-0">Chances are from memory. Ask first: warranty, seals, and the customer&apos;s word on the price.</p>
        </section>
        {licensed ? <p className="rig-sheet" role="status">Work for a licensed trade: leave it closed and hand it over.</p> : (
          <section aria-label="The swap" className="swap">
            <div className="d-flex gap-3 align-items-center flex-wrap"><h2>The swap, about {plan.minutes} min</h2><Form.Check type="switch" id="transfer" label="plugs straight over, one at a time" checked={transfer} onChange={(e) => setTransfer(e.target.checked)} /></div>
            <ol className="swap-stages">{plan.stages.map((stage) => <Stage key={stage.id} stage={stage} done={done.has(stage.id)} onTick={() => tick(stage.id)} />)}</ol>
          </section>
        )}
      </main>
    </div>
  );
}

function Stage({ stage, done, onTick }: { stage: SwapStage; done: boolean; onTick: () => void }) {
  return (
    <li className={`rig-sheet${done ? " is-done" : ""}`}>
      <Form.Check id={`stage-${stage.id}`} label={<strong>{stage.name}</strong>} checked={done} onChange={onTick} />
      <ul>
        {stage.steps.map((s) => (
          <li key={s.id}>
            {s.words}{s.photo ? <> <i className="bi bi-camera" role="img" aria-label="take a photo" /></> : null}
            {s.details.length > 0 ? <span className="quiet d-block">{s.details.join("; ")}</span> : null}
            {s.cautions.map((c) => <span key={c} className="swap-caution"><i className="bi bi-exclamation-triangle" aria-hidden /> {c}</span>)}
          </li>
        ))}
      </ul>
    </li>
  );
}

function money(text: string, preset: number): number {
  const read = readQuantity(text, "money", METRIC);
  return read.ok && read.value >= 0 ? read.value : preset;
}
