import { useEffect } from "react";
import { useStable } from "./useStable";

/** Does something now, and again so long after it has ended, as long as the component is shown. */
export function useRepeat(work: () => Promise<void>, after: number): void {
  const stable = useStable(work);
  useEffect(() => {
    let timer = 0;
    let gone = false;
    const again = async () => {
      await stable();
      if (!gone) timer = window.setTimeout(again, after);
    };
    void again();
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [stable, after]);
}
