"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { packAddress, type PackTaken, takePack } from "../../contract/machines";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { say } from "#words/ui/machine/Packs";

/** Machines for another shop, and those of another shop: fetched and taken in as one archive. */
export function Packs() {
  const router = useRouter();
  const [isOpen, setOpen] = useState(false);
  const [who] = useKept("unzo.who");
  const [shop, setShop] = useKept("unzo.pack.shop");
  const [taken, setTaken] = useState<PackTaken | null>(null);
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  const by = shop.trim() || who.trim();

  async function take(file: File | undefined) {
    if (!file) return;
    setProblem("");
    setTaken(null);
    setBusy(true);
    try {
      setTaken(await send(takePack, [who.trim() || by || "Someone"], new Blob([file], { type: "application/zip" })));
      router.refresh();
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }
  return (
    <>
      <Button variant="outline-dark" onClick={() => setOpen(true)}>
        {say.packs}
      </Button>
      <Modal show={isOpen} onHide={() => setOpen(false)} aria-labelledby="packs-title">
        <Modal.Header closeButton>
          <Modal.Title id="packs-title">{say.packs}</Modal.Title>
        </Modal.Header>
        <Modal.Body className="d-grid gap-3">
          <p className="quiet mb-0">{say.whatItIs}</p>
          <Form.Group controlId="pack-shop">
            <Form.Label>{say.yourShop}</Form.Label>
            <Form.Control value={shop} placeholder={who} maxLength={80} onChange={(e) => setShop(e.target.value)} />
          </Form.Group>
          <div className="d-flex gap-3 flex-wrap">
            {by === "" ? (
              <Button variant="outline-dark" onClick={() => setProblem(say.sayWho)}>
                {say.packOfAll}
              </Button>
            ) : (
              <a className="btn btn-outline-dark" href={packAddress(by)} download>
                {say.packOfAll}
              </a>
            )}
            <Button disabled={busy} onClick={() => chooser.current?.click()}>
              {busy ? say.readingThePack : say.takeAPackIn}
            </Button>
          </div>
          <input
            ref={chooser}
            type="file"
            accept=".zip,application/zip"
            hidden
            aria-label={say.fileOfAPack}
            onChange={(e) => {
              void take(e.target.files?.[0]);
              e.target.value = "";
            }}
          />
          <p className="problem mb-0" role="alert">
            {problem}
          </p>
          {taken ? (
            <div role="status">
              <h2 className="h5">{say.fromShop(taken.shop, taken.machines.length)}</h2>
              <ul className="plain-list">
                {taken.machines.map((m) => (
                  <li key={m.id}>
                    {m.name}:{" "}
                    {m.became === "offered" ? (
                      <Link href={`/machines/${m.id}/offer`}>{say.became.offered}</Link>
                    ) : (
                      say.became[m.became]
                    )}
                  </li>
                ))}
              </ul>
            </div>
          ) : null}
        </Modal.Body>
      </Modal>
    </>
  );
}
