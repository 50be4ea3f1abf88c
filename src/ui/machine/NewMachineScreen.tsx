"use client";

import { useRouter } from "next/navigation";
import { useDeferredValue, useMemo, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { z } from "zod";
import {
  askedQuestions,
  BY_PINS,
  type Family,
  FAMILIES,
  familyMachine,
  familyOf,
  KNOWN_FAMILIES,
  pinFamily,
  type QuickSupply,
  readSupply,
  TYPED,
  typedFamily,
  wholeAnswers,
} from "../../core/model";
import { ReadBack } from "../quick/ReadBack";
import { read, Refused, send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { keepMachine, machineFile } from "../../contract/machines";
import { Choices } from "./Choices";
import { WhatItDoes } from "./WhatItDoes";
import { say } from "#words/ui/machine/NewMachineScreen";

/** What was typed and answered so far; kept, so that nothing is lost with the page. */
const draftSchema = z.object({
  family: z.string().refine((id) => id === TYPED || id === BY_PINS || KNOWN_FAMILIES.some((f) => f.id === id)),
  sort: z.enum(FAMILIES),
  has: z.string(),
  states: z.string(),
  feed: z.string().default(""),
  maker: z.string(),
  model: z.string(),
  supply: z.string(),
  answers: z.record(z.string(), z.string()),
  /** What was answered of other families before, by their ids. */
  before: z.record(z.string(), z.object({ supply: z.string(), answers: z.record(z.string(), z.string()) })).default({}),
});
type Draft = z.output<typeof draftSchema>;

const START: Draft = {
  family: KNOWN_FAMILIES[0]!.id,
  sort: "powered equipment",
  has: "",
  states: "",
  feed: "",
  maker: "",
  model: "",
  supply: KNOWN_FAMILIES[0]!.supplies[0],
  answers: {},
  before: {},
};

const idOf = (maker: string, model: string) =>
  `${maker}-${model}`
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "") || "machine";

/** The family of a draft: a known one, or one made of what was typed. */
function familyDrafted({ family, sort, has, states, feed }: Draft): Family {
  if (family === BY_PINS) return pinFamily(feed, states, sort);
  return family === TYPED ? typedFamily(has, sort, states) : familyOf(family);
}

/** A draft as it was kept; a new one where there is none, or one whose questions are of another time. */
function draftOf(kept: string): Draft {
  try {
    const draft = draftSchema.parse(JSON.parse(kept));
    wholeAnswers(familyDrafted(draft), draft.answers);
    return draft;
  } catch {
    return START;
  }
}

/** A supply as far as it is typed; null for one that is none yet. */
function supplyTyped(text: string): QuickSupply | null {
  try {
    return readSupply(text);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

/** The file that a draft makes, or why it makes none. */
function fileOf(draft: Draft) {
  const { maker, model, supply, answers } = draft;
  try {
    const plate = { id: idOf(maker, model), maker: maker.trim() || say.nobody, model: model.trim() || say.new, supply };
    return { file: familyMachine(familyDrafted(draft), plate, answers), problem: "" };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { file: null, problem: error.message };
  }
}

/** Whether the library has a file of this id: a second one would push it aside. */
async function isThere(id: string): Promise<boolean> {
  try {
    await read(machineFile.address(id), machineFile.answer);
    return true;
  } catch (error) {
    if (error instanceof Refused && error.isMissing) return false;
    throw error;
  }
}

/** A new machine file from the questions of its family, and beside them what it does by the answers so far. */
export function NewMachineScreen() {
  const router = useRouter();
  const [kept, keep] = useKept("unzo.new-machine");
  const draft = useMemo(() => draftOf(kept), [kept]);
  const [problem, setProblem] = useState("");
  const family = familyDrafted(draft);
  const questions = askedQuestions(family, wholeAnswers(family, draft.answers));
  const isUntyped =
    (draft.family === TYPED && draft.has.trim() === "") || (draft.family === BY_PINS && draft.feed.trim() === "");
  const resting = useDeferredValue(draft);
  const made = useMemo(() => fileOf(resting), [resting]);

  const change = (more: Partial<Draft>) => {
    keep(JSON.stringify({ ...draft, ...more }));
    setProblem("");
  };

  async function begin(event: FormEvent) {
    event.preventDefault();
    if (!draft.maker.trim() || !draft.model.trim()) return setProblem(say.typeTheManufacturerAndThe);
    const { file, problem: why } = fileOf(draft);
    if (!file) return setProblem(why);
    try {
      if (await isThere(file.id)) return setProblem(say.isThereAlready(file.maker, file.model));
      await send(keepMachine, [file.id], file);
      // Whoever goes back finds what was answered; only the plate is another one's.
      keep(JSON.stringify({ ...draft, model: "" }));
      router.push(`/machines/${file.id}?tab=${draft.family === BY_PINS ? "pins" : "assumed"}`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  }

  return (
    <div className="start">
      <TopBar here="Machines" title={say.newMachineFile} />
      <main id="main" tabIndex={-1} className="quick-main">
        <Form className="new-job" onSubmit={(e) => void begin(e)} noValidate aria-labelledby="new-machine">
          <h1 id="new-machine">{say.newMachine}</h1>
          <Form.Group controlId="family">
            <Form.Label>{say.kind}</Form.Label>
            <Form.Select
              size="lg"
              autoFocus
              value={family.id}
              onChange={(e) => {
                const [was, is] = [draft.family, e.target.value];
                const before = { ...draft.before, [was]: { supply: draft.supply, answers: draft.answers } };
                const supply = familyDrafted({ ...draft, family: is }).supplies[0];
                change({ family: is, supply, answers: {}, ...before[is], before });
              }}
            >
              {KNOWN_FAMILIES.map((f) => (
                <option key={f.id} value={f.id}>
                  {f.name}
                </option>
              ))}
              <option value={TYPED}>{say.another}</option>
              <option value={BY_PINS}>{say.byItsPins}</option>
            </Form.Select>
          </Form.Group>
          <div className="new-plate">
            <Form.Group controlId="maker">
              <Form.Label>{say.manufacturer}</Form.Label>
              <Form.Control value={draft.maker} maxLength={60} onChange={(e) => change({ maker: e.target.value })} />
            </Form.Group>
            <Form.Group controlId="model">
              <Form.Label>{say.model}</Form.Label>
              <Form.Control value={draft.model} maxLength={60} onChange={(e) => change({ model: e.target.value })} />
            </Form.Group>
            <Form.Group controlId="new-supply">
              <Form.Label>{say.hangsOn}</Form.Label>
              <Form.Control
                value={draft.supply}
                maxLength={40}
                onChange={(e) => change({ supply: e.target.value })}
                aria-describedby="supply-problem"
              />
            </Form.Group>
          </div>
          {made.problem && !isUntyped ? (
            <p id="supply-problem" className="problem mb-0">
              {made.problem}
            </p>
          ) : null}
          {draft.family === TYPED || draft.family === BY_PINS ? (
            <Form.Group controlId="sort">
              <Form.Label>{say.sort}</Form.Label>
              <Form.Select
                value={draft.sort}
                onChange={(e) => change({ sort: FAMILIES.find((f) => f === e.target.value) ?? draft.sort })}
              >
                {FAMILIES.map((f) => (
                  <option key={f}>{f}</option>
                ))}
              </Form.Select>
            </Form.Group>
          ) : null}
          {draft.family === TYPED ? (
            <>
              <Form.Group controlId="has">
                <Form.Label>{say.has}</Form.Label>
                <Form.Control
                  as="textarea"
                  rows={3}
                  value={draft.has}
                  maxLength={2000}
                  placeholder={say.hasExample}
                  aria-describedby="has-read"
                  onChange={(e) => change({ has: e.target.value })}
                />
                <ReadBack id="has-read" text={draft.has} supply={supplyTyped(draft.supply)} />
              </Form.Group>
              <Form.Group controlId="states">
                <Form.Label>{say.states}</Form.Label>
                <Form.Control
                  as="textarea"
                  rows={2}
                  value={draft.states}
                  maxLength={2000}
                  placeholder={say.statesExample}
                  onChange={(e) => change({ states: e.target.value })}
                />
              </Form.Group>
            </>
          ) : null}
          {draft.family === BY_PINS ? (
            <>
              <Form.Group controlId="feed">
                <Form.Label>{say.feed}</Form.Label>
                <Form.Control
                  value={draft.feed}
                  maxLength={80}
                  placeholder={say.feedExample}
                  onChange={(e) => change({ feed: e.target.value })}
                />
              </Form.Group>
              <Form.Group controlId="pin-states">
                <Form.Label>{say.pinStates}</Form.Label>
                <Form.Control
                  as="textarea"
                  rows={3}
                  value={draft.states}
                  maxLength={2000}
                  placeholder={say.pinStatesExample}
                  onChange={(e) => change({ states: e.target.value })}
                />
              </Form.Group>
            </>
          ) : null}
          {questions.map((q) => (
            <Choices
              key={`${family.id}-${q.id}`}
              name={q.id}
              ask={q.ask}
              choices={q.choices}
              value={draft.answers[q.id] ?? q.usual}
              onChange={(answer) => change({ answers: { ...draft.answers, [q.id]: answer } })}
            />
          ))}
          <p className="problem mb-0" role="alert">
            {problem}
          </p>
          <Button type="submit" size="lg">
            {say.makeTheFile}
          </Button>
        </Form>
        <section aria-labelledby="what-you-get">
          <h2 id="what-you-get">{say.whatYouGet}</h2>
          {made.file ? <WhatItDoes file={made.file} /> : null}
        </section>
      </main>
    </div>
  );
}
