"use client";

import Form from "react-bootstrap/Form";
import { say } from "#words/ui/machine/SheetLines";

/** Lines as they were taken; one that was not understood says why and is mended in its place. */
export function MendableLines({
  lines,
  onMend,
}: {
  readonly lines: readonly { readonly text: string; readonly words: string; readonly isRead: boolean }[];
  /** Puts another line in the place of one; the others stay as they are. */
  readonly onMend: (text: string) => void;
}) {
  if (lines.length === 0) return null;
  const mend = (index: number, next: string) => onMend(lines.map((l, i) => (i === index ? next : l.text)).join("\n"));
  return (
    <ol className="read-back" aria-label={say.takenFor}>
      {lines.map((line, i) => (
        <li key={i} className={line.isRead ? "" : "is-unread"}>
          <i className={`bi ${line.isRead ? "bi-check2" : "bi-question-diamond"}`} aria-hidden />
          <span>
            {line.words}
            {line.isRead ? null : (
              <Form.Control
                size="sm"
                aria-label={say.mendLine(i + 1)}
                value={line.text}
                maxLength={200}
                onChange={(e) => mend(i, e.target.value)}
              />
            )}
          </span>
        </li>
      ))}
    </ol>
  );
}
