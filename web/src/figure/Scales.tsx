import type { Units } from "../state/units";
import type { View } from "./view";

/** Scale bars: lengths and forces. */
export function Scales(props: { view: View; units: Units; scale: number; height: number; width: number }) {
  const { view, units, scale, height, width } = props;
  const length = units.unit("length").name === "cm" ? 0.5 : 0.3048 * 2;
  const force = units.unit("force").name === "N" ? 50 : 20 * 4.4482216152605;
  const bars = [
    { size: length * view.scale, label: units.text(length, "length", 0), colour: "var(--ink)" },
    { size: force * scale * view.scale, label: units.text(force, "force", 0), colour: "var(--ember-deep)" },
  ];
  return (
    <g className="mono" fontSize={10} fill="var(--quiet)">
      {bars.map((b, i) => {
        const y = height - 26 + i * 17;
        return (
          <g key={b.label}>
            <line x1={16} x2={16 + b.size} y1={y} y2={y} stroke={b.colour} strokeWidth={2} />
            <text x={22 + b.size} y={y + 3.5}>
              {b.label}
            </text>
          </g>
        );
      })}
      <text x={width - 16} y={height - 6} textAnchor="end">
        {view.name === "top" || view.name === "free" ? `grid ${units.text(0.1, "length")}` : ""}
      </text>
    </g>
  );
}
