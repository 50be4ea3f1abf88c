"use client";

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { UnitLife } from "../../contract/units";
import type { PlaceOverYears } from "../../core/history";
import { quantity } from "../../core/quantity";
import { shortDate } from "../shell/time";
import { say } from "#words/ui/unit";

/** Places drawn at once; the others stand beneath, in words. */
const DRAWN = 4;
/** A move of less than this share of what is read a year is none. */
const STEADY = 0.01;

/** What was read of a unit over the years, what moved most first. */
export function OverYears({ places, repairs }: Pick<UnitLife, "places" | "repairs">) {
  if (places.length === 0) return null;
  return (
    <section className="rig-sheet" aria-label={say.overTheYears}>
      <h2>{say.overTheYears}</h2>
      <ul className="over-years">
        {places.slice(0, DRAWN).map((place) => (
          <li key={place.key}>
            <PlaceWords place={place} />
            {place.perYear === null ? null : <PlaceChart place={place} repairs={repairs} />}
          </li>
        ))}
      </ul>
      {places.length > DRAWN ? (
        <details>
          <summary>{say.morePlaces(places.length - DRAWN)}</summary>
          <ul className="over-years">
            {places.slice(DRAWN).map((place) => (
              <li key={place.key}>
                <PlaceWords place={place} />
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </section>
  );
}

/** Where, what it read each time, and whether that drifts. */
function PlaceWords({ place }: { place: PlaceOverYears }) {
  const values = place.read.map((r) => `${quantity(r.value, place.unit)}${r.fits ? "" : ` ${say.notRight}`}`);
  return (
    <p className="mb-1">
      <strong>{place.title}</strong> <span className="quiet">{place.leads}</span>
      <br />
      <span className="value">{values.join(", ")}</span>
      {", "}
      {driftWords(place)}
      <span className="quiet">. {say.expectedOf(place.expected)}</span>
    </p>
  );
}

function driftWords({ perYear, read, unit }: PlaceOverYears): string {
  if (perYear === null) return say.nothingOfDrift;
  const mean = read.reduce((sum, r) => sum + Math.abs(r.value), 0) / read.length;
  if (Math.abs(perYear) <= STEADY * mean) return say.steady;
  const words = quantity(Math.abs(perYear), unit);
  return perYear > 0 ? say.risesBy(words) : say.fallsBy(words);
}

function PlaceChart({ place, repairs }: { place: PlaceOverYears; repairs: UnitLife["repairs"] }) {
  const rows = place.read.map((r) => ({ at: r.at, value: r.value }));
  const [from, to] = [rows[0]!.at, rows.at(-1)!.at];
  const day = (at: number) => new Date(at).toISOString().slice(0, 10);
  return (
    <div className="chart-room" role="img" aria-label={say.readingsOf(place.title)}>
      <ResponsiveContainer width="100%" height={120}>
        <LineChart data={rows} margin={{ top: 6, right: 14, bottom: 0, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--hair)" vertical={false} />
          <XAxis
            dataKey="at"
            type="number"
            domain={[from, to]}
            ticks={[from, to]}
            tickFormatter={(at: number) => day(at)}
            tickLine={false}
          />
          <YAxis domain={["auto", "auto"]} tickLine={false} width={52} />
          <Tooltip
            labelFormatter={(at) => shortDate(new Date(Number(at)).toISOString())}
            formatter={(value) => [quantity(Number(value), place.unit), ""]}
            isAnimationActive={false}
          />
          {repairs
            .filter((r) => Date.parse(r.at) > from && Date.parse(r.at) < to)
            .map((r) => (
              <ReferenceLine
                key={r.job}
                x={Date.parse(r.at)}
                stroke="var(--copper)"
                strokeDasharray="4 4"
                label={{ value: r.piece, position: "insideTopLeft", fontSize: 12, fill: "var(--copper-ink)" }}
              />
            ))}
          <Line
            dataKey="value"
            type="linear"
            stroke="var(--ink)"
            strokeWidth={2.5}
            dot={{ r: 4 }}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
