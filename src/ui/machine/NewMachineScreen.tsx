"use client";

import { useRouter } from "next/navigation";
import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { FAMILIES, type MachineFile, skeletonOf } from "../../core/model";
import { send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { keepMachine } from "../../contract/machines";
import { say } from "#words/ui/machine/NewMachineScreen";

/** A new machine file, from the skeleton of its family. */
export function NewMachineScreen() {
  const router = useRouter();
  const [family, setFamily] = useState<MachineFile["family"]>("refrigerator");
  const [maker, setMaker] = useState("");
  const [model, setModel] = useState("");
  const [volts, setVolts] = useState(120);
  const [problem, setProblem] = useState("");

  async function begin(event: FormEvent) {
    event.preventDefault();
    if (!maker.trim() || !model.trim()) return setProblem(say.typeTheManufacturerAndThe);
    const id =
      `${maker}-${model}`
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, "-")
        .replace(/^-+|-+$/g, "") || "machine";
    try {
      await send(keepMachine, [id], skeletonOf(family, id, maker.trim(), model.trim(), volts));
      router.push(`/machines/${id}/edit`);
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
              value={family}
              onChange={(e) => setFamily(e.target.value as MachineFile["family"])}
            >
              {FAMILIES.map((f) => (
                <option key={f}>{f}</option>
              ))}
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="maker">
            <Form.Label>{say.manufacturer}</Form.Label>
            <Form.Control size="lg" value={maker} maxLength={60} onChange={(e) => setMaker(e.target.value)} />
          </Form.Group>
          <Form.Group controlId="model">
            <Form.Label>{say.model}</Form.Label>
            <Form.Control size="lg" value={model} maxLength={60} onChange={(e) => setModel(e.target.value)} />
          </Form.Group>
          <Form.Group controlId="new-volts">
            <Form.Label>{say.mains}</Form.Label>
            <Form.Select size="lg" value={volts} onChange={(e) => setVolts(Number(e.target.value))}>
              {[120, 230, 240].map((v) => (
                <option key={v} value={v}>
                  {v} V
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <p className="problem" role="alert">
            {problem}
          </p>
          <Button type="submit" size="lg">
            {say.beginWithItsSkeleton}
          </Button>
        </Form>
        <section className="quick-path">
          <h2>{say.whatYouGet}</h2>
          <p>{say.aSmallFileThatWorks}</p>
        </section>
      </main>
    </div>
  );
}
