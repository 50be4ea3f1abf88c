/**
 * How far long work is, in percent; without a number, that it goes on. Bootstrap's look under one role with a name,
 * which its own component lacks.
 */
export function Progress({ label, now }: { readonly label: string; readonly now?: number }) {
  const known = now === undefined ? {} : { "aria-valuenow": now, "aria-valuemin": 0, "aria-valuemax": 100 };
  return (
    <div className="progress" role="progressbar" aria-label={label} {...known}>
      <div
        className={now === undefined ? "progress-bar progress-bar-striped progress-bar-animated" : "progress-bar"}
        style={{ width: `${now ?? 100}%` }}
      />
    </div>
  );
}
