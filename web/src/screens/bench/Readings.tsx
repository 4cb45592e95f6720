import { useState } from "react";
import { MotionChart } from "../../chart/MotionChart";
import { lengthAlong, ProfileChart } from "../../chart/ProfileChart";
import { ReadingChart } from "../../chart/ReadingChart";
import { WorkChart } from "../../chart/WorkChart";
import type { Core } from "../../engine/core";
import { Segments } from "../../ui/Choice";
import { How } from "../../ui/How";
import { Mark } from "../../ui/Mark";
import { Cautions } from "./Cautions";
import { Elsewhere, movable } from "./Elsewhere";
import { Equal, PinByPin, Prescribe } from "./Equal";
import { sharesExplained } from "./explained";
import { Joints } from "./Joints";
import { Summary } from "./Summary";
import type { Edits } from "./useDocument";
import type { Model } from "./useModel";
import { Verdicts } from "./Verdicts";

type Props = {
  core: Core;
  model: Model;
  good: NonNullable<Model["good"]>;
  s: number;
  moveTo: (s: number) => void;
  turn: Edits["turn"];
  draw: Edits["draw"];
  drawDone: Edits["turnDone"];
  saved: string;
  change: Edits["change"];
};

/** The right column: the profile, its numbers and sentences, and what lies behind them. */
export function Readings({ core, model, good, s, moveTo, turn, draw, drawDone, saved, change }: Props) {
  const { report } = good;
  const [axis, setAxis] = useState<"angle" | "length">("angle");
  const { target } = good.document;
  const drawn =
    target.school === "custom" && target.custom ? { heights: target.custom, set: draw, done: drawDone } : undefined;
  return (
    <>
      {!report.hold && (
        <div>
          <h2>
            Profile of the {report.joint}
            {report.both ? ", each side" : ""}
          </h2>
          <ProfileChart
            report={report}
            uncertainty={model.uncertainty}
            s={s}
            moveTo={moveTo}
            axis={axis}
            drawn={drawn}
          />
          {lengthAlong(report) && (
            <Segments
              label="Over"
              options={[
                { key: "angle", label: "Over the angle" },
                { key: "length", label: "Over the target's length" },
              ]}
              value={axis}
              onChange={(key) => setAxis(key as "angle" | "length")}
            />
          )}
          <Summary report={report} uncertainty={model.uncertainty} />
          <Prescribe text={good.text} limit={report.profile.loadFactor.value} />
          <PinByPin report={report} />
          <Equal core={core} text={good.text} saved={saved} />
        </div>
      )}
      <div>
        <Verdicts
          report={report}
          mends={model.mends}
          settings={model.settings}
          apply={(m) => (m.document ? change(m.document) : turn(m.key ?? "", m.to, false))}
        />
      </div>
      <div>
        <h2>
          Who does the work <How name="Who does the work" explained={sharesExplained} />
        </h2>
        <WorkChart report={report} s={s} />
      </div>
      <div>
        <h2>Pull and torque</h2>
        <ReadingChart report={report} s={s} />
      </div>
      <div>
        <h2>Joints</h2>
        <Joints
          report={report}
          lifter={good.document.lifter}
          s={s}
          limit={(part) => change({ ...good.document, lifter: { ...good.document.lifter, ...part } })}
        />
        {good.document.loads.some(movable) && <Elsewhere core={core} text={good.text} />}
      </div>
      {!report.hold && (
        <div>
          <h2>In motion</h2>
          <MotionChart core={core} text={good.text} />
        </div>
      )}
      {report.cautions.length > 0 && (
        <div>
          <h2>Cautions</h2>
          <Cautions
            report={report}
            dismissed={good.document.seen ?? []}
            setDismissed={(seen) => change({ ...good.document, seen })}
          />
        </div>
      )}
      <div className="caution">
        <Mark tone="caution" />
        <p>
          House rules and the maker's instructions come first. Lifters who are new, injured, pregnant or ill see a
          licensed professional. Sharp or joint pain: stop.
        </p>
      </div>
    </>
  );
}
