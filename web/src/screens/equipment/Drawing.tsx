import type { ReactNode } from "react";
import styled from "styled-components";
import { useUnits } from "../../state/units";
import type { Item, ListName } from "./fields";

const Picture = styled.svg`
  display: block;
  width: 100%;
  height: 100%;
  .metal { fill: var(--metal); stroke: var(--metal-line); }
  .line { fill: none; stroke: var(--metal-line); }
  .pad { fill: var(--vest); stroke: var(--metal-line); }
  .band { fill: none; stroke: var(--pine); stroke-linecap: round; }
  .far { opacity: 0.45; }
  .floor, .scale { stroke: var(--quiet); }
  &[data-bare="true"] text { display: none; }
  text { fill: var(--quiet); font: 500 10px "Spline Sans Mono Variable", monospace; }
`;

type Drawn = { width: number; height: number; body: ReactNode }; // m, drawn with the floor at y = 0 and up negative

/** A thing to scale, with its floor and a bar of known length. */
export function KitDrawing({ list, item, size, bare }: { list: ListName; item: Item; size: number; bare?: boolean }) {
  const { factor, name } = useUnits().unit("length");
  const drawn = draw(list, item);
  const { width, height } = drawn;
  if (!(width > 0 && height > 0 && Number.isFinite(width + height))) return null;
  const below = bare ? 3 : 20; // px, for the scale
  const scale = Math.min((size - (bare ? 4 : 16)) / width, (size - below - (bare ? 3 : 10)) / height); // px per metre
  const bar = [200, 100, 50, 20, 10, 5].find((b) => (b / factor) * scale <= size * 0.5) ?? 2;
  const onFloor = list !== "holds" && list !== "bands" && list !== "cams";
  return (
    <Picture
      viewBox={`0 0 ${size} ${size}`}
      role={bare ? undefined : "img"}
      aria-hidden={bare}
      aria-label={bare ? undefined : `${item.name}, to scale`}
      data-bare={bare}
    >
      <g
        transform={`translate(${(size - width * scale) / 2} ${size - below}) scale(${scale})`}
        strokeWidth={1.2 / scale}
      >
        {drawn.body}
      </g>
      {onFloor && <line className="floor" x1={4} x2={size - 4} y1={size - below} y2={size - below} />}
      {!bare && <Bar length={bar / factor} label={`${bar} ${name}`} scale={scale} size={size} />}
    </Picture>
  );
}

function Bar({ length, label, scale, size }: { length: number; label: string; scale: number; size: number }) {
  return (
    <>
      <line className="scale" x1={6} x2={6 + length * scale} y1={size - 6} y2={size - 6} strokeWidth={2} />
      <text x={10 + length * scale} y={size - 3}>
        {label}
      </text>
    </>
  );
}

const num = (item: Item, field: string) => Number(item[field] ?? 0);

function draw(list: ListName, item: Item): Drawn {
  switch (list) {
    case "stations":
      return station(item);
    case "benches":
      return bench(item);
    case "weights":
      return weights(item);
    case "bands":
      return band(item);
    case "anchors":
      return anchor(item);
    case "holds":
      return hold(item);
    case "cams":
      return cam(item);
    case "levers":
      return lever(item);
    case "sleds":
      return sled(item);
    case "supports":
      return support(item);
  }
}

function station(item: Item): Drawn {
  const c = item.column as Record<string, number>;
  const [w, h] = [2 * (c.halfWidth ?? 0.05), c.height ?? 2];
  const apart = num(item, "columns") === 2 ? num(item, "apart") : 0;
  const holes = Math.max(0, Math.min(100, c.holes ?? 0));
  const column = (x: number) => (
    <g key={x}>
      <rect className="metal" x={x} y={-h} width={w} height={h} />
      {Array.from({ length: holes }, (_, i) => {
        const y = (c.lowestHole ?? 0) + i * (c.spacing ?? 0);
        return <circle key={i} cx={x + w / 2} cy={-y} r={0.012} fill="var(--metal-line)" />;
      })}
      <rect className="metal" x={x - 0.08} y={-0.05} width={w + 0.16} height={0.05} />
      {[0, 4, 9, 14, 19, 24]
        .filter((i) => i < holes)
        .map((i) => (
          <text
            key={i}
            x={x + w + 0.04}
            y={-((c.lowestHole ?? 0) + i * (c.spacing ?? 0)) + 0.035}
            style={{ fontSize: 0.1 }}
          >
            {i + 1}
          </text>
        ))}
    </g>
  );
  return {
    width: w + 0.3 + apart,
    height: h,
    body: (
      <g transform="translate(0.08 0)">
        {column(0)}
        {apart > 0 && column(apart)}
        {apart > 0 && <line className="line" x1={0} x2={apart + w} y1={-h + 0.03} y2={-h + 0.03} />}
      </g>
    ),
  };
}

function bench(item: Item): Drawn {
  const h = num(item, "height");
  const notches = (item.notchesDeg ?? []) as number[];
  const back = num(item, "backLength") || 0.75;
  const ends = notches.map((d) => [back * Math.cos((d * Math.PI) / 180), back * Math.sin((d * Math.PI) / 180)]);
  const top = Math.max(0, ...ends.map((e) => e[1] ?? 0));
  return {
    width: 1.25,
    height: h + top + 0.05,
    body: (
      <g transform="translate(0.42 0)">
        <rect className="pad" x={-0.36} y={-h} width={0.34} height={0.07} rx={0.02} />
        <path className="line" d={`M-0.2 ${-h + 0.07} L-0.26 0 M0.35 ${-h + 0.07} L0.45 0 M-0.26 -0.03 L0.45 -0.03`} />
        {ends.map(([x, y], i) => (
          <line
            key={notches[i]}
            x1={0}
            y1={-h + 0.03}
            x2={x}
            y2={-h + 0.03 - (y ?? 0)}
            stroke="var(--metal-line)"
            strokeWidth={0.02}
            strokeLinecap="round"
            opacity={i === ends.length - 1 ? 1 : 0.35}
          />
        ))}
      </g>
    ),
  };
}

function weights(item: Item): Drawn {
  if (item.kind === "bar") {
    const plates = [...((item.plates ?? []) as number[])].sort((a, b) => b - a);
    let x = 0.55;
    const drawn = plates.map((m, i) => {
      const [r, t] = [discRadius(m), 0.02 + 0.003 * m];
      x += t;
      return [-x, x - t].map((at) => (
        <rect key={`${i}${at}`} className="metal" x={at} y={-0.25 - r} width={t} height={2 * r} rx={0.006} />
      ));
    });
    const half = Math.max(0.85, x + 0.06);
    return {
      width: 2 * half,
      height: 0.5,
      body: (
        <g transform={`translate(${half} 0)`}>
          <line x1={-half} x2={half} y1={-0.25} y2={-0.25} stroke="var(--metal-line)" strokeWidth={0.03} />
          {drawn}
        </g>
      ),
    };
  }
  const masses = (item.masses ?? []) as number[];
  const shown =
    masses.length > 6 ? [0, 1, 2, 3, 4, 5].map((i) => masses[Math.round((i * (masses.length - 1)) / 5)]) : masses;
  let x = 0;
  const body = shown.map((m, i) => {
    const r = discRadius(m ?? 1);
    x += r;
    const at = x;
    x += r + 0.03;
    return <circle key={i} className="metal" cx={at} cy={-r} r={r} />;
  });
  return { width: Math.max(0.1, x), height: 0.3, body };
}

/** The radius of an iron disc of a mass, if it is as thick as discs are, m (own). */
const discRadius = (kg: number) => Math.max(0.03, 0.05 * Math.cbrt(kg));

function band(item: Item): Drawn {
  const rest = num(item, "restLength");
  const strands = Math.max(1, Math.min(4, num(item, "strands")));
  const line = (y: number, length: number, width: number) =>
    Array.from({ length: strands }, (_, i) => (
      <line key={i} className="band" x1={0} x2={length} y1={y - i * 0.06} y2={y - i * 0.06} strokeWidth={width} />
    ));
  return {
    width: 2 * rest,
    height: Math.max(0.6, rest * 0.7),
    body: (
      <>
        {line(-0.42, rest, 0.035)}
        <g className="far">{line(-0.12, 2 * rest, 0.02)}</g>
      </>
    ),
  };
}

function anchor(item: Item): Drawn {
  const [from, to] = [num(item, "from"), num(item, "to")];
  return {
    width: 1,
    height: Math.max(2.05, to + 0.1),
    body: (
      <g transform="translate(0.1 0)">
        <rect className="metal" x={0} y={-2.0} width={0.8} height={2.0} />
        <line
          x1={0.8}
          x2={0.8}
          y1={-from}
          y2={-to - 0.01}
          stroke="var(--pine)"
          strokeWidth={0.06}
          strokeLinecap="round"
        />
        <circle cx={0.8} cy={-from} r={0.05} fill="var(--pine)" />
        <circle cx={0.8} cy={-to} r={0.05} fill="var(--pine)" />
      </g>
    ),
  };
}

function hold(item: Item): Drawn {
  const length = num(item, "length");
  const grip = <rect className="pad" x={-0.06} y={0} width={0.12} height={0.03} rx={0.012} />;
  const end: Record<string, ReactNode> = {
    handle: <path className="line" d="M-0.06 0.015 L0 -0.08 L0.06 0.015" />,
    cuff: <ellipse className="pad" cx={0} cy={0.03} rx={0.06} ry={0.03} />,
    belt: <ellipse className="pad" cx={0} cy={0.04} rx={0.18} ry={0.05} />,
    bar: <rect className="metal" x={-0.25} y={0} width={0.5} height={0.03} rx={0.012} />,
  };
  const rope = item.kind === "rope";
  const wide = item.kind === "bar" ? 0.5 : item.kind === "belt" ? 0.36 : rope ? 0.3 : 0.2;
  const down = length + 0.12;
  return {
    width: wide,
    height: down + 0.04,
    body: (
      <g transform={`translate(${wide / 2} ${-down})`}>
        <circle className="line" cx={0} cy={-0.01} r={0.015} />
        {rope ? (
          <path
            className="line"
            strokeWidth={0.02}
            d={`M0 0 L${-0.25 * length} ${0.95 * length} M0 0 L${0.25 * length} ${0.95 * length}`}
          />
        ) : (
          <line className="line" x1={0} x2={0} y1={0} y2={length + (item.kind === "handle" ? 0 : 0.02)} />
        )}
        {!rope && (
          <g transform={`translate(0 ${length + 0.06})`}>
            {end[String(item.kind)]}
            {(item.kind === "handle" || item.kind === "strap") && grip}
          </g>
        )}
      </g>
    ),
  };
}

function cam(item: Item): Drawn {
  const table = (item.table ?? []) as { angleDeg: number; arm: number }[];
  const most = Math.max(0.05, ...table.map((p) => p.arm));
  const pad = num(item, "padTo");
  const at = (r: number, deg: number) => [r * Math.sin((deg * Math.PI) / 180), r * Math.cos((deg * Math.PI) / 180)];
  const edge = table.map((p) => at(p.arm, p.angleDeg)).map(([x, y]) => `${x} ${y}`);
  const size = 2 * Math.max(most, pad) + 0.1;
  return {
    width: size,
    height: size,
    body: (
      <g transform={`translate(${size / 2} ${-size / 2})`}>
        <path className="metal" d={`M0 0 L${edge.join(" L")} Z`} />
        <line className="line" x1={0} y1={0} x2={0} y2={pad} strokeWidth={0.02} />
        <rect
          className="pad"
          x={-0.09}
          y={num(item, "padFrom")}
          width={0.18}
          height={Math.max(0.04, pad - num(item, "padFrom"))}
          rx={0.03}
          opacity={0.5}
        />
        <circle cx={0} cy={0} r={0.02} fill="var(--metal-line)" />
      </g>
    ),
  };
}

function lever(item: Item): Drawn {
  const [h, handle, plates] = [num(item, "pivotHeight"), num(item, "handleRadius"), num(item, "plateRadius")];
  const turn = ((180 + num(item, "plateDeg")) * Math.PI) / 180;
  const [px, py] = [plates * Math.cos(turn), -plates * Math.sin(turn)];
  const left = Math.max(handle, -px) + 0.2;
  const width = left + Math.max(0.3, px + 0.2);
  return {
    width,
    height: h + 0.35,
    body: (
      <g transform={`translate(${left} 0)`}>
        <rect className="metal" x={-0.04} y={-h} width={0.08} height={h} />
        <line x1={-handle} x2={0} y1={-h} y2={-h} stroke="var(--metal-line)" strokeWidth={0.05} strokeLinecap="round" />
        <line x1={0} x2={px} y1={-h} y2={-h + py} stroke="var(--metal-line)" strokeWidth={0.05} strokeLinecap="round" />
        <circle className="metal" cx={px} cy={-h + py} r={0.17} />
        <circle cx={0} cy={-h} r={0.05} fill="var(--metal-line)" />
        <circle className="pad" cx={-handle} cy={-h} r={0.04} />
        <rect className="pad" x={-handle - 0.15} y={-num(item, "seatFrom")} width={0.4} height={0.06} rx={0.02} />
        <rect className="pad far" x={-handle - 0.15} y={-num(item, "seatTo")} width={0.4} height={0.06} rx={0.02} />
      </g>
    ),
  };
}

/** Seat, rails and plate, seen from the side. */
function sled(item: Item): Drawn {
  const rise = (num(item, "railDeg") * Math.PI) / 180;
  const lean = rise - (num(item, "plateDeg") * Math.PI) / 180;
  const [c, s] = [Math.cos(rise), Math.sin(rise)];
  const [px, py] = [0.5 + 0.8 * c, 0.35 + 0.8 * s];
  const [ux, uy] = [-Math.sin(lean), Math.cos(lean)];
  return {
    width: 2.2,
    height: 2,
    body: (
      <g>
        <line
          x1={0.5}
          y1={-0.25}
          x2={0.5 + 1.4 * c}
          y2={-0.25 - 1.4 * s}
          stroke="var(--metal-line)"
          strokeWidth={0.05}
        />
        <rect className="pad" x={0.1} y={-0.35} width={0.45} height={0.08} rx={0.02} />
        <rect className="pad" x={-0.02} y={-0.85} width={0.1} height={0.55} rx={0.02} />
        <line
          x1={px - 0.15 * ux}
          y1={-py + 0.15 * uy}
          x2={px + 0.4 * ux}
          y2={-py - 0.4 * uy}
          stroke="var(--metal-line)"
          strokeWidth={0.06}
          strokeLinecap="round"
        />
        <circle className="metal" cx={px + 0.2 * c} cy={-py - 0.2 * s} r={0.16} />
      </g>
    ),
  };
}

function support(item: Item): Drawn {
  const size = num(item, "size");
  const kinds: Record<string, Drawn> = {
    seat: {
      width: 0.5,
      height: Math.max(0.3, size + 0.45),
      body: (
        <g>
          <rect className="pad" x={0.03} y={-size} width={0.42} height={0.05} rx={0.02} />
          <path className="line" d={`M0.08 ${-size} V0 M0.4 ${-size} V0 M0.06 ${-size} L0.03 ${-size - 0.42}`} />
        </g>
      ),
    },
    pad: {
      width: 0.6,
      height: 0.4,
      body: <rect className="pad" x={0.05} y={-size} width={0.5} height={Math.max(0.01, size)} rx={0.02} />,
    },
    weight: {
      width: 0.6,
      height: 0.5,
      body: <circle className="metal" cx={0.3} cy={-discRadius(num(item, "mass"))} r={discRadius(num(item, "mass"))} />,
    },
    strap: {
      width: 0.6,
      height: 0.4,
      body: <path className="line" strokeWidth={0.04} d="M0.05 -0.02 Q0.3 -0.5 0.55 -0.02" />,
    },
    armPad: {
      width: 0.7,
      height: 0.9,
      body: (
        <g>
          <path className="line" d="M0.4 0 V-0.6" />
          <path className="pad" d="M0.15 -0.35 L0.5 -0.85 L0.56 -0.81 L0.21 -0.31 Z" />
        </g>
      ),
    },
    thighPad: {
      width: 0.6,
      height: 0.5,
      body: <rect className="pad" x={0.08} y={-0.3} width={0.44} height={0.14} rx={0.07} />,
    },
    platform: {
      width: 0.8,
      height: 1,
      body: (
        <g>
          <path className="line" d="M0.08 0 V-0.95 M0.08 -0.4 H0.3" />
          <rect className="pad" x={0.28} y={-0.45} width={0.44} height={0.09} rx={0.03} />
        </g>
      ),
    },
  };
  return kinds[String(item.kind)] ?? { width: 0, height: 0, body: null };
}
