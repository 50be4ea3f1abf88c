"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Table from "react-bootstrap/Table";
import type { ShippedOffer } from "../../contract/machines";
import { send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { dayName } from "../shell/time";
import { useKept } from "../shell/useKept";
import { settleOffer } from "../../contract/machines";
import { factWords } from "./fact-words";
import { say } from "#words/ui/machine/OfferScreen";

const BY_PACK = say.byPack;
const BY = { theirs: "newer", ours: "yours", both: "both changed it" } as const;

/** A newer shipped revision held against the shop's own file: taken whole, fact by fact, or not. */
export function OfferScreen({ offer }: { offer: ShippedOffer }) {
  const router = useRouter();
  const [who] = useKept("unzo.who");
  // What the shop has not touched is taken; what it changed stays.
  const [taken, setTaken] = useState<ReadonlySet<string>>(
    () => new Set(offer.facts.filter((f) => f.changedBy === "theirs").map((f) => f.key)),
  );
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);

  async function settle(take: readonly string[]) {
    setBusy(true);
    setProblem("");
    try {
      const body = { offered: offer.hash, own: offer.own.hash, take, actor: who || "Someone" };
      await send(settleOffer, [offer.machine], body);
      router.push(`/machines/${offer.machine}`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  }
  const toggle = (key: string) =>
    setTaken((now) => {
      const next = new Set(now);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  return (
    <div className="start">
      <TopBar here="Machines" title={say.newerFile} />
      <main id="main" tabIndex={-1} className="library">
        <h1>
          {offer.pack
            ? say.revisionOfPack(offer.revision, offer.pack.shop, dayName(offer.pack.at))
            : say.newerRevisionRevision(offer.revision)}
        </h1>
        <p className="quiet mb-0">
          {say.yoursIsRevision(
            offer.own.revision,
            offer.hasBase ? say.tickedIsWhatOnlyThe : say.theRevisionYoursCameFrom,
          )}
        </p>
        <p className="problem" role="alert">
          {problem}
        </p>
        <p className="d-flex gap-3 flex-wrap">
          <Button disabled={busy || taken.size === 0} onClick={() => void settle([...taken])}>
            {say.takeCountOfCount2(taken.size, offer.facts.length)}
          </Button>
          <Button variant="outline-dark" disabled={busy} onClick={() => void settle(offer.facts.map((f) => f.key))}>
            {say.takeItWhole}
          </Button>
          <Button variant="outline-dark" disabled={busy} onClick={() => void settle([])}>
            {say.keepMine}
          </Button>
        </p>
        <Table responsive size="sm" className="offer-table">
          <thead>
            <tr>
              <th>{say.take}</th>
              <th>{say.fact}</th>
              <th>{say.before}</th>
              <th>{say.yours}</th>
              <th>{offer.pack ? say.theirs : say.newer}</th>
              <th>{say.changedBy}</th>
            </tr>
          </thead>
          <tbody>
            {offer.facts.map((f) => (
              <tr key={f.key}>
                <td>
                  <Form.Check
                    checked={taken.has(f.key)}
                    aria-label={say.takeKey(f.key)}
                    onChange={() => toggle(f.key)}
                  />
                </td>
                <th scope="row">{f.key}</th>
                <td>{factWords(f.base)}</td>
                <td>{factWords(f.ours)}</td>
                <td>{factWords(f.theirs)}</td>
                <td>{(offer.pack ? BY_PACK : BY)[f.changedBy]}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </main>
    </div>
  );
}
