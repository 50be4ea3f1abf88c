"use client";

import { useSearchParams } from "next/navigation";
import { useRef, useState } from "react";
import Form from "react-bootstrap/Form";
import { find, FIND_WHERE, findSchema, type Find, type FindFilters, type Found } from "../../contract/find";
import { useRoute } from "../engine/useRoute";
import { Filter } from "../shell/Filter";
import { MachineAndPerson } from "../shell/MachineAndPerson";
import { TopBar } from "../shell/TopBar";
import { useDebounced } from "../shell/useDebounced";
import { useShortcut } from "../shortcuts/useShortcut";
import { FoundList } from "./FoundList";
import { FIELD_WORDS, say } from "#words/ui/find";

/** So long nothing is typed before it is looked for, milliseconds. */
const PAUSE = 120;
const EMPTY = findSchema.parse({});

/** The address of a search: only what differs from the widest one. */
function queryOf(asked: Find): string {
  const differing = Object.entries(asked).filter(([name, value]) => value !== EMPTY[name as keyof Find]);
  return new URLSearchParams(differing.map(([name, value]) => [name, String(value)])).toString();
}

/** One field over all there is. It works without a script too: the form asks for the page anew. */
export function FindScreen({ asked, found, filters }: { asked: Find; found: Found; filters: FindFilters }) {
  // The address counts: come back to, the page is the one that was first asked for, and the search is not.
  const address = useSearchParams();
  const [wanted, setWanted] = useState(() => findSchema.parse(Object.fromEntries(address)));
  // On a phone the filters are folded away until they are wanted.
  const [narrows, setNarrows] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  useShortcut("find", () => field.current?.focus());
  const query = queryOf(wanted);
  const settled = useDebounced(query, PAUSE);
  const { value, problem } = useRoute(find, settled === queryOf(asked) ? null : [settled]);
  const shown = settled === queryOf(asked) ? found : (value ?? found);
  const set = (change: Partial<Find>) => {
    const next = { ...wanted, before: EMPTY.before, ...change };
    setWanted(next);
    const at = queryOf(next);
    window.history.replaceState(null, "", at === "" ? "/find" : `/find?${at}`);
  };
  const isFiltered = queryOf({ ...wanted, q: "" }) !== "";
  return (
    <div className="start">
      <TopBar here="Find" title={say.find} />
      <main id="main" tabIndex={-1} className="library find">
        <h1>{say.anything}</h1>
        <form action="/find" method="get" role="search" onSubmit={(e) => e.preventDefault()}>
          <Form.Control
            ref={field}
            size="lg"
            type="search"
            name="q"
            autoFocus
            autoComplete="off"
            spellCheck={false}
            maxLength={120}
            aria-label={say.anything}
            placeholder={say.whatToType}
            value={wanted.q}
            onChange={(e) => set({ q: e.target.value })}
          />
          <button
            type="button"
            className="btn btn-link d-md-none find-narrow"
            aria-expanded={narrows || isFiltered}
            onClick={() => setNarrows((n) => !n)}
          >
            {say.narrowDown}
          </button>
          <div className={`find-filters ${narrows || isFiltered ? "" : "is-closed"}`}>
            <Filter label={say.where} value={wanted.where} onChange={(where) => set({ where: where as Find["where"] })}>
              <option value="">{say.anywhere}</option>
              {FIND_WHERE.map((w) => (
                <option key={w} value={w}>
                  {FIELD_WORDS[w]}
                </option>
              ))}
            </Filter>
            <Filter label={say.state} value={wanted.state} onChange={(state) => set({ state: state as Find["state"] })}>
              <option value="">{say.openAndClosed}</option>
              <option value="open">{say.open}</option>
              <option value="closed">{say.closed}</option>
            </Filter>
            <MachineAndPerson {...filters} machine={wanted.machine} person={wanted.person} onChange={set} />
            <label className="find-filter">
              <span>{say.since}</span>
              <Form.Control type="date" value={wanted.since} onChange={(e) => set({ since: e.target.value })} />
            </label>
            {isFiltered ? (
              <button type="button" className="btn btn-outline-dark" onClick={() => set({ ...EMPTY, q: wanted.q })}>
                {say.clear}
              </button>
            ) : null}
          </div>
        </form>
        <p className="problem" role="alert">
          {problem}
        </p>
        <FoundList found={shown} wanted={wanted} onOlder={(before) => set({ before })} />
      </main>
    </div>
  );
}
