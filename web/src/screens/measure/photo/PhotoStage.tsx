import { type ReactNode, useRef, useState } from "react";
import styled from "styled-components";
import type { Mark } from "../../../engine/types";
import { Button } from "../../../ui/Button";
import { useSize } from "../../../ui/useSize";
import { lines } from "./points";
import type { Picture } from "./usePhoto";

const Box = styled.div`
  position: relative;
  height: 100%;
  min-height: 420px;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  .stage { position: relative; overflow: hidden; background: var(--line); touch-action: none; min-height: 0; }
  svg { position: absolute; inset: 0; width: 100%; height: 100%; cursor: crosshair; }
  .mark { cursor: grab; outline: none; }
  .mark:focus-visible circle.ring { stroke: var(--slate); stroke-width: 4; }
  .tools { display: flex; gap: 6px; padding: 8px 14px; align-items: center; flex-wrap: wrap; }
  .tools small { flex: 1; min-width: 20ch; }
  text { font-size: 12px; font-weight: 600; fill: var(--ink); paint-order: stroke; stroke: var(--sheet); stroke-width: 4px; }
`;

type Props = {
  picture: Picture;
  /** The drawn picture, where it is none from a file. */
  children?: ReactNode;
  marks: Record<string, Mark>;
  labelOf: (key: string) => string;
  /** The point that a click places. */
  current: string;
  setCurrent: (key: string) => void;
  place: (key: string, mark: Mark, moving: boolean) => void;
  settle: () => void;
};

/** The picture with its marks: a click places the current one, dragging and the arrow keys move one, a glass shows where it sits. */
export function PhotoStage(props: Props) {
  const { picture, children, marks, labelOf, current, setCurrent, place, settle } = props;
  const [measure, { width, height }] = useSize<HTMLDivElement>();
  const [zoom, setZoom] = useState({ by: 1, x: 0.5, y: 0.5 });
  const svg = useRef<SVGSVGElement>(null);
  const fit = Math.min(width / picture.width, height / picture.height) * zoom.by || 1;
  const origin = { x: width / 2 - zoom.x * picture.width * fit, y: height / 2 - zoom.y * picture.height * fit };
  const onScreen = (m: Mark) => ({ x: origin.x + m.x * fit, y: origin.y + m.y * fit });
  const inPicture = (e: { clientX: number; clientY: number }): Mark => {
    const box = svg.current?.getBoundingClientRect();
    const at = {
      x: (e.clientX - (box?.left ?? 0) - origin.x) / fit,
      y: (e.clientY - (box?.top ?? 0) - origin.y) / fit,
    };
    return { x: clamp(at.x, picture.width), y: clamp(at.y, picture.height) };
  };
  const drag = (key: string) => (e: React.PointerEvent<SVGGElement>) => {
    e.stopPropagation();
    e.currentTarget.focus();
    e.currentTarget.setPointerCapture(e.pointerId);
    setCurrent(key);
    const box = e.currentTarget;
    const on = (m: PointerEvent) => place(key, inPicture(m), true);
    const up = () => {
      box.removeEventListener("pointermove", on);
      box.removeEventListener("pointerup", up);
      box.removeEventListener("pointercancel", up);
      settle();
    };
    box.addEventListener("pointermove", on);
    box.addEventListener("pointerup", up);
    box.addEventListener("pointercancel", up);
  };
  const nudge = (key: string, m: Mark) => (e: React.KeyboardEvent) => {
    const by = e.shiftKey ? 10 : 1;
    const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[e.key];
    if (!way) return;
    e.preventDefault();
    const [dx = 0, dy = 0] = way;
    place(key, { x: clamp(m.x + dx, picture.width), y: clamp(m.y + dy, picture.height) }, true);
  };
  const glass = marks[current];
  return (
    <Box>
      <div className="stage" ref={measure}>
        <svg ref={svg} onPointerDown={(e) => e.button === 0 && current && place(current, inPicture(e), false)}>
          <title>{picture.name}</title>
          <defs>
            <g id="measured-picture">
              {picture.url ? <image href={picture.url} width={picture.width} height={picture.height} /> : children}
            </g>
            <clipPath id="glass">
              <circle cx={0} cy={0} r={78} />
            </clipPath>
          </defs>
          <use href="#measured-picture" transform={`translate(${origin.x} ${origin.y}) scale(${fit})`} />
          {lines.map(([a, b]) => {
            const [p, q] = [marks[a], marks[b]];
            if (!p || !q) return null;
            const [s, t] = [onScreen(p), onScreen(q)];
            return (
              <line key={a + b} x1={s.x} y1={s.y} x2={t.x} y2={t.y} stroke="var(--ember-deep)" strokeWidth={2.5} />
            );
          })}
          {Object.entries(marks).map(([key, m]) => {
            const { x, y } = onScreen(m);
            return (
              // biome-ignore lint/a11y/useSemanticElements: a point of a picture
              <g
                key={key}
                className="mark"
                data-mark={key}
                role="button"
                tabIndex={0}
                aria-label={`${labelOf(key)}: the arrow keys move it, with Shift by ten pixels`}
                onPointerDown={drag(key)}
                onKeyDown={nudge(key, m)}
                onFocus={() => setCurrent(key)}
                onBlur={settle}
              >
                <circle cx={x} cy={y} r={16} fill="transparent" />
                <circle className="ring" cx={x} cy={y} r={8} fill="none" stroke="var(--sheet)" strokeWidth={5} />
                <circle
                  cx={x}
                  cy={y}
                  r={8}
                  fill="none"
                  stroke={key === current ? "var(--ember-deep)" : "var(--ink)"}
                  strokeWidth={2}
                />
                <circle cx={x} cy={y} r={1.4} fill="var(--ember-deep)" />
                <text x={x + 13} y={y - 9}>
                  {labelOf(key)}
                </text>
              </g>
            );
          })}
          {glass && <Glass at={glass} screen={onScreen(glass)} width={width} />}
        </svg>
      </div>
      <div className="tools">
        <small className="quiet">
          {current
            ? `A click places: ${labelOf(current)}. The arrow keys move it by a pixel, with Shift by ten.`
            : "All points are placed."}
        </small>
        <Button
          onPress={() =>
            setZoom((z) => ({ ...z, by: Math.max(1, z.by / 1.5), ...(z.by <= 1.5 && { x: 0.5, y: 0.5 }) }))
          }
        >
          Smaller
        </Button>
        <Button onPress={() => setZoom((z) => ({ by: Math.min(12, z.by * 1.5), ...towards(glass, picture, z) }))}>
          Larger
        </Button>
      </div>
    </Box>
  );
}

const clamp = (x: number, most: number) => Math.round(10 * Math.max(0, Math.min(most, x))) / 10;

/** Zooming goes toward the current point. */
const towards = (m: Mark | undefined, p: Picture, z: { x: number; y: number }) =>
  m ? { x: m.x / p.width, y: m.y / p.height } : { x: z.x, y: z.y };

/** What is under a point, four times as large, out of the way of it. */
function Glass({ at, screen, width }: { at: Mark; screen: { x: number; y: number }; width: number }) {
  const large = 4;
  const x = screen.x > width / 2 ? 92 : width - 92;
  return (
    <g transform={`translate(${x} 92)`} aria-hidden pointerEvents="none">
      <circle r={80} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <g clipPath="url(#glass)">
        <use href="#measured-picture" transform={`translate(${-at.x * large} ${-at.y * large}) scale(${large})`} />
      </g>
      <path d="M-78 0H-12M12 0H78M0 -78V-12M0 12V78" stroke="var(--ember-deep)" strokeWidth={1.2} />
    </g>
  );
}
