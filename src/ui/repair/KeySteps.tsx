import type { KeyStep } from "../../core/repair";
import { say } from "#words/ui/repair/KeySteps";

/** Keys to press one after the other, and what the display shows after each; and whether a simulated board agrees. */
export function KeySteps({
  keys,
  checked,
  agrees,
  differs,
}: {
  keys: readonly KeyStep[];
  /** Null where nothing was tried. */
  checked: boolean | null;
  agrees: string;
  differs: string;
}) {
  return (
    <>
      {keys.length > 0 ? (
        <ol className="key-steps">
          {keys.map((k, i) => (
            <li key={i}>
              <strong>{k.words}</strong>
              {k.shows ? (
                <>
                  {" "}
                  {say.shows} <span className="value">{k.shows}</span>
                </>
              ) : null}
            </li>
          ))}
        </ol>
      ) : null}
      {checked === null ? null : (
        <p className={checked ? "all-back" : "swap-caution"} role="status">
          <i className={`bi ${checked ? "bi-check-circle-fill" : "bi-exclamation-triangle"}`} aria-hidden />{" "}
          {checked ? agrees : differs}
        </p>
      )}
    </>
  );
}
