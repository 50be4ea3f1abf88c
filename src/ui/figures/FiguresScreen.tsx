"use client";

import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import Form from "react-bootstrap/Form";
import { GROUPED_BY, type Share } from "../../core/figures";
import { type FiguresAsked, figuresSchema, type FigureTable, type ShopSees } from "../../contract/figures";
import type { FindFilters } from "../../contract/find";
import { useMoney } from "../shell/Currency";
import { Filter } from "../shell/Filter";
import { MachineAndPerson } from "../shell/MachineAndPerson";
import { TopBar } from "../shell/TopBar";
import { shortDate } from "../shell/time";
import { Answer } from "./Answer";
import { CauseChart } from "./CauseChart";
import { MinutesChart } from "./MinutesChart";
import { percent, ShareChart } from "./ShareChart";
import { StepsChart } from "./StepsChart";
import { BY_WORDS, say, STEP_WORDS } from "#words/ui/figures";

const EMPTY = figuresSchema.parse({});

function queryOf(asked: FiguresAsked): string {
  const differing = Object.entries(asked).filter(([name, value]) => value !== EMPTY[name as keyof FiguresAsked]);
  return new URLSearchParams(differing.map(([name, value]) => [name, value])).toString();
}

interface Props {
  readonly asked: FiguresAsked;
  readonly sees: ShopSees;
  readonly filters: FindFilters;
}

/** What a shop sees of its closed repairs: a question each, its answer in a sentence, a chart, and the numbers. */
export function FiguresScreen({ asked, sees, filters }: Props) {
  const router = useRouter();
  const [isReading, begin] = useTransition();
  const [wanted, setWanted] = useState(asked);
  const money = useMoney();
  const set = (change: Partial<FiguresAsked>) => {
    const next = { ...wanted, ...change };
    setWanted(next);
    const query = queryOf(next);
    begin(() => router.replace(query === "" ? "/figures" : `/figures?${query}`, { scroll: false }));
  };
  const fileOf = (table: FigureTable) => `/api/figures/csv?${new URLSearchParams({ ...asked, table }).toString()}`;
  const { whole, groups } = sees;
  return (
    <div className="start">
      <TopBar here="Figures" title={say.figures} />
      <main id="main" tabIndex={-1} className="library figures" aria-busy={isReading}>
        <h1>{say.figures}</h1>
        <form className="find-filters" onSubmit={(e) => e.preventDefault()}>
          <Filter label={say.by} value={wanted.by} onChange={(by) => set({ by: by as FiguresAsked["by"] })}>
            {GROUPED_BY.map((by) => (
              <option key={by} value={by}>
                {BY_WORDS[by]}
              </option>
            ))}
          </Filter>
          <MachineAndPerson {...filters} machine={wanted.machine} person={wanted.person} onChange={set} />
          <label className="find-filter">
            <span>{say.since}</span>
            <Form.Control
              type="date"
              value={wanted.since || sees.since}
              onChange={(e) => set({ since: e.target.value })}
            />
          </label>
        </form>
        {whole === null ? (
          <p role="status">{say.none}</p>
        ) : (
          <>
            <p className="quiet" role="status">
              {say.counted(sees.jobs, shortDate(sees.since))} <a href={fileOf("jobs")}>{say.everyJob}</a>
            </p>
            <div className="figure-cards">
              <Answer
                question={say.firstTime}
                value={shareWords(whole.firstTime)}
                says={say.firstTimeSays(String(whole.firstTime.count), whole.firstTime.of, whole.notKnown)}
                few={whole.firstTime}
                file={fileOf("groups")}
              >
                <ShareChart question={say.firstTime} groups={groups} pick={(g) => g.firstTime} by={asked.by} />
              </Answer>
              <Answer
                question={say.cameBack}
                value={shareWords(whole.cameBack)}
                says={say.cameBackSays(whole.cameBack.count, whole.cameBack.of)}
                few={whole.cameBack}
                file={fileOf("groups")}
              >
                <ShareChart question={say.cameBack} groups={groups} pick={(g) => g.cameBack} by={asked.by} />
              </Answer>
              <Answer
                question={say.boards}
                value={shareWords(whole.boardsInVain)}
                says={
                  whole.boardsInVain.of === 0
                    ? say.boardsNone
                    : say.boardsSays(whole.boardsInVain.count, whole.boardsInVain.of, money(whole.boardsInVainCost))
                }
                few={whole.boardsInVain}
                file={fileOf("groups")}
              >
                <ShareChart question={say.boards} groups={groups} pick={(g) => g.boardsInVain} by={asked.by} />
              </Answer>
              <Answer
                question={say.noFault}
                value={shareWords(whole.noFault)}
                says={say.noFaultSays(whole.noFault.count, whole.noFault.of)}
                few={whole.noFault}
                file={fileOf("groups")}
              >
                <ShareChart question={say.noFault} groups={groups} pick={(g) => g.noFault} by={asked.by} />
              </Answer>
              <Answer
                question={say.minutes}
                value={say.min(whole.minutes ?? 0)}
                says={say.minutesSays(say.min(whole.minutes ?? 0))}
                file={fileOf("groups")}
              >
                <MinutesChart groups={groups} by={asked.by} />
              </Answer>
              <Answer question={say.steps} value={null} says={stepsWords(sees)} file={fileOf("steps")}>
                <StepsChart steps={sees.steps} />
              </Answer>
              <Answer
                question={say.causes}
                value={null}
                says={sees.causes.length === 0 ? say.causesNone : say.causesSays(sees.causes.length, sees.causesInAll)}
                file={fileOf("causes")}
              >
                <CauseChart causes={sees.causes} />
              </Answer>
            </div>
          </>
        )}
      </main>
    </div>
  );
}

const shareWords = ({ share }: Share) => (share === null ? null : percent(share));

/** The kind of step that takes most beyond its book, all jobs together. */
function stepsWords({ steps }: ShopSees): string {
  const worst = [...steps].sort((a, b) => b.took - b.book - (a.took - a.book))[0];
  if (!worst || worst.book === 0) return say.stepsNone;
  return say.stepsSays(STEP_WORDS[worst.kind], say.min(worst.took), say.min(worst.book));
}
