import { memo, useDeferredValue, useState } from "react";
import { ChartFrame } from "../../chart/ChartFrame";
import { MotionChart } from "../../chart/MotionChart";
import { lengthAlong, ProfileChart } from "../../chart/ProfileChart";
import { ReadingChart } from "../../chart/ReadingChart";
import { WorkChart, workers } from "../../chart/WorkChart";
import type { Core } from "../../engine/core";
import type { Setting, Suggestion } from "../../engine/types";
import { profileTable, pullTable, workTable } from "../../share/tables";
import { useUnits } from "../../state/units";
import { Explanation } from "../../ui/Explanation";
import { Hint } from "../../ui/Hint";
import { Segments } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { Cautions } from "./Cautions";
import { Elsewhere, movable } from "./Elsewhere";
import { Equal, PinByPin, Prescribe } from "./Equal";
import { sharesExplained } from "./explained";
import { Headline } from "./Headline";
import { Joints } from "./Joints";
import { Steps } from "./Steps";
import { Summary } from "./Summary";
import type { Edits } from "./useDocument";
import type { Model } from "./useModel";
import { Verdicts } from "./Verdicts";

type Good = NonNullable<Model["good"]>;

type Props = {
  core: Core;
  /** The setup as each of these parts shows it, null while there is none: while a hand moves they follow one after the other. */
  profile: { good: Good; uncertainty: Model["uncertainty"] } | null;
  judged:
    | (Pick<Model, "uncertainty" | "equal" | "suggestions" | "settings" | "steps" | "score"> & { good: Good })
    | null;
  deeper: { good: Good; motion: Model["motion"] } | null;
  s: number;
  moveTo: (s: number) => void;
  edits: Edits;
};

/** The right column: the profile, its numbers and sentences, and what lies behind them. */
export const Readings = memo(function Readings({ core, profile, judged, deeper, s, moveTo, edits }: Props) {
  const place = useDeferredValue(s);
  if (!profile || !judged || !deeper) return null;
  return (
    <>
      <Headline report={judged.good.report} />
      {!profile.good.report.hold && (
        <div>
          <Profile {...profile} s={s} moveTo={moveTo} edits={edits} />
          <Figures good={judged.good} uncertainty={judged.uncertainty} equal={judged.equal} score={judged.score} />
        </div>
      )}
      <Judged good={judged.good} suggestions={judged.suggestions} settings={judged.settings} edits={edits} />
      <Deeper core={core} {...deeper} s={place} set={edits.set} />
      {!judged.good.report.hold && (
        <div>
          <h2>One step of each setting, change in score</h2>
          <Steps steps={judged.steps} turn={edits.turn} />
        </div>
      )}
      <div className="caution">
        <StatusIcon tone="caution" />
        <p>
          Gym rules and the maker's instructions come first. New, injured, pregnant or ill lifters should see a licensed
          professional. Sharp pain or joint pain: stop.
        </p>
      </div>
    </>
  );
});

type ProfileProps = {
  good: Good;
  uncertainty: Model["uncertainty"];
  s: number;
  moveTo: (s: number) => void;
  edits: Edits;
};

/** The chart of the profile. */
const Profile = memo(function Profile({ good, uncertainty, s, moveTo, edits }: ProfileProps) {
  const { report } = good;
  const [axis, setAxis] = useState<"angle" | "length">("angle");
  const units = useUnits();
  const { target, name } = good.document;
  const done = (cancelled: boolean) => (cancelled ? edits.dragCancelled() : edits.turnDone());
  const drawn =
    target.profile === "custom" && target.custom
      ? {
          heights: target.custom,
          set: (heights: number[], drag: boolean) => edits.set("target.custom", heights, drag),
          done,
        }
      : undefined;
  return (
    <>
      <ChartFrame
        title={`Profile of the ${report.joint}${report.both ? ", each side" : ""}`}
        name={`${name}, profile`}
        caption={["Thick: torque. Dashed: strength. Hatched: target profile. Dotted: body weight."]}
        table={() => profileTable(report, uncertainty, units)}
      >
        <ProfileChart report={report} uncertainty={uncertainty} s={s} moveTo={moveTo} axis={axis} drawn={drawn} />
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
    </>
  );
});

/** The verdicts with the changes that would mend them, and the cautions. */
const Judged = memo(function Judged(props: {
  good: Good;
  suggestions: Suggestion[];
  settings: Setting[];
  edits: Edits;
}) {
  const { edits } = props;
  const { report, document } = props.good;
  const apply = (m: Suggestion) => (m.document ? edits.change(m.document) : edits.turn(m.key ?? "", m.to, false));
  return (
    <>
      <div>
        <Hint name="mend">
          The blue line below a verdict is the smallest change that fixes it. Press it to make the change.
        </Hint>
        <Verdicts report={report} suggestions={props.suggestions} settings={props.settings} apply={apply} />
      </div>
      {report.cautions.length > 0 && (
        <div>
          <h2>Cautions</h2>
          <Cautions
            report={report}
            dismissed={document.acknowledged ?? []}
            setDismissed={(seen) => edits.set("acknowledged", seen)}
          />
        </div>
      )}
    </>
  );
});

type FiguresProps = { good: Good; uncertainty: Model["uncertainty"]; equal: Model["equal"]; score: Model["score"] };

/** The numbers below the profile. */
const Figures = memo(function Figures({ good, uncertainty, equal, score }: FiguresProps) {
  const { report, document } = good;
  return (
    <>
      <Summary report={report} uncertainty={uncertainty} score={score} />
      <Prescribe document={document} limit={report.profile.loadFactor.value} />
      <PinByPin report={report} />
      {equal && <Equal equal={equal} document={document} />}
    </>
  );
});

type DeeperProps = {
  core: Core;
  good: Good;
  motion: Model["motion"];
  s: number;
  set: Edits["set"];
};

/** What lies behind the profile. */
const Deeper = memo(function Deeper({ core, good, motion, s, set }: DeeperProps) {
  const units = useUnits();
  const { report } = good;
  const { name } = good.document;
  return (
    <>
      <div>
        <ChartFrame
          title={
            <>
              Muscle contribution <Explanation name="Muscle contribution" explained={sharesExplained} />
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
        <Joints report={report} s={s} limit={(which, v) => set(`lifter.${which}`, v)} />
        {good.document.loads.some(movable) && <Elsewhere core={core} text={good.text} />}
      </div>
      {!report.hold && <div>{motion && <MotionChart motion={motion} name={`${name}, in motion`} />}</div>}
    </>
  );
});
