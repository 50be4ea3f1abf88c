import type { ReactNode } from "react";
import { FEW, type Share } from "../../core/figures";
import { percent } from "./ShareChart";
import { say } from "#words/ui/figures";

interface Props {
  readonly question: string;
  /** The answer in one number; null where there is none. */
  readonly value: string | null;
  readonly says: string;
  /** What the number is a share of: few say little. */
  readonly few?: Share;
  /** Where the numbers are to be had as a file. */
  readonly file: string;
  readonly children: ReactNode;
}

/** One question of the shop, answered: number, sentence, chart. */
export function Answer({ question, value, says, few, file, children }: Props) {
  return (
    <section className="rig-sheet figure-card" aria-label={question}>
      <h2>{question}</h2>
      <p>
        {value === null ? null : <strong className="value figure-value">{value}</strong>} {says}{" "}
        {few && few.share !== null && few.of < FEW ? (
          <span className="quiet">{say.fewSays(percent(few.low), percent(few.high))}</span>
        ) : null}
      </p>
      {children}
      <a href={file} className="figure-file">
        {say.asFile}
      </a>
    </section>
  );
}
