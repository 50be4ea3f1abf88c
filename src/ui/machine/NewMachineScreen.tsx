"use client";

import { useRouter } from "next/navigation";
import { useDeferredValue, useMemo, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { z } from "zod";
import { askedQuestions, familyMachine, familyOf, KNOWN_FAMILIES, wholeAnswers } from "../../core/model";
import { send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { keepMachine } from "../../contract/machines";
import { Choices } from "./Choices";
import { WhatItDoes } from "./WhatItDoes";
import { say } from "#words/ui/machine/NewMachineScreen";

/** What was typed and answered so far; kept, so that nothing is lost with the page. */
const draftSchema = z.object({
  family: z.string().refine((id) => KNOWN_FAMILIES.some((f) => f.id === id)),
  maker: z.string(),
  model: z.string(),
  supply: z.string(),
  answers: z.record(z.string(), z.string()),
});
type Draft = z.output<typeof draftSchema>;

const START: Draft = {
  family: KNOWN_FAMILIES[0]!.id,
  maker: "",
  model: "",
  supply: KNOWN_FAMILIES[0]!.supplies[0],
  answers: {},
};

/** A draft as it was kept; a new one where there is none, or one of another time. */
function draftOf(kept: string): Draft {
  try {
    return draftSchema.parse(JSON.parse(kept));
  } catch {
    return START;
  }
}

const idOf = (maker: string, model: string) =>
  `${maker}-${model}`
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "") || "machine";

/** The file that a draft makes, or why it makes none. */
function fileOf({ family, maker, model, supply, answers }: Draft) {
  try {
    const plate = { id: idOf(maker, model), maker: maker.trim() || say.nobody, model: model.trim() || say.new, supply };
    return { file: familyMachine(familyOf(family), plate, answers), problem: "" };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { file: null, problem: error.message };
  }
}

/** A new machine file from the questions of its family, and beside them what it does by the answers so far. */
export function NewMachineScreen() {
  const router = useRouter();
  const [kept, keep] = useKept("unzo.new-machine");
  const draft = useMemo(() => draftOf(kept), [kept]);
  const [problem, setProblem] = useState("");
  const family = familyOf(draft.family);
  const questions = askedQuestions(family, wholeAnswers(family, draft.answers));
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
      await send(keepMachine, [file.id], file);
      keep("");
      router.push(`/machines/${file.id}?tab=assumed`);
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
              onChange={(e) =>
                change({ family: e.target.value, supply: familyOf(e.target.value).supplies[0], answers: {} })
              }
            >
              {KNOWN_FAMILIES.map((f) => (
                <option key={f.id} value={f.id}>
                  {f.name}
                </option>
              ))}
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
          {made.problem ? (
            <p id="supply-problem" className="problem mb-0">
              {made.problem}
            </p>
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
