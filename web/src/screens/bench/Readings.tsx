import { memo, useDeferredValue, useState } from "react";
import { ChartFrame } from "../../chart/ChartFrame";
import { MotionChart } from "../../chart/MotionChart";
import { lengthAlong, ProfileChart } from "../../chart/ProfileChart";
import { ReadingChart } from "../../chart/ReadingChart";
import { WorkChart, workers } from "../../chart/WorkChart";
import type { Core } from "../../engine/core";
import type { Mend } from "../../engine/types";
import { profileTable, pullTable, workTable } from "../../share/tables";
import { useUnits } from "../../state/units";
import { Segments } from "../../ui/Choice";
import { Hint } from "../../ui/Hint";
import { How } from "../../ui/How";
import { Mark } from "../../ui/Mark";
import { useStable } from "../../ui/useStable";
import { Cautions } from "./Cautions";
import { Elsewhere, movable } from "./Elsewhere";
import { Equal, PinByPin, Prescribe } from "./Equal";
import { sharesExplained } from "./explained";
import { Joints } from "./Joints";
import { Steps } from "./Steps";
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
  drawDone: (cancelled: boolean) => void;
  change: Edits["change"];
  dragged: boolean;
};

/** The right column: the profile, its numbers and sentences, and what lies behind them. */
export function Readings({ core, model, good, s, moveTo, turn, draw, drawDone, change, dragged }: Props) {
  const { report } = good;
  const [later, place] = [useDeferredValue(good), useDeferredValue(s)];
  const judged = { good, mends: model.mends, settings: model.settings };
  const deferred = useDeferredValue(judged);
  const now = dragged ? deferred : judged;
  const [axis, setAxis] = useState<"angle" | "length">("angle");
  const units = useUnits();
  const apply = useStable((m: Mend) => (m.document ? change(m.document) : turn(m.key ?? "", m.to, false)));
  const { target, name } = good.document;
  const drawn =
    target.school === "custom" && target.custom ? { heights: target.custom, set: draw, done: drawDone } : undefined;
  return (
    <>
      {!report.hold && (
        <div>
          <ChartFrame
            title={`Profile of the ${report.joint}${report.both ? ", each side" : ""}`}
            name={`${name}, profile`}
            caption={["Thick: torque. Dashed: strength. Hatched: target profile. Dotted: body weight."]}
            table={() => profileTable(report, model.uncertainty, units)}
          >
            <ProfileChart
              report={report}
              uncertainty={model.uncertainty}
              s={s}
              moveTo={moveTo}
              axis={axis}
              drawn={drawn}
            />
          </ChartFrame>
          {lengthAlong(report) && (
            <Segments
              label="Over"
              options={[
                { key: "angle", label: "Over joint angle" },
                { key: "length", label: "Over muscle length" },
              ]}
              value={axis}
              onChange={(key) => setAxis(key as "angle" | "length")}
            />
          )}
          <Figures good={now.good} uncertainty={model.uncertainty} equal={model.equal} />
        </div>
      )}
      <div>
        <Hint name="mend">
          The blue line below a verdict is the smallest change that fixes it. Press it to make the change.
        </Hint>
        <Verdicts report={now.good.report} mends={now.mends} settings={now.settings} apply={apply} />
      </div>
      {now.good.report.cautions.length > 0 && (
        <div>
          <h2>Cautions</h2>
          <Cautions
            report={now.good.report}
            dismissed={now.good.document.seen ?? []}
            setDismissed={(seen) => change({ ...now.good.document, seen })}
          />
        </div>
      )}
      <Deeper core={core} good={later} motion={model.motion} s={place} change={change} />
      {!report.hold && (
        <div>
          <h2>One step of each setting, change in fit</h2>
          <Steps steps={model.steps} turn={turn} />
        </div>
      )}
      <div className="caution">
        <Mark tone="caution" />
        <p>
          Gym rules and the maker's instructions come first. New, injured, pregnant or ill lifters should see a licensed
          professional. Sharp pain or joint pain: stop.
        </p>
      </div>
    </>
  );
}

type FiguresProps = { good: Props["good"]; uncertainty: Model["uncertainty"]; equal: Model["equal"] };

/** The numbers below the profile. */
const Figures = memo(function Figures({ good, uncertainty, equal }: FiguresProps) {
  const { report, document } = good;
  return (
    <>
      <Summary report={report} uncertainty={uncertainty} />
      <Prescribe document={document} limit={report.profile.loadFactor.value} />
      <PinByPin report={report} />
      {equal && <Equal equal={equal} document={document} />}
    </>
  );
});

type DeeperProps = {
  core: Core;
  good: NonNullable<Model["good"]>;
  motion: Model["motion"];
  s: number;
  change: Edits["change"];
};

/** What lies behind the profile. While something is dragged it follows when there is time. */
const Deeper = memo(function Deeper({ core, good, motion, s, change }: DeeperProps) {
  const units = useUnits();
  const { report } = good;
  const { name } = good.document;
  return (
    <>
      <div>
        <ChartFrame
          title={
            <>
              Muscle contribution <How name="Muscle contribution" explained={sharesExplained} />
            </>
          }
          name={`${name}, regions`}
          caption={[
            `From below: ${workers(report)
              .map((r) => r.label)
              .join("; ")}.`,
          ]}
          table={() => workTable(report, units)}
        >
          <WorkChart report={report} s={s} />
        </ChartFrame>
      </div>
      <div>
        <ChartFrame
          title="Pull and torque"
          name={`${name}, pull`}
          caption={["Thin: pull. Thick: torque. Each as a share of its peak."]}
          table={() => pullTable(report, units)}
        >
          <ReadingChart report={report} s={s} />
        </ChartFrame>
      </div>
      <div>
        <h2>Joint load</h2>
        <Joints
          report={report}
          s={s}
          limit={(part) => change({ ...good.document, lifter: { ...good.document.lifter, ...part } })}
        />
        {good.document.loads.some(movable) && <Elsewhere core={core} text={good.text} />}
      </div>
      {!report.hold && <div>{motion && <MotionChart motion={motion} name={`${name}, in motion`} />}</div>}
    </>
  );
});
