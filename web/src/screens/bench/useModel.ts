import { useEffect, useMemo, useRef, useState } from "react";
import type { Core } from "../../engine/core";
import { Painter } from "../../engine/painter";
import type { Mend, Painting, Problem, Report, Scene, Setting, SetupDocument, Uncertainty } from "../../engine/types";

export type Model = {
  document: SetupDocument;
  settings: Setting[];
  problems: Problem[]; // of the document as it stands
  good: { document: SetupDocument; text: string; report: Report } | null; // the last that could be evaluated
  scene: Scene | null;
  painting: Painting | null;
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
  const { painting, mended, spread } = usePainting(text);
  const uncertainty = spread?.document === text ? spread.uncertainty : null;
  return {
    document,
    settings,
    problems: answer.problems ?? [],
    good,
    scene,
    painting,
    mends: mended?.document === text ? mended.mends : none,
    uncertainty,
  };
}

const none: Mend[] = [];

type Mended = { document: string; mends: Mend[] };
type Spread = { document: string; uncertainty: Uncertainty };

type Painted = { painting: Painting | null; mended: Mended | null; spread: Spread | null };

/** The painting of the document, or of the last one that was painted, and the last mends and spread that were worked out. */
function usePainting(text: string): Painted {
  const [painting, setPainting] = useState<Painting | null>(null);
  const [mended, setMended] = useState<Mended | null>(null);
  const [spread, setSpread] = useState<Spread | null>(null);
  const painter = useRef<Painter | null>(null);
  useEffect(() => {
    const p = new Painter({
      painted: (_, answer) => answer.ok && setPainting(answer.ok),
      mended: (document, answer) => setMended(answer.ok ? { document, mends: answer.ok } : null),
      spread: (document, answer) => setSpread(answer.ok ? { document, uncertainty: answer.ok } : null),
    });
    painter.current = p;
    return () => p.stop();
  }, []);
  useEffect(() => painter.current?.paint(text), [text]);
  return { painting, mended, spread };
}
