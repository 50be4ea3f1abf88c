"use client";

import Link from "next/link";
import type { KindField, KindPage } from "../../core/model";
import { TopBar } from "../shell/TopBar";
import { say } from "#words/ui/machine/Kinds";

/** One kind of part, from its own definition: what it is, what a file says of it, how it fails and is tested. */
export function KindScreen({ page }: { readonly page: KindPage }) {
  return (
    <div className="start">
      <TopBar here="Machines" title={page.name} />
      <main id="main" tabIndex={-1} className="tools-main kind-page">
        <p className="mb-0">
          <Link href="/machines/kinds">
            <i className="bi bi-arrow-left" aria-hidden /> {say.allKinds}
          </Link>
        </p>
        <h1>{titled(page.name)}</h1>
        <p className="lead">{page.says}</p>
        {page.terminals.length > 0 ? <Symbol name={page.name} terminals={page.terminals} /> : null}
        {page.fields.length > 0 ? <Fields fields={page.fields} /> : null}
        <div className="kind-halves">
          <List title={say.howItFails} items={page.failures.map((f) => f.words)} />
          <List title={say.whatIsNoticed} items={page.signs} />
        </div>
        {page.alone ? (
          <>
            <h2>{say.byItself}</h2>
            <p>{page.alone}</p>
          </>
        ) : null}
        {page.cautions.length > 0 ? (
          <ul className="cautions">
            {page.cautions.map((c) => (
              <li key={c}>
                <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
              </li>
            ))}
          </ul>
        ) : null}
        {page.example ? (
          <>
            <h2>{say.asAFileHasIt}</h2>
            <pre className="kind-example" tabIndex={0} aria-label={say.asAFileHasIt}>
              {page.example}
            </pre>
          </>
        ) : null}
      </main>
    </div>
  );
}

const List = ({ title, items }: { readonly title: string; readonly items: readonly string[] }) =>
  items.length === 0 ? null : (
    <section aria-label={title}>
      <h2>{title}</h2>
      <ul>
        {items.map((i) => (
          <li key={i}>{i}</li>
        ))}
      </ul>
    </section>
  );

function Fields({ fields }: { readonly fields: readonly KindField[] }) {
  return (
    <div className="table-responsive">
      <table className="table kind-fields">
        <caption className="visually-hidden">{say.itsFields}</caption>
        <thead>
          <tr>
            <th scope="col">{say.field}</th>
            <th scope="col">{say.whatItSays}</th>
            <th scope="col">{say.unit}</th>
            <th scope="col">{say.usual}</th>
          </tr>
        </thead>
        <tbody>
          {fields.map((f) => (
            <tr key={f.name}>
              <th scope="row">
                <code>{f.name}</code>
                {f.isRequired ? null : <small className="d-block quiet fw-normal">{say.mayBeLeftOut}</small>}
              </th>
              <td>{f.says}</td>
              <td>{f.unit}</td>
              <td>
                {f.usual}
                {f.default === null ? null : (
                  <small className="d-block quiet fw-normal">{say.leftOut(f.default)}</small>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const titled = (name: string) => `${name.charAt(0).toUpperCase()}${name.slice(1)}`;

const ROW = 26;

/** How the wiring draws it: a box with its terminals, half of them on either side. */
function Symbol({ name, terminals }: { readonly name: string; readonly terminals: readonly string[] }) {
  const left = terminals.slice(0, Math.ceil(terminals.length / 2));
  const right = terminals.slice(left.length);
  const height = Math.max(1, left.length) * ROW + 24;
  const side = (list: readonly string[], isLeft: boolean) =>
    list.map((t, i) => {
      const y = 24 + i * ROW;
      return (
        <g key={t}>
          <line x1={isLeft ? 110 : 250} x2={isLeft ? 130 : 230} y1={y} y2={y} />
          <text x={isLeft ? 104 : 256} y={y + 5} textAnchor={isLeft ? "end" : "start"}>
            {t}
          </text>
        </g>
      );
    });
  return (
    <svg
      className="kind-symbol"
      viewBox={`0 0 360 ${height}`}
      role="img"
      aria-label={say.itsTerminals(name, terminals.join(", "))}
    >
      <rect x="130" y="8" width="100" height={height - 16} rx="4" />
      {side(left, true)}
      {side(right, false)}
    </svg>
  );
}
