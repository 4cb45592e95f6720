import { useEffect, useMemo, useRef, useState } from "react";
import type { Core } from "../../engine/core";
import { Painter } from "../../engine/painter";
import { Sweeps } from "../../engine/sweeps";
import type { Mend, Painting, Problem, Report, Scene, Setting, SetupDocument, Uncertainty } from "../../engine/types";

export type Model = {
  document: SetupDocument;
  settings: Setting[];
  problems: Problem[]; // of the document as it stands
  good: { document: SetupDocument; text: string; report: Report } | null; // the last that could be evaluated
  scene: Scene | null;
  sweeps: Sweeps;
  fresh: boolean; // whether all dials are painted for the document as it stands
  mends: Mend[]; // of the document as it stands; empty while they are looked for
  uncertainty: Uncertainty | null; // of the document as it stands; null while it is not known
};

/** Evaluates the document in this very render; keeps the last good picture while the document has problems. */
export function useModel(core: Core, text: string, s: number): Model {
  const document = useMemo(() => JSON.parse(text) as SetupDocument, [text]);
  const answer = useMemo(() => core.evaluate(text), [core, text]);
  const settings = useMemo(() => core.settings(text).ok ?? [], [core, text]);
  const last = useRef<Model["good"]>(null);
  if (answer.ok && last.current?.text !== text) last.current = { document, text, report: answer.ok };
  const good = last.current;
  const goodText = good?.text;
  const scene = useMemo(() => (goodText ? (core.scene(goodText, s).ok ?? null) : null), [core, goodText, s]);
  const { sweeps, painting, mends, spread } = usePainting(text);
  const now = <T>(of: Of<T> | null): T | null => (of?.document === text ? of.value : null);
  const profile = now(painting)?.mend;
  const others = now(mends) ?? none;
  return {
    document,
    settings,
    problems: answer.problems ?? [],
    good,
    scene,
    sweeps,
    fresh: painting?.document === text,
    mends: profile ? [profile, ...others] : others,
    uncertainty: now(spread),
  };
}

const none: Mend[] = [];

type Of<T> = { document: string; value: T };

/** What the worker has made of the newest document, or still of an older one. */
function usePainting(text: string) {
  const [sweeps] = useState(() => new Sweeps());
  const [painting, setPainting] = useState<Of<Painting> | null>(null);
  const [mends, setMends] = useState<Of<Mend[]> | null>(null);
  const [spread, setSpread] = useState<Of<Uncertainty> | null>(null);
  const painter = useRef<Painter | null>(null);
  useEffect(() => {
    const p = new Painter({
      swept: (_, value) => sweeps.set(value),
      painted: (document, value) => setPainting({ document, value }),
      mended: (document, value) => setMends({ document, value }),
      spread: (document, value) => setSpread({ document, value }),
    });
    painter.current = p;
    return () => p.stop();
  }, [sweeps]);
  useEffect(() => painter.current?.paint(text, focused()), [text]);
  return { sweeps, painting, mends, spread };
}

/** The dial that the coach is at. */
const focused = (): string | null =>
  window.document.activeElement?.closest<HTMLElement>("[data-dial]")?.dataset.dial ?? null;
