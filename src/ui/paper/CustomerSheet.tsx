"use client";

import Table from "react-bootstrap/Table";
import type { CustomerPaper } from "../../contract/paper";
import { photoAddress } from "../../contract/jobs";
import { useMoney } from "../shell/Currency";
import { clockTime, dateWithYear } from "../shell/time";
import { PaperTop } from "./PaperTop";
import { priceWords } from "./price-words";
import { say } from "#words/ui/paper";

/** The customer's page: one page in plain words, the safety test in numbers overleaf. */
export function CustomerSheet({ paper: { head, page } }: { readonly paper: CustomerPaper }) {
  const money = useMoney();
  return (
    <article className="sheet paper-sheet">
      <PaperTop head={head} title={say.repairReport} />
      {page.unsafe ? (
        <p className="swap-caution paper-unsafe">
          <i className="bi bi-x-octagon-fill" aria-hidden /> <strong>{page.unsafe}</strong>
        </p>
      ) : null}
      <Lines title={say.wrong} lines={page.wrong} />
      <Lines title={say.done} lines={page.done} />
      <Lines title={say.proven} lines={page.proven} />
      <Lines title={say.watch} lines={[...page.watch, ...(page.words === "" ? [] : [page.words])]} />
      <dl className="facts paper-facts">
        <dt>{say.price}</dt>
        <dd>
          <strong className="value">{priceWords(page, money)}</strong>
        </dd>
        <dt>{say.nextDate}</dt>
        <dd suppressHydrationWarning>{page.next ? `${dateWithYear(page.next.on)}. ${page.next.words}` : say.noNext}</dd>
      </dl>
      {page.photos.length > 0 ? (
        <ul className="record-photos">
          {page.photos.map(({ hash, caption }) => (
            <li key={hash}>
              <img src={photoAddress(hash)} alt={caption || say.photo} />
              <span>{caption}</span>
            </li>
          ))}
        </ul>
      ) : null}
      {page.safety ? (
        <section className="paper-overleaf">
          <h2>{say.safetyInNumbers}</h2>
          <Table size="sm">
            <thead>
              <tr>
                <th>{say.measured}</th>
                <th>{say.value}</th>
                <th>{say.limit}</th>
                <th>{say.result}</th>
              </tr>
            </thead>
            <tbody>
              {page.safety.rows.map((row) => (
                <tr key={row.words}>
                  <td>{row.words}</td>
                  <td className="value">{row.value}</td>
                  <td className="value">{row.limit}</td>
                  <td>{row.passed ? say.passed : say.failed}</td>
                </tr>
              ))}
            </tbody>
          </Table>
          <p suppressHydrationWarning>
            {page.safety.tester
              ? say.testerIs(page.safety.tester.name, dateWithYear(page.safety.tester.calibrated))
              : say.testerUnknown}{" "}
            {say.measuredBy(page.safety.by, `${dateWithYear(page.safety.at)}, ${clockTime(page.safety.at)}`)}
          </p>
        </section>
      ) : null}
      <p className="small-print">{say.licensed}</p>
    </article>
  );
}

function Lines({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  return (
    <section>
      <h2>{title}</h2>
      {lines.map((line) => (
        <p key={line} className="mb-1">
          {line}
        </p>
      ))}
    </section>
  );
}
