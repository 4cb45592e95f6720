import { useQuery } from "@tanstack/react-query";
import { memo, useMemo } from "react";
import styled from "styled-components";
import { core } from "../engine/core";
import type { SetupDocument } from "../engine/types";
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
  const [report, scene] = [c.evaluate(text).ok, c.scene(text, 0.5).ok];
  return report && scene ? { report, scene } : null;
}

type Props = { document: SetupDocument; width: number; height: number };

/** A small picture of a setup in the middle of its range; it says nothing that is not written beside it. */
export const SetupPicture = memo(function SetupPicture({ document, width, height }: Props) {
  const units = useUnits();
  const text = useMemo(() => JSON.stringify(document), [document]);
  const made = useQuery({
    queryKey: ["picture", text],
    queryFn: () => inTurn(() => draw(text)),
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <Frame style={{ width, height }} aria-hidden>
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
      {made.data === null && <span>–</span>}
    </Frame>
  );
});
