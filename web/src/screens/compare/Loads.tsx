import styled from "styled-components";
import type { Kept } from "../../engine/types";
import { QuantityEntry } from "../../ui/Entry";
import { Select } from "../../ui/Select";
import type { Compared } from "./useCompared";

const Box = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
  button { min-width: 230px; }
  label { max-width: 110px; }
  @media print {
    label { max-width: none; }
    button, input { min-height: 0; padding: 0; border: 0; background: none; }
    button svg { display: none; }
  }
`;

const ways = [
  { key: "", label: "As they are" },
  { key: "peak", label: "Equal peak torque" },
  { key: "mean", label: "Equal mean torque" },
  { key: "angle", label: "Equal torque at an angle" },
  { key: "reserve", label: "Equal repetitions in reserve" },
];

type Props = { kept: Kept; compared: Compared | undefined; change: (kept: Kept) => void };

/** Whether loads are shown as they are, or such that each setup asks as much as the first. */
export function Loads({ kept, compared, change }: Props) {
  const peak = compared?.reports[0]?.profile.total.peakAngleDeg.value;
  const choose = (key: string) => {
    const equal = (key || undefined) as Kept["equal"];
    const at = equal === "angle" && kept.atDeg === undefined && peak != null ? Math.round(peak) : kept.atDeg;
    change({ ...kept, equal, atDeg: at });
  };
  return (
    <Box>
      <Select label="Loads" options={ways} value={kept.equal ?? ""} onChange={choose} />
      {kept.equal === "angle" && (
        <QuantityEntry
          label="At"
          value={kept.atDeg ?? 0}
          kind="angle"
          digits={0}
          problem={kept.atDeg !== undefined && Math.abs(kept.atDeg) > 360 ? "Give −360 to 360." : undefined}
          set={(v) => change({ ...kept, atDeg: v ?? 0 })}
        />
      )}
    </Box>
  );
}
