import { memo } from "react";
import type { Sweeps } from "../../engine/sweeps";
import { SceneView } from "../../figure/SceneView";
import type { Turn, ViewName } from "../../figure/view";
import { Hint } from "../../ui/Hint";
import { Segments } from "../../ui/Select";
import { Failed } from "../../ui/States";
import { StatusIcon } from "../../ui/StatusIcon";
import { PictureFiles } from "./PictureFiles";
import { Scrubber } from "./Scrubber";
import type { Edits } from "./useDocument";
import type { Model } from "./useModel";

const viewNames: { key: ViewName; label: string }[] = [
  { key: "side", label: "Side" },
  { key: "front", label: "Front" },
  { key: "top", label: "Top" },
  { key: "free", label: "Free" },
];

type Props = {
  picture: Pick<Model, "good" | "scene" | "settings" | "problems">;
  sweeps: Sweeps;
  s: number;
  moveTo: (s: number) => void;
  viewName: ViewName;
  setViewName: (name: ViewName) => void;
  viewTurn: Turn;
  turnView: (turn: Turn) => void;
  edits: Edits;
  playing: boolean;
  play: () => void;
};

/** The middle: the picture in one of its views, and the range below it. */
export const Stage = memo(function Stage(props: Props) {
  const { s, moveTo, viewName, setViewName, viewTurn, turnView, edits, playing, play } = props;
  const { good, scene, settings, problems } = props.picture;
  return (
    <>
      <div className="views">
        <Segments label="View" options={viewNames} value={viewName} onChange={(v) => setViewName(v as ViewName)} />
        {good && scene && <PictureFiles good={good} scene={scene} viewName={viewName} turn={viewTurn} />}
        <Hint name="drag">Drag any handle. Escape cancels.</Hint>
        {problems.length > 0 && (
          <span className="stale" role="status">
            <StatusIcon tone="error" /> {good ? "The picture shows the last valid setup." : "Nothing to show yet."}
          </span>
        )}
      </div>
      <div className="scene">
        {good && scene ? (
          <SceneView
            document={good.document}
            report={good.report}
            scene={scene}
            settings={settings}
            sweeps={props.sweeps}
            viewName={viewName}
            viewTurn={viewTurn}
            actions={{
              drag: edits.drag,
              dragDone: edits.turnDone,
              dragCancelled: edits.dragCancelled,
              moveTo,
              turnView,
              leadArm: edits.leadArm,
            }}
          />
        ) : (
          <Failed what="This setup cannot be shown." why={problems.map((p) => p.what).join(" ")} />
        )}
      </div>
      {good && (
        <Scrubber
          report={good.report}
          s={s}
          moveTo={moveTo}
          playing={playing}
          play={play}
          tempo={good.document.tempo}
        />
      )}
    </>
  );
});
