import { MotionChart } from "../../chart/MotionChart";
import { ProfileChart } from "../../chart/ProfileChart";
import { ReadingChart } from "../../chart/ReadingChart";
import type { Core } from "../../engine/core";
import { Mark } from "../../ui/Mark";
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
};

/** The right column: the profile, its numbers and sentences, and what lies behind them. */
export function Readings({ core, model, good, s, moveTo, turn }: Props) {
  const { report } = good;
  return (
    <>
      {!report.hold && (
        <div>
          <h2>
            Profile of the {report.joint}
            {report.both ? ", each side" : ""}
          </h2>
          <ProfileChart report={report} uncertainty={model.uncertainty} s={s} moveTo={moveTo} />
          <Summary report={report} uncertainty={model.uncertainty} />
        </div>
      )}
      <div>
        <Verdicts
          report={report}
          mend={model.painting?.mend ?? null}
          settings={model.settings}
          apply={(m) => turn(m.key, m.to, false)}
        />
      </div>
      <div>
        <h2>Pull and torque</h2>
        <ReadingChart report={report} s={s} />
      </div>
      <div>
        <h2>Other joints</h2>
        <Joints report={report} s={s} />
      </div>
      {!report.hold && (
        <div>
          <h2>In motion</h2>
          <MotionChart core={core} text={good.text} />
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
