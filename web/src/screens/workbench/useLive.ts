import { useEffect, useRef, useState } from "react";
import type { Core } from "../../engine/core";
import { Following } from "../../engine/following";
import { Live, type Seen } from "../../engine/live";

/** What is known of the document as it stands: worked out in this very render, or, while it is dragged, by the core beside the page. */
export function useLive(core: Core, text: string, s: number, dragged: boolean): { seen: Seen; follows: boolean } {
  const [following] = useState(() => new Following());
  const [heard, hear] = useState<Seen | null>(null);
  const live = useRef<Live | null>(null);
  useEffect(() => {
    const beside = new Live(hear);
    live.current = beside;
    return () => beside.stop();
  }, []);
  if (dragged && live.current?.ready) following.on = true;
  const seen = following.see(text, dragged, heard, () => ({
    text,
    exact: true,
    answer: core.evaluate(text),
    scene: null,
    settings: core.settings(text).ok ?? [],
  }));
  const follows = following.on;
  useEffect(() => {
    if (follows) live.current?.look(text, s, !dragged);
  }, [follows, text, s, dragged]);
  return { seen, follows };
}
