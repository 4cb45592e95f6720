import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import type { Core } from "../../../engine/core";
import type { Trials } from "../../../engine/types";
import type { Connection } from "../../../measuring/connection";
import { DevicePicker, usePicked } from "../../../measuring/DevicePicker";
import { TraceChart } from "../../../measuring/TraceChart";
import { traceOf, useFactor, wrongUnit } from "../../../measuring/useFactor";
import { useUnits } from "../../../state/units";
import { Button } from "../../../ui/Button";
import { QuantityEntry } from "../../../ui/Entry";

const Box = styled.div`
  display: grid;
  gap: 10px;
  .pair { display: grid; grid-template-columns: repeat(auto-fit, minmax(190px, 1fr)) 110px; gap: 12px; align-items: start; }
  .now { display: flex; gap: 14px; align-items: center; flex-wrap: wrap; min-height: 36px; }
  .now b { font-size: 22px; line-height: 28px; min-width: 5ch; }
  .now .push { flex: 1; }
  .empty {
    display: grid;
    place-content: center;
    height: 120px;
    border: 1px dashed var(--line);
    border-radius: 8px;
    text-align: center;
    padding: 0 20px;
  }
`;

const atLeast = 30; // s that are shown
const wantedRest = 60; // s between trials

type Props = {
  core: Core;
  angle: number;
  setAngle: (deg: number) => void;
  /** Takes a trial over: degrees, N. */
  add: (angleDeg: number, newtons: number) => void;
};

/** A load cell, and an inclinometer if there is one: trials are found in what they send as they come. */
export function TrialsLive({ core, angle, setAngle, add }: Props) {
  const units = useUnits();
  const cell = usePicked();
  const level = usePicked();
  const c = cell.connection;
  const inNewtons = useFactor(core, c, "force");
  const found = useFound(core, c, inNewtons, (trial) => {
    const seen = level.connection?.trace()?.mean(trial.from, trial.to);
    if (seen !== undefined) setAngle(Math.round(seen));
    add(seen ?? angle, trial.best);
  });
  const both = [c, level.connection].filter((x): x is Connection => !!x);
  const running = c?.status === "running";
  return (
    <Box>
      <div className="pair">
        <DevicePicker label="Load cell" none="None: trials are typed" picked={cell} />
        <DevicePicker label="Inclinometer" none="None: the angle is typed" picked={level} />
        <QuantityEntry
          label="Angle of the joint"
          kind="angle"
          digits={0}
          value={angle}
          set={(to) => to !== undefined && setAngle(to)}
        />
      </div>
      {!c ? (
        <div className="empty">
          <p className="quiet">
            With a load cell the pull is drawn here as it comes, and each trial's best second is written down. Without
            one, type the trials on the left.
          </p>
        </div>
      ) : inNewtons === null ? (
        <p className="bad" role="alert">
          {wrongUnit(c, "force", "N, kg or lb")}
        </p>
      ) : (
        <>
          <div className="now">
            <b className="mono">{pullNow(c, inNewtons, units)}</b>
            <span role="status">{phrase(c, found)}</span>
            <span className="push" />
            <Button isDisabled={c.status !== "ready" && !running} onPress={() => c.tare()}>
              Zero
            </Button>
            {running ? (
              <Button
                look="strong"
                onPress={() => {
                  for (const x of both) x.stop();
                }}
              >
                Stop
              </Button>
            ) : (
              <Button
                look="strong"
                isDisabled={c.status !== "ready"}
                onPress={() => {
                  for (const x of both) x.start();
                }}
              >
                {c.trace() ? "Next angle" : "Start"}
              </Button>
            )}
          </div>
          <Traced connection={c} inNewtons={inNewtons} found={found} />
        </>
      )}
    </Box>
  );
}

/** The trials in what a device has sent since it was started; each is told once, when it has ended. */
function useFound(
  core: Core,
  c: Connection | undefined,
  factor: number | null,
  take: (t: Trials["trials"][number]) => void,
) {
  const [found, setFound] = useState<{ trials: Trials | undefined; why: string }>({ trials: undefined, why: "" });
  const told = useRef({ trace: c?.trace(), count: 0 });
  const taken = useRef(take);
  taken.current = take;
  const running = c?.status === "running";
  useEffect(() => {
    if (!c || factor === null || !running) return;
    const look = () => {
      const trace = c.trace();
      if (!trace || trace.length === 0) return;
      if (told.current.trace !== trace) told.current = { trace, count: 0 };
      const { ok, problems } = core.trials(traceOf(c, factor));
      setFound({ trials: ok, why: problems?.map((p) => `${p.what} ${p.hint ?? ""}`).join(" ") ?? "" });
      for (const t of ok?.trials.slice(told.current.count) ?? []) taken.current(t);
      told.current.count = Math.max(told.current.count, ok?.trials.length ?? 0);
    };
    const timer = setInterval(look, 400);
    return () => {
      clearInterval(timer);
      look();
    };
  }, [core, c, factor, running]);
  return found;
}

function pullNow(c: Connection, factor: number, units: ReturnType<typeof useUnits>): string {
  const now = c.trace()?.now(10);
  return now === undefined ? "–" : units.text(now * factor, "force", 1);
}

/** What is going on, in a sentence. */
function phrase(c: Connection, found: ReturnType<typeof useFound>): string {
  if (found.why) return found.why;
  const trace = c.trace();
  if (!trace) return c.status === "ready" ? "Ready. Keep still when it starts, then push." : "";
  const list = found.trials?.trials ?? [];
  const last = list.at(-1);
  if (c.status !== "running") {
    return `${list.length === 1 ? "One trial" : `${list.length} trials`} taken over.${c.status === "gone" ? ` ${c.why}` : ""}`;
  }
  if (!last) return "Keep still for a moment, then push for five seconds.";
  const rest = trace.last() - last.to;
  return `Trial ${list.length} done. Resting ${clock(rest)} of ${clock(wantedRest)}.`;
}

const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`;

type TracedProps = { connection: Connection; inNewtons: number; found: ReturnType<typeof useFound> };

function Traced({ connection, inNewtons, found }: TracedProps) {
  const force = useUnits().unit("force");
  const trace = connection.trace();
  if (!trace) return null;
  const by = inNewtons * force.factor;
  const rest = (found.trials?.rest ?? 0) * force.factor;
  const v = trace.values().map((x) => x * by - rest);
  const most = v.reduce((a, b) => Math.max(a, b), 10);
  const least = v.reduce((a, b) => Math.min(a, b), 0);
  const to = Math.max(atLeast, trace.last());
  const trials = found.trials?.trials ?? [];
  return (
    <TraceChart
      label={`Pull at the strap over time, ${trials.length} trials found`}
      t={trace.times()}
      v={v}
      from={0}
      to={to}
      low={least}
      high={most}
      unit={`${force.name} at the strap, above rest`}
      colour="--ember-deep"
      height={230}
      version={trace.length}
      marks={trials.map((t, i) => ({
        from: t.at,
        to: t.at + 1,
        level: t.best * force.factor,
        label: `trial ${i + 1}`,
        value: `${(t.best * force.factor).toFixed(1)} ${force.name}`,
      }))}
    />
  );
}
