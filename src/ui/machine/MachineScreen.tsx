"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState, type FormEvent, type ReactNode } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Tab from "react-bootstrap/Tab";
import Table from "react-bootstrap/Table";
import Tabs from "react-bootstrap/Tabs";
import { assumedIn, commonShelf, has, kindName, pinBoardsOf, type Machine, type MachineFile } from "../../core/model";
import type { FaultGroup } from "../../core/diagnose";
import type { VersionRow } from "../../contract/machines";
import { send } from "../shell/send";
import { dayName } from "../shell/time";
import { TopBar } from "../shell/TopBar";
import { AssumedList } from "./AssumedList";
import { BoardDrawing } from "./BoardDrawing";
import { BoardPins } from "./BoardPins";
import { ConnectorView } from "./ConnectorView";
import { rigBoards } from "../../core/workbench";
import { ratingsOf } from "./ratings";
import { SheetLines } from "./SheetLines";
import { FileDoubts } from "./FileDoubts";
import { useCoverage } from "./useCoverage";
import { ShopOddsView } from "./ShopOddsView";
import { WiringDrawing } from "./WiringDrawing";

import { duplicateMachine, exportAddress } from "../../contract/machines";
import { useAddress } from "../shell/useAddress";
import { Progress } from "../shell/Progress";
import { say } from "#words/ui/machine/MachineScreen";

/** All that a machine file says, to look up on the job. */
export function MachineScreen({
  file,
  hash,
  versions,
  version,
  offered,
}: {
  /** A newer shipped revision waits to be looked at. */
  offered: boolean;
  file: MachineFile;
  hash: string;
  versions: readonly VersionRow[];
  version: string | null;
}) {
  const machine = commonShelf().of(hash, file);
  const pinBoards = pinBoardsOf(file);
  const [tabAsked, setTab] = useAddress("tab");
  const tab = tabAsked || "wiring";
  return (
    <div className="start">
      <TopBar here="Machines" title={`${file.maker} ${file.model}`} />
      <main id="main" tabIndex={-1} className="machine">
        <div className="library-head">
          <div>
            <h1>
              {file.maker} {file.model}
            </h1>
            <p className="quiet mb-0">
              {say.fileNamePartRevisionRevision(
                file.name,
                file.supply.hertz === 0
                  ? `${file.supply.volts} V battery`
                  : `${file.supply.volts} V ${file.supply.hertz} Hz`,
                file.revision,
                version ? say.anEarlierVersion : "",
              )}
            </p>
          </div>
          {version ? null : (
            <Link className="btn btn-dark" href={`/machines/${file.id}/job`}>
              {say.beginAJob}
            </Link>
          )}
          <a className="btn btn-outline-dark" href={exportAddress(file.id, version ?? undefined)}>
            {say.exportWord}
          </a>
          <Duplicate file={file} />
          <Link className="btn btn-outline-dark" href={`/machines/${file.id}/hand`}>
            {say.tryItOnTheSimulator}
          </Link>
          <Link className="btn btn-outline-dark" href={`/machines/${file.id}/edit`}>
            {say.edit}
          </Link>
        </div>
        {offered ? (
          <p className="offer-mark">
            <i className="bi bi-box-arrow-in-down" aria-hidden /> {say.aNewerRevisionCameWith}{" "}
            <Link href={`/machines/${file.id}/offer`}>{say.compare}</Link>
          </p>
        ) : null}
        <FileDoubts file={file} version={hash} />
        {file.cautions.length > 0 ? (
          <ul className="cautions">
            {file.cautions.map((c) => (
              <li key={c}>
                <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
              </li>
            ))}
          </ul>
        ) : null}
        <Tabs
          transition={false}
          activeKey={tab}
          onSelect={(k) => setTab(k === "wiring" ? "" : (k ?? ""))}
          className="mb-3"
          mountOnEnter
        >
          <Tab eventKey="wiring" title={say.wiring}>
            <WiringDrawing machine={machine} hash={hash} />
          </Tab>
          <Tab eventKey="parts" title={say.parts}>
            <Parts machine={machine} />
          </Tab>
          <Tab eventKey="plugs" title={say.plugs}>
            <ConnectorView connectors={file.connectors} />
          </Tab>
          <Tab eventKey="codes" title={say.codesAndModes}>
            <Codes machine={machine} />
          </Tab>
          <Tab eventKey="odds" title={say.howItFailsHere}>
            <ShopOddsView machine={file.id} />
          </Tab>
          <Tab eventKey="settings" title={say.settings}>
            <Rows
              head={["Setting", "Where", "Values", say.asDelivered]}
              rows={file.settings.map((s) => [
                s.name,
                s.where,
                s.values.map((v) => `${v.value}: ${v.words}`).join("; "),
                s.factory ?? "",
              ])}
              none={say.thisFileNamesNoSettings}
            />
          </Tab>
          <Tab eventKey="panels" title={say.coversAndBoards}>
            <Rows
              head={["Cover", "Minutes", "Tools"]}
              rows={file.panels.map((p) => [p.name, String(p.minutes), p.tools.join(", ") || "none"])}
              none={say.noCoverHasToCome}
            />
            <Rows
              head={["Piece", "Number", say.whatIsDone, "Minutes"]}
              rows={file.pieces.map((p) => [p.name, p.number ?? "", p.repair, String(p.minutes)])}
              none=""
            />
            <div className="boards">
              {file.pieces.map((p) => (
                <BoardDrawing key={p.id} assembly={p} allPins />
              ))}
            </div>
          </Tab>
          {pinBoards.length === 0 ? null : (
            <Tab eventKey="pins" title={say.pinByPin}>
              {pinBoards.map((b) => (
                <BoardPins key={b.id} file={file} board={b} isOld={version !== null} />
              ))}
            </Tab>
          )}
          {version === null ? (
            <Tab eventKey="sheet" title={say.fromASheet}>
              <SheetLines file={file} />
            </Tab>
          ) : null}
          {version === null && file.assumed?.length ? (
            <Tab eventKey="assumed" title={say.notSeenYet(assumedIn(file).length)}>
              <AssumedList file={file} />
            </Tab>
          ) : null}
          <Tab eventKey="apart" title={say.whatItCanTellApart}>
            <Apart file={file} hash={hash} machine={machine} wanted={tab === "apart"} />
          </Tab>
          <Tab eventKey="versions" title={say.versions}>
            <ul className="versions">
              {versions.map((v) => (
                <li key={v.hash}>
                  <Link href={v.current ? `/machines/${file.id}` : `/machines/${file.id}?version=${v.hash}`}>
                    {say.revisionRevisionDayName(v.revision, dayName(v.addedAt))}
                  </Link>{" "}
                  <code>{v.hash.slice(0, 10)}</code> {v.current ? <strong>{say.newJobsUseThisOne}</strong> : null}{" "}
                  {v.kept ? <HowKept kept={v.kept} /> : null}
                </li>
              ))}
            </ul>
          </Tab>
        </Tabs>
      </main>
    </div>
  );
}

/** How a version came into use: by whom, from where, and what was learned with it. */
function HowKept({ kept }: { readonly kept: NonNullable<VersionRow["kept"]> }) {
  const job = kept.job;
  return (
    <>
      <span className="quiet">
        {say.keptBy(say.origin[kept.origin] ?? kept.origin, kept.by)}
        {kept.pack ? say.inThePackOf(kept.pack.shop, dayName(kept.pack.at)) : ""}
        {job === null ? null : (
          <>
            {", "}
            <Link href={`/jobs/${job}/record`}>{say.ofThisJob}</Link>
          </>
        )}
      </span>
      {kept.learned.length === 0 ? null : (
        <ul>
          {kept.learned.map((l) => (
            <li key={`${l.at} ${l.words}`}>
              {l.words}{" "}
              <span className="quiet">
                {l.by}, {dayName(l.at)}
              </span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

function Rows({
  head,
  rows,
  none,
}: {
  head: readonly string[];
  rows: readonly (readonly ReactNode[])[];
  none: string;
}) {
  if (rows.length === 0) return none ? <p className="quiet">{none}</p> : null;
  return (
    <Table responsive size="sm">
      <thead>
        <tr>
          {head.map((h) => (
            <th key={h}>{h}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={i}>
            {row.map((cell, j) => (
              <td key={j}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

function Parts({ machine }: { machine: Machine }) {
  const [wanted, setWanted] = useState("");
  // Contacts and wires stand on the plugs' page; what a setup rigs up does not fail.
  const shown = machine.parts.filter(
    (p) =>
      !has(p, "harness") &&
      p.modes.length > 0 &&
      [p.name, kindName(p), p.id].join(" ").toLowerCase().includes(wanted.toLowerCase()),
  );
  return (
    <>
      <p className="mb-2 d-flex gap-3 flex-wrap">
        <Link href={`/tools/path?machine=${machine.file.id}`}>{say.currentsAgainstRatings}</Link>
        {machine.file.settings.length > 0 ? (
          <Link href={`/tools/settings?machine=${machine.file.id}`}>{say.itsSettings}</Link>
        ) : null}
        {rigBoards(machine).length > 0 ? (
          <Link href={`/tools/rig?machine=${machine.file.id}`}>{say.itsBoardOnTheBench}</Link>
        ) : null}
      </p>
      <Form.Control
        type="search"
        aria-label={say.searchParts}
        placeholder={say.searchParts}
        value={wanted}
        onChange={(e) => setWanted(e.target.value)}
        className="mb-2"
      />
      <Rows
        head={["Part", "Kind", "Ratings", say.howItFails, "Signs", say.testedByItself]}
        none={say.noSuchPart}
        rows={shown.map((p) => [
          <strong key="n">{p.name}</strong>,
          kindName(p),
          ratingsOf(p),
          p.modes.map((m) => m.words).join("; "),
          (p.kind.failures.signs?.(p.fields) ?? []).map((s) => s.words).join("; "),
          p.kind.service.alone ?? "",
        ])}
      />
    </>
  );
}

function Codes({ machine }: { machine: Machine }) {
  const programs = machine.parts.flatMap((part) => part.kind.electrical.program?.(part.fields) ?? []);
  const codes = programs.flatMap((program) =>
    program.codes.map((c) => {
      const shown = [...program.display, ...Object.values(program.lamps).flat()]
        .filter((l) => JSON.stringify(l.when).includes(`"code":"${c.id}"`))
        .map((l) => l.shows);
      return [
        <strong key="c" className="value">
          {c.id}
        </strong>,
        c.words,
        [...new Set(shown)].join("; "),
        c.blames ? (machine.assemblyById.get(c.blames)?.name ?? c.blames) : "",
      ];
    }),
  );
  const gestures = programs.flatMap((program) =>
    program.gestures.map((g) => [g.name, g.from.join(", ") || "any", g.to]),
  );
  return (
    <>
      <Rows
        head={["Code", "Meaning", say.shownAs, say.theMakersTableBlames]}
        rows={codes}
        none={say.thisMachineShowsNoCodes}
      />
      <Rows head={[say.whatToDo, say.inMode, say.leadsTo]} rows={gestures} none="" />
      <Rows head={["Setup", "How"]} rows={machine.file.setups.map((s) => [s.name, s.how])} none="" />
    </>
  );
}

function Apart({
  file,
  hash,
  machine,
  wanted,
}: {
  file: MachineFile;
  hash: string;
  machine: Machine;
  wanted: boolean;
}) {
  const { progress, coverage, problem } = useCoverage(file, hash, wanted);
  if (problem)
    return (
      <p className="problem" role="alert">
        {problem}
      </p>
    );
  if (!coverage)
    return (
      <div className="building" role="status">
        <h2>{say.tryingEveryFaultAgainstEvery}</h2>
        <Progress now={Math.round(progress * 100)} label={say.computing} />
      </div>
    );
  const names = (group: FaultGroup) => group.map((f) => f.name).join("; ");
  return (
    <div className="apart">
      <p className="apart-sum">
        <strong className="value">{coverage.alone}</strong> {say.ofWord}{" "}
        <strong className="value">{coverage.faults}</strong> {say.faultsCanBeToldFrom}
      </p>
      <div
        className="apart-bar"
        role="img"
        aria-label={say.aloneInGroupsWithoutA(coverage.alone, coverage.together.flat().length, coverage.silent.length)}
      >
        <span className="alone" style={{ flexGrow: coverage.alone }} />
        <span className="together" style={{ flexGrow: coverage.together.flat().length }} />
        <span className="silent" style={{ flexGrow: coverage.silent.length }} />
      </div>
      <h2>{say.togetherNoAvailableTestSeparates}</h2>
      {coverage.together.length === 0 ? (
        <p className="quiet">{say.none}</p>
      ) : (
        <ul>
          {coverage.together.map((g) => (
            <li key={g[0]!.id}>{names(g)}</li>
          ))}
        </ul>
      )}
      <h2>{say.shownByNoTestAt}</h2>
      <p>{coverage.silent.length === 0 ? <span className="quiet">{say.none}</span> : names(coverage.silent)}</p>
      <h2>{say.anExtraTestPointThat}</h2>
      {coverage.helpfulPoints.length === 0 ? (
        <p className="quiet">
          {coverage.together.length === 0 && coverage.silent.length === 0
            ? say.nothingIsLeftToSeparate
            : say.noSinglePointWouldSeparate}
        </p>
      ) : (
        <ul>
          {coverage.helpfulPoints.map((p) => (
            <li key={p.net}>
              <code>{p.net}</code>
              {say.tellsMorePairApart(p.pairs)}
            </li>
          ))}
        </ul>
      )}
      <h2>{say.tests}</h2>
      <p>{say.testsTellSomethingPermittedOnes(coverage.tests, coverage.idleTests)}</p>
      <details>
        <summary>{say.faultsShowNoSymptomWithout(coverage.unseen.length)}</summary>
        <p>{names(coverage.unseen)}</p>
      </details>
      <p className="quiet">{say.partsNetsSetups(machine.parts.length, machine.nets.length, file.setups.length)}</p>
    </div>
  );
}

function Duplicate({ file }: { file: MachineFile }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [id, setId] = useState(`${file.id}-copy`);
  const [model, setModel] = useState(`${file.model} copy`);
  const [problem, setProblem] = useState("");
  async function copy(event: FormEvent) {
    event.preventDefault();
    try {
      const made = await send(duplicateMachine, [file.id], { id, model });
      router.push(`/machines/${made.id}`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  if (!open)
    return (
      <Button variant="outline-dark" onClick={() => setOpen(true)}>
        {say.duplicate}
      </Button>
    );
  return (
    <Form className="duplicate" onSubmit={(e) => void copy(e)}>
      <Form.Control aria-label={say.shortNameOfTheCopy} value={id} onChange={(e) => setId(e.target.value)} autoFocus />
      <Form.Control aria-label={say.modelOfTheCopy} value={model} onChange={(e) => setModel(e.target.value)} />
      <Button type="submit">{say.duplicate}</Button>
      {problem ? (
        <span className="problem" role="alert">
          {problem}
        </span>
      ) : null}
    </Form>
  );
}
