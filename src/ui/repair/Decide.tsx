"use client";

import { useMemo, useState } from "react";
import Link from "next/link";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { failureSort, withInnerShorts } from "../../core/model";
import { METRIC, readQuantity } from "../../core/quantity";
import { cheapWhileOpen, optionsFor, outlay, priceOf, USUAL_RATES, USUAL_WORTH, weighOptions } from "../../core/repair";
import { type HoldOdds, learnedHolds } from "../../core/learn";
import { useKept } from "../shell/useKept";
import { PartMatch } from "./PartMatch";
import type { RepairProps } from "./repair-props";
import { decidedBody } from "../../core/journal";
import { CURRENCIES, NO_CURRENCY, type Rates } from "../../contract/shop";
import { Problem } from "../engine/Problem";
import { money, useShopRates } from "./useShopRates";
import { moneyIn } from "../shell/money";
import { say } from "#words/ui/repair/Decide";

/**
 * What to do about the cause, by expected cost; warranty and seals asked first, the customer's word on the price
 * kept.
 */
export function Decide({
  machine,
  job,
  assembly,
  fault,
  holds,
  rates,
  actor,
  busy,
  onLog,
  onDone,
}: RepairProps & {
  readonly fault: string | null;
  readonly holds: readonly HoldOdds[];
  /** What the shop reckons with; null: nobody has said. */
  readonly rates: Rates | null;
  readonly actor: string;
  readonly onDone: () => void;
}) {
  // What shorts inside a load is no fault of its file; where it was found, it is what is decided about.
  const own = useMemo(
    () => (fault === null || machine.partById.has(fault.split(":")[0]!) ? machine : withInnerShorts(machine)),
    [machine, fault],
  );
  const faults = own.parts
    .filter((p) => p.assembly === assembly)
    .flatMap((p) => p.modes.map((m) => ({ id: `${p.id}:${m.id}`, name: `${p.name}: ${m.words}` })));
  const last = job.work.decisions.findLast((d) => d.body.piece === assembly)?.body;
  const [cause, setCause] = useState(
    faults.some((f) => f.id === fault) ? fault! : (last?.fault ?? faults[0]?.id ?? ""),
  );
  const shop = useShopRates(rates, actor);
  const [worth, setWorth] = useKept("unzo.rates.worth");
  const [warranty, setWarranty] = useState<"none" | "in warranty" | "unknown" | "">(last?.warranty ?? "");
  const [seals, setSeals] = useState<"none" | "whole" | "broken" | "">(last?.seals ?? "");
  const [by, setBy] = useState(last?.approved?.by ?? "");
  const [price, setPrice] = useState(last?.approved ? String(last.approved.price) : "");
  const [picked, setPicked] = useState<string | null>(last?.option ?? null);
  const { perMinute, comeBack } = shop;
  const inMoney = moneyIn(shop.currency);
  const lost = money(worth, USUAL_WORTH);
  const [part, mode] = cause.split(":") as [string, string];
  // Repairs are learned of by the kind of part and the way it fails.
  const failed = own.partById.get(part);
  const sort = failed ? failureSort(failed, mode) : "";
  const weighed = useMemo(
    () =>
      own.partById.has(part)
        ? weighOptions(
            learnedHolds(optionsFor(own, { part, mode }), holds, sort),
            { ...USUAL_RATES, perMinute, comeBack },
            lost,
          )
        : [],
    [own, part, mode, holds, sort, perMinute, comeBack, lost],
  );
  const reckoned = { ...USUAL_RATES, perMinute, comeBack };
  const chosen = weighed.find((w) => w.option.id === picked) ?? weighed[0];
  const seenOf = (option: string) => {
    const seen = holds.find((h) => h.option === option && h.sort === sort);
    return seen ? <span className="quiet d-block">{say.heldHere(seen.held, seen.held + seen.cameBack)}</span> : null;
  };
  const asked = warranty !== "" && seals !== "";
  const agreed = readQuantity(price, "money", METRIC);
  async function decide() {
    if (!chosen || !asked) return;
    const { option } = chosen;
    const done = await onLog(
      decidedBody({
        piece: assembly,
        ...(cause ? { fault: cause } : {}),
        option: option.id,
        words: option.words,
        minutes: option.minutes,
        price: Math.round(priceOf(option, reckoned)),
        temporary: option.temporary,
        warranty,
        seals,
        ...(by.trim() !== "" && agreed.ok && agreed.value >= 0
          ? { approved: { by: by.trim(), price: agreed.value } }
          : {}),
      }),
    );
    if (done) onDone();
  }
  return (
    <>
      <section className="rig-sheet" aria-label={say.askedFirst}>
        <div className="repair-asks">
          <Form.Group controlId="warranty">
            <Form.Label>{say.underWarranty}</Form.Label>
            <Form.Select value={warranty} onChange={(e) => setWarranty(e.target.value as typeof warranty)}>
              <option value=""></option>
              <option value="none">{say.no}</option>
              <option value="in warranty">{say.yes}</option>
              <option value="unknown">{say.unknown}</option>
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="seals">
            <Form.Label>{say.sealsIntact}</Form.Label>
            <Form.Select value={seals} onChange={(e) => setSeals(e.target.value as typeof seals)}>
              <option value=""></option>
              <option value="none">{say.itHasNone}</option>
              <option value="whole">{say.yes}</option>
              <option value="broken">{say.noBroken}</option>
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="approved-by">
            <Form.Label>{say.priceAgreedBy}</Form.Label>
            <Form.Control value={by} maxLength={80} onChange={(e) => setBy(e.target.value)} />
          </Form.Group>
          <Form.Group controlId="approved-price">
            <Form.Label>{say.upTo}</Form.Label>
            <Form.Control
              value={price}
              onChange={(e) => setPrice(e.target.value)}
              isInvalid={price !== "" && !agreed.ok}
            />
          </Form.Group>
        </div>
        {warranty === "in warranty" ? <p className="swap-caution">{say.underWarrantyTheManufacturerDecides}</p> : null}
      </section>
      <section className="rig-sheet" aria-label={say.whatToDoAboutIt} tabIndex={0}>
        <div className="repair-asks">
          <Form.Group controlId="cause">
            <Form.Label>{say.cause}</Form.Label>
            <Form.Select
              value={cause}
              onChange={(e) => {
                setCause(e.target.value);
                setPicked(null);
              }}
            >
              {faults.map((f) => (
                <option key={f.id} value={f.id}>
                  {f.name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="minute">
            <Form.Label>{say.costPerMinute}</Form.Label>
            <Form.Control
              value={shop.minute}
              placeholder={String(USUAL_RATES.perMinute)}
              onChange={(e) => shop.setMinute(e.target.value)}
            />
          </Form.Group>
          <Form.Group controlId="back">
            <Form.Label>{say.callbackCost}</Form.Label>
            <Form.Control
              value={shop.back}
              placeholder={String(USUAL_RATES.comeBack)}
              onChange={(e) => shop.setBack(e.target.value)}
            />
          </Form.Group>
          <Form.Group controlId="currency">
            <Form.Label>{say.currency}</Form.Label>
            <Form.Select value={shop.currency} onChange={(e) => shop.setCurrency(e.target.value)}>
              {CURRENCIES.map((c) => (
                <option key={c} value={c}>
                  {c === NO_CURRENCY ? say.notNamed : c}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="worth">
            <Form.Label>{say.valueOfTheMachine}</Form.Label>
            <Form.Control value={worth} placeholder={String(USUAL_WORTH)} onChange={(e) => setWorth(e.target.value)} />
          </Form.Group>
        </div>
        <Problem words={shop.problem} />
        <table className="table table-sm mb-0 decisions">
          <thead>
            <tr>
              <th>{say.what}</th>
              <th>{say.work}</th>
              <th>{say.parts}</th>
              <th>{say.chanceItLasts}</th>
              <th>{say.averageCost}</th>
              <th>{say.breakEven}</th>
            </tr>
          </thead>
          <tbody>
            {weighed.map(({ option, expected, breakEven }, i) => (
              <tr key={option.id} className={option.id === chosen?.option.id ? "is-best" : undefined}>
                <td>
                  <Form.Check
                    type="radio"
                    name="option"
                    id={`option-${option.id}`}
                    checked={option.id === chosen?.option.id}
                    onChange={() => setPicked(option.id)}
                    label={
                      <>
                        <strong>{option.words}</strong>
                        {i === 0 ? " (cheapest)" : ""}
                        {option.temporary ? <span className="temporary"> {say.temporary}</span> : null}
                      </>
                    }
                  />
                  <span className="quiet d-block ps-4">{option.school}</span>
                </td>
                <td data-label={say.work}>
                  {say.minutesMinPart(option.minutes, option.leadDays ? `, ${option.leadDays} days` : "")}
                </td>
                <td data-label={say.parts}>{inMoney(option.parts)}</td>
                <td data-label={say.chanceItLasts}>
                  {option.id === "give-up" ? "" : `${Math.round(100 * option.holds)} %`}
                  {seenOf(option.id)}
                </td>
                <td
                  data-label={say.averageCost}
                  className="value"
                  title={say.outlayOutlay(inMoney(outlay(option, reckoned)))}
                >
                  {inMoney(expected)}
                </td>
                <td data-label={say.breakEven}>{breakEven === null ? "" : `${Math.round(100 * breakEven)} %`}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="quiet mb-2">{say.chancesAreEstimates}</p>
        {cheapWhileOpen(machine, assembly).length > 0 ? (
          <p className="mb-2">
            <strong>{say.cheapWhileItIsOpen}</strong> {cheapWhileOpen(machine, assembly).join("; ")}
          </p>
        ) : null}
        <Button size="lg" disabled={busy || !asked || !chosen} onClick={() => void decide()}>
          {chosen ? say.decideOptionWords(chosen.option.words) : "Decide"}
        </Button>
        {asked ? null : <span className="quiet ms-2">{say.warrantyAndSealsFirst}</span>}
        <Link
          className="btn btn-lg btn-outline-dark ms-2"
          href={`/jobs/${job.id}/quote?${new URLSearchParams({ assembly, fault: cause }).toString()}`}
        >
          <i className="bi bi-file-earmark-text" aria-hidden /> {say.offerIt}
        </Link>
      </section>
      <PartMatch machine={machine} job={job} assembly={assembly} busy={busy} onLog={onLog} />
    </>
  );
}
