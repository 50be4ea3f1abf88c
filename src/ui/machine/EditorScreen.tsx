"use client";

import type { Draft } from "./useDraft";
import { useRouter } from "next/navigation";
import { useDeferredValue, useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Tab from "react-bootstrap/Tab";
import Tabs from "react-bootstrap/Tabs";
import { useHotkeys } from "react-hotkeys-hook";
import { compileMachine, type MachineFile } from "../../core/model";
import { Refused, send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { AliveBeside } from "./AliveBeside";
import { BoardEditor } from "./BoardEditor";
import { ChartSetting } from "./ChartSetting";
import { FileDoubts } from "./FileDoubts";
import { EditTable, type Column } from "./EditTable";
import { PartsEditor } from "./PartsEditor";
import { SectionEditor } from "./SectionEditor";
import { useDraft } from "./useDraft";
import { useRows } from "./useRows";
import type { ReadText } from "../../workers/file-desk";
import { useReadText } from "./useReadText";
import { WiringDrawing } from "./WiringDrawing";
import { keepMachine } from "../../contract/machines";
import { say } from "#words/ui/machine/EditorScreen";

const WIRES: readonly Column[] = [
  { field: "id" },
  { field: "from" },
  { field: "to" },
  { field: "colour" },
  { field: "piece", title: "assembly" },
];
const POINTS: readonly Column[] = [
  { field: "id" },
  { field: "name", wide: true },
  { field: "net" },
  { field: "panel", title: "cover" },
  { field: "words" },
];
const PINS: readonly Column[] = [
  { field: "pin", narrow: true },
  { field: "signal", wide: true },
  { field: "net" },
  { field: "colour" },
];
const PANELS: readonly Column[] = [{ field: "id" }, { field: "name", wide: true }, { field: "minutes", narrow: true }];
/** Sections that are edited entry by entry, each with what one entry is called. */
const MORE_SECTIONS = [
  ["paths", "path"],
  ["complaints", "complaint"],
  ["firsts", "simple cause"],
  ["clamps", "clamp"],
  ["references", "reference"],
  ["functions", "function"],
  ["doors", "door"],
  ["plates", "rating plate"],
  ["addOns", "add-on"],
  ["causes", "cause"],
  ["menu", "menu"],
  ["sleep", "sleep"],
  ["supply", "supply"],
  ["cautions", "cautions"],
] as const;

/** Edits a machine file in tables or as text; what is wrong is said in place, and the drawing follows. */
export function EditorScreen({
  file,
  original,
  base,
}: {
  file: MachineFile;
  /** The file as text. */
  original: string;
  base: string;
}) {
  const router = useRouter();
  const draft = useDraft(`unzo.edit.${file.id}.${base.slice(0, 12)}`, original);
  const [said, setSaid] = useState("");
  const known = useMemo(() => ({ text: original, read: { file, problems: [] } }), [original, file]);
  const { text, read, isOld, problem: lost } = useReadText(draft.text, file.id, known);
  const checked = useMemo(() => sameMachine(read, file.id), [read, file.id]);
  const [lastSound, setLastSound] = useState({ file, text: original });
  if (checked.file && checked.file !== lastSound.file) setLastSound({ file: checked.file, text });
  const sound = useMemo(() => compileMachine(lastSound.file), [lastSound.file]);
  const [tab, setTab] = useState("parts");
  // While the text itself is typed the tables follow when the hand rests; else they are what is changed.
  const resting = useDeferredValue(draft.text);
  const rows = useRows(tab === "text" ? resting : draft.text, draft.set);
  const [chosen, setChosen] = useState(0);
  const [section, setSection] = useState<string>(MORE_SECTIONS[0][0]);
  const partAt = rows.list("parts")[chosen];
  useHotkeys("mod+z", () => draft.undo(), { preventDefault: true }, [draft]);
  useHotkeys("mod+shift+z, mod+y", () => draft.redo(), { preventDefault: true }, [draft]);
  const problemsAt = (path: string) => {
    const own = rows.placeOf(path);
    return checked.problems.filter((p) => p.field === own || p.field.startsWith(`${own}.`));
  };

  async function save() {
    if (!checked.file || isOld) return;
    setSaid("");
    try {
      await send(keepMachine, [file.id], checked.file);
      draft.drop();
      router.push(`/machines/${file.id}`);
      router.refresh();
    } catch (error) {
      setSaid(
        error instanceof Refused && error.problems.length > 0
          ? error.problems.map((p) => `${p.field}: ${p.sentence}`).join(" ")
          : (error as Error).message,
      );
    }
  }

  return (
    <div className="start">
      <TopBar here="Machines" title={say.editMakerModel(file.maker, file.model)}>
        <span>
          {file.maker} {file.model}
        </span>
      </TopBar>
      <main id="main" tabIndex={-1} className="editor-main">
        <div className="library-head">
          <h1>{say.editMakerModel(file.maker, file.model)}</h1>
          <Button variant="outline-dark" onClick={draft.undo} disabled={!draft.canUndo} title={say.ctrlZ}>
            <i className="bi bi-arrow-counterclockwise" aria-hidden /> {say.undo}
          </Button>
          <Button variant="outline-dark" onClick={draft.redo} disabled={!draft.canRedo} title={say.ctrlY}>
            <i className="bi bi-arrow-clockwise" aria-hidden /> {say.redo}
          </Button>
          <Button variant="outline-dark" onClick={draft.drop} disabled={!draft.changed}>
            {say.dropTheChanges}
          </Button>
          <Button onClick={() => void save()} disabled={!checked.file || isOld || !draft.changed}>
            {say.saveAsANewVersion}
          </Button>
        </div>
        <p className={checked.problems.length > 0 ? "problem" : "sound"} role="status">
          {lost || checkedWords(checked, draft)}
        </p>
        {checked.file ? <FileDoubts file={checked.file} version={text} /> : null}
        {said ? (
          <p className="problem" role="alert">
            {said}
          </p>
        ) : null}
        {checked.problems.length > 0 ? (
          <ul className="problem-list">
            {checked.problems.slice(0, 8).map((p, i) => (
              <li key={i}>
                {p.line > 0 ? `Line ${p.line}, ` : ""}
                <code>{p.field || "file"}</code>: {p.sentence}
              </li>
            ))}
          </ul>
        ) : null}
        <Tabs
          transition={false}
          activeKey={tab}
          onSelect={(key) => setTab(key ?? "parts")}
          className="mb-2"
          mountOnEnter
        >
          <Tab eventKey="parts" title={say.parts}>
            <div className="editor-beside">
              <div>
                <PartsEditor rows={rows} chosen={chosen} onChoose={setChosen} problemsAt={problemsAt} />
              </div>
              <AliveBeside
                machine={sound}
                version={lastSound.text}
                part={partAt === undefined ? null : String(partAt["id"])}
              />
            </div>
          </Tab>
          <Tab eventKey="wires" title={say.wires}>
            <EditTable
              name="wire"
              columns={WIRES}
              rows={rows.list("wires")}
              problemsAt={(i) => problemsAt(`wires.${i}`)}
              onChange={(list) => rows.set("wires", list)}
            />
          </Tab>
          <Tab eventKey="plugs" title={say.plugsAndPins}>
            <SectionEditor section="connectors" one="plug" rows={rows} problemsAt={problemsAt} hidden={["pins"]} />
            {rows.list("connectors").map((c, i) => (
              <section key={i} className="mb-3">
                <h2>{String(c["name"] ?? c["id"])}</h2>
                <EditTable
                  name="pin"
                  columns={PINS}
                  rows={rows.pins(i)}
                  problemsAt={(j) => problemsAt(`connectors.${i}.pins.${j}`)}
                  onChange={(list) => rows.setPins(i, list)}
                />
              </section>
            ))}
          </Tab>
          <Tab eventKey="points" title={say.testPoints}>
            <EditTable
              name="point"
              columns={POINTS}
              rows={rows.list("points")}
              problemsAt={(i) => problemsAt(`points.${i}`)}
              onChange={(list) => rows.set("points", list)}
            />
          </Tab>
          <Tab eventKey="setups" title={say.setups}>
            <SectionEditor section="setups" one="setup" rows={rows} problemsAt={problemsAt} />
          </Tab>
          <Tab eventKey="pieces" title={say.assemblies}>
            <SectionEditor section="pieces" one="assembly" rows={rows} problemsAt={problemsAt} />
          </Tab>
          <Tab eventKey="boards" title={say.boards}>
            {rows.list("pieces").map((p, i) =>
              p["board"] === "yes" || p["board"] === "true" ? (
                <BoardEditor
                  key={i}
                  assembly={p}
                  points={sound ? [...sound.points.keys()] : []}
                  onChange={(next) =>
                    rows.set(
                      "pieces",
                      rows.list("pieces").map((q, j) => (j === i ? next : q)),
                    )
                  }
                />
              ) : null,
            )}
          </Tab>
          <Tab eventKey="panels" title={say.covers}>
            <EditTable
              name="cover"
              columns={PANELS}
              rows={rows.list("panels")}
              problemsAt={(i) => problemsAt(`panels.${i}`)}
              onChange={(list) => rows.set("panels", list)}
            />
          </Tab>
          <Tab eventKey="settings" title={say.settings}>
            <SectionEditor section="settings" one="setting" rows={rows} problemsAt={problemsAt} />
            <ChartSetting
              taken={rows.list("settings").map((s) => String(s["id"]))}
              onAdd={(setting) => rows.set("settings", [...rows.list("settings"), setting])}
            />
          </Tab>
          <Tab eventKey="more" title={say.more}>
            <Form.Select
              className="mb-3 more-choice"
              aria-label={say.whatToEdit}
              value={section}
              onChange={(e) => setSection(e.target.value)}
            >
              {MORE_SECTIONS.map(([id]) => (
                <option key={id} value={id}>
                  {say.sections[id]}
                </option>
              ))}
            </Form.Select>
            <SectionEditor
              key={section}
              section={section}
              one={MORE_SECTIONS.find(([id]) => id === section)![1]}
              rows={rows}
              problemsAt={problemsAt}
            />
          </Tab>
          <Tab eventKey="text" title={say.text}>
            <Form.Label htmlFor="file-text">{say.theWholeFile}</Form.Label>
            <Form.Control
              id="file-text"
              as="textarea"
              className="file-text"
              spellCheck={false}
              value={draft.text}
              onChange={(e) => draft.set(e.target.value)}
            />
          </Tab>
        </Tabs>
        <h2>{say.wiringPart(checked.problems.length > 0 ? say.asItWasLastSound : "")}</h2>
        <WiringDrawing
          machine={sound}
          chosen={partAt === undefined ? null : String(partAt["id"])}
          onChoose={(part) => {
            const i = rows.list("parts").findIndex((p) => p["id"] === part);
            if (i < 0) return;
            setChosen(i);
            setTab("parts");
          }}
        />
      </main>
    </div>
  );
}

/** What was read, if it is still the same machine. */
function sameMachine(read: ReadText, id: string): ReadText {
  if (!read.file || read.file.id === id) return read;
  return {
    file: null,
    problems: [{ file: id, line: 0, field: "id", sentence: say.mustStayDuplicateTheMachine(id) }],
  };
}

function checkedWords(checked: ReadText, draft: Draft): string {
  if (checked.problems.length === 0) {
    if (draft.changed) return say.noErrorsNotSavedYet;
    return say.noErrorsSaved;
  }
  return say.thingToMend(checked.problems.length);
}
