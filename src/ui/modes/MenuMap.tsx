"use client";

import { keyMarks, type MenuItem } from "../../core/model";
import { say } from "#words/ui/modes";

interface Props {
  readonly menu: readonly MenuItem[];
  readonly here: string;
  readonly to: string | null;
  readonly onTo: (mode: string) => void;
}

/** The modes as a tree: what each shows, the keys to it, what is hidden, and what cannot be cancelled. */
export function MenuMap({ menu, here, to, onTo }: Props) {
  return (
    <ul className="menu-map" aria-label={say.modes}>
      {menu.map((item) => (
        <li key={item.mode} style={{ marginLeft: `${Math.min(item.depth, 6) * 1.4}rem` }}>
          <button
            type="button"
            className={`menu-item ${item.mode === here ? "is-here" : ""}`}
            aria-current={item.mode === to ? "step" : undefined}
            disabled={item.mode === here}
            onClick={() => onTo(item.mode)}
          >
            <span className="menu-keys">
              {item.by ? (
                keyMarks([item.by]).map((k, i) => (
                  <span key={i} className="key-mark">
                    {k}
                  </span>
                ))
              ) : (
                <i className="bi bi-house" role="img" aria-label={say.everyday} />
              )}
            </span>
            <span className="menu-name">
              {item.name}
              {item.isHidden ? (
                <i className="bi bi-eye-slash" role="img" aria-label={say.hiddenUntilItIsUnlocked} />
              ) : null}
              {item.exits.cannotBeCancelled ? (
                <i className="bi bi-hourglass-split" role="img" aria-label={say.cannotBeCancelled} />
              ) : null}
            </span>
            {item.shows !== "dark" ? <span className="menu-shows">{item.shows}</span> : null}
            {item.mode === here ? <span className="menu-here">{say.here}</span> : null}
          </button>
        </li>
      ))}
    </ul>
  );
}
