import { useQuery } from "@tanstack/react-query";
import { memo, useEffect, useMemo, useRef, useState } from "react";
import styled from "styled-components";
import { core } from "../engine/core";
import type { Report, SetupDocument } from "../engine/types";
import { useUnits } from "../state/units";
import { firstView } from "./firstView";
import { Still } from "./Still";

const Frame = styled.div`
  flex: none;
  display: grid;
  place-items: center;
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: 6px;
  overflow: hidden;
  color: var(--quiet);
  svg { width: 100%; height: 100%; }
`;

const fineness = 4; // drawn so many times as large, so that lines become thin

/** One picture after the other, with a pause for the page in between: a long list must not hold it up. */
let turn: Promise<unknown> = Promise.resolve();

function inTurn<T>(make: () => Promise<T>): Promise<T> {
  const mine = turn.then(() => new Promise<void>((go) => setTimeout(go, 0))).then(make);
  turn = mine.catch(() => {});
  return mine;
}

async function draw(text: string) {
  const c = await core();
  const [report, scene] = [c.evaluate(text, true).ok, c.scene(text, 0.5).ok];
  return report && scene ? { report, scene } : null;
}

type Props = {
  document: SetupDocument;
  width: number;
  height: number;
  /** Whether the torque over the range is drawn below. */
  line?: boolean;
};

const lineHeight = 26; // px

/** The torque over the range, the largest at the top, and the strength it is measured against. */
function ProfileLine({ report, width }: { report: Report; width: number }) {
  const { torque, capacity } = report.curves;
  const most = Math.max(...torque.map((v) => v ?? 0), 1e-9);
  const strongest = Math.max(...capacity.map((v) => v ?? 0), 1e-9);
  const path = (curve: (number | null)[], top: number) =>
    curve
      .map(
        (v, i) =>
          `${(4 + ((width - 8) * i) / (curve.length - 1)).toFixed(1)} ${(22 - 18 * Math.max(0, (v ?? 0) / top)).toFixed(1)}`,
      )
      .join(" L");
  return (
    <svg aria-hidden style={{ width, height: lineHeight }} viewBox={`0 0 ${width} ${lineHeight}`}>
      {report.hold ? null : <path d={`M${path(torque, most)}`} fill="none" stroke="var(--ember)" strokeWidth={2} />}
      {capacity.length > 0 && !report.hold && (
        <path d={`M${path(capacity, strongest)}`} fill="none" stroke="var(--slate)" strokeDasharray="3 3" />
      )}
    </svg>
  );
}

/** Whether something has come into view; once it has, it stays so. */
function useSeen<T extends Element>() {
  const ref = useRef<T>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const watch = new IntersectionObserver((entries) => entries.some((e) => e.isIntersecting) && setSeen(true), {
      rootMargin: "200px",
    });
    if (ref.current) watch.observe(ref.current);
    return () => watch.disconnect();
  }, []);
  return [ref, seen] as const;
}

/** A small picture of a setup in the middle of its range; it says nothing that is not written beside it. */
export const SetupPicture = memo(function SetupPicture({ document, width, height, line }: Props) {
  const [frame, seen] = useSeen<HTMLDivElement>();
  const units = useUnits();
  const text = useMemo(() => JSON.stringify(document), [document]);
  const made = useQuery({
    queryKey: ["picture", text],
    enabled: seen,
    queryFn: () => inTurn(() => draw(text)),
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <Frame ref={frame} style={{ width, height: line ? height + lineHeight : height }} aria-hidden>
      {made.data && (
        <Still
          document={document}
          report={made.data.report}
          scene={made.data.scene}
          viewName={firstView(document)}
          units={units}
          width={fineness * width}
          height={fineness * height}
          small
        />
      )}
      {line && made.data && <ProfileLine report={made.data.report} width={width} />}
      {made.data === null && <span>–</span>}
    </Frame>
  );
});
