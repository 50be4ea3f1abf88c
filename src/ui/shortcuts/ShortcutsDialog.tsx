"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { useRecordHotkeys } from "react-hotkeys-hook";
import { ACTIONS, problemWith, type ActionId, type Place } from "./actions";
import { SHORTCUT_WORDS } from "#words/shortcuts";
import { keyWords, useIsApple } from "./Key";
import { useOwnKeys } from "./useShortcut";
import { ThemeChoice } from "../shell/Theme";
import { say } from "#words/ui/shortcuts";

const IDS = Object.keys(ACTIONS) as ActionId[];
const PLACES = [...new Set(IDS.map((id) => ACTIONS[id].place))] as readonly Place[];

/** Lists every shortcut; each can have another key, and single keys can be switched off. */
export function ShortcutsDialog({ show, onHide }: { readonly show: boolean; readonly onHide: () => void }) {
  const { keyOf, setKey, singles, setSingles } = useOwnKeys();
  const isApple = useIsApple();
  const [changing, setChanging] = useState<ActionId | null>(null);
  return (
    <Modal show={show} onHide={onHide} aria-labelledby="shortcuts-title" size="lg" scrollable>
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="shortcuts-title">
          {say.keyboardAndColours}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <ThemeChoice />
        <Form.Check
          type="switch"
          id="single-keys"
          label={say.singleKeysYN1}
          checked={singles}
          onChange={(e) => setSingles(e.target.checked)}
        />
        {PLACES.map((place) => (
          <section key={place} aria-label={place}>
            <h3>{place}</h3>
            <ul className="shortcut-list">
              {IDS.filter((id) => ACTIONS[id].place === place).map((id) => (
                <li key={id}>
                  <span>{SHORTCUT_WORDS[id]}</span>
                  {changing === id ? (
                    <KeyRecorder id={id} onDone={() => setChanging(null)} />
                  ) : (
                    <>
                      <kbd>{keyWords(keyOf(id), isApple)}</kbd>
                      <Button
                        size="sm"
                        variant="outline-dark"
                        aria-label={say.changeTheKey(SHORTCUT_WORDS[id])}
                        onClick={() => setChanging(id)}
                      >
                        {say.change}
                      </Button>
                      {keyOf(id) === ACTIONS[id].key ? null : (
                        <Button size="sm" variant="link" onClick={() => setKey(id, null)}>
                          {say.usualKey}
                        </Button>
                      )}
                    </>
                  )}
                </li>
              ))}
            </ul>
          </section>
        ))}
      </Modal.Body>
    </Modal>
  );
}

/** Waits for the new key of an action. */
function KeyRecorder({ id, onDone }: { readonly id: ActionId; readonly onDone: () => void }) {
  const { keyOf, setKey } = useOwnKeys();
  const isApple = useIsApple();
  const [recorded, { start, stop, isRecording, resetKeys }] = useRecordHotkeys();
  const key = [...recorded].sort((a, b) => b.length - a.length).join("+");
  const problem = key === "" ? null : problemWith(key, id, keyOf);
  return (
    <span className="key-recorder">
      {isRecording ? (
        <>
          <output>{key === "" ? say.pressTheNewKey : keyWords(key, isApple)}</output>
          <Button
            size="sm"
            disabled={key === "" || problem !== null}
            onClick={() => {
              stop();
              setKey(id, key);
              onDone();
            }}
          >
            {say.save}
          </Button>
          <Button size="sm" variant="link" onClick={() => resetKeys()}>
            {say.again}
          </Button>
        </>
      ) : (
        <Button size="sm" autoFocus onClick={() => start()}>
          {say.recordAKey}
        </Button>
      )}
      <Button size="sm" variant="link" onClick={onDone}>
        {say.cancel}
      </Button>
      <span className="problem" role="alert">
        {problem?.kind === "taken" ? say.theBrowserTakesThisKey : ""}
        {problem?.kind === "used" ? say.inUseShortcutwords(SHORTCUT_WORDS[problem.by]) : ""}
      </span>
    </span>
  );
}
