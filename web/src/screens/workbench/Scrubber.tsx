import { Pause, Play } from "lucide-react";
import { memo } from "react";
import { Slider, SliderThumb, SliderTrack } from "react-aria-components";
import styled from "styled-components";
import { valueAt } from "../../chart/along";
import type { Report, SetupDocument } from "../../engine/types";
import { effortColour } from "../../figure/Arc";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";

const Box = styled.div`
  padding: 4px 18px 8px;
  border-top: 1px solid var(--line);
  .thirds { display: grid; grid-template-columns: repeat(3, 1fr); font-size: 12px; color: var(--quiet); }
  .thirds span { border-left: 1px solid var(--line); padding-left: 6px; }
  .track { position: relative; }
  .track .paint { position: absolute; inset: 6px 0; border-radius: 2px; }
  .under { display: flex; align-items: center; justify-content: space-between; gap: 12px; flex-wrap: wrap; }
  .under .now { font-weight: 600; }
  .under small { color: var(--quiet); font-size: 12px; }
  @media (max-width: 999px) {
    padding: 2px 14px 4px;
    .under { flex-wrap: nowrap; }
    .under button small { display: none; }
  }
`;

const Track = styled(SliderTrack)`
  height: 26px;
`;

const Thumb = styled(SliderThumb)`
  top: 50%;
  width: 8px;
  height: 26px;
  border-radius: 3px;
  background: var(--ink);
  border: 1px solid var(--sheet);
  cursor: grab;
  &[data-focus-visible] { outline: 2px solid var(--slate); outline-offset: 2px; }
  @media (pointer: coarse) { width: 16px; height: 34px; }
`;

type Props = {
  report: Report;
  s: number;
  moveTo: (s: number) => void;
  playing: boolean;
  play: () => void;
  tempo: SetupDocument["tempo"];
};

/** The range from start to end, coloured by effort, with the needle to push along it. */
export function Scrubber({ report, s, moveTo, playing, play, tempo }: Props) {
  const units = useUnits();
  const { effort, angleDeg, torque } = report.curves;
  const angle = valueAt(angleDeg, s) ?? 0;
  const now = valueAt(torque, s);
  const share = valueAt(effort, s);
  return (
    <Box>
      <div className="thirds" aria-hidden>
        <span>early</span>
        <span>mid</span>
        <span>late</span>
      </div>
      <div className="track">
        <span className="paint" aria-hidden style={{ background: gradient(effort) }} />
        <Needle s={s} moveTo={moveTo} />
      </div>
      <div className="under">
        <Button
          look="quiet"
          onPress={play}
          aria-label={`${playing ? "Pause" : "Play at the tempo"}: ${tempoText(tempo)}`}
        >
          {playing ? <Pause size={15} aria-hidden /> : <Play size={15} aria-hidden />}
          <small>{tempoText(tempo)}</small>
        </Button>
        <span className="now mono" data-testid="now">
          {units.text(angle, "angle")}{" "}
          {now === null ? (report.hold ? "held" : "no torque: gap") : units.text(now, "torque")}
        </span>
        <small>{share === null ? "" : `${units.text(100 * share, "percent")} of strength`}</small>
      </div>
    </Box>
  );
}

const Needle = memo(function Needle({ s, moveTo }: { s: number; moveTo: (s: number) => void }) {
  return (
    <Slider
      aria-label="Place along the range"
      minValue={0}
      maxValue={1}
      step={0.005}
      value={s}
      onChange={(v) => moveTo(v as number)}
    >
      <Track>
        <Thumb />
      </Track>
    </Slider>
  );
});

/** The efforts along the range as one gradient; gaps are the hairline colour. */
function gradient(effort: (number | null)[]): string {
  const stops = 24;
  const colours = Array.from({ length: stops + 1 }, (_, i) => {
    const e = valueAt(effort, i / stops);
    return `${e === null ? "var(--line)" : effortColour(e)} ${Math.round((100 * i) / stops)}%`;
  });
  return `linear-gradient(to right, ${colours.join(", ")})`;
}

function tempoText(t: SetupDocument["tempo"]): string {
  const parts = [`${t.up} s up`];
  if (t.top > 0) parts.push(`${t.top} s hold`);
  parts.push(`${t.down} s down`);
  if (t.bottom > 0) parts.push(`${t.bottom} s rest`);
  return parts.join(", ");
}
