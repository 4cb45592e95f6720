import styled from "styled-components";
import { ChartFrame } from "../../chart/ChartFrame";
import { OverlayChart, type OverlaySide, overlay, overlayTable } from "../../chart/OverlayChart";
import type { Kept } from "../../engine/types";
import { letter, mostDrawn } from "../../state/picked";
import { useUnits } from "../../state/units";
import { Segments } from "../../ui/Select";
import type { Compared } from "./useCompared";

const Box = styled.div`
  .axes { display: flex; flex-wrap: wrap; gap: 8px 16px; padding: 4px 0; }
  p { color: var(--quiet); }
  @media print { .axes { display: none; } }
`;

const alongs = [
  { key: "angle", label: "Angle" },
  { key: "length", label: "Muscle length" },
  { key: "time", label: "Time" },
];

const scales = [
  { key: "torque", label: "Torque" },
  { key: "shape", label: "Shape only" },
  { key: "effort", label: "Effort" },
];

type Props = { kept: Kept; compared: Compared; change: (kept: Kept) => void };

/** The profiles over each other, over the angle, the target's length or time; as torque, as shape alone or as effort. */
export function Overlaid({ kept, compared, change }: Props) {
  const units = useUnits();
  const sides = compared.reports
    .slice(0, mostDrawn)
    .flatMap((report, i): OverlaySide[] =>
      report ? [{ letter: letter(i), look: i, report, tempo: compared.tempos[i] ?? null }] : [],
    );
  const along = kept.along ?? "angle";
  const overlaid = overlay(sides, along, kept.scale ?? "torque", units);
  const legend = sides.map((s) => `${s.letter}: ${compared.documents[s.look]?.name ?? ""}`);
  return (
    <Box>
      <div className="axes">
        <Segments
          label="Over"
          options={alongs}
          value={along}
          onChange={(key) => change({ ...kept, along: key as Kept["along"] })}
        />
        <Segments
          label="Drawn"
          options={scales}
          value={kept.scale ?? "torque"}
          onChange={(key) => change({ ...kept, scale: key as Kept["scale"] })}
        />
      </div>
      <ChartFrame
        title={along === "time" ? "Torque in motion" : "Torque"}
        name={`${kept.name}, curves`}
        caption={legend}
        table={() => overlayTable(overlaid)}
      >
        <OverlayChart overlaid={overlaid} along={along} />
      </ChartFrame>
      {compared.reports.length > mostDrawn && (
        <p>The first {mostDrawn} are drawn; the table has all. Bring one forward on its card to draw it.</p>
      )}
      {overlaid.without.length > 0 && (
        <p role="status">
          {overlaid.without.join(" and ")}: no curve here. {why[along]}
        </p>
      )}
    </Box>
  );
}

const why = {
  angle: "A static hold has no range, and without a known strength there is no effort.",
  length: "The model has no length for this muscle along this path.",
  time: "A static hold has no tempo, and lifting and lowering have to take time.",
};
