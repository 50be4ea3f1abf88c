"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import Modal from "react-bootstrap/Modal";
import { useRecordHotkeys } from "react-hotkeys-hook";
import { ACTIONS, problemWith, type ActionId, type Place } from "./actions";
import { SHORTCUT_WORDS } from "../../words/en/shortcuts";
import { keyWords, useIsApple } from "./Key";
import { useOwnKeys } from "./useShortcut";
import { ThemeChoice } from "../shell/Theme";

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
          Keyboard and colours
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <ThemeChoice />
        <Form.Check
          type="switch"
          id="single-keys"
          label="Single keys (y, n, 1, /) work outside of fields"
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
                        aria-label={`Change the key: ${SHORTCUT_WORDS[id]}`}
                        onClick={() => setChanging(id)}
                      >
                        Change
                      </Button>
                      {keyOf(id) === ACTIONS[id].key ? null : (
                        <Button size="sm" variant="link" onClick={() => setKey(id, null)}>
                          Usual key
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
          <output>{key === "" ? "Press the new key" : keyWords(key, isApple)}</output>
          <Button
            size="sm"
            disabled={key === "" || problem !== null}
            onClick={() => {
              stop();
              setKey(id, key);
              onDone();
            }}
          >
            Save
          </Button>
          <Button size="sm" variant="link" onClick={() => resetKeys()}>
            Again
          </Button>
        </>
      ) : (
        <Button size="sm" autoFocus onClick={() => start()}>
          Record a key
        </Button>
      )}
      <Button size="sm" variant="link" onClick={onDone}>
        Cancel
      </Button>
      <span className="problem" role="alert">
        {problem?.kind === "taken" ? "The browser takes this key. Choose another." : ""}
        {problem?.kind === "used" ? `In use: ${SHORTCUT_WORDS[problem.by]}.` : ""}
      </span>
    </span>
  );
}
