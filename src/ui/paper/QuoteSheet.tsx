"use client";

import Table from "react-bootstrap/Table";
import type { QuotedOption, QuotePaper } from "../../contract/paper";
import { useMoney } from "../shell/Currency";
import { dateWithYear } from "../shell/time";
import { PaperTop } from "./PaperTop";
import { chanceWords } from "./price-words";
import { say } from "#words/ui/paper";

interface Props {
  readonly paper: QuotePaper;
  readonly options: readonly QuotedOption[];
  readonly until: string;
}

/** What is offered: options with their price, their chance, and what that means. */
export function QuoteSheet({ paper, options, until }: Props) {
  const money = useMoney();
  return (
    <article className="sheet paper-sheet">
      <PaperTop head={paper.head} title={say.offerFor} />
      <section>
        <h2>{say.believed}</h2>
        <p className="mb-1">{paper.wrong}</p>
        <p className="quiet">{say.believedNote}</p>
      </section>
      <section>
        <h2>{say.offer}</h2>
        <p>{say.offerSays}</p>
        <Table className="paper-offer">
          <tbody>
            {options.map((o) => (
              <tr key={o.option}>
                <td>
                  <strong>{o.words}</strong>
                  <span className="d-block quiet">{o.means}</span>
                </td>
                <td className="text-nowrap">{chanceWords(o)}</td>
                <td className="value text-end">
                  <strong>{money(o.price)}</strong>
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
        <p suppressHydrationWarning>{until === "" ? "" : say.holdsUntil(dateWithYear(until))}</p>
      </section>
      <p className="small-print">{say.licensed}</p>
    </article>
  );
}
