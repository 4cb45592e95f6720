import { memo, useDeferredValue, useState } from "react";
import { ChartFrame } from "../../chart/ChartFrame";
import { MotionChart } from "../../chart/MotionChart";
import { lengthAlong, ProfileChart } from "../../chart/ProfileChart";
import { ReadingChart } from "../../chart/ReadingChart";
import { WorkChart, workers } from "../../chart/WorkChart";
import type { Core } from "../../engine/core";
import { eachSide } from "../../engine/sides";
import type { Report, Setting, Suggestion } from "../../engine/types";
import { profileTable, pullTable, workTable } from "../../share/tables";
import { type Units, useUnits } from "../../state/units";
import { Disclosure } from "../../ui/Disclosure";
import { Explanation } from "../../ui/Explanation";
import { Hint } from "../../ui/Hint";
import { Segments } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { Cautions } from "./Cautions";
import { Elsewhere, movable } from "./Elsewhere";
import { Equal, LoadTable, loadLine } from "./Equal";
import { sharesExplained } from "./explained";
import { Foremost } from "./Foremost";
import { Headline } from "./Headline";
import { Joints } from "./Joints";
import { tempoLine } from "./Rig";
import { Steps } from "./Steps";
import { Summary } from "./Summary";
import type { Edits } from "./useDocument";
import type { Model } from "./useModel";
import { Verdicts, worstOf } from "./Verdicts";

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

/** What comes first of what is found: the headline and how the verdicts stand. */
export const Glance = memo(function Glance({ judged, edits }: Pick<Props, "judged" | "edits">) {
  if (!judged) return null;
  const { good, suggestions, settings } = judged;
  return (
    <>
      <Headline report={good.report} />
      <Judged good={good} suggestions={suggestions} settings={settings} edits={edits} />
    </>
  );
});

/** The right column, below what comes first: the profile, and everything else in lines that open. */
export const Readings = memo(function Readings({ core, profile, judged, deeper, s, moveTo, edits }: Props) {
  const place = useDeferredValue(s);
  if (!profile || !judged || !deeper) return null;
  const { report } = judged.good;
  return (
    <>
      {!profile.good.report.hold && <Profile {...profile} s={s} moveTo={moveTo} edits={edits} />}
      <div className="parts">
        <Behind {...judged} edits={edits} />
        <Deeper core={core} {...deeper} s={place} set={edits.set} />
        {!report.hold && (
          <Disclosure title="One step of each setting" line={stepsLine(judged.steps)}>
            <Steps steps={judged.steps} turn={edits.turn} />
          </Disclosure>
        )}
      </div>
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

/** What matters most among the steps. */
function stepsLine(steps: Model["steps"]): string {
  const first = steps?.find((s) => s.score != null);
  return first ? `${first.label.toLowerCase()} matters most` : "";
}

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
        title={`Profile of the ${report.joint}${eachSide(report) ? ", each side" : ""}`}
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

type JudgedProps = { good: Good; suggestions: Suggestion[]; settings: Setting[]; edits: Edits };

/** How the verdicts stand, and the worst of them in words. */
const Judged = memo(function Judged({ good, suggestions, settings, edits }: JudgedProps) {
  return (
    <>
      <Hint name="mend">
        The blue line beside a verdict is the smallest change that fixes it. Press it to make the change.
      </Hint>
      <Foremost
        report={good.report}
        suggestions={suggestions}
        settings={settings}
        apply={applied(edits)}
        seen={good.document.acknowledged ?? []}
        setSeen={(seen) => edits.set("acknowledged", seen)}
      />
    </>
  );
});

/** Makes the change that a suggestion proposes. */
const applied = (edits: Edits) => (m: Suggestion) =>
  m.document ? edits.change(m.document) : edits.turn(m.key ?? "", m.to, false);

type BehindProps = JudgedProps & { uncertainty: Model["uncertainty"]; equal: Model["equal"]; score: Model["score"] };

/** The numbers, the loads and all verdicts and cautions in words. */
const Behind = memo(function Behind(props: BehindProps) {
  const { good, uncertainty, equal, score, edits } = props;
  const { report, document } = good;
  const units = useUnits();
  const seen = document.acknowledged ?? [];
  const open = worstOf(report).filter((v) => v.tone !== "ok").length;
  const end = report.profile.total.endShare.value;
  const numbers = [
    score?.score.value != null && `score ${score.score.value.toFixed(0)}`,
    end != null && `${units.text(100 * end, "percent")} of peak at the end`,
  ];
  return (
    <>
      {!report.hold && (
        <>
          <Disclosure title="Load and reps" line={loadLine(report, document, units)}>
            <LoadTable report={report} document={document} />
            {equal && <Equal equal={equal} document={document} />}
          </Disclosure>
          <Disclosure title="Numbers" line={numbers.filter(Boolean).join(", ")}>
            <Summary report={report} uncertainty={uncertainty} score={score} />
          </Disclosure>
        </>
      )}
      <Disclosure title="Verdicts in words" line={open === 0 ? "all good" : `${open} to look at`}>
        <Verdicts {...props} report={report} apply={applied(edits)} />
      </Disclosure>
      {report.cautions.length > 0 && (
        <Disclosure title="Cautions" line={`${report.cautions.length}, ${seen.length} seen`}>
          <Cautions report={report} dismissed={seen} setDismissed={(keys) => edits.set("acknowledged", keys)} />
        </Disclosure>
      )}
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
      <Disclosure title="Muscles over the range" line={musclesLine(report, units)}>
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
      </Disclosure>
      <Disclosure title="Pull and torque" line={pullLine(report, units)}>
        <ChartFrame
          title="Each as a share of its peak"
          name={`${name}, pull`}
          caption={["Thin: pull. Thick: torque. Each as a share of its peak."]}
          table={() => pullTable(report, units)}
        >
          <ReadingChart report={report} s={s} />
        </ChartFrame>
      </Disclosure>
      <Disclosure title="Joint load" line={jointLine(report, units)}>
        <Joints
          report={report}
          bodyMass={good.document.lifter.bodyMass}
          s={s}
          limit={(which, v) => set(`lifter.${which}`, v)}
        />
        {good.document.loads.some(movable) && <Elsewhere core={core} text={good.text} />}
      </Disclosure>
      {!report.hold && (
        <Disclosure title="In motion" line={tempoLine(good.document.tempo)}>
          {motion && <MotionChart motion={motion} name={`${name}, in motion`} />}
        </Disclosure>
      )}
    </>
  );
});

/** Between what the target's contribution lies over the range. */
function musclesLine(report: Report, units: Units): string {
  const { target } = report.muscles;
  const known = (target?.share ?? []).filter((v): v is number => v != null);
  if (!target || known.length === 0) return "not known";
  const [low, high] = [Math.min(...known), Math.max(...known)].map((v) => units.text(100 * v, "percent"));
  return `${target.label.toLowerCase()} ${low === high ? low : `${low} to ${high}`}`;
}

/** The largest pull of the first load that has one, and how far from the joint it acts at most. */
function pullLine(report: Report, units: Units): string {
  const part = report.parts.find((p) => p.kind !== "bodyweight");
  const most = (curve: (number | null)[] | undefined) => Math.max(0, ...(curve ?? []).map((v) => Math.abs(v ?? 0)));
  if (!part) return "";
  return `up to ${units.text(most(part.tension), "force")}, moment arm up to ${units.text(most(part.momentArm), "length")}`;
}

/** How much of what low back and grip are to hold at most is asked of them. */
function jointLine(report: Report, units: Units): string {
  const share = (curve: (number | null)[], limit: number) => Math.max(0, ...curve.map((v) => v ?? 0)) / limit;
  const parts: [string, number][] = [
    ["low back", share(report.curves.lowBack, report.bearable.lowBack)],
    ["grip", share(report.curves.grip, report.bearable.grip)],
  ];
  const told = parts.filter(([, v]) => v > 0.005).map(([what, v]) => `${what} ${units.text(100 * v, "percent")}`);
  return told.length > 0 ? `${told.join(", ")} of the limit` : "nothing on low back or grip";
}
